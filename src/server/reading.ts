import { z } from 'zod';
import { listBuilds, openBuild } from '../db/builds';
import type { Listed, Opened } from '../db/builds';

/** The builds a page shows. */
export const allBuilds = (): Promise<Listed[]> => listBuilds();

/** One build for its page; null where the address names none. */
export const buildAt = async (id: string): Promise<Opened | null> =>
  z.uuid().safeParse(id).success ? openBuild(id) : null;

export type { Listed, Opened };
