import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import type { KeptCheck } from '../core/model/build';
import { instrumentSchema } from '../core/model/instruments';
import type { Instrument } from '../core/model/instruments';
import { cutTo } from '../core/model/wording';
import { Op } from './driver';
import type { Database, InstrumentRow } from './models';
import { reading } from './reading';
import { writing } from './writing';

/** The workshop's instruments by name, and those that were taken away. */
export interface Instruments {
  instruments: Instrument[];
  gone: { id: string; name: string }[];
}

const instrumentIn = ({ id, name, device, plusMinus, baud, note }: InstrumentRow): Instrument =>
  instrumentSchema.parse({ id, name, device, plusMinus, baud, note });

export const listInstruments = (): Promise<Instruments> =>
  reading(async ({ instruments }) => {
    const here = await instruments.findAll({ order: ['name'] });
    const gone = await instruments.findAll({
      where: { deletedAt: { [Op.ne]: null } },
      paranoid: false,
      order: [['deletedAt', 'DESC']],
      limit: 5,
    });
    return {
      instruments: here.map(instrumentIn),
      gone: gone.map(({ id, name }) => ({ id, name })),
    };
  });

/** Adds an instrument or changes one. False where another one has its name: readings could not tell them apart. */
export const keepInstrument = (instrument: Instrument): Promise<boolean> =>
  writing(async ({ instruments }, transaction) => {
    const { id, name } = instrument;
    if (await instruments.findOne({ where: { name, id: { [Op.ne]: id } }, transaction }))
      return false;
    const known = await instruments.findByPk(id, { paranoid: false, transaction });
    if (known?.deletedAt) await known.restore({ transaction });
    if (known) await known.update(instrument, { transaction });
    else await instruments.create(instrument, { transaction });
    return true;
  });

/** Takes an instrument away, to be got back; false where there is none. */
export const deleteInstrument = (id: string): Promise<boolean> =>
  writing(
    async ({ instruments }, transaction) =>
      (await instruments.destroy({ where: { id }, transaction })) > 0,
  );

/** Gets an instrument back; one whose name another has by now is called otherwise. */
export const restoreInstrument = (id: string): Promise<boolean> =>
  writing(async ({ instruments }, transaction) => {
    const row = await instruments.findByPk(id, { paranoid: false, transaction });
    if (!row) return false;
    const names = new Set((await instruments.findAll({ transaction })).map(({ name }) => name));
    let { name } = row;
    for (let k = 1; names.has(name); k++)
      name = `${cutTo(row.name, 46)} (again${k > 1 ? ` ${k}` : ''})`;
    await row.restore({ transaction });
    if (name !== row.name) await row.update({ name }, { transaction });
    return true;
  });

/** Those of the workshop's instruments that a build's readings were taken with. */
export async function usedInstruments(
  { instruments }: Database,
  checks: readonly KeptCheck[],
): Promise<Instrument[]> {
  const named = new Set(checks.flatMap(({ readings }) => readings.map(({ from }) => from)));
  const rows = await instruments.findAll({ order: ['name'] });
  return rows.map(instrumentIn).filter(({ name }) => named.has(name));
}

/** Adds what a file has and the workshop does not: by name. */
export async function addInstruments(
  { instruments }: Database,
  brought: readonly Instrument[],
  transaction: Transaction,
): Promise<void> {
  for (const one of brought)
    if (!(await instruments.findOne({ where: { name: one.name }, transaction })))
      await instruments.create({ ...one, id: randomUUID() }, { transaction });
}
