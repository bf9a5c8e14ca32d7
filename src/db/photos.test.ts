import { mkdirSync, mkdtempSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { blankBuild } from '../core/model/starts';
import { backUp, restoreFrom } from './backup';
import { createBuild } from './builds';
import { copiesFolder, copiesOf, copyOfToday } from './dailyCopies';
import { photoFiles, photosFolder, readPhoto, writePhoto } from './photos';
import { stopWriting } from './writing';

let folder = '';
let path = '';
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'havrik-photos-'));
  path = join(folder, 'havrik.sqlite');
  process.env.HAVRIK_DB = path;
});
afterEach(stopWriting);

const ID = '0f0e7a52-7d1e-4a4e-9a52-2d0c3f0a1b2c';
const OTHER = '7d1e0f0e-7a52-4a4e-9a52-2d0c3f0a1b2c';
const BYTES = Buffer.from([0xff, 0xd8, 1, 2, 3, 0xff, 0xd9]);

it('keeps photos beside the database, whole or not at all', () => {
  expect(photoFiles(path)).toEqual([]);
  writePhoto(path, ID, BYTES);
  expect(readPhoto(path, ID)).toEqual(BYTES);
  expect(readdirSync(photosFolder(path))).toEqual([`${ID}.jpg`]);
  expect(readPhoto(path, OTHER)).toBeNull();
  // A name that leads elsewhere is nobody's.
  writeFileSync(join(folder, 'secret.jpg'), 'x');
  expect(readPhoto(path, '../secret')).toBeNull();
  writeFileSync(join(photosFolder(path), 'notes.txt'), 'x');
  expect(photoFiles(path)).toEqual([`${ID}.jpg`]);
});

it('says where a photo cannot be kept', () => {
  writeFileSync(photosFolder(path), 'in the way');
  expect(() => writePhoto(path, ID, BYTES)).toThrow(/photo cannot be kept in .*-photos/u);
});

it('go along with a backup, and come back with it; what is here already stays as it is', async () => {
  await createBuild(blankBuild('One'));
  writePhoto(path, ID, BYTES);
  writePhoto(path, OTHER, Buffer.from('second'));
  expect(await backUp(path, join(folder, 'all.zip'))).toMatchObject({ builds: 1, photos: 2 });
  await stopWriting();
  const elsewhere = join(folder, 'new', 'workshop.sqlite');
  mkdirSync(join(folder, 'new'));
  writePhoto(elsewhere, OTHER, Buffer.from('own'));
  expect(await restoreFrom(join(folder, 'all.zip'), elsewhere)).toMatchObject({ builds: 1 });
  expect(readPhoto(elsewhere, ID)).toEqual(BYTES);
  expect(readPhoto(elsewhere, OTHER)!.toString()).toBe('own');
});

it('copies the database once a day, keeps fourteen days, and a copy is a backup', async () => {
  await createBuild(blankBuild('One'));
  writePhoto(path, ID, BYTES);
  const day = (n: number) => new Date(2026, 1, 20 + n, 12);
  const first = await copyOfToday(path, day(0));
  expect(first).toBe(join(copiesFolder(path), '2026-02-20.zip'));
  const bytes = readFileSync(first!);
  // Once a day, whatever happened since.
  await createBuild(blankBuild('Two'));
  expect(await copyOfToday(path, day(0))).toBeNull();
  expect(readFileSync(first!)).toEqual(bytes);
  writeFileSync(join(copiesFolder(path), 'of my own.zip'), 'x');
  writeFileSync(join(copiesFolder(path), '2026-02-20.zip.copying-123'), 'cut off by a kill');
  for (let n = 1; n <= 15; n++) await copyOfToday(path, day(n));
  const kept = copiesOf(path);
  expect(kept).toHaveLength(14);
  expect([kept[0], kept.at(-1)]).toEqual(['2026-02-22.zip', '2026-03-07.zip']);
  expect(readdirSync(copiesFolder(path)).filter((name) => !kept.includes(name))).toEqual([
    'of my own.zip',
  ]);
  await stopWriting();
  const { builds } = await restoreFrom(join(copiesFolder(path), kept[0]), path);
  expect(builds).toBe(2);
  // Photos were never taken away.
  expect(readPhoto(path, ID)).toEqual(BYTES);
});

it('takes no old copy away where the new one cannot be made', async () => {
  await createBuild(blankBuild('One'));
  for (let n = 0; n < 14; n++) await copyOfToday(path, new Date(2026, 1, 1 + n, 12));
  await stopWriting();
  writeFileSync(path, 'no database');
  await expect(copyOfToday(path, new Date(2026, 2, 1, 12))).rejects.toThrow();
  expect(copiesOf(path)).toHaveLength(14);
});
