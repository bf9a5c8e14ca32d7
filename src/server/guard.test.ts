import { policyOf, refusalOf } from './guard';

const ask = (headers: Record<string, string>, method = 'GET', path = '/') =>
  refusalOf({ method, path, header: (name) => headers[name] ?? null })?.status ?? 'answered';

afterEach(() => {
  delete process.env.HAVRIK_HOSTS;
});

it.each(['127.0.0.1', '127.0.0.1:4310', 'localhost:3000', 'LOCALHOST', '[::1]:4310', '[::1]'])(
  'answers to %s',
  (host) => expect(ask({ host })).toBe('answered'),
);

it.each(['evil.example', '127.0.0.1.evil.example:4310', 'localhost.evil', '', '192.168.0.7:4310'])(
  'does not answer to “%s”',
  (host) => expect(ask({ host })).toBe(403),
);

it('answers to the names it is given besides', () => {
  process.env.HAVRIK_HOSTS = 'shed.local, 192.168.0.7';
  expect(ask({ host: 'shed.local:4310' })).toBe('answered');
  expect(ask({ host: '192.168.0.7' })).toBe('answered');
  expect(ask({ host: 'other.local' })).toBe(403);
});

describe('on what changes something', () => {
  const host = '127.0.0.1:4310';
  it.each<[string, Record<string, string>, number | 'answered']>([
    ['its own page', { origin: 'http://127.0.0.1:4310' }, 'answered'],
    ['no page', {}, 'answered'],
    ['another page', { origin: 'https://evil.example' }, 403],
    ['a page of another port', { origin: 'http://127.0.0.1:8080' }, 403],
    ['a page without an origin', { origin: 'null' }, 403],
    ['nonsense', { origin: '://' }, 403],
    ['another site', { 'sec-fetch-site': 'cross-site' }, 403],
    ['a neighbour', { 'sec-fetch-site': 'same-site' }, 403],
    [
      'its own, twice said',
      { origin: 'http://127.0.0.1:4310', 'sec-fetch-site': 'same-origin' },
      'answered',
    ],
  ])('hears %s as it should', (_, headers, heard) => {
    for (const method of ['POST', 'PUT', 'DELETE', 'PATCH'])
      expect(ask({ host, ...headers }, method)).toBe(heard);
    expect(ask({ host, ...headers })).toBe('answered');
  });
});

it('knows no address that stands for no letters', () => {
  expect(ask({ host: 'localhost' }, 'GET', '/builds/%ff')).toBe(400);
  expect(ask({ host: 'localhost' }, 'GET', '/builds/%C3%BC')).toBe('answered');
});

it('lets a page evaluate nothing and stand in no frame', () => {
  const policy = policyOf('abc');
  expect(policy).toContain("script-src 'self' 'nonce-abc';");
  expect(policy).toContain("frame-ancestors 'none'");
  expect(policy).not.toMatch(/unsafe-eval|http:|\*/);
});
