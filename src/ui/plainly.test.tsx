it('makes names of random bytes where a page is served plainly', () => {
  const own = crypto.randomUUID;
  Object.defineProperty(crypto, 'randomUUID', {
    value: undefined,
    configurable: true,
    writable: true,
  });
  jest.isolateModules(() => void jest.requireActual('./plainly'));
  const names = Array.from({ length: 50 }, () => crypto.randomUUID());
  for (const name of names)
    expect(name).toMatch(/^[\da-f]{8}-[\da-f]{4}-4[\da-f]{3}-[89ab][\da-f]{3}-[\da-f]{12}$/u);
  expect(new Set(names).size).toBe(50);
  Object.defineProperty(crypto, 'randomUUID', { value: own, configurable: true, writable: true });
});
