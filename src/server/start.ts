import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { readBuildFile } from '../core/file/buildFile';
import { describeProblems } from '../core/model/problems';
import { STARTER_SHELF } from '../core/model/starterShelf';
import { seedIfEmpty } from '../db/builds';
import { DatabaseTrouble, database } from '../db/database';
import { stockIfEmpty } from '../db/parts';

/** Brings the database up to date and loads the demonstration builds and a first shelf into an empty one. */
export async function prepareDatabase(): Promise<void> {
  try {
    await database();
    await seedIfEmpty(demoBuilds());
    await stockIfEmpty(STARTER_SHELF);
  } catch (error) {
    if (!(error instanceof DatabaseTrouble)) throw error;
    console.error(`\n${error.message}\n`);
    process.exit(1);
  }
}

/** The builds of demo/, which also serve as example files. */
function demoBuilds() {
  const folder = join(/*turbopackIgnore: true*/ process.cwd(), 'demo');
  return readdirSync(/*turbopackIgnore: true*/ folder)
    .filter((name) => name.endsWith('.havrik.json'))
    .sort()
    .map((name) => {
      const read = readBuildFile(readFileSync(join(folder, name), 'utf8'));
      if (!read.ok) throw new Error(`demo/${name}: ${describeProblems(read.problems)}`);
      return read.value;
    });
}
