import { Mutex } from 'async-mutex';
import type { Transaction as Work } from 'sequelize';
import { Transaction } from './driver';
import { closeDatabase, database, databasePath, settle } from './database';
import type { Database } from './models';
import { inWords } from './trouble';

// One per process, not per bundle of the server.
const globals = globalThis as {
  havrikWriters?: Mutex;
  havrikRest?: ReturnType<typeof setTimeout>;
};
const turn = (globals.havrikWriters ??= new Mutex());

/** So long after the last write the write-ahead file is emptied into the database, ms. */
const REST = 2000;

/**
 * Runs `work` in one transaction that takes the write lock at once; errors come in words. Writers of
 * this process take turns: waiting inside SQLite would hold the threads the others need to finish.
 */
export async function writing<T>(
  work: (tables: Database, transaction: Work) => Promise<T>,
): Promise<T> {
  const tables = await database();
  return turn.runExclusive(async () => {
    try {
      return await tables.sequelize.transaction(
        { type: Transaction.TYPES.IMMEDIATE },
        (transaction) => work(tables, transaction),
      );
    } catch (error) {
      throw inWords(error, databasePath());
    } finally {
      settleAtRest(tables);
    }
  });
}

/** After a while without writes the database file is all there is: a copy of it is then complete. */
function settleAtRest(tables: Database): void {
  clearTimeout(globals.havrikRest);
  globals.havrikRest = setTimeout(
    // Another process may be reading: the next rest, or the stop, does it then.
    () => void turn.runExclusive(() => settle(tables)).catch(() => undefined),
    REST,
  );
  globals.havrikRest.unref();
}

/** Ends the writing that is under way, then closes the database. */
export async function stopWriting(): Promise<void> {
  clearTimeout(globals.havrikRest);
  await turn.runExclusive(closeDatabase);
}
