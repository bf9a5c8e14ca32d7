import { Op, col, fn, literal, where } from './driver';
import type { WhereOptions } from 'sequelize';
import { RECKONING } from '../core/summary/summary';
import { searchable } from '../core/model/wording';
import type { Summary } from '../core/summary/summary';
import { openBuild } from './builds';
import { damaged } from './damage';
import { buildOf, storedOf, summarised, summaryIn, unreadable } from './document';
import type { BuildRow, Database } from './models';
import { ask } from './raw';
import { reading } from './reading';
import { DamagedDatabase, UnreadableBuild } from './trouble';
import { writing } from './writing';

/** A build as the list shows it; `summary` is null where it cannot be read. */
export interface Listed {
  id: string;
  name: string;
  updatedAt: string;
  summary: Summary | null;
}

export const ORDERS = ['worked', 'name', 'bumpSteer'] as const;

/** Which builds to list: those with every word of `find` in name or note, `count` of them from `from` on. */
export interface Wanted {
  find: string;
  order: (typeof ORDERS)[number];
  from: number;
  count: number;
}

export interface BuildList {
  rows: Listed[];
  /** Builds that have the words looked for, and all that there are. */
  found: number;
  all: number;
  /** The database file is damaged in places: what is listed with a summary can be read. */
  damaged: boolean;
}

const BY: Record<Wanted['order'], [string | ReturnType<typeof literal>, 'ASC' | 'DESC'][]> = {
  worked: [['savedAt', 'DESC']],
  name: [[literal('name COLLATE NOCASE'), 'ASC']],
  // The worst first; what does not reach its travel is worse still.
  bumpSteer: [
    [literal('worst IS NULL'), 'DESC'],
    ['worst', 'DESC'],
  ],
};

/** One stretch of the list of builds that are not deleted. */
export async function listBuilds(wanted: Wanted): Promise<BuildList> {
  try {
    return await reading(async (tables) => {
      const { builds } = tables;
      const words = searchable(wanted.find).split(' ').filter(Boolean);
      const matching = {
        [Op.and]: words.map((word) => where(fn('instr', col('words'), word), Op.gt, 0)),
      } as WhereOptions;
      const rows = await builds.findAll({
        where: matching,
        order: [...BY[wanted.order], ['id', 'ASC']],
        offset: wanted.from,
        limit: wanted.count,
      });
      const all = await builds.count();
      return {
        rows: await Promise.all(rows.map((row) => listedOf(tables, row))),
        found: words.length > 0 ? await builds.count({ where: matching }) : all,
        all,
        damaged: damaged.known(),
      };
    });
  } catch (error) {
    if (!(error instanceof DamagedDatabase)) throw error;
    return salvage(wanted);
  }
}

async function listedOf(tables: Database, row: BuildRow): Promise<Listed> {
  const { id, name } = row;
  const updatedAt = (row.savedAt ?? row.updatedAt).toISOString();
  if (damaged.known()) return { id, name, updatedAt, summary: await readable(id) };
  const current = row.reckoned === RECKONING ? row : await reckon(tables, row);
  return { id, name, updatedAt, summary: summaryIn(current) };
}

/** The list's columns of a build whose own are of another reckoning. */
async function reckon(
  { documents }: Database,
  row: BuildRow,
): Promise<ReturnType<typeof unreadable>> {
  const document = await documents.findOne({ where: { buildId: row.id } });
  try {
    return document ? summarised(buildOf(storedOf(row, document))) : unreadable(row.name);
  } catch (error) {
    if (!(error instanceof UnreadableBuild)) throw error;
    return unreadable(row.name);
  }
}

const AT_ONCE = 100;

/** Brings the list's columns of every build up to this program's reckoning, some at a time. */
export async function reckonAll(): Promise<void> {
  const old = { [Op.or]: [{ reckoned: null }, { reckoned: { [Op.ne]: RECKONING } }] };
  for (let done = AT_ONCE; done === AT_ONCE;)
    done = await writing(async (tables, transaction) => {
      const rows = await tables.builds.findAll({
        where: old as WhereOptions,
        limit: AT_ONCE,
        paranoid: false,
        transaction,
      });
      for (const row of rows)
        await row.update(await reckon(tables, row), { transaction, silent: true });
      return rows.length;
    });
}

/** The list of a damaged file: every build whose id is still found, looked at one by one. */
async function salvage({ find, from, count }: Wanted): Promise<BuildList> {
  const ids = new Set<string>();
  for (const sql of ['SELECT id FROM builds', 'SELECT build_id AS id FROM layouts'])
    await reading(async ({ sequelize }) => {
      for (const { id } of await ask<{ id: string }>(sequelize, sql)) ids.add(id);
    }).catch(() => undefined);
  const words = searchable(find).split(' ');
  const found: Listed[] = [];
  for (const id of ids) {
    const row = await reading(({ builds }) => builds.findByPk(id, { paranoid: false })).catch(
      () => undefined,
    );
    if (row?.deletedAt) continue;
    const name = row?.name ?? 'A build whose name cannot be read';
    if (!words.every((word) => searchable(name).includes(word))) continue;
    const updatedAt = (row?.savedAt ?? row?.updatedAt ?? new Date(0)).toISOString();
    found.push({ id, name, updatedAt, summary: await readable(id) });
  }
  found.sort((a, b) => b.updatedAt.localeCompare(a.updatedAt));
  return {
    rows: found.slice(from, from + count),
    found: found.length,
    all: ids.size,
    damaged: true,
  };
}

/** The summary of a build whose document has been read; null where it cannot be. */
async function readable(id: string): Promise<Summary | null> {
  try {
    const opened = await openBuild(id);
    return opened && summaryIn(summarised(opened.build));
  } catch {
    return null;
  }
}
