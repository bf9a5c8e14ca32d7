import {
  copyFileSync,
  existsSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { blankBuild } from '../core/model/starts';
import { backUp, restoreFrom } from './backup';
import { createBuild } from './builds';
import { databasePath } from './database';
import { listBuilds } from './list';
import { apart } from './raw';
import { stopWriting } from './writing';

let folder = '';
let path = '';
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'havrik-backup-'));
  path = join(folder, 'havrik.sqlite');
  process.env.HAVRIK_DB = path;
});
afterEach(stopWriting);

const names = async () =>
  (await listBuilds({ find: '', order: 'name', from: 0, count: 50 })).rows.map(({ name }) => name);
const namesIn = async (file: string) => {
  await stopWriting();
  process.env.HAVRIK_DB = file;
  const found = await names();
  await stopWriting();
  process.env.HAVRIK_DB = path;
  return found;
};
const at = (name: string) => join(folder, name);

it('is made while the database is in use, and brings every build back', async () => {
  await createBuild(blankBuild('One'));
  await createBuild(blankBuild('Two'));
  expect(await backUp(databasePath(), at('all.zip'))).toMatchObject({ builds: 2 });
  await createBuild(blankBuild('Three'));
  await stopWriting();
  const { builds, made, kept } = await restoreFrom(at('all.zip'), path);
  expect(builds).toBe(2);
  expect(Date.now() - new Date(made!).getTime()).toBeLessThan(60_000);
  expect(await names()).toEqual(['One', 'Two']);
  expect(await namesIn(kept!)).toEqual(['One', 'Three', 'Two']);
  // Nothing lies about but what was said.
  expect(
    readdirSync(folder).filter((name) => !/^(all\.zip|havrik\.sqlite(\.before-.*)?)$/u.test(name)),
  ).toEqual([]);
});

it('goes where there is no database yet, and from a bare database file', async () => {
  await createBuild(blankBuild('One'));
  await stopWriting();
  const elsewhere = at('new/folder/havrik.sqlite');
  expect(await restoreFrom(path, elsewhere)).toEqual({ builds: 1, made: null, kept: null });
  expect(await namesIn(elsewhere)).toEqual(['One']);
});

it('takes the place of a database that nothing can read, which is kept with all its files', async () => {
  await createBuild(blankBuild('One'));
  await backUp(databasePath(), at('all.zip'));
  await stopWriting();
  writeFileSync(path, 'no database '.repeat(500));
  writeFileSync(`${path}-wal`, 'its write-ahead file');
  const { kept } = await restoreFrom(at('all.zip'), path);
  expect(readFileSync(kept!, 'utf8')).toMatch(/^no database/);
  expect(readFileSync(`${kept!}-wal`, 'utf8')).toBe('its write-ahead file');
  expect(await namesIn(path)).toEqual(['One']);
});

it('overwrites no file, and says so', async () => {
  await createBuild(blankBuild('One'));
  writeFileSync(at('there.zip'), 'mine');
  await expect(backUp(path, at('there.zip'))).rejects.toThrow(/there already/);
  expect(readFileSync(at('there.zip'), 'utf8')).toBe('mine');
  await expect(backUp(path, at('no/folder.zip'))).rejects.toThrow(/cannot/);
  await expect(backUp(at('none.sqlite'), at('x.zip'))).rejects.toThrow(/no database at/);
  expect(existsSync(at('x.zip'))).toBe(false);
});

describe('is looked into before it replaces anything', () => {
  const about = (more: object) =>
    strToU8(
      JSON.stringify({
        format: 'havrik-backup',
        version: 1,
        made: '2026-03-01T08:00:00Z',
        builds: 1,
        ...more,
      }),
    );
  const whole = async () => {
    await createBuild(blankBuild('One'));
    await backUp(path, at('good.zip'));
    await stopWriting();
    return readFileSync(at('good.zip'));
  };
  it.each<[string, (good: Buffer) => Uint8Array | Promise<Uint8Array>, RegExp]>([
    ['cut off', (good) => good.subarray(0, good.length / 2), /not a backup .*cut off/],
    ['something else', () => Buffer.from('hello'), /not a backup/],
    ['empty', () => Buffer.alloc(0), /not a backup/],
    ['without a database', () => zipSync({ 'about.json': about({}) }), /not a backup/],
    [
      'of a newer Havrik',
      (good) => zipSync({ ...unzipSync(good), 'about.json': about({ version: 2 }) }),
      /newer Havrik/,
    ],
    [
      'damaged inside',
      (good) => {
        const inside = unzipSync(good);
        inside['havrik.sqlite'].fill(7, 9000, 30_000);
        return zipSync(inside);
      },
      /damaged: nothing was changed/,
    ],
    [
      'of another database',
      async () => {
        await apart(at('other.sqlite'), (sequelize) => sequelize.query('CREATE TABLE cats (id)'));
        return readFileSync(at('other.sqlite'));
      },
      /holds no builds/,
    ],
    [
      'with newer tables',
      async () => {
        copyFileSync(path, at('newer.sqlite'));
        await apart(at('newer.sqlite'), (sequelize) =>
          sequelize.query("INSERT INTO SequelizeMeta (name) VALUES ('999-x')"),
        );
        return readFileSync(at('newer.sqlite'));
      },
      /nothing was changed.*newer Havrik/,
    ],
  ])('one that is %s', async (_, make, words) => {
    const good = await whole();
    writeFileSync(at('bad.zip'), await make(good));
    const before = readFileSync(path);
    await expect(restoreFrom(at('bad.zip'), path)).rejects.toThrow(words);
    expect(readFileSync(path).equals(before)).toBe(true);
    expect(readdirSync(folder).filter((name) => /restoring|before/u.test(name))).toEqual([]);
  });

  it('one that is not there', async () => {
    await expect(restoreFrom(at('none.zip'), path)).rejects.toThrow(/cannot be read \(ENOENT\)/);
  });
});

it('is not put under a Havrik that runs', async () => {
  await createBuild(blankBuild('One'));
  await backUp(path, at('all.zip'));
  await createBuild(blankBuild('Two'));
  await expect(restoreFrom(at('all.zip'), path)).rejects.toThrow(/in use: stop Havrik/);
  expect(await names()).toEqual(['One', 'Two']);
}, 60_000);
