import { Mutex } from 'async-mutex';
import { Transaction } from 'sequelize';
import { database, inWords } from './database';
import type { Database } from './models';

// One per process, not per bundle of the server.
const globals = globalThis as { havrikWriters?: Mutex };
const turn = (globals.havrikWriters ??= new Mutex());

/**
 * Runs `work` in one transaction that takes the write lock at once; errors come in words. Writers of
 * this process take turns: waiting inside SQLite would hold the threads the others need to finish.
 */
export async function writing<T>(
  work: (tables: Database, transaction: Transaction) => Promise<T>,
): Promise<T> {
  const tables = await database();
  return turn.runExclusive(async () => {
    try {
      return await tables.sequelize.transaction(
        { type: Transaction.TYPES.IMMEDIATE },
        (transaction) => work(tables, transaction),
      );
    } catch (error) {
      throw inWords(error);
    }
  });
}
