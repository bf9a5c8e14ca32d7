import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import type { Build } from '../core/model/build';
import { buildOf, storedOf } from './document';
import type { BuildRow, Database, DocumentRow } from './models';
import { reading } from './reading';

/**
 * States closer together than this are not all kept, ms; one that has stood for so long is. So many of a
 * build are kept.
 */
const APART = 120_000;
const KEPT = 200;

/** Keeps the stored state that a save is about to replace, if it stood for a while or is far from the last kept. */
export async function keepSave(
  { saves }: Database,
  row: BuildRow,
  document: DocumentRow,
  transaction: Transaction,
): Promise<void> {
  const buildId = row.id;
  const savedAt = document.updatedAt;
  const last = await saves.findOne({
    where: { buildId },
    order: [['savedAt', 'DESC']],
    attributes: ['savedAt'],
    transaction,
  });
  const near = last && savedAt.getTime() - last.savedAt.getTime() < APART;
  if (near && Date.now() - savedAt.getTime() < APART) return;
  await saves.create(
    { id: randomUUID(), buildId, savedAt, ...storedOf(row, document) },
    { transaction },
  );
  const old = await saves.findAll({
    where: { buildId },
    order: [['savedAt', 'DESC']],
    offset: KEPT,
    attributes: ['id'],
    transaction,
  });
  if (old.length > 0) await saves.destroy({ where: { id: old.map(({ id }) => id) }, transaction });
}

/** A state of a build that was kept. */
export interface KeptSave {
  id: string;
  name: string;
  savedAt: string;
}

/** The kept states of a build, newest first. */
export const listSaves = (buildId: string): Promise<KeptSave[]> =>
  reading(async ({ saves }) => {
    const rows = await saves.findAll({
      where: { buildId },
      order: [['savedAt', 'DESC']],
      attributes: ['id', 'name', 'savedAt'],
    });
    return rows.map(({ id, name, savedAt }) => ({ id, name, savedAt: savedAt.toISOString() }));
  });

/** A build as it was when it was kept; null when there is none. */
export const openSave = (buildId: string, id: string): Promise<Build | null> =>
  reading(async ({ saves }) => {
    const row = await saves.findOne({ where: { buildId, id } });
    return row && buildOf(row);
  });
