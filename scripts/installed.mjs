import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

/**
 * Says by its exit code whether node_modules holds just what package-lock.json asks for, and whether the
 * database driver runs on this machine.
 */
const read = (path) => JSON.parse(readFileSync(path, 'utf8')).packages;

try {
  const wanted = read('package-lock.json');
  // npm writes down what it has installed, without what is for other machines.
  const there = read('node_modules/.package-lock.json');
  const same = Object.entries(there).every(
    ([name, { version }]) => wanted[name]?.version === version,
  );
  const missing = Object.entries(wanted).some(
    ([name, { optional, devOptional }]) => name !== '' && !optional && !devOptional && !there[name],
  );
  const intact = Object.keys(there).every(
    (name) =>
      JSON.parse(readFileSync(`${name}/package.json`, 'utf8')).version === there[name].version,
  );
  createRequire(import.meta.url)('sqlite3');
  process.exitCode = same && !missing && intact ? 0 : 1;
} catch {
  process.exitCode = 1;
}
