import { z } from 'zod';
import { STRETCH } from '../core/summary/stretch';
import { binnedName, listBin } from '../db/bin';
import type { Binned } from '../db/bin';
import { openBuild } from '../db/builds';
import type { Opened } from '../db/builds';
import { listBuilds } from '../db/list';
import type { BuildList, Listed } from '../db/list';
import { listParts } from '../db/parts';
import type { Shelved } from '../db/parts';
import { DatabaseTrouble, UnreadableBuild } from '../db/trouble';

/** What a page shows, or why it cannot, in words. */
export type Read<T> = { ok: true; value: T } | { ok: false; why: string };

async function inWords<T>(work: () => Promise<T>): Promise<Read<T>> {
  try {
    return { ok: true, value: await work() };
  } catch (error) {
    if (!(error instanceof DatabaseTrouble || error instanceof UnreadableBuild)) throw error;
    return { ok: false, why: error.message };
  }
}

/** The builds that were worked on last. */
export const firstBuilds = (): Promise<Read<BuildList>> =>
  inWords(() => listBuilds({ find: '', order: 'worked', from: 0, count: STRETCH }));

/** A build, or where it is instead: `binned` names one in the bin. */
export type Found = { build: Opened } | { binned: string; id: string } | null;

/** One build for its page; null where the address names none. */
export const buildAt = (id: string): Promise<Read<Found>> =>
  inWords(async () => {
    if (!z.uuid().safeParse(id).success) return null;
    const build = await openBuild(id);
    if (build) return { build };
    const binned = await binnedName(id);
    return binned === null ? null : { binned, id };
  });

/** The parts shelf. */
export const allParts = (): Promise<Read<Shelved[]>> => inWords(listParts);

/** What is in the bin, and when that was looked at. */
export const inTheBin = (): Promise<Read<{ things: Binned[]; seen: string }>> =>
  inWords(async () => ({ things: await listBin(), seen: new Date().toISOString() }));

export type { Binned, BuildList, Listed, Opened, Shelved };
