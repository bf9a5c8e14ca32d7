import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import { writeBuildFile } from '../core/file/buildFile';
import { readLine } from '../core/instruments/protocol';
import { blankBuild } from '../core/model/starts';
import { createBuild } from '../db/builds';
import { stopWriting } from '../db/writing';
import { aCheck, aReading } from '../test/checks';
import {
  addBuild,
  bringCheckBack,
  exportBuild,
  getBackup,
  getBuild,
  getBuilds,
  getChecks,
  getSave,
  getSaves,
  importBuild,
  listenToStandIn,
  putBuild,
  putCheck,
  putReadings,
  removeCheck,
} from './requests';
import type { BuildChecks, KeptSave } from './requests';

beforeAll(() => {
  process.env.HAVRIK_DB = join(mkdtempSync(join(tmpdir(), 'havrik-requests-')), 'havrik.sqlite');
});
afterAll(stopWriting);

const send = (body: unknown, type = 'application/json') =>
  new Request('http://127.0.0.1/', {
    method: 'PUT',
    body: typeof body === 'string' ? body : JSON.stringify(body),
    headers: { 'content-type': type },
  });
const message = async (response: Response) =>
  `${response.status} ${((await response.json()) as { message: string }).message}`;
const build = blankBuild('Asked for');

it('gives, saves and exports a build', async () => {
  const { id } = await createBuild(build);
  expect(await (await getBuild(id)).json()).toEqual({ id, version: 1, build });
  const changed = { ...build, wheelbase: 2222 };
  const saved = await putBuild(id, send({ version: 1, savedBy: 'me', build: changed }));
  expect(await saved.json()).toEqual({ outcome: 'saved', version: 2 });
  const file = await exportBuild(id);
  expect(await file.text()).toBe(writeBuildFile(changed));
  expect(file.headers.get('content-disposition')).toContain('asked-for.havrik.json');
});

it('saves a draft that is not sound, and refuses to export it', async () => {
  const draft = structuredClone(build);
  draft.front.points['lowerOuter'] = { ...draft.front.points['upperOuter'] };
  const { id } = await createBuild(build);
  expect((await putBuild(id, send({ version: 1, savedBy: 'me', build: draft }))).status).toBe(200);
  expect(await message(await exportBuild(id))).toMatch(/^422 .*in one place/);
});

it('lists what was kept of a build, and gives it back', async () => {
  const { id } = await createBuild(build);
  expect(await (await getSaves(id)).json()).toEqual([]);
  await putBuild(id, send({ version: 1, savedBy: 'me', build: { ...build, wheelbase: 2222 } }));
  const [kept] = (await (await getSaves(id)).json()) as KeptSave[];
  expect(await (await getSave(id, kept.id)).json()).toEqual(build);
  expect(await message(await getSave(id, id))).toMatch(/^404 .*not there any more/);
  expect(await message(await getSave(id, 'x'))).toMatch(/^404/);
});

it('imports a file, and says why it does not', async () => {
  const good = await importBuild(send({ text: writeBuildFile(build) }));
  expect(await good.json()).toMatchObject({ name: 'Asked for' });
  expect(await message(await importBuild(send({ text: '{"format":"x"}' })))).toMatch(
    /^422 the file is not a Havrik build/,
  );
});

it.each([
  ['another type', send('{}', 'text/plain'), /^415/],
  ['a request cut off', send('{"version":'), /^400 .*cut off/],
  ['an unknown entry', send({ version: 1, savedBy: 'me', build, more: 1 }), /^400/],
  ['a version of nothing', send({ version: 0, savedBy: 'me', build }), /^400 version/],
  [
    'an absurd build',
    send({ version: 1, savedBy: 'me', build: { ...build, wheelbase: -1 } }),
    /^400 build\.wheelbase is -1: at least 300 mm/,
  ],
  ['too much', send(`"${'x'.repeat(8_100_000)}"`), /^413 .*8\.1 MB/],
])('refuses %s', async (_, request, reason) => {
  const { id } = await createBuild(build);
  expect(await message(await putBuild(id, request))).toMatch(reason);
});

it('knows no build by a wrong address', async () => {
  expect(await message(await getBuild('../secrets'))).toMatch(/^404/);
  expect(await message(await getBuild('7c0e3a52-6f43-4d0c-9a53-5d3b8d1f0c11'))).toMatch(/deleted/);
});

it('exports a build whose name is cut through a letter', async () => {
  const name = `Racer ${'\ud83c'}`;
  const { id } = await createBuild({ ...build, name });
  const file = await exportBuild(id);
  expect(file.headers.get('content-disposition')).toContain('racer.havrik.json');
});

it('lists builds, and refuses to be asked for anything', async () => {
  const list = (asked: string) => getBuilds(new Request(`http://127.0.0.1/api/builds?${asked}`));
  const { rows } = (await (await list('count=2&order=name')).json()) as { rows: unknown[] };
  expect(rows).toHaveLength(2);
  for (const asked of ['count=100000', 'from=-1', 'order=shoe-size', 'more=1'])
    expect((await list(asked)).status).toBe(400);
});

it('adds a build that is not sound yet', async () => {
  const draft = structuredClone(build);
  draft.front.points['lowerOuter'] = { ...draft.front.points['upperOuter'] };
  const { id } = (await (await addBuild(send({ build: draft }))).json()) as { id: string };
  expect(await (await getBuild(id)).json()).toMatchObject({ version: 1, build: draft });
  expect((await addBuild(send({ build: { ...draft, wheelbase: 1 } }))).status).toBe(400);
});

it('hands out a backup', async () => {
  const answer = await getBackup();
  const entries = unzipSync(new Uint8Array(await answer.arrayBuffer()));
  expect(Object.keys(entries)).toEqual(['about.json', 'havrik.sqlite']);
});

it('keeps checks and readings, and says what it does not take', async () => {
  const { id } = await createBuild(build);
  const { readings: _, ...check } = aCheck(build, 'check-1');
  expect((await putCheck(id, 'check-1', send({ check }))).status).toBe(200);
  expect(await message(await putCheck(id, 'other', send({ check })))).toMatch(
    /^400 .*another name/u,
  );
  const reading = aReading('r1');
  const put = (body: unknown, at = 'check-1') => putReadings(id, at, send(body));
  expect((await put({ readings: [reading] })).status).toBe(200);
  expect(await message(await put({ readings: [{ ...reading, plusMinus: 'x' }] }))).toMatch(
    /^400 readings\.0\.plusMinus is not a number/u,
  );
  expect(await message(await put({ readings: [] }, 'nobody'))).toMatch(/^404 /u);
  const told = (await (await getChecks(id)).json()) as BuildChecks;
  expect(told.checks).toMatchObject([{ id: 'check-1', readings: [{ id: 'r1' }] }]);
  expect((await removeCheck(id, 'check-1')).status).toBe(200);
  expect(await message(await removeCheck(id, 'check-1'))).toMatch(/^404 /u);
  expect((await bringCheckBack(id, 'check-1')).status).toBe(200);
  const file = JSON.parse(await (await exportBuild(id)).text()) as { checks: unknown[] };
  expect(file.checks).toHaveLength(1);
  expect(await message(await getChecks('b3a2'))).toMatch(/^404 /u);
});

describe('a simulated instrument', () => {
  const listen = async (more: Record<string, string> = {}, ended = new AbortController()) => {
    const { id } = await createBuild(build);
    const { readings: _, ...check } = aCheck(build, `check-${Math.random()}`);
    await putCheck(id, check.id, send({ check }));
    const asked = new URLSearchParams({
      ...{ session: 's', build: id, check: check.id, device: 'dials', side: 'left', travel: '20' },
      ...more,
    });
    const address = `http://127.0.0.1/api/stand-ins?${asked.toString()}`;
    return listenToStandIn(new Request(address, { signal: ended.signal }));
  };
  /** The first lines that come. */
  async function first(response: Response): Promise<string[]> {
    const reader = response.body!.getReader();
    const { value } = await reader.read();
    await reader.cancel();
    return new TextDecoder()
      .decode(value)
      .split('\n\n')
      .flatMap((one) => (one.startsWith('data: ') ? [one.slice(6)] : []));
  }

  it('speaks as long as somebody listens, of the wheel where it stands', async () => {
    const response = await listen();
    expect(response.headers.get('content-type')).toBe('text/event-stream');
    const lines = await first(response);
    expect(lines).toHaveLength(2);
    for (const line of lines) expect(readLine(line).ok).toBe(true);
    const values = async (travel: string) =>
      (await first(await listen({ travel, session: 'same' }))).map((line) => {
        const heard = readLine(line);
        return heard.ok ? heard.said : null;
      });
    const [up] = await values('50');
    const [down] = await values('-50');
    expect(Math.abs(up!.value! - down!.value!)).toBeGreaterThan(0.5);
  });

  it('stays the same instrument while it is asked for by its name', async () => {
    const { id } = await createBuild(build);
    const { readings: _, ...check } = aCheck(build, 'one-instrument');
    await putCheck(id, check.id, send({ check }));
    const count = async () => {
      const asked = new URLSearchParams({
        ...{ session: 'mine', build: id, check: check.id, device: 'level', side: 'left' },
        travel: '0',
      });
      const [line] = await first(
        await listenToStandIn(new Request(`http://127.0.0.1/?${asked.toString()}`)),
      );
      const heard = readLine(line);
      return heard.ok ? heard.said.count : NaN;
    };
    expect([await count(), await count(), await count()]).toEqual([0, 1, 2]);
  });

  it('refuses what there is not, in words', async () => {
    expect(await message(await listen({ device: 'tape' }))).toMatch(/^400 device /u);
    expect(await message(await listen({ check: 'nobody' }))).toMatch(/^404 /u);
    expect(await message(await listen({ travel: 'x' }))).toMatch(/^400 travel /u);
  });
});
