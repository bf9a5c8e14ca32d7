import type { Sequelize as Connection } from 'sequelize';
import { QueryTypes, Sequelize } from './driver';

/** A connection to the database file at `path`, outside the tables' models. */
export const connect = (path: string): Connection =>
  new Sequelize({ dialect: 'sqlite', storage: path, logging: false });

/** The rows of one query. */
export const ask = <Row extends object>(
  sequelize: Connection,
  sql: string,
  replacements: Record<string, unknown> = {},
): Promise<Row[]> => sequelize.query<Row>(sql, { type: QueryTypes.SELECT, replacements });

/** Runs `work` over a connection of its own to the file at `path`. */
export async function apart<T>(
  path: string,
  work: (sequelize: Connection) => Promise<T>,
): Promise<T> {
  const sequelize = connect(path);
  try {
    return await work(sequelize);
  } finally {
    await sequelize.close();
  }
}

/** Whether SQLite finds the file whole. One that it cannot even look through is not. */
export async function isWhole(path: string): Promise<boolean> {
  try {
    return await apart(path, async (sequelize) => {
      const [found] = await ask<{ quick_check: string }>(sequelize, 'PRAGMA quick_check(1)');
      return found?.quick_check === 'ok';
    });
  } catch {
    return false;
  }
}
