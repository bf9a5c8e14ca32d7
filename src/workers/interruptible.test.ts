import { interruptible } from './interruptible';

/** Counts up, taking its time. */
function* slow(steps: number, each: number): Generator<number, string> {
  for (let i = 0; i < steps; i++) {
    const end = performance.now() + each;
    while (performance.now() < end);
    yield (i + 1) / steps;
  }
  return 'done';
}

it('runs to the end and tells how far it is', async () => {
  const parts: number[] = [];
  const answer = await interruptible().run(
    () => slow(10, 8),
    (part) => parts.push(part),
  );
  expect(answer).toBe('done');
  expect(parts.length).toBeGreaterThan(1);
  expect([...parts].sort((a, b) => a - b)).toEqual(parts);
});

it('ends when it is told to, and when something later is wanted', async () => {
  const one = interruptible();
  const first = one.run(
    () => slow(1000, 8),
    () => undefined,
  );
  const second = one.run(
    () => slow(3, 1),
    () => undefined,
  );
  expect(await first).toBeNull();
  expect(await second).toBe('done');
  const third = one.run(
    () => slow(1000, 8),
    () => one.cancel(),
  );
  expect(await third).toBeNull();
  expect(
    await one.run(
      () => null,
      () => undefined,
    ),
  ).toBeNull();
});
