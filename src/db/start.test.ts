import { copyFileSync, existsSync, mkdirSync, mkdtempSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { blankBuild } from '../core/model/starts';
import { createBuild } from './builds';
import { database, openDatabase } from './database';
import { listBuilds } from './list';
import { migrate } from './migrate';
import { MIGRATIONS } from './migrations';
import { apart, ask, connect } from './raw';
import { holdsTransactions } from './writeAhead';
import { stopWriting, writing } from './writing';

const folder = mkdtempSync(join(tmpdir(), 'havrik-start-'));
let count = 0;
const fresh = () => join(folder, `${count++}.sqlite`);
const at = (path: string) => {
  process.env.HAVRIK_DB = path;
  return path;
};
const builds = async () =>
  (await listBuilds({ find: '', order: 'worked', from: 0, count: 50 })).rows.map(
    ({ name }) => name,
  );
const copy = (from: string, to: string) => {
  for (const end of ['', '-wal']) if (existsSync(from + end)) copyFileSync(from + end, to + end);
  return to;
};

afterEach(stopWriting);

describe('the one file', () => {
  it('is all there is after a stop', async () => {
    const path = at(fresh());
    await createBuild(blankBuild('Kept'));
    await stopWriting();
    expect(existsSync(`${path}-wal`)).toBe(false);
    const alone = fresh();
    copyFileSync(path, alone);
    at(alone);
    expect(await builds()).toEqual(['Kept']);
  });

  it('is all there is a while after the last write, too', async () => {
    const path = at(fresh());
    await createBuild(blankBuild('Kept'));
    expect(holdsTransactions(path)).toBe(true);
    for (let waited = 0; holdsTransactions(path) && waited < 8000; waited += 100)
      await new Promise((wake) => setTimeout(wake, 100));
    expect(statSync(`${path}-wal`).size).toBe(0);
    const alone = fresh();
    copyFileSync(path, alone);
    await stopWriting();
    at(alone);
    expect(await builds()).toEqual(['Kept']);
  });

  it('is not begun anew beside the write-ahead file of another', async () => {
    const path = at(fresh());
    await createBuild(blankBuild('Written ahead'));
    for (const [what, make] of [
      ['missing', () => undefined],
      ['empty', (to: string) => writeFileSync(to, '')],
    ] as const) {
      const orphan = fresh();
      make(orphan);
      copyFileSync(`${path}-wal`, `${orphan}-wal`);
      const { size } = statSync(`${orphan}-wal`);
      await expect(openDatabase(orphan)).rejects.toThrow(
        new RegExp(`is ${what}, but .*holds builds`),
      );
      expect(statSync(`${orphan}-wal`).size).toBe(size);
    }
  });

  it('is not mixed with the write-ahead file of a newer state', async () => {
    const path = at(fresh());
    await createBuild(blankBuild('First'));
    await stopWriting();
    const old = fresh();
    copyFileSync(path, old);
    // Many pages move on before the newer state's last, unfinished round of writing ahead.
    for (let i = 0; i < 30; i++) await createBuild(blankBuild(`Later ${i}`));
    await stopWriting();
    for (let i = 0; i < 3; i++) await createBuild(blankBuild(`Last ${i}`));
    copyFileSync(`${path}-wal`, `${old}-wal`);
    await expect(openDatabase(old)).rejects.toThrow(/does not belong to .*whole without it/);
    // What was there is untouched: moved apart, the old copy opens.
    const moved = fresh();
    copyFileSync(old, moved);
    await stopWriting();
    at(moved);
    expect(await builds()).toEqual(['First']);
  });

  it('goes with its own write-ahead file after a kill', async () => {
    const path = at(fresh());
    await createBuild(blankBuild('Unsettled'));
    const killed = copy(path, fresh());
    await stopWriting();
    at(killed);
    expect(await builds()).toEqual(['Unsettled']);
  });
});

describe('migrations', () => {
  const names = (path: string) =>
    apart(path, (sequelize) => ask<{ name: string }>(sequelize, 'SELECT name FROM SequelizeMeta'));

  it('are done once when several start at once on a new file', async () => {
    const path = fresh();
    const opened = await Promise.all(Array.from({ length: 4 }, () => openDatabase(path)));
    for (const { sequelize } of opened) await sequelize.close();
    expect((await names(path)).map(({ name }) => name)).toEqual(MIGRATIONS.map(({ name }) => name));
  });

  it.each(MIGRATIONS.map(({ name }, i) => [name, i] as const))(
    'leave nothing of %s when it fails half way',
    async (_, index) => {
      const path = fresh();
      const sequelize = connect(path);
      const failing = MIGRATIONS.map((migration) => ({ ...migration }));
      failing[index].up = async (tables, transaction) => {
        await MIGRATIONS[index].up(tables, transaction);
        throw new Error('killed here');
      };
      await expect(migrate(sequelize, path, failing)).rejects.toThrow(/killed here/);
      expect(await names(path)).toHaveLength(index);
      await migrate(sequelize, path);
      expect(await names(path)).toHaveLength(MIGRATIONS.length);
      await sequelize.close();
    },
  );

  it('mend a first start that was killed before they were whole', async () => {
    const path = fresh();
    await apart(path, async (sequelize) => {
      await migrate(sequelize, path, MIGRATIONS.slice(0, 3));
      await sequelize.query('DELETE FROM SequelizeMeta');
    });
    at(path);
    await createBuild(blankBuild('After all'));
    expect(await builds()).toEqual(['After all']);
  });

  it('keep every build of an older file, and its place in the list', async () => {
    const path = fresh();
    await apart(path, async (sequelize) => {
      await migrate(sequelize, path, MIGRATIONS.slice(0, 3));
      const { name, use, format: _format, version, ...geometry } = blankBuild('Old one');
      for (const [id, day] of [
        ['a', '2024-02-01'],
        ['b', '2025-02-01'],
      ])
        for (const sql of [
          `INSERT INTO builds (id, name, use, created_at, updated_at)
             VALUES (:id, :name, :use, '2023-01-01 00:00:00.000 +00:00', '2023-01-01 00:00:00.000 +00:00')`,
          `INSERT INTO layouts (id, build_id, name, geometry, format, version, created_at, updated_at)
             VALUES (:id, :id, 'As drawn', :geometry, :version, 1, :day, :day)`,
        ])
          await sequelize.query(sql, {
            replacements: {
              id,
              name: `${name} ${id}`,
              use,
              geometry: JSON.stringify(geometry),
              version,
              day: `${day} 08:00:00.000 +00:00`,
            },
          });
    });
    at(path);
    const { rows } = await listBuilds({ find: '', order: 'worked', from: 0, count: 9 });
    expect(rows).toMatchObject([
      { name: 'Old one b', updatedAt: '2025-02-01T08:00:00.000Z', summary: { wheelbase: 2400 } },
      { name: 'Old one a', updatedAt: '2024-02-01T08:00:00.000Z' },
    ]);
  });

  it('refuse the tables of a newer Havrik, and leave them alone', async () => {
    const path = fresh();
    await apart(path, async (sequelize) => {
      await migrate(sequelize, path);
      await sequelize.query("INSERT INTO SequelizeMeta (name) VALUES ('999-of-tomorrow')");
    });
    await expect(openDatabase(path)).rejects.toThrow(/newer Havrik .*“999-of-tomorrow”/);
  });
});

it.each([
  ['empty', () => '  ', /HAVRIK_DB is empty/],
  [
    'a folder',
    () => {
      const path = fresh();
      mkdirSync(path);
      return path;
    },
    /is a folder: name a file in it/,
  ],
])('says so when HAVRIK_DB is %s', async (_, path, words) => {
  at(path());
  await expect(database()).rejects.toThrow(words);
  await expect(writing(() => Promise.resolve())).rejects.toThrow(words);
});
