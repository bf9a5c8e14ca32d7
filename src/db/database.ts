import { accessSync, constants, existsSync, mkdirSync, statSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { migrate } from './migrate';
import { defineModels } from './models';
import type { Database } from './models';
import { ask, connect } from './raw';
import { DatabaseTrouble, inWords, unwritable } from './trouble';
import { assertBelongTogether } from './writeAhead';

/** The file that builds are kept in: `HAVRIK_DB`, or `data/havrik.sqlite`. */
export function databasePath(): string {
  const named = process.env.HAVRIK_DB;
  if (named?.trim() === '')
    throw new DatabaseTrouble(
      'HAVRIK_DB is empty: name a file, as HAVRIK_DB=/some/folder/havrik.sqlite, or leave it out',
    );
  return resolve(/*turbopackIgnore: true*/ named ?? 'data/havrik.sqlite');
}

/** Opens (and where needed makes) the database at `path` and brings its tables up to date. */
export async function openDatabase(path: string): Promise<Database> {
  assertWritable(path);
  await assertBelongTogether(path);
  const sequelize = connect(path);
  try {
    // Writers do not wait for readers, and a killed process leaves whole transactions behind.
    await patiently(() => ask(sequelize, 'PRAGMA journal_mode = WAL'));
    await migrate(sequelize, path);
  } catch (error) {
    await sequelize.close().catch(() => undefined);
    throw inWords(error, path);
  }
  return defineModels(sequelize);
}

/** Tries again while another process holds the file: changing the journal does not wait by itself. */
async function patiently<T>(work: () => Promise<T>): Promise<T> {
  for (let tries = 0; ; tries++)
    try {
      return await work();
    } catch (error) {
      if (tries === 100 || !/SQLITE_BUSY/u.test(String(error))) throw error;
      await new Promise((wake) => setTimeout(wake, 50));
    }
}

function assertWritable(path: string): void {
  if (existsSync(path) && statSync(path).isDirectory())
    throw new DatabaseTrouble(
      `${path} is a folder: name a file in it, as HAVRIK_DB=${path}/havrik.sqlite`,
    );
  const folder = dirname(path);
  try {
    makeFolder(folder);
    accessSync(folder, constants.W_OK);
    if (existsSync(path)) accessSync(path, constants.W_OK);
  } catch {
    throw new DatabaseTrouble(unwritable(path));
  }
}

/** Makes a folder and those above it. (Node's own recursive form never returns on some mounts.) */
export function makeFolder(folder: string): void {
  if (existsSync(folder)) return;
  makeFolder(dirname(folder));
  mkdirSync(folder);
}

// The server's parts are bundled apart: what they share hangs on the process.
const globals = globalThis as { havrikDatabase?: { path: string; opened: Promise<Database> } };

/** The one open database of this process. A failed opening is tried again at the next call. */
export function database(): Promise<Database> {
  let path: string;
  try {
    path = databasePath();
  } catch (error) {
    return Promise.reject(error as Error);
  }
  if (globals.havrikDatabase?.path !== path) {
    const opened = openDatabase(path);
    globals.havrikDatabase = { path, opened };
    opened.catch(() => {
      delete globals.havrikDatabase;
    });
  }
  return globals.havrikDatabase!.opened;
}

/** Writes what stands in the write-ahead file into the database itself, which is then all there is. */
export async function settle({ sequelize }: Database): Promise<void> {
  await ask(sequelize, 'PRAGMA wal_checkpoint(TRUNCATE)');
}

/** Settles and closes the database of this process, where one is open. */
export async function closeDatabase(): Promise<void> {
  const open = globals.havrikDatabase;
  if (!open) return;
  delete globals.havrikDatabase;
  const tables = await open.opened.catch(() => null);
  if (!tables) return;
  try {
    await settle(tables);
  } finally {
    await tables.sequelize.close();
  }
}
