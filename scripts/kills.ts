import { fork } from 'node:child_process';
import { copyFileSync, existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { blankBuild } from '../src/core/model/starts';
import { seedIfEmpty } from '../src/db/builds';
import { database } from '../src/db/database';
import { listBuilds, reckonAll } from '../src/db/list';
import { migrate } from '../src/db/migrate';
import { MIGRATIONS } from '../src/db/migrations';
import { apart, isWhole } from '../src/db/raw';
import { stopWriting } from '../src/db/writing';

/**
 * Kills Havrik at random moments of a first start and of a migration, and starts it again each time:
 * `tsx scripts/kills.ts [times]`. What is not there again afterwards is printed and fails it.
 */

const BUILDS = 12;
const builds = Array.from({ length: BUILDS }, (_, i) => blankBuild(`Build ${i}`));

/** What a start does with the database: tables, first builds, the list's columns. */
async function begin(): Promise<void> {
  await database();
  await seedIfEmpty(builds);
  await reckonAll();
}

/** A database as it was before the last migration, with builds in it. */
async function older(path: string): Promise<void> {
  await apart(path, async (sequelize) => {
    await sequelize.query('PRAGMA journal_mode = WAL');
    await migrate(sequelize, path, MIGRATIONS.slice(0, -1));
    for (const [i, build] of builds.entries()) {
      const { name, use, format: _format, version, ...geometry } = build;
      const replacements = { id: `${i}`, name, use, version, geometry: JSON.stringify(geometry) };
      for (const sql of [
        `INSERT INTO builds (id, name, use, created_at, updated_at)
           VALUES (:id, :name, :use, '2025-01-01 08:00:00.000 +00:00', '2025-01-01 08:00:00.000 +00:00')`,
        `INSERT INTO layouts (id, build_id, name, geometry, format, version, created_at, updated_at)
           VALUES (:id, :id, 'As drawn', :geometry, :version, 1, '2025-01-01 08:00:00.000 +00:00', '2025-01-01 08:00:00.000 +00:00')`,
      ])
        await sequelize.query(sql, { replacements });
    }
  });
}

/** Starts a process on the database and kills it `after` ms into its work; null lets it finish. Returns how long it worked, ms. */
function start(path: string, after: number | null): Promise<number> {
  return new Promise((resolve, reject) => {
    const child = fork(__filename, ['begin'], {
      env: { ...process.env, HAVRIK_DB: path },
      execArgv: ['--import', 'tsx'],
    });
    let began = 0;
    child.on('message', (said) => {
      if (said === 'loaded') {
        began = performance.now();
        child.send('go');
        if (after !== null) setTimeout(() => child.kill('SIGKILL'), after);
      }
    });
    child.on('error', reject);
    child.on('exit', (code, signal) => {
      if (signal === null && code !== 0) reject(new Error(`ended with ${code}`));
      else resolve(performance.now() - began);
    });
  });
}

export type Moment = 'first start' | 'migration';

/** Kills `times` starts at random moments; returns what went wrong, nothing when nothing did. */
export async function kill(moment: Moment, times: number): Promise<string[]> {
  const folder = mkdtempSync(join(tmpdir(), 'havrik-kills-'));
  const wrong: string[] = [];
  try {
    const first = join(folder, 'first.sqlite');
    if (moment === 'migration') await older(first);
    const make = (path: string) => {
      if (existsSync(first)) copyFileSync(first, path);
      return path;
    };
    const long = await start(make(join(folder, 'whole.sqlite')), null);
    for (let i = 0; i < times; i++) {
      const path = make(join(folder, `${i}.sqlite`));
      const after = Math.random() * long;
      await start(path, after);
      try {
        process.env.HAVRIK_DB = path;
        await begin();
        const { rows, all } = await listBuilds({ find: '', order: 'name', from: 0, count: 50 });
        const there = rows.filter(({ summary }) => summary !== null).length;
        if (all !== BUILDS || there !== BUILDS)
          throw new Error(`${there} of ${all} builds are there`);
      } catch (error) {
        wrong.push(`killed ${after.toFixed(1)} ms into a ${moment}: ${(error as Error).message}`);
      } finally {
        await stopWriting();
      }
      if (!(await isWhole(path)))
        wrong.push(`killed ${after.toFixed(1)} ms into a ${moment}: damaged`);
      rmSync(path, { force: true });
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
  return wrong;
}

async function main(): Promise<void> {
  if (process.argv[2] === 'begin') {
    process.once(
      'message',
      () =>
        void begin()
          .then(stopWriting)
          .then(() => process.exit(0)),
    );
    process.send?.('loaded');
    return;
  }
  const times = Number(process.argv[2] ?? 100);
  let failed = 0;
  for (const moment of ['first start', 'migration'] as const) {
    const wrong = await kill(moment, times);
    for (const line of wrong) console.error(line);
    console.log(`${times} kills in a ${moment}: ${times - wrong.length} came back whole`);
    failed += wrong.length;
  }
  process.exitCode = failed > 0 ? 1 : 0;
}

if (require.main === module) void main();
