import { Op } from './driver';
import type { Model, ModelStatic, Transaction } from 'sequelize';
import { DAYS_IN_BIN } from '../core/model/bin';
import type { Database } from './models';
import { reading } from './reading';
import { writing } from './writing';

/** Something deleted that can still be put back. */
export interface Binned {
  id: string;
  of: 'build' | 'part';
  name: string;
  /** When it was deleted, ISO 8601. */
  deletedAt: string;
}

/** Puts a build into the bin. False when there is none. */
export const deleteBuild = (id: string): Promise<boolean> =>
  writing(
    async ({ builds }, transaction) => (await builds.destroy({ where: { id }, transaction })) > 0,
  );

/** Takes a build out of the bin. False when it is not in there. */
export const restoreBuild = (id: string): Promise<boolean> =>
  writing(({ builds }, transaction) => restore(builds, id, transaction));

/** Takes a part off the shelf, into the bin. False when it is not there. */
export const deletePart = (id: string): Promise<boolean> =>
  writing(
    async ({ parts }, transaction) => (await parts.destroy({ where: { id }, transaction })) > 0,
  );

/** Takes a part out of the bin. False when it is not in there. */
export const restorePart = (id: string): Promise<boolean> =>
  writing(({ parts }, transaction) => restore(parts, id, transaction));

/** What is in the bin has a date of deletion. */
const inBin = { deletedAt: { [Op.ne]: null } };

async function restore<Row extends Model>(
  rows: ModelStatic<Row>,
  id: string,
  transaction: Transaction,
): Promise<boolean> {
  const found = await rows.findOne({
    where: { id, ...inBin } as never,
    paranoid: false,
    transaction,
  });
  await found?.restore({ transaction });
  return found !== null;
}

/** What is in the bin, the last deleted first. */
export const listBin = (): Promise<Binned[]> =>
  reading(async ({ builds, parts }) => {
    const of = { where: inBin, paranoid: false, attributes: ['id', 'name', 'deletedAt'] };
    const kinds = [
      ['build', await builds.findAll(of)],
      ['part', await parts.findAll(of)],
    ] as const;
    return kinds
      .flatMap(([kind, rows]) =>
        rows.map(({ id, name, deletedAt }) => ({
          id,
          of: kind,
          name,
          deletedAt: deletedAt!.toISOString(),
        })),
      )
      .sort((a, b) => b.deletedAt.localeCompare(a.deletedAt));
  });

/** Whether a build is in the bin. */
export const binnedName = (id: string): Promise<string | null> =>
  reading(async ({ builds }) => {
    const row = await builds.findOne({
      where: { id, ...inBin },
      paranoid: false,
      attributes: ['name'],
    });
    return row?.name ?? null;
  });

/**
 * Throws away for good what was in the bin when it was looked at, and all that was kept of it.
 * @param before what was deleted after this stays
 * @returns how many builds and parts
 */
export const emptyBin = (before: Date): Promise<number> =>
  writing((tables, transaction) => throwAway(tables, before, transaction));

/** Throws away what has been in the bin for longer than it is kept. */
export const clearOldBin = (now = new Date()): Promise<number> =>
  emptyBin(new Date(now.getTime() - DAYS_IN_BIN * 86_400_000));

async function throwAway(
  { builds, parts, checks, readings }: Database,
  before: Date,
  transaction: Transaction,
): Promise<number> {
  const where = { deletedAt: { [Op.ne]: null, [Op.lte]: before } };
  // A build's documents, kept saves and checks go with it: the tables cascade.
  await readings.destroy({ where, force: true, transaction });
  await checks.destroy({ where, force: true, transaction });
  const gone = await builds.destroy({ where, force: true, transaction });
  return gone + (await parts.destroy({ where, force: true, transaction }));
}
