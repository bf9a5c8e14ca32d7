import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import { checkSchema } from '../core/model/build';
import type { Check, KeptCheck } from '../core/model/build';
import { readingSchema } from '../core/model/checks';
import type { CheckReading } from '../core/model/checks';
import type { Database, ReadingRow } from './models';
import { Op, literal } from './driver';
import { reading } from './reading';
import { UnreadableBuild } from './trouble';
import { writing } from './writing';

/** Checks of a build, the last begun first, and those that were taken away. */
export interface BuildChecks {
  checks: KeptCheck[];
  gone: { id: string; name: string; at: string }[];
}

/** Null where there is no such build. */
export const checksOf = (buildId: string): Promise<BuildChecks | null> =>
  reading(async (tables) => {
    if (!(await tables.builds.findByPk(buildId, { attributes: ['id'] }))) return null;
    const checks = await readChecks(tables, buildId);
    const gone = await tables.checks.findAll({
      where: { buildId, deletedAt: { [Op.ne]: null } },
      paranoid: false,
      order: [['deletedAt', 'DESC']],
    });
    return {
      checks,
      gone: gone.map(({ id, data, deletedAt }) => ({
        id,
        name: checkIn(data).name,
        at: deletedAt!.toISOString(),
      })),
    };
  });

/** Every check of a build with its readings, the last begun first. */
export async function readChecks(
  { checks, readings }: Database,
  buildId: string,
  transaction?: Transaction,
): Promise<KeptCheck[]> {
  const rows = await checks.findAll({
    where: { buildId },
    order: [literal('rowid')],
    ...(transaction && { transaction }),
  });
  const read = await readings.findAll({
    where: { checkId: rows.map(({ id }) => id) },
    // What was read at one moment stays in the order it was written in.
    order: ['readAt', literal('rowid')],
    ...(transaction && { transaction }),
  });
  const of = new Map<string, CheckReading[]>(rows.map(({ id }) => [id, []]));
  for (const row of read) of.get(row.checkId)?.push(readingIn(row));
  return rows
    .map(({ id, data }) => ({ ...checkIn(data), readings: of.get(id)! }))
    .sort((a, b) => b.begun.localeCompare(a.begun));
}

function checkIn(data: string): Check {
  let value: unknown;
  try {
    value = JSON.parse(data);
  } catch {
    throw new UnreadableBuild('A check of this build is damaged in the database');
  }
  const read = checkSchema.safeParse(value);
  if (!read.success) throw new UnreadableBuild('A check of this build cannot be read');
  return read.data;
}

function readingIn(row: ReadingRow): CheckReading {
  const read = readingSchema.safeParse({
    ...{ id: row.id, at: row.readAt, side: row.side, round: row.round, height: row.height },
    ...{ method: row.method, unit: row.unit, plusMinus: row.plusMinus },
    values: row.second === null ? [row.value] : [row.value, row.second],
    ...(row.asTravel && { asTravel: true }),
    ...(row.going !== null && { going: row.going }),
    ...(row.instrument !== null && { from: row.instrument }),
    ...(row.leftOut && { leftOut: true }),
  });
  if (!read.success) throw new UnreadableBuild('A reading of this build cannot be read');
  return read.data;
}

const rowOf = (one: CheckReading, checkId: string) => ({
  ...{ id: one.id, checkId, readAt: one.at, side: one.side, method: one.method },
  ...{ round: one.round, height: one.height, asTravel: one.asTravel ?? false },
  ...{ going: one.going ?? null, value: one.values[0], second: one.values[1] ?? null },
  ...{ unit: one.unit, plusMinus: one.plusMinus, instrument: one.from ?? null },
  leftOut: one.leftOut ?? false,
});

/** Begins a check or changes what is said of it. False where there is no such build, or the check is another's. */
export const keepCheck = (buildId: string, check: Check): Promise<boolean> =>
  writing(async (tables, transaction) => {
    if (!(await tables.builds.findByPk(buildId, { attributes: ['id'], transaction }))) return false;
    const known = await tables.checks.findByPk(check.id, { paranoid: false, transaction });
    if (known && known.buildId !== buildId) return false;
    const data = JSON.stringify(check);
    if (known) await known.update({ data }, { transaction });
    else await tables.checks.create({ id: check.id, buildId, data }, { transaction });
    return true;
  });

/**
 * Writes readings of a check, each its own row; one that is there already is written over, so that what was sent twice
 * is there once. Those in `removed` are taken away, and come back when they are sent again.
 * @returns false where there is no such check
 */
export const keepReadings = (
  buildId: string,
  checkId: string,
  readings: readonly CheckReading[],
  removed: readonly string[],
): Promise<boolean> =>
  writing(async (tables, transaction) => {
    const check = await tables.checks.findOne({ where: { id: checkId, buildId }, transaction });
    if (!check) return false;
    const known = await tables.readings.findAll({
      where: { id: readings.map(({ id }) => id) },
      paranoid: false,
      transaction,
    });
    // A name that another check's reading has is nobody's to take: nothing of it is written then.
    if (known.some((row) => row.checkId !== checkId)) return false;
    for (const one of readings) {
      const row = rowOf(one, checkId);
      const there = known.find(({ id }) => id === one.id);
      if (!there) await tables.readings.create(row, { transaction });
      else {
        if (there.deletedAt) await there.restore({ transaction });
        await there.update(row, { transaction });
      }
    }
    if (removed.length > 0)
      await tables.readings.destroy({ where: { checkId, id: [...removed] }, transaction });
    return true;
  });

/** Takes a check away, to be got back. */
export const deleteCheck = (buildId: string, id: string): Promise<boolean> =>
  writing(
    async ({ checks }, transaction) =>
      (await checks.destroy({ where: { id, buildId }, transaction })) > 0,
  );

/** Gets a check back. */
export const restoreCheck = (buildId: string, id: string): Promise<boolean> =>
  writing(async ({ checks }, transaction) => {
    const row = await checks.findOne({ where: { id, buildId }, paranoid: false, transaction });
    await row?.restore({ transaction });
    return row !== null;
  });

/** Writes checks as a file or another build has them, under names of their own. */
export async function insertChecks(
  { checks, readings }: Database,
  buildId: string,
  kept: readonly KeptCheck[],
  transaction: Transaction,
): Promise<void> {
  for (const { readings: read, ...check } of kept) {
    const id = randomUUID();
    await checks.create({ id, buildId, data: JSON.stringify({ ...check, id }) }, { transaction });
    await readings.bulkCreate(
      read.map((one) => rowOf({ ...one, id: randomUUID() }, id)),
      { transaction },
    );
  }
}
