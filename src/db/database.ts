import { accessSync, constants, existsSync, mkdirSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { MIGRATIONS } from './migrations';
import { defineModels } from './models';
import type { Database } from './models';

/** The database cannot be used, in words for the person who starts or uses Havrik. */
export class DatabaseTrouble extends Error {}

const databasePath = (): string =>
  resolve(/*turbopackIgnore: true*/ process.env.HAVRIK_DB ?? 'data/havrik.sqlite');

/** Opens (and where needed makes) the database at `path` and brings its tables up to date. */
export async function openDatabase(path: string): Promise<Database> {
  assertWritable(path);
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: path, logging: false });
  try {
    // Writers do not wait for readers, and a killed process leaves whole transactions behind.
    await sequelize.query('PRAGMA journal_mode = WAL');
    await sequelize.query('PRAGMA foreign_keys = ON');
    await new Umzug({
      migrations: MIGRATIONS,
      context: sequelize.getQueryInterface(),
      storage: new SequelizeStorage({ sequelize }),
      logger: undefined,
    }).up();
  } catch (error) {
    await sequelize.close().catch(() => undefined);
    throw inWords(error, path);
  }
  return defineModels(sequelize);
}

function assertWritable(path: string): void {
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
function makeFolder(folder: string): void {
  if (existsSync(folder)) return;
  makeFolder(dirname(folder));
  mkdirSync(folder);
}

const unwritable = (path: string): string =>
  `Havrik cannot write to ${path}: make its folder writable, or say where else to keep builds with HAVRIK_DB=/some/folder/havrik.sqlite`;

/** A driver's error as trouble with the database; anything else comes back as it is. */
export function inWords(error: unknown, path = databasePath()): Error {
  const text = error instanceof Error ? error.message : String(error);
  if (/SQLITE_(READONLY|CANTOPEN|PERM)/u.test(text)) return new DatabaseTrouble(unwritable(path));
  if (/SQLITE_FULL|SQLITE_IOERR/u.test(text))
    return new DatabaseTrouble(`The disk that holds ${path} is full or failing`);
  if (/SQLITE_(NOTADB|CORRUPT)/u.test(text))
    return new DatabaseTrouble(
      `${path} is not a database that Havrik can read: move it away, or set HAVRIK_DB to another file`,
    );
  if (/SQLITE_BUSY/u.test(text))
    return new DatabaseTrouble(`${path} is in use by another program that does not let go of it`);
  return error instanceof Error ? error : new Error(text);
}

// The server's parts are bundled apart: what they share hangs on the process.
const globals = globalThis as { havrikDatabase?: { path: string; opened: Promise<Database> } };

/** The one open database of this process. A failed opening is tried again at the next call. */
export function database(): Promise<Database> {
  const path = databasePath();
  if (globals.havrikDatabase?.path !== path) {
    const opened = openDatabase(path);
    globals.havrikDatabase = { path, opened };
    opened.catch(() => {
      delete globals.havrikDatabase;
    });
  }
  return globals.havrikDatabase!.opened;
}
