import { z } from 'zod';
import { listBuilds, openBuild } from '../db/builds';
import type { Listed, Opened } from '../db/builds';
import { listParts } from '../db/parts';
import type { Shelved } from '../db/parts';

/** The builds a page shows. */
export const allBuilds = (): Promise<Listed[]> => listBuilds();

/** One build for its page; null where the address names none. */
export const buildAt = async (id: string): Promise<Opened | null> =>
  z.uuid().safeParse(id).success ? openBuild(id) : null;

/** The parts shelf. */
export const allParts = (): Promise<Shelved[]> => listParts();

export type { Listed, Opened, Shelved };
