import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import type { Build } from '../core/model/build';
import { buildOf, storedOf } from './document';
import type { BuildRow, Database, DocumentRow } from './models';
import { reading } from './reading';
import { writing } from './writing';

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
  await throwOld(saves, buildId, transaction);
}

/** Throws away what is older than so many others; what somebody wrote a note on stays. */
async function throwOld(
  saves: Database['saves'],
  buildId: string,
  transaction: Transaction,
): Promise<void> {
  const old = await saves.findAll({
    where: { buildId, note: null },
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
  note: string;
}

/** The kept states of a build, newest first. */
export const listSaves = (buildId: string): Promise<KeptSave[]> =>
  reading(async ({ saves }) => {
    const rows = await saves.findAll({
      where: { buildId },
      order: [['savedAt', 'DESC']],
      attributes: ['id', 'name', 'savedAt', 'note'],
    });
    return rows.map(({ id, name, savedAt, note }) => ({
      id,
      name,
      savedAt: savedAt.toISOString(),
      note: note ?? '',
    }));
  });

/** Keeps a build as it is saved now, with a note on it; answers its id, null where there is no such build. */
export const keepNow = (buildId: string, note: string): Promise<string | null> =>
  writing(async ({ builds, documents, saves }, transaction) => {
    const row = await builds.findByPk(buildId, { transaction });
    const document = row && (await documents.findOne({ where: { buildId }, transaction }));
    if (!document) return null;
    const id = randomUUID();
    await saves.create(
      { id, buildId, savedAt: new Date(), note, ...storedOf(row, document) },
      { transaction },
    );
    return id;
  });

/** Writes a note on a kept state, or takes it away (empty); false where there is no such state. */
export const noteSave = (buildId: string, id: string, note: string): Promise<boolean> =>
  writing(async ({ saves }, transaction) => {
    const [changed] = await saves.update(
      { note: note === '' ? null : note },
      { where: { buildId, id }, transaction },
    );
    return changed > 0;
  });

/** A build as it was when it was kept; null when there is none. */
export const openSave = (buildId: string, id: string): Promise<Build | null> =>
  reading(async ({ saves }) => {
    const row = await saves.findOne({ where: { buildId, id } });
    return row && buildOf(row);
  });
