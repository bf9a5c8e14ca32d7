import {
  closeSync,
  existsSync,
  fsyncSync,
  linkSync,
  openSync,
  readFileSync,
  readSync,
  renameSync,
  rmSync,
  statSync,
  writeSync,
} from 'node:fs';
import { dirname, join } from 'node:path';
import { promisify } from 'node:util';
import { unzipSync, zip } from 'fflate';
import type { AsyncZippable } from 'fflate';
import { z } from 'zod';
import { makeFolder, openDatabase, settle } from './database';
import { isPhotoName, photoFiles, photosFolder, writePhoto } from './photos';
import { apart, ask, isWhole } from './raw';
import { DatabaseTrouble, inWords } from './trouble';
import { assertBelongTogether, writeAheadOf } from './writeAhead';

/**
 * A backup is a ZIP file: `about.json` says what it is, `havrik.sqlite` is the whole database as it was
 * at one moment, `photos/` holds the photos that lie beside it.
 */
const INSIDE = 'havrik.sqlite';
const ABOUT = 'about.json';
const PHOTOS = 'photos/';
/** No database that a workshop fills is larger, bytes. */
const LARGEST = 2_000_000_000;

const aboutSchema = z.object({
  format: z.literal('havrik-backup'),
  version: z.literal(1, { error: 'was made by a newer Havrik' }),
  made: z.iso.datetime(),
  builds: z.int().min(0),
  /** How many photos are in it; a daily copy has none, for none is ever taken away from beside the database. */
  photos: z.int().min(0).default(0),
});
export type About = z.infer<typeof aboutSchema>;

const pack = promisify<AsyncZippable, Uint8Array>(zip);
const part = (path: string, what: string) => `${path}.${what}-${process.pid}`;
const discard = (path: string) => {
  for (const file of [path, writeAheadOf(path), `${path}-shm`]) rmSync(file, { force: true });
};

/**
 * The database at `path`, which may be in use, as a backup. `room` is a file name it may use meanwhile.
 * @param withPhotos whether the photos beside it go along
 */
export async function backupOf(
  path: string,
  room: string,
  withPhotos = true,
): Promise<{ about: About; bytes: Uint8Array }> {
  if (!existsSync(path)) throw new DatabaseTrouble(`There is no database at ${path}`);
  await assertBelongTogether(path);
  const copy = part(room, 'copying');
  try {
    const builds = await apart(path, async (sequelize) => {
      await sequelize.query('VACUUM INTO :copy', { replacements: { copy } });
      return countIn(copy);
    });
    const photos = withPhotos ? photoFiles(path) : [];
    const about: About = {
      format: 'havrik-backup',
      version: 1,
      made: new Date().toISOString(),
      builds,
      photos: photos.length,
    };
    const bytes = await pack({
      [ABOUT]: Buffer.from(`${JSON.stringify(about, null, 2)}\n`),
      [INSIDE]: readFileSync(copy),
      // Photos are as small as they get.
      ...Object.fromEntries(
        photos.map((name): [string, [Uint8Array, { level: 0 }]] => [
          `${PHOTOS}${name}`,
          [readFileSync(join(photosFolder(path), name)), { level: 0 }],
        ]),
      ),
    });
    return { about, bytes };
  } catch (error) {
    throw inWords(error, path);
  } finally {
    discard(copy);
  }
}

const countIn = (path: string): Promise<number> =>
  apart(path, async (sequelize) => {
    const [{ builds }] = await ask<{ builds: number }>(
      sequelize,
      'SELECT COUNT(*) AS builds FROM builds WHERE deleted_at IS NULL',
    );
    return builds;
  });

/**
 * Writes a backup of the database at `path`, which may be in use, into the new file `to`.
 * @throws {DatabaseTrouble} in words; nothing is left half written
 */
export async function backUp(path: string, to: string, withPhotos = true): Promise<About> {
  if (existsSync(to)) throw new DatabaseTrouble(`${to} is there already: name another file`);
  const { about, bytes } = await backupOf(path, to, withPhotos).catch((error: unknown) => {
    throw inWords(error, to);
  });
  const half = part(to, 'half');
  try {
    const file = openSync(half, 'wx');
    try {
      writeSync(file, bytes);
      fsyncSync(file);
    } finally {
      closeSync(file);
    }
    putInPlace(half, to);
  } catch (error) {
    throw new DatabaseTrouble(
      `${to} cannot be written (${(error as NodeJS.ErrnoException).code ?? String(error)})`,
    );
  } finally {
    rmSync(half, { force: true });
  }
  return about;
}

/** Gives a finished file its name, where nothing has it yet. */
function putInPlace(half: string, to: string): void {
  try {
    linkSync(half, to);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'EEXIST') throw error;
    // Some mounts know no links.
    renameSync(half, to);
  }
}

export interface Restored {
  builds: number;
  /** When the backup was made; null for a bare database file, which does not say. */
  made: string | null;
  /** Where the database that was there is kept; null where there was none. */
  kept: string | null;
}

/**
 * Puts the backup in `file` (or a bare database file) in the place of the database at `path`, which
 * nobody may have open. It is looked into first; what was there is kept beside it.
 * @throws {DatabaseTrouble} in words; the database that was there then stays as it was
 */
export async function restoreFrom(file: string, path: string): Promise<Restored> {
  const { database, about, photos } = contentsOf(file);
  const fresh = part(path, 'restoring');
  try {
    makeFolder(dirname(path));
    const out = openSync(fresh, 'wx');
    try {
      for (let at = 0; at < database.length;) at += writeSync(out, database, at);
      fsyncSync(out);
    } finally {
      closeSync(out);
    }
    const builds = await lookInto(fresh, file);
    // Those that are here already are the same: a name is never given twice.
    for (const [name, bytes] of photos)
      if (!existsSync(join(photosFolder(path), name)))
        writePhoto(path, name.replace(/\.jpg$/u, ''), bytes);
    const kept = await putAside(path);
    renameSync(fresh, path);
    return { builds, made: about?.made ?? null, kept };
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    if (code?.startsWith('E'))
      throw new DatabaseTrouble(`${path} cannot be replaced (${code}): it stays as it was`);
    throw inWords(error, path);
  } finally {
    discard(fresh);
  }
}

interface Contents {
  database: Uint8Array;
  about: About | null;
  /** By the names of their files. */
  photos: [string, Uint8Array][];
}

function contentsOf(file: string): Contents {
  let bytes: Buffer;
  try {
    if (!statSync(file).isFile() || statSync(file).size > LARGEST)
      throw new DatabaseTrouble(`${file} is not a backup: nothing was changed`);
    bytes = readFileSync(file);
  } catch (error) {
    if (error instanceof DatabaseTrouble) throw error;
    throw new DatabaseTrouble(
      `${file} cannot be read (${(error as NodeJS.ErrnoException).code}): nothing was changed`,
    );
  }
  if (bytes.subarray(0, MAGIC.length).toString('latin1') === MAGIC)
    return { database: bytes, about: null, photos: [] };
  try {
    const entries = unzipSync(bytes, {
      filter: ({ name, originalSize }) =>
        (name === ABOUT || name === INSIDE || isPhoto(name)) && originalSize <= LARGEST,
    });
    const about = aboutSchema.parse(JSON.parse(Buffer.from(entries[ABOUT]).toString('utf8')));
    if (!entries[INSIDE]) throw new Error('no database inside');
    const photos = Object.entries(entries).flatMap(([name, photo]): [string, Uint8Array][] =>
      isPhoto(name) ? [[name.slice(PHOTOS.length), photo]] : [],
    );
    return { database: entries[INSIDE], about, photos };
  } catch (error) {
    const why = error instanceof z.ZodError ? ` (it ${error.issues[0].message})` : '';
    throw new DatabaseTrouble(
      `${file} is not a backup of Havrik’s, or was cut off on the way${why}: nothing was changed`,
    );
  }
}

const isPhoto = (name: string): boolean =>
  name.startsWith(PHOTOS) && isPhotoName(name.slice(PHOTOS.length));

/** Looks a database through, brings its tables up to date, and counts its builds. */
async function lookInto(path: string, file: string): Promise<number> {
  const tables = await apart(path, (sequelize) =>
    ask<{ name: string }>(sequelize, "SELECT name FROM sqlite_master WHERE type = 'table'"),
  ).catch(() => []);
  const has = (name: string) => tables.some((table) => table.name === name);
  if (!has('builds') || !has('layouts') || !has('SequelizeMeta'))
    throw new DatabaseTrouble(`${file} holds no builds of Havrik’s: nothing was changed`);
  if (!(await isWhole(path)))
    throw new DatabaseTrouble(`The database in ${file} is damaged: nothing was changed`);
  const opened = await openDatabase(path).catch((error: unknown) => {
    throw error instanceof DatabaseTrouble
      ? new DatabaseTrouble(`${file}: nothing was changed. ${error.message}`)
      : error;
  });
  try {
    await settle(opened);
    return await opened.builds.count();
  } finally {
    await opened.sequelize.close();
  }
}

/** Keeps the database at `path` under another name, ready to be replaced; null where there is none. */
async function putAside(path: string): Promise<string | null> {
  const files = ['', '-wal', '-shm'].filter((end) => existsSync(path + end));
  if (files.length === 0) return null;
  const stamp = new Date().toISOString().replace(/[-:]|\.\d+Z/gu, '');
  let kept = `${path}.before-${stamp}`;
  for (let i = 2; existsSync(kept); i++) kept = `${path}.before-${stamp}-${i}`;
  const together = await assertBelongTogether(path).then(
    () => true,
    () => false,
  );
  if (together && isDatabase(path) && (await closeUp(path))) {
    // Linked, not moved: at every moment there is a database at `path`, the old one or the new.
    putInPlace(path, kept);
    return kept;
  }
  for (const end of files) if (existsSync(path + end)) renameSync(path + end, kept + end);
  return kept;
}

const MAGIC = 'SQLite format 3';

/** Whether a file begins as databases do. SQLite throws away what lies beside one that does not. */
function isDatabase(path: string): boolean {
  if (!existsSync(path)) return false;
  const start = Buffer.alloc(MAGIC.length);
  const file = openSync(path, 'r');
  readSync(file, start);
  closeSync(file);
  return start.toString('latin1') === MAGIC;
}

/**
 * Makes the file all there is of its database, which only works when nobody else has it open.
 * @returns false where it cannot be read
 */
async function closeUp(path: string): Promise<boolean> {
  try {
    await apart(path, (sequelize) => ask(sequelize, 'PRAGMA journal_mode = DELETE'));
    return true;
  } catch (error) {
    if (!/SQLITE_BUSY/u.test(String(error))) return false;
    throw new DatabaseTrouble(
      `${path} is in use: stop Havrik (Ctrl+C where it runs), then restore again. Nothing was changed`,
    );
  }
}
