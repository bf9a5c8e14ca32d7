import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import type { Build } from '../core/model/build';
import { cutTo } from '../core/model/wording';
import { insertChecks, readChecks } from './checks';
import { addInstruments, usedInstruments } from './instruments';
import { buildOf, rowOf, storedOf, summarised } from './document';
import type { Database } from './models';
import { reading } from './reading';
import { keepSave } from './saves';
import { writing } from './writing';

export interface Opened {
  id: string;
  version: number;
  build: Build;
}

export type Saved =
  | { outcome: 'saved'; version: number }
  /** Somebody else saved since: theirs stays, and the one sent is kept as a build of its own. */
  | { outcome: 'kept'; id: string; version: number; name: string }
  | { outcome: 'gone' }
  /** A newer Havrik has saved it in a format that the one sent does not know. */
  | { outcome: 'newer' };

export const openBuild = (id: string): Promise<Opened | null> =>
  reading(async ({ builds, documents }) => {
    const row = await builds.findByPk(id);
    const document = row && (await documents.findOne({ where: { buildId: id } }));
    return document
      ? { id, version: document.version, build: buildOf(storedOf(row, document)) }
      : null;
  });

/** How often a build has been saved, and by which window last; null when there is none. */
export const savedState = (
  id: string,
): Promise<{ version: number; savedBy: string | null } | null> =>
  reading(async ({ builds, documents }) => {
    const document = await documents.findOne({
      where: { buildId: id },
      attributes: ['version', 'savedBy'],
    });
    const row = document && (await builds.findByPk(id, { attributes: ['id'] }));
    return row ? { version: document.version, savedBy: document.savedBy } : null;
  });

export async function createBuild(build: Build): Promise<Opened> {
  return writing((tables, transaction) => insert(tables, build, transaction));
}

async function insert(
  tables: Database,
  build: Build,
  transaction: Transaction,
  savedBy?: string,
): Promise<Opened> {
  const { geometry, format, name, use } = rowOf(build);
  const { builds, documents } = tables;
  const id = randomUUID();
  await builds.create(
    { id, name, use, savedAt: new Date(), ...summarised(build) },
    { transaction },
  );
  await documents.create(
    { id: randomUUID(), buildId: id, name: 'As drawn', geometry, format, savedBy },
    { transaction },
  );
  const { checks = [], instruments = [], ...rest } = build;
  await insertChecks(tables, id, checks, transaction);
  await addInstruments(tables, instruments, transaction);
  return { id, version: 1, build: rest };
}

/**
 * Saves a build over version `version`. When another window has saved since, neither is lost: the
 * stored one stays and the one sent becomes a build beside it.
 * @param savedBy the window that saves; its own earlier save is never in its way, so that a save
 * whose answer was lost can be sent again
 */
export async function saveBuild(
  id: string,
  version: number,
  build: Build,
  savedBy: string,
): Promise<Saved> {
  return writing(async (tables, transaction) => {
    const row = await tables.builds.findByPk(id, { transaction });
    const document =
      row && (await tables.documents.findOne({ where: { buildId: id }, transaction }));
    if (!document) return { outcome: 'gone' };
    const { geometry, format, name, use } = rowOf(build);
    if (document.format > format) return { outcome: 'newer' };
    if (document.version !== version && document.savedBy !== savedBy) {
      const kept = { ...build, name: named(name, 'other window') };
      const { id: keptId } = await insert(tables, kept, transaction, savedBy);
      return { outcome: 'kept', id: keptId, version: 1, name: kept.name };
    }
    await keepSave(tables, row, document, transaction);
    const next = document.version + 1;
    await document.update({ geometry, format, version: next, savedBy }, { transaction });
    await row.update({ name, use, savedAt: new Date(), ...summarised(build) }, { transaction });
    return { outcome: 'saved', version: next };
  });
}

/** A name with a remark behind it, within the length that names have. */
const named = (name: string, remark: string): string =>
  `${cutTo(name, 77 - remark.length)} (${remark})`;

/** A copy beside the original; null when there is none. */
export async function duplicateBuild(id: string): Promise<Opened | null> {
  const original = await wholeBuild(id);
  return original && createBuild({ ...original, name: named(original.name, 'copy') });
}

/** A build with its checks and the instruments these were read with, as a file has it; null when there is none. */
export async function wholeBuild(id: string): Promise<Build | null> {
  const opened = await openBuild(id);
  if (!opened) return null;
  const [checks, instruments] = await reading(async (tables) => {
    const read = await readChecks(tables, id);
    return [read, await usedInstruments(tables, read)] as const;
  });
  return {
    ...opened.build,
    ...(checks.length > 0 && { checks }),
    ...(instruments.length > 0 && { instruments }),
  };
}

/** Puts builds into a database that has never held any. Returns how many went in. */
export async function seedIfEmpty(builds: Build[]): Promise<number> {
  return writing(async (tables, transaction) => {
    if ((await tables.builds.count({ paranoid: false, transaction })) > 0) return 0;
    for (const build of builds) await insert(tables, build, transaction);
    return builds.length;
  });
}
