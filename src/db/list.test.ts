import { mkdtempSync, openSync, readFileSync, statSync, writeSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { blankBuild } from '../core/model/starts';
import type { Build } from '../core/model/build';
import { seeded } from '../test/leastRange';
import { clearOldBin, deleteBuild, emptyBin, listBin, restoreBuild } from './bin';
import { createBuild, openBuild, saveBuild } from './builds';
import { damaged } from './damage';
import { database, databasePath } from './database';
import { listBuilds, reckonAll } from './list';
import type { Wanted } from './list';
import { addPart, listParts } from './parts';
import { ask } from './raw';
import { deletePart, restorePart } from './bin';
import { listSaves } from './saves';
import { stopWriting } from './writing';

const folder = mkdtempSync(join(tmpdir(), 'havrik-list-'));
let count = 0;
beforeEach(() => {
  process.env.HAVRIK_DB = join(folder, `${count++}.sqlite`);
});
afterEach(async () => {
  await stopWriting();
  delete (globalThis as { havrikDamaged?: boolean }).havrikDamaged;
});

const list = (wanted: Partial<Wanted> = {}) =>
  listBuilds({ find: '', order: 'worked', from: 0, count: 50, ...wanted });
const names = async (wanted?: Partial<Wanted>) => (await list(wanted)).rows.map(({ name }) => name);
const make = (name: string, change: Partial<Build> = {}) =>
  createBuild({ ...blankBuild(name), ...change });

describe('the list', () => {
  it('is in stretches, in three orders', async () => {
    const far = { bump: 120, droop: 120 };
    await make('beta', { travel: far });
    await make('Alpha');
    const { id } = await make('gamma', { travel: { bump: 500, droop: 500 } });
    expect(await names()).toEqual(['gamma', 'Alpha', 'beta']);
    expect(await names({ order: 'name' })).toEqual(['Alpha', 'beta', 'gamma']);
    expect(await names({ order: 'bumpSteer' })).toEqual(['gamma', 'beta', 'Alpha']);
    expect(await list({ order: 'name', from: 1, count: 1 })).toMatchObject({
      rows: [{ name: 'beta' }],
      found: 3,
      all: 3,
    });
    const later = { ...blankBuild('gamma'), note: 'saved' };
    await make('delta');
    await saveBuild(id, 1, later, 'me');
    expect((await names())[0]).toBe('gamma');
  });

  it('finds words of name and note, whatever their accents, and nothing by their signs', async () => {
    await make('Grüner Zweisitzer', { note: 'for Ada, 100 % road_legal' });
    await make('Hill climb');
    for (const find of ['grun', 'ZWEI ada', '100 %', 'd_l']) {
      expect(await names({ find })).toEqual(['Grüner Zweisitzer']);
      expect((await list({ find })).found).toBe(1);
    }
    for (const find of ['%', '_']) expect(await names({ find })).toEqual(['Grüner Zweisitzer']);
    expect(await list({ find: 'ada hill' })).toMatchObject({ rows: [], found: 0, all: 2 });
    expect(await names({ find: "'; DROP TABLE builds; --" })).toEqual([]);
    expect(await names()).toHaveLength(2);
  });

  it('is reckoned anew where another program did it', async () => {
    const { id } = await make('Old figures');
    const { builds } = await database();
    await builds.update(
      { reckoned: 0, summary: '{}', words: '', worst: 99 },
      { where: { id }, silent: true },
    );
    expect((await list()).rows[0].summary).toMatchObject({ wheelbase: 2400 });
    expect(await names({ find: 'old' })).toEqual([]);
    await reckonAll();
    expect(await names({ find: 'old' })).toEqual(['Old figures']);
  });
});

describe('the bin', () => {
  it('holds builds and parts, gives them back whole, and is emptied of what was seen in it', async () => {
    const { id, build } = await make('Thrown');
    await saveBuild(id, 1, { ...build, wheelbase: 2222 }, 'me');
    await deleteBuild(id);
    const part = await addPart({ kind: 'washer', name: 'Thin', thickness: 0.5 } as never);
    await deletePart(part);
    expect(await listBin()).toMatchObject([
      { of: 'part', name: 'Thin' },
      { of: 'build', name: 'Thrown' },
    ]);
    expect(await restoreBuild(id)).toBe(true);
    expect(await restoreBuild(id)).toBe(false);
    expect(await restorePart(part)).toBe(true);
    expect((await openBuild(id))?.build.wheelbase).toBe(2222);
    expect(await listSaves(id)).toHaveLength(1);
    expect(await listParts()).toHaveLength(1);

    await deleteBuild(id);
    const seen = new Date();
    await new Promise((wake) => setTimeout(wake, 5));
    const { id: later } = await make('Thrown after');
    await deleteBuild(later);
    expect(await emptyBin(seen)).toBe(1);
    expect(await restoreBuild(id)).toBe(false);
    expect((await listBin()).map(({ name }) => name)).toEqual(['Thrown after']);
    // Nothing of it is left in any table.
    const { sequelize } = await database();
    for (const table of ['layouts', 'saves'])
      expect(await ask(sequelize, `SELECT id FROM ${table} WHERE build_id = '${id}'`)).toEqual([]);
  });

  it('keeps what was deleted for thirty days', async () => {
    const { id } = await make('Kept a while');
    await deleteBuild(id);
    const days = (number: number) => new Date(Date.now() + number * 86_400_000);
    expect(await clearOldBin(days(29.9))).toBe(0);
    expect(await clearOldBin(days(30.1))).toBe(1);
    expect(await listBin()).toEqual([]);
  });
});

describe('a file with broken pages', () => {
  /** Overwrites some pages of the file with noise, as a failing disk does. */
  function breakPages(path: string, pages: number[]): void {
    const next = seeded(3);
    const file = openSync(path, 'r+');
    for (const page of pages)
      writeSync(
        file,
        Buffer.from(Array.from({ length: 4096 }, () => Math.floor(next() * 256))),
        0,
        4096,
        page * 4096,
      );
  }

  it('is listed with the builds that can be read, and says of the others that they cannot', async () => {
    const ids: string[] = [];
    for (let i = 0; i < 24; i++) ids.push((await make(`Build ${i}`, { note: 'n'.repeat(900) })).id);
    const path = databasePath();
    await stopWriting();
    const sound = readFileSync(path);
    const pages = statSync(path).size / 4096;
    let readable = 0;
    let lost = 0;
    const next = seeded(8);
    for (let round = 0; round < 8; round++) {
      const broken = join(folder, `broken-${round}.sqlite`);
      const file = openSync(broken, 'w');
      writeSync(file, sound);
      // The first pages say what the tables are: without them there is nothing to read.
      breakPages(broken, [
        12 + Math.floor(next() * (pages - 12)),
        12 + Math.floor(next() * (pages - 12)),
      ]);
      process.env.HAVRIK_DB = broken;
      expect(await damaged.look(broken)).toBe(true);
      const { rows, damaged: told } = await list();
      expect(told).toBe(true);
      for (const { id, summary } of rows) {
        const opens = await openBuild(id).then(
          (opened) => opened !== null,
          () => false,
        );
        expect([id, summary !== null]).toEqual([id, opens]);
        if (opens) readable++;
        else lost++;
      }
      // What is read whole is what was written.
      for (const id of ids) {
        const opened = await openBuild(id).catch(() => null);
        if (opened) expect(rows.some((row) => row.id === id && row.summary)).toBe(true);
      }
      await stopWriting();
    }
    expect(readable).toBeGreaterThan(60);
    expect(lost).toBeGreaterThan(0);
    process.env.HAVRIK_DB = path;
  }, 60_000);
});
