import type { Sequelize } from 'sequelize';
import { SequelizeStorage, Transaction, Umzug } from './driver';
import { MIGRATIONS } from './migrations';
import type { Migration } from './migrations';
import { DatabaseTrouble } from './trouble';

/**
 * Brings the tables up to date. Each migration and the record of it are one transaction that takes the
 * write lock at once: a kill leaves it done or not begun, and of two that start at once one waits and
 * then finds it done.
 * @throws {DatabaseTrouble} where a newer Havrik has been at work
 */
export async function migrate(
  sequelize: Sequelize,
  path: string,
  migrations: readonly Migration[] = MIGRATIONS,
): Promise<void> {
  const record = new SequelizeStorage({ sequelize });
  const known = new Set(migrations.map(({ name }) => name));
  const newer = (await record.executed()).filter((name) => !known.has(name));
  if (newer.length > 0)
    throw new DatabaseTrouble(
      `${path} was written by a newer Havrik (its tables are at “${newer.at(-1)}”): start that one, or set HAVRIK_DB to another file`,
    );
  const tables = sequelize.getQueryInterface();
  const once = (migration: Migration) => () =>
    sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, async (transaction) => {
      const [done] = await sequelize.query('SELECT 1 FROM SequelizeMeta WHERE name = :name', {
        replacements: { name: migration.name },
        transaction,
      });
      if (done.length > 0) return;
      await migration.up(tables, transaction);
      await sequelize.query('INSERT INTO SequelizeMeta (name) VALUES (:name)', {
        replacements: { name: migration.name },
        transaction,
      });
    });
  await new Umzug({
    migrations: migrations.map((migration) => ({ name: migration.name, up: once(migration) })),
    // The record is part of the transaction: nothing is left to write after it.
    storage: {
      executed: () => record.executed(),
      logMigration: () => Promise.resolve(),
      unlogMigration: () => Promise.reject(new Error('Migrations only go forward')),
    },
    logger: undefined,
  }).up();
}
