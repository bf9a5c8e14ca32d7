/** The database cannot be used, in words for the person who starts or uses Havrik. */
export class DatabaseTrouble extends Error {}

/** Its file is damaged: some of it may still be read. */
export class DamagedDatabase extends DatabaseTrouble {}

/** The database holds a build this program cannot read. */
export class UnreadableBuild extends Error {}

export const unwritable = (path: string): string =>
  `Havrik cannot write to ${path}: make its folder writable, or say where else to keep builds with HAVRIK_DB=/some/folder/havrik.sqlite`;

/** A driver's error as trouble with the database at `path`; anything else comes back as it is. */
export function inWords(error: unknown, path: string): Error {
  const text = error instanceof Error ? error.message : String(error);
  if (/SQLITE_(READONLY|CANTOPEN|PERM)/u.test(text)) return new DatabaseTrouble(unwritable(path));
  if (/SQLITE_FULL|SQLITE_IOERR/u.test(text))
    return new DatabaseTrouble(`The disk that holds ${path} is full or failing`);
  if (/SQLITE_NOTADB/u.test(text))
    return new DatabaseTrouble(
      `${path} is not a database that Havrik can read: move it away, or set HAVRIK_DB to another file`,
    );
  if (/SQLITE_CORRUPT/u.test(text))
    return new DamagedDatabase(
      `${path} is damaged: export the builds that can still be read, stop Havrik, and restore a backup with “havrik restore”`,
    );
  if (/SQLITE_BUSY/u.test(text))
    return new DatabaseTrouble(`${path} is in use by another program that does not let go of it`);
  return error instanceof Error ? error : new Error(text);
}
