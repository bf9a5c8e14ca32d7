import { createServer, request } from 'node:http';
import type { AddressInfo, Server } from 'node:net';
import type { Server as HttpServer, IncomingMessage } from 'node:http';
import { makeDoor } from './door';
import { CODE_LIVES, MOST_TRIES, Pairing } from './pairing';

let now = 1_000_000;
const heard: { method: string; url: string; headers: IncomingMessage['headers']; body: string }[] =
  [];
let inside: Server;
let door: ReturnType<typeof makeDoor>;
let address: string;
let paired = 0;

const listen = (server: Server): Promise<number> =>
  new Promise((resolve) =>
    server.listen(0, '127.0.0.1', () => resolve((server.address() as AddressInfo).port)),
  );

beforeEach(async () => {
  heard.length = 0;
  paired = 0;
  const app = createServer((asked, response) => {
    let body = '';
    asked.on('data', (chunk) => (body += String(chunk)));
    asked.on('end', () => {
      heard.push({ method: asked.method!, url: asked.url!, headers: asked.headers, body });
      response.writeHead(201, { 'x-own': 'yes' });
      response.write('first ');
      setTimeout(() => response.end('second'), 20);
    });
  });
  inside = app;
  door = makeDoor(await listen(app), ['127.0.0.1'], () => paired++, new Pairing(() => now));
  address = `http://127.0.0.1:${await listen(door.server)}`;
});
afterEach(() => {
  for (const server of [inside as HttpServer, door.server]) {
    server.close();
    server.closeAllConnections();
  }
});

const type = (code: string) =>
  fetch(`${address}/pair`, {
    method: 'POST',
    redirect: 'manual',
    headers: { 'content-type': 'application/x-www-form-urlencoded', origin: address },
    body: new URLSearchParams({ code }),
  });

/** The cookie that a code is taken for. */
async function letIn(): Promise<string> {
  const answer = await type(door.pairing.newCode());
  expect(answer.status).toBe(303);
  return answer.headers.get('set-cookie')!;
}

it('lets nobody in who was not paired, and shows a page where to type', async () => {
  for (const path of ['/', '/api/builds', '/builds/x', '/_next/static/a.js'])
    for (const method of ['GET', 'PUT', 'POST', 'DELETE'])
      expect((await fetch(`${address}${path}`, { method })).status).toBe(403);
  const page = await fetch(address, { headers: { accept: 'text/html' } });
  expect(await page.text()).toContain('The eight digits');
  expect(page.headers.get('content-security-policy')).toContain("default-src 'none'");
  const forged = await fetch(address, { headers: { cookie: 'havrik-paired=abc' } });
  expect(forged.status).toBe(403);
  expect(heard).toEqual([]);
});

it('takes a code once, for a cookie that scripts and other sites do not get', async () => {
  const code = door.pairing.newCode();
  expect(code).toMatch(/^\d{8}$/u);
  const spaced = `${code.slice(0, 4)} ${code.slice(4)}`;
  const answer = await type(spaced);
  expect(answer.status).toBe(303);
  expect(paired).toBe(1);
  const cookie = answer.headers.get('set-cookie')!;
  expect(cookie).toMatch(/^havrik-paired=[\w-]{43}; HttpOnly; SameSite=Strict; Path=\//u);
  expect((await type(code)).status).toBe(403);
  const [own] = cookie.split(';');
  const passed = await fetch(`${address}/api/builds?x=1`, {
    method: 'PUT',
    headers: { cookie: own, origin: address, 'content-type': 'application/json' },
    body: '{"a":1}',
  });
  expect([passed.status, passed.headers.get('x-own'), await passed.text()]).toEqual([
    ...[201, 'yes', 'first second'],
  ]);
  const [{ headers, ...rest }] = heard;
  expect(rest).toEqual({ method: 'PUT', url: '/api/builds?x=1', body: '{"a":1}' });
  const { port } = inside.address() as AddressInfo;
  // The application hears the name that it answers to, and never the cookie.
  expect(headers).toMatchObject({ host: `127.0.0.1:${port}`, origin: `http://127.0.0.1:${port}` });
  expect(headers.cookie).toBeUndefined();
});

it('voids a code after five wrong ones, and after ten minutes', async () => {
  const code = door.pairing.newCode();
  const wrong = code === '00000000' ? '11111111' : '00000000';
  for (let i = 1; i <= MOST_TRIES; i++) {
    const page = await (await type(wrong)).text();
    expect(page).toContain(i < MOST_TRIES ? `${MOST_TRIES - i} tries are left` : 'too often');
  }
  expect(await (await type(code)).text()).toContain('No code is open');
  const late = door.pairing.newCode();
  now += CODE_LIVES;
  expect(door.pairing.waits).toBe(false);
  expect((await type(late)).status).toBe(403);
  const first = door.pairing.newCode();
  const second = door.pairing.newCode();
  // A new code voids the one before.
  if (first !== second) expect((await type(first)).status).toBe(403);
  expect((await type(second)).status).toBe(303);
});

it('answers to the host’s own names, and to its own pages', async () => {
  const cookie = (await letIn()).split(';')[0];
  const status = async (headers: Record<string, string>, method = 'GET') => {
    const { hostname, port } = new URL(address);
    return new Promise((resolve) => {
      request({ hostname, port, method, path: '/', headers: { cookie, ...headers } }, (answer) => {
        answer.resume();
        resolve(answer.statusCode);
      }).end();
    });
  };
  expect(await status({})).toBe(201);
  expect(await status({ host: 'evil.example' })).toBe(403);
  expect(await status({ host: '127.0.0.1.evil.example' })).toBe(403);
  expect(await status({ origin: 'http://evil.example' }, 'POST')).toBe(403);
  expect(await status({ 'sec-fetch-site': 'cross-site' }, 'PUT')).toBe(403);
  expect(await status({ origin: address, 'sec-fetch-site': 'same-origin' }, 'PUT')).toBe(201);
});

it('says when the application is away, and hears no long forms', async () => {
  const cookie = (await letIn()).split(';')[0];
  await new Promise((resolve) => inside.close(resolve));
  const answer = await fetch(address, { headers: { cookie } });
  expect(answer.status).toBe(502);
  expect((await type('1'.repeat(5000))).status).toBe(403);
});
