import { chmodSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { blankBuild, blankRear } from '../core/model/starts';
import { deleteBuild, restoreBuild } from './bin';
import {
  createBuild,
  duplicateBuild,
  openBuild,
  saveBuild,
  savedState,
  seedIfEmpty,
} from './builds';
import { database, openDatabase } from './database';
import { listBuilds } from './list';
import { keepNow, listSaves, noteSave, openSave } from './saves';
import { DatabaseTrouble, UnreadableBuild, inWords } from './trouble';
import { stopWriting } from './writing';

const all = async () => (await listBuilds({ find: '', order: 'worked', from: 0, count: 50 })).rows;

const folder = mkdtempSync(join(tmpdir(), 'havrik-db-'));
let count = 0;
const fresh = () => join(folder, `test-${count++}`, 'havrik.sqlite');

beforeEach(() => {
  process.env.HAVRIK_DB = fresh();
});
afterEach(stopWriting);

const full = () => {
  const build = blankBuild('Number seven');
  return { ...build, rear: blankRear(build) };
};

it('gives back what was put in', async () => {
  const { id } = await createBuild(full());
  expect(await openBuild(id)).toEqual({ id, version: 1, build: full() });
  expect(await openBuild('b3a2')).toBeNull();
});

it('writes ahead, and keeps documents to builds that are there', async () => {
  const { sequelize, documents } = await database();
  const ask = (pragma: string) => sequelize.query(`PRAGMA ${pragma}`, { type: QueryTypes.SELECT });
  expect(await ask('journal_mode')).toEqual([{ journal_mode: 'wal' }]);
  expect(await ask('foreign_keys')).toEqual([{ foreign_keys: 1 }]);
  await expect(
    documents.create({ id: 'a', buildId: 'nowhere', name: 'x', geometry: '{}', format: 1 }),
  ).rejects.toThrow(/FOREIGN KEY/);
});

describe('saving', () => {
  it('counts versions and renames', async () => {
    const { id } = await createBuild(full());
    expect(await saveBuild(id, 1, { ...full(), name: 'Eight' }, 'tab-1')).toEqual({
      outcome: 'saved',
      version: 2,
    });
    expect((await openBuild(id))?.build.name).toBe('Eight');
    expect(await savedState(id)).toEqual({ version: 2, savedBy: 'tab-1' });
  });

  it('loses neither copy when two windows save', async () => {
    const { id } = await createBuild(full());
    const [mine, theirs] = [
      { ...full(), wheelbase: 2001 },
      { ...full(), wheelbase: 2002 },
    ];
    await saveBuild(id, 1, theirs, 'tab-1');
    const outcome = await saveBuild(id, 1, mine, 'tab-2');
    if (outcome.outcome !== 'kept') throw new Error(outcome.outcome);
    expect((await openBuild(id))?.build.wheelbase).toBe(2002);
    const kept = await openBuild(outcome.id);
    expect(kept?.build).toMatchObject({ wheelbase: 2001, name: 'Number seven (other window)' });
    // The second window goes on with the kept one.
    expect(await saveBuild(outcome.id, outcome.version, kept!.build, 'tab-2')).toMatchObject({
      outcome: 'saved',
    });
  });

  it('takes a save whose answer was lost a second time', async () => {
    const { id } = await createBuild(full());
    await saveBuild(id, 1, full(), 'tab-1');
    expect(await saveBuild(id, 1, { ...full(), wheelbase: 2003 }, 'tab-1')).toEqual({
      outcome: 'saved',
      version: 3,
    });
  });

  it('lets many savers through one after another', async () => {
    const { id } = await createBuild(full());
    await Promise.all(Array.from({ length: 12 }, () => saveBuild(id, 1, full(), 'tab-1')));
    expect((await savedState(id))?.version).toBe(13);
  });

  it('does not write an old format over a newer one', async () => {
    const { id } = await createBuild(full());
    const { documents } = await database();
    await documents.update({ format: 2 }, { where: { buildId: id } });
    expect(await saveBuild(id, 1, full(), 'tab-1')).toEqual({ outcome: 'newer' });
    expect((await documents.findOne({ where: { buildId: id } }))?.format).toBe(2);
  });

  it('says so when the build has been deleted', async () => {
    const { id } = await createBuild(full());
    await deleteBuild(id);
    expect(await saveBuild(id, 1, full(), 'tab-1')).toEqual({ outcome: 'gone' });
  });
});

it('deletes so that it can be undone, and copies', async () => {
  const { id } = await createBuild(full());
  const copy = await duplicateBuild(id);
  expect(copy?.build.name).toBe('Number seven (copy)');
  const long = await createBuild({ ...full(), name: `${'x'.repeat(72)}🏁🏁🏁` });
  const { name } = (await duplicateBuild(long.id))!.build;
  expect(name.length).toBeLessThanOrEqual(80);
  expect(name).toMatch(/^x{72}( \(copy\)|🏁.*)$/u);
  await deleteBuild(long.id);
  await deleteBuild((await all()).find((row) => row.name === name)!.id);
  expect(await deleteBuild(id)).toBe(true);
  expect(await deleteBuild(id)).toBe(false);
  expect(await savedState(id)).toBeNull();
  expect((await all()).map((build) => build.id)).toEqual([copy?.id]);
  await restoreBuild(id);
  expect(await all()).toHaveLength(2);
  expect((await openBuild(id))?.build).toEqual(full());
});

it('loads the demonstration only into a database that never held a build', async () => {
  expect(await seedIfEmpty([full(), full()])).toBe(2);
  for (const { id } of await all()) await deleteBuild(id);
  expect(await seedIfEmpty([full()])).toBe(0);
});

it('lists a damaged build without falling over, and says so when it is opened', async () => {
  const { id } = await createBuild(full());
  await createBuild(full());
  const { builds, documents } = await database();
  await documents.update({ geometry: '{"wheelbase":' }, { where: { buildId: id } });
  await builds.update({ reckoned: null }, { where: { id } });
  expect((await all()).map(({ summary }) => summary === null).sort()).toEqual([false, true]);
  await expect(openBuild(id)).rejects.toThrow(UnreadableBuild);
  await documents.update({ geometry: '{"wheelbase":2}' }, { where: { buildId: id } });
  await expect(openBuild(id)).rejects.toThrow(/wheelbase is 2: at least 300 mm/);
});

describe('trouble with the database', () => {
  it('is told when its folder cannot be written', async () => {
    await expect(openDatabase('/proc/havrik/havrik.sqlite')).rejects.toThrow(DatabaseTrouble);
    const path = fresh();
    await (await openDatabase(path)).sequelize.close();
    if (process.getuid?.() !== 0) {
      chmodSync(path, 0o444);
      await expect(openDatabase(path)).rejects.toThrow(/cannot write/);
    }
  });

  it('is told when the file is something else', async () => {
    const path = join(folder, 'drawing.sqlite');
    writeFileSync(path, 'not a database at all, but long enough to look at'.repeat(40));
    await expect(openDatabase(path)).rejects.toThrow(/not a database that Havrik can read/);
  });

  it.each([
    ['SQLITE_READONLY: attempt to write a readonly database', /cannot write to .*HAVRIK_DB/],
    ['SQLITE_FULL: database or disk is full', /full or failing/],
    ['SQLITE_BUSY: database is locked', /another program/],
  ])('%s', (text, message) => {
    expect(inWords(new Error(text), '/shed/havrik.sqlite').message).toMatch(message);
    expect(inWords(new Error(text), '/shed/havrik.sqlite')).toBeInstanceOf(DatabaseTrouble);
  });

  it('leaves other errors alone', () => {
    const error = new Error('something else');
    expect(inWords(error, '')).toBe(error);
  });
});

describe('kept saves', () => {
  const minutes = (count: number) => count * 60_000;
  const start = new Date('2026-03-01T08:00:00Z').getTime();
  const at = (count: number) => jest.setSystemTime(start + minutes(count));
  beforeEach(() => {
    jest.useFakeTimers({ doNotFake: ['setTimeout', 'setImmediate', 'nextTick', 'queueMicrotask'] });
    at(0);
  });
  afterEach(() => jest.useRealTimers());
  /** Saves the wheelbase at each of these minutes. */
  const work = async (id: string, when: number[]) => {
    for (const [i, minute] of when.entries()) {
      at(minute);
      await saveBuild(id, i + 1, { ...full(), wheelbase: 2000 + minute }, 'tab-1');
    }
  };
  const wheelbases = async (id: string) =>
    Promise.all(
      (await listSaves(id)).map(async (kept) => (await openSave(id, kept.id))!.wheelbase),
    );

  it('hold what stood for a while and a sample of what was typed at a stretch, newest first', async () => {
    const { id } = await createBuild(full());
    await work(id, [10, 10.2, 10.4, 10.6, 30, 30.5, 31, 31.5, 32, 32.5, 33]);
    // As made; the first after a while, the last before the pause; one of each two minutes at a stretch.
    expect(await wheelbases(id)).toEqual([2032, 2030, 2010.6, 2010, full().wheelbase]);
    expect((await listSaves(id))[0]).toMatchObject({
      name: 'Number seven',
      savedAt: new Date(start + minutes(32)).toISOString(),
    });
  });

  it('take a note, are kept on purpose with one, and then stay for as long as the build does', async () => {
    const { id } = await createBuild(full());
    const first = (await keepNow(id, 'before the crash'))!;
    await work(
      id,
      Array.from({ length: 206 }, (_, i) => 5 * (i + 1)),
    );
    const kept = await listSaves(id);
    expect(kept).toHaveLength(201);
    expect(kept.at(-1)).toMatchObject({ id: first, note: 'before the crash' });
    expect((await openSave(id, first))!.wheelbase).toBe(full().wheelbase);
    expect(await noteSave(id, kept[3].id, 'good on the stands')).toBe(true);
    expect((await listSaves(id))[3].note).toBe('good on the stands');
    expect(await noteSave(id, kept[3].id, '')).toBe(true);
    expect((await listSaves(id))[3].note).toBe('');
    const { id: other } = await createBuild(full());
    expect(await noteSave(other, first, 'not its own')).toBe(false);
    expect(await keepNow('3f0b3f6e-0000-4000-8000-000000000000', 'of nothing')).toBeNull();
  }, 60_000);

  it('are of their own build, and no more than two hundred', async () => {
    const { id } = await createBuild(full());
    const { id: other } = await createBuild(full());
    await work(
      id,
      Array.from({ length: 206 }, (_, i) => 5 * (i + 1)),
    );
    const kept = await listSaves(id);
    expect(kept).toHaveLength(200);
    expect((await openSave(id, kept[0].id))!.wheelbase).toBe(2000 + 5 * 205);
    expect(await listSaves(other)).toEqual([]);
    expect(await openSave(other, kept[0].id)).toBeNull();
  }, 60_000);
});
