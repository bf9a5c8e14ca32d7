import { database, databasePath } from './database';
import { damaged } from './damage';
import type { Database } from './models';
import { DamagedDatabase, inWords } from './trouble';

/** Runs `work` over the open tables; errors come in words. */
export async function reading<T>(work: (tables: Database) => Promise<T>): Promise<T> {
  const tables = await database();
  try {
    return await work(tables);
  } catch (error) {
    const told = inWords(error, databasePath());
    if (told instanceof DamagedDatabase) damaged.note();
    throw told;
  }
}
