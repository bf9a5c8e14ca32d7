import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import { writeBuildFile } from '../core/file/buildFile';
import { blankBuild } from '../core/model/starts';
import { createBuild } from '../db/builds';
import { stopWriting } from '../db/writing';
import { message, send } from '../test/requests';
import {
  addBuild,
  exportBuild,
  getBackup,
  getBuild,
  getBuilds,
  getSave,
  getSaves,
  importBuild,
  putBuild,
} from './requests';
import type { KeptSave } from './requests';

beforeAll(() => {
  process.env.HAVRIK_DB = join(mkdtempSync(join(tmpdir(), 'havrik-requests-')), 'havrik.sqlite');
});
afterAll(stopWriting);

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
