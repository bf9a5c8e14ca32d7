import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { readBuildFile } from '../core/file/buildFile';
import { describeProblems } from '../core/model/problems';
import { STARTER_SHELF } from '../core/model/starterShelf';
import { clearOldBin } from '../db/bin';
import { seedIfEmpty } from '../db/builds';
import { copyOfToday } from '../db/dailyCopies';
import { damaged } from '../db/damage';
import { database, databasePath } from '../db/database';
import { reckonAll } from '../db/list';
import { stockIfEmpty } from '../db/parts';
import { DamagedDatabase, DatabaseTrouble } from '../db/trouble';
import { stopWriting } from '../db/writing';

/**
 * Brings the database up to date and loads the demonstration builds and a first shelf into an empty one.
 * What cannot be started ends the process with words.
 */
export async function prepareDatabase(): Promise<void> {
  stopPolitely();
  try {
    await database();
    await seed();
  } catch (error) {
    console.error(`\nHavrik did not start. ${wordsOf(error)}\n`);
    process.exit(1);
  }
  const look = () => (lookedAfter = lookAfter());
  void look();
  setInterval(() => void look(), 6 * 3_600_000).unref();
}

let stopping = false;
/** What is under way behind the pages: it has the database open. */
let lookedAfter: Promise<void> = Promise.resolve();
/** A stop waits no longer for it, ms. */
const PATIENCE = 5000;

async function seed(): Promise<void> {
  try {
    await seedIfEmpty(demoBuilds());
    await stockIfEmpty(STARTER_SHELF);
  } catch (error) {
    // Some builds may still be read: the list says which.
    if (!(error instanceof DamagedDatabase)) throw error;
    damaged.note();
  }
}

/** What is done now and then, behind the pages: look the file through, copy it, clear the bin, bring the list up to date. */
async function lookAfter(): Promise<void> {
  try {
    if (await damaged.look(databasePath())) {
      console.error(`${databasePath()} is damaged: the list says which builds can be read.`);
      return;
    }
    // A full disk stops the copy, and nothing else.
    if (!stopping)
      await copyOfToday(databasePath()).catch((error: unknown) => console.error(wordsOf(error)));
    // Each would open the database anew that a stop has closed.
    if (!stopping) await clearOldBin();
    if (!stopping) await reckonAll();
  } catch (error) {
    console.error(wordsOf(error));
  }
}

const wordsOf = (error: unknown): string =>
  error instanceof DatabaseTrouble
    ? error.message
    : error instanceof Error
      ? (error.stack ?? error.message)
      : String(error);

/** Ends by a signal, or with whoever started it: writes what is under way, closes the database, lets go. */
function stopPolitely(): void {
  const stop = () => {
    if (stopping) return;
    stopping = true;
    void Promise.race([lookedAfter, new Promise((wake) => setTimeout(wake, PATIENCE))])
      .then(stopWriting)
      .catch((error: unknown) => console.error(wordsOf(error)))
      .finally(() => process.exit(0));
  };
  for (const signal of ['SIGTERM', 'SIGINT', 'SIGHUP'] as const) process.on(signal, stop);
  if (process.connected) process.on('disconnect', stop);
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
