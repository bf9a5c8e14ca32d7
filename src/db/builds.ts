import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import { FORMAT } from '../core/model/build';
import type { Build } from '../core/model/build';
import { checkDraft } from '../core/file/check';
import { describeProblems } from '../core/model/problems';
import { database } from './database';
import type { BuildRow, Database, LayoutRow } from './models';
import { writing } from './writing';

/** A build as the list shows it; `build` is null where its row cannot be read. */
export interface Listed {
  id: string;
  name: string;
  updatedAt: string;
  build: Build | null;
}

export interface Opened {
  id: string;
  version: number;
  build: Build;
}

export type Saved =
  | { outcome: 'saved'; version: number }
  /** Somebody else saved since: theirs stays, and the one sent is kept as a build of its own. */
  | { outcome: 'kept'; id: string; version: number; name: string }
  | { outcome: 'gone' };

/** The database holds a build this program cannot read. */
export class UnreadableBuild extends Error {}

function rowOf(build: Build): { name: string; use: string; geometry: string; format: number } {
  const { name, use, format: _format, version, ...geometry } = build;
  return { name, use, geometry: JSON.stringify(geometry), format: version };
}

/** What a build is read from: its name and use, and its document. */
type Stored = Pick<BuildRow, 'name' | 'use'> & Pick<LayoutRow, 'geometry' | 'format'>;

function buildOf({ name, use, geometry: text, format }: Stored): Build {
  let geometry: object;
  try {
    geometry = JSON.parse(text) as object;
  } catch {
    throw new UnreadableBuild(`The build “${name}” is damaged in the database`);
  }
  const checked = checkDraft({
    format: FORMAT,
    version: format,
    name,
    use,
    ...geometry,
  });
  if (!checked.ok)
    throw new UnreadableBuild(
      `The build “${name}” cannot be read from the database:\n${describeProblems(checked.problems)}`,
    );
  return checked.value;
}

const storedOf = ({ name, use }: BuildRow, { geometry, format }: LayoutRow): Stored => ({
  name,
  use,
  geometry,
  format,
});

/** Every build that is not deleted, the last one worked on first. */
export async function listBuilds(): Promise<Listed[]> {
  const tables = await database();
  const rows = await tables.builds.findAll();
  const layouts = await tables.layouts.findAll({
    where: { buildId: rows.map((row) => row.id) },
  });
  return rows
    .flatMap((row) => {
      const layout = layouts.find((candidate) => candidate.buildId === row.id);
      if (!layout) return [];
      let build: Build | null = null;
      try {
        build = buildOf(storedOf(row, layout));
      } catch (error) {
        if (!(error instanceof UnreadableBuild)) throw error;
      }
      return [{ id: row.id, name: row.name, updatedAt: layout.updatedAt.toISOString(), build }];
    })
    .sort((a, b) => b.updatedAt.localeCompare(a.updatedAt));
}

export async function openBuild(id: string): Promise<Opened | null> {
  const { builds, layouts } = await database();
  const row = await builds.findByPk(id);
  const layout = row && (await layouts.findOne({ where: { buildId: id } }));
  return layout ? { id, version: layout.version, build: buildOf(storedOf(row, layout)) } : null;
}

/** How often a build has been saved, and by which window last; null when there is none. */
export async function savedState(
  id: string,
): Promise<{ version: number; savedBy: string | null } | null> {
  const { builds, layouts } = await database();
  const layout = await layouts.findOne({
    where: { buildId: id },
    attributes: ['version', 'savedBy'],
  });
  const row = layout && (await builds.findByPk(id, { attributes: ['id'] }));
  return row ? { version: layout.version, savedBy: layout.savedBy } : null;
}

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
  await builds.create({ id, name, use }, { transaction });
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
    if (layout.version !== version && layout.savedBy !== savedBy) {
      const kept = { ...build, name: `${name.slice(0, 60)} (other window)` };
      const { id: keptId } = await insert(tables, kept, transaction, savedBy);
      return { outcome: 'kept', id: keptId, version: 1, name: kept.name };
    }
    await keepSave(tables, row, layout, transaction);
    const next = layout.version + 1;
    await layout.update({ geometry, format, version: next, savedBy }, { transaction });
    await row.update({ name, use }, { transaction });
    return { outcome: 'saved', version: next };
  });
}

/**
 * States closer together than this are not all kept, ms; one that has stood for so long is. So many of a
 * build are kept.
 */
const APART = 120_000;
const KEPT = 200;

/** Keeps the stored state that a save is about to replace, if it stood for a while or is far from the last kept. */
async function keepSave(
  { saves }: Database,
  row: BuildRow,
  layout: LayoutRow,
  transaction: Transaction,
): Promise<void> {
  const buildId = row.id;
  const savedAt = layout.updatedAt;
  const last = await saves.findOne({
    where: { buildId },
    order: [['savedAt', 'DESC']],
    transaction,
  });
  const near = last && savedAt.getTime() - last.savedAt.getTime() < APART;
  if (near && Date.now() - savedAt.getTime() < APART) return;
  await saves.create(
    { id: randomUUID(), buildId, savedAt, ...storedOf(row, layout) },
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
export async function listSaves(buildId: string): Promise<KeptSave[]> {
  const { saves } = await database();
  const rows = await saves.findAll({
    where: { buildId },
    order: [['savedAt', 'DESC']],
    attributes: ['id', 'name', 'savedAt'],
  });
  return rows.map(({ id, name, savedAt }) => ({ id, name, savedAt: savedAt.toISOString() }));
}

/** A build as it was when it was kept; null when there is none. */
export async function openSave(buildId: string, id: string): Promise<Build | null> {
  const { saves } = await database();
  const row = await saves.findOne({ where: { buildId, id } });
  return row && buildOf(row);
}

/** A copy beside the original; null when there is none. */
export async function duplicateBuild(id: string): Promise<Opened | null> {
  const original = await openBuild(id);
  if (!original) return null;
  const name = `${original.build.name.slice(0, 72)} (copy)`;
  return createBuild({ ...original.build, name });
}

/** Takes a build off the list; `restoreBuild` puts it back. False when there is none. */
export const deleteBuild = (id: string): Promise<boolean> =>
  writing(
    async ({ builds }, transaction) => (await builds.destroy({ where: { id }, transaction })) > 0,
  );

export const restoreBuild = (id: string): Promise<void> =>
  writing(({ builds }, transaction) => builds.restore({ where: { id }, transaction }));

/** Puts builds into a database that has never held any. Returns how many went in. */
export async function seedIfEmpty(builds: Build[]): Promise<number> {
  return writing(async (tables, transaction) => {
    if ((await tables.builds.count({ paranoid: false, transaction })) > 0) return 0;
    for (const build of builds) await insert(tables, build, transaction);
    return builds.length;
  });
}
