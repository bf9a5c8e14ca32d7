import { existsSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { format } from 'date-fns';
import { backUp } from './backup';
import { makeFolder } from './database';

/** So many days' copies are kept. */
const KEPT = 14;
const NAME = /^\d{4}-\d{2}-\d{2}\.zip$/u;

const HALF = /^\d{4}-\d{2}-\d{2}\.zip\.(?:copying|half)-\d+/u;

export const copiesFolder = (path: string): string => `${path.replace(/\.sqlite$/u, '')}-copies`;

/** Names of the copies that are there, the oldest first. */
export const copiesOf = (path: string): string[] => {
  const folder = copiesFolder(path);
  return existsSync(folder)
    ? readdirSync(folder)
        .filter((name) => NAME.test(name))
        .sort()
    : [];
};

/**
 * A copy of the database for this day where there is none yet, `havrik-copies/2026-03-01.zip` beside it, to be restored as
 * any backup; the fourteen newest stay. Photos are not in it: they are never taken away from beside the database.
 * @returns the new copy's file; null where there was one
 */
export async function copyOfToday(path: string, now = new Date()): Promise<string | null> {
  const folder = copiesFolder(path);
  const name = `${format(now, 'yyyy-MM-dd')}.zip`;
  const file = join(folder, name);
  if (existsSync(file)) return null;
  makeFolder(folder);
  // What a kill left half made.
  for (const half of readdirSync(folder).filter((one) => HALF.test(one)))
    rmSync(join(folder, half), { force: true });
  await backUp(path, file, false);
  // Old ones go only once the new one is there.
  for (const old of copiesOf(path).slice(0, -KEPT)) rmSync(join(folder, old), { force: true });
  return file;
}
