import { spawn } from 'node:child_process';
import { chmodSync, chownSync, copyFileSync, existsSync, mkdirSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { Sequelize } from 'sequelize';
import { serve } from '../scripts/server';
import { blankBuild } from '../src/core/model/starts';
import type { Build } from '../src/core/model/build';
import {
  DEMOS,
  browse,
  buildIdOf,
  makeFolder,
  newPage,
  openBuild,
  settled,
  start,
  stopAll,
  typeInto,
} from './havrik';

const folder = makeFolder();
afterAll(() => {
  stopAll();
  rmSync(folder, { recursive: true, force: true });
});

const put = (address: string, id: string, version: number, build: Build) =>
  fetch(`${address}/api/builds/${id}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ version, savedBy: 'window', build }),
  });

it('has every acknowledged save after being killed in the middle of saving, ten times', async () => {
  const database = join(folder, 'killed.sqlite');
  let app = await start(database);
  const created = await fetch(`${app.address}/api/builds/import`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ text: JSON.stringify(blankBuild('Under fire')) }),
  });
  const { id } = (await created.json()) as { id: string };
  let version = 1;
  let { wheelbase } = blankBuild('Under fire');
  const first = wheelbase;
  for (let round = 0; round < 10; round++) {
    // The blow falls a few milliseconds after some saves are through, each round a little later.
    let killed: Promise<void> | undefined;
    const after = wheelbase + 2 + round;
    let acknowledged = wheelbase;
    for (;;) {
      if (wheelbase >= after)
        killed ??= new Promise((resolve) =>
          setTimeout(() => void app.stop('SIGKILL').then(resolve), round),
        );
      const next = wheelbase + 1;
      const saved = await put(app.address, id, version, {
        ...blankBuild('Under fire'),
        wheelbase: next,
      })
        .then((response) => response.json() as Promise<{ version: number }>)
        .catch(() => null);
      if (!saved) break;
      wheelbase = next;
      acknowledged = next;
      ({ version } = saved);
    }
    await killed;
    app = await start(database);
    const found = (await (await fetch(`${app.address}/api/builds/${id}`)).json()) as {
      version: number;
      build: Build;
    };
    // What was acknowledged is there; one more may have been written without its answer.
    expect([acknowledged, acknowledged + 1]).toContain(found.build.wheelbase);
    ({ version } = found);
    wheelbase = found.build.wheelbase;
  }
  await app.stop();
  expect(wheelbase).toBeGreaterThan(first + 20);
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: database, logging: false });
  const [rows] = await sequelize.query('PRAGMA integrity_check');
  expect(rows).toEqual([{ integrity_check: 'ok' }]);
  await sequelize.close();
});

it('keeps what is typed while the server is gone, says so, and saves it when it is back', async () => {
  const database = join(folder, 'gone.sqlite');
  let app = await start(database);
  const port = Number(new URL(app.address).port);
  const browser = await browse();
  const { page } = await newPage(browser);
  await openBuild(page, app.address, 'Two-seat roadster');
  await app.stop('SIGKILL');
  await typeInto(page, '#upperOuter-up', '417.5');
  await page.waitForSelector('::-p-text(Not saved: Havrik’s server does not answer)');
  await typeInto(page, '#upperOuter-out', '579');
  app = await start(database, port);
  await settled(page);
  const id = buildIdOf(page);
  const stored = (await (await fetch(`${app.address}/api/builds/${id}`)).json()) as {
    build: Build;
  };
  expect(stored.build.front.points['upperOuter']).toMatchObject({ out: 579, up: 417.5 });
  await browser.close();
  await app.stop();
});

it('says so when the database folder is read-only', async () => {
  const locked = join(folder, 'locked');
  mkdirSync(locked);
  // Root may write anywhere, so the server is started as nobody.
  const nobody = process.getuid?.() === 0 ? 65534 : undefined;
  if (nobody) chownSync(folder, nobody, nobody);
  chmodSync(locked, 0o555);
  const served = await serve({ env: { HAVRIK_DB: join(locked, 'havrik.sqlite') }, uid: nobody });
  expect(served.ok).toBe(false);
  if (!served.ok) expect(served.why).toMatch(/cannot write to .*locked.*HAVRIK_DB=/);
});

it('says so when its port is in use, and takes another when none was asked for', async () => {
  const taken = createServer();
  await new Promise<void>((resolve) => taken.listen(0, '127.0.0.1', resolve));
  const { port } = taken.address() as { port: number };
  const served = await serve({ port });
  expect(!served.ok && served.why).toMatch(new RegExp(`Port ${port} is in use.*PORT=`));
  taken.close();

  const [one, two] = [await start(join(folder, 'a.sqlite')), await start(join(folder, 'b.sqlite'))];
  expect(one.address).not.toBe(two.address);
  await one.stop();
  await two.stop();
});

/** Runs `scripts/serve.ts` as ./demo.sh does, and waits until it says where it is or ends. */
function startScript(env: Record<string, string>) {
  const child = spawn(process.execPath, ['--import', 'tsx', 'scripts/serve.ts'], {
    cwd: join(__dirname, '..'),
    env: { ...process.env, ...env },
  });
  let said = '';
  const done = new Promise<number | null>((resolve) => child.on('exit', (code) => resolve(code)));
  const at = new Promise<string>((resolve) => {
    const hear = (data: Buffer) => {
      said += data.toString();
      const address = /http:\/\/127\.0\.0\.1:\d+/u.exec(said)?.[0];
      if (address) resolve(address);
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
  });
  return { child, at, end: async () => ({ code: await done, said }) };
}

it.each([
  ['a port that is none', { PORT: '65536' }, /PORT=65536 is not a port: .* from 1 to 65535/],
  ['a port in letters', { PORT: 'http' }, /PORT=http is not a port/],
  ['a folder for a database', { HAVRIK_DB: folder }, /is a folder: name a file in it/],
  ['no name for a database', { HAVRIK_DB: '' }, /HAVRIK_DB is empty: name a file/],
])('ends with words when it is given %s', async (_, env, words) => {
  const { code, said } = await startScript(env).end();
  expect(code).toBe(1);
  expect(said).toMatch(words);
  expect(said).not.toMatch(/\n\s+at /);
});

it('takes any port for PORT=0', async () => {
  const { child, at, end } = startScript({ PORT: '0', HAVRIK_DB: join(folder, 'any.sqlite') });
  expect((await fetch(await at)).status).toBe(200);
  child.kill('SIGTERM');
  expect((await end()).code).toBe(0);
});

it('lets go of port and database when whoever started it is killed', async () => {
  const path = join(folder, 'orphan.sqlite');
  const { child, at, end } = startScript({ PORT: '0', HAVRIK_DB: path });
  const address = await at;
  child.kill('SIGKILL');
  await end();
  for (let waited = 0; waited < 10_000; waited += 100) {
    if (!(await fetch(address).catch(() => null))) break;
    await new Promise((wake) => setTimeout(wake, 100));
  }
  await expect(fetch(address)).rejects.toThrow();
  expect(existsSync(`${path}-wal`)).toBe(false);
});

it('starts twice at once on a new file, and both answer', async () => {
  for (let round = 0; round < 2; round++) {
    const path = join(folder, `twice-${round}.sqlite`);
    const pair = await Promise.all([start(path), start(path)]);
    for (const { address } of pair) {
      expect((await fetch(address)).status).toBe(200);
      expect(await (await fetch(`${address}/api/builds`)).json()).toMatchObject({
        all: DEMOS,
      });
    }
    for (const running of pair) await running.stop();
  }
});

it('is one file after a stop: a copy of it alone holds every build', async () => {
  const path = join(folder, 'one.sqlite');
  const app = await start(path);
  await fetch(`${app.address}/api/builds`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ build: blankBuild('Another') }),
  });
  await app.stop();
  expect(existsSync(`${path}-wal`)).toBe(false);
  const copy = join(folder, 'copy.sqlite');
  copyFileSync(path, copy);
  const again = await start(copy);
  expect(await (await fetch(`${again.address}/api/builds`)).json()).toMatchObject({
    all: DEMOS + 1,
    rows: [{ name: 'Another' }, ...Array.from({ length: DEMOS }, () => ({}))],
  });
  await again.stop();
});
