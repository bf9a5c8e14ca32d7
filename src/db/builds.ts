import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import type { Build } from '../core/model/build';
import { cutTo } from '../core/model/wording';
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
  reading(async ({ builds, layouts }) => {
    const row = await builds.findByPk(id);
    const layout = row && (await layouts.findOne({ where: { buildId: id } }));
    return layout ? { id, version: layout.version, build: buildOf(storedOf(row, layout)) } : null;
  });

/** How often a build has been saved, and by which window last; null when there is none. */
export const savedState = (
  id: string,
): Promise<{ version: number; savedBy: string | null } | null> =>
  reading(async ({ builds, layouts }) => {
    const layout = await layouts.findOne({
      where: { buildId: id },
      attributes: ['version', 'savedBy'],
    });
    const row = layout && (await builds.findByPk(id, { attributes: ['id'] }));
    return row ? { version: layout.version, savedBy: layout.savedBy } : null;
  });

export async function createBuild(build: Build): Promise<Opened> {
  return writing((tables, transaction) => insert(tables, build, transaction));
}

async function insert(
  { builds, layouts }: Database,
  build: Build,
  transaction: Transaction,
  savedBy?: string,
): Promise<Opened> {
  const { geometry, format, name, use } = rowOf(build);
  const id = randomUUID();
  await builds.create(
    { id, name, use, savedAt: new Date(), ...summarised(build) },
    { transaction },
  );
  await layouts.create(
    { id: randomUUID(), buildId: id, name: 'As drawn', geometry, format, savedBy },
    { transaction },
  );
  return { id, version: 1, build };
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
    const layout = row && (await tables.layouts.findOne({ where: { buildId: id }, transaction }));
    if (!layout) return { outcome: 'gone' };
    const { geometry, format, name, use } = rowOf(build);
    if (layout.format > format) return { outcome: 'newer' };
    if (layout.version !== version && layout.savedBy !== savedBy) {
      const kept = { ...build, name: named(name, 'other window') };
      const { id: keptId } = await insert(tables, kept, transaction, savedBy);
      return { outcome: 'kept', id: keptId, version: 1, name: kept.name };
    }
    await keepSave(tables, row, layout, transaction);
    const next = layout.version + 1;
    await layout.update({ geometry, format, version: next, savedBy }, { transaction });
    await row.update({ name, use, savedAt: new Date(), ...summarised(build) }, { transaction });
    return { outcome: 'saved', version: next };
  });
}

/** A name with a remark behind it, within the length that names have. */
const named = (name: string, remark: string): string =>
  `${cutTo(name, 77 - remark.length)} (${remark})`;

/** A copy beside the original; null when there is none. */
export async function duplicateBuild(id: string): Promise<Opened | null> {
  const original = await openBuild(id);
  if (!original) return null;
  return createBuild({ ...original.build, name: named(original.build.name, 'copy') });
}

/** Puts builds into a database that has never held any. Returns how many went in. */
export async function seedIfEmpty(builds: Build[]): Promise<number> {
  return writing(async (tables, transaction) => {
    if ((await tables.builds.count({ paranoid: false, transaction })) > 0) return 0;
    for (const build of builds) await insert(tables, build, transaction);
    return builds.length;
  });
}
