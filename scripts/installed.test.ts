import { spawnSync } from 'node:child_process';
import {
  chmodSync,
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';

const root = join(__dirname, '..');

/** A checkout beside this one whose packages are this one's, without the stamp of an installation. */
function copied(): string {
  const folder = mkdtempSync(join(tmpdir(), 'havrik-installed-'));
  for (const name of ['scripts', 'node_modules', 'bin']) mkdirSync(join(folder, name));
  for (const name of ['scripts/install.sh', 'scripts/installed.mjs', 'package-lock.json'])
    copyFileSync(join(root, name), join(folder, name));
  for (const name of readdirSync(join(root, 'node_modules')))
    if (name !== '.havrik-lock')
      symlinkSync(join(root, 'node_modules', name), join(folder, 'node_modules', name));
  // Stands in for npm: only says that it was asked.
  writeFileSync(join(folder, 'bin/npm'), '#!/bin/sh\necho "$@" > npm-asked\n');
  chmodSync(join(folder, 'bin/npm'), 0o755);
  return folder;
}

/** What npm was asked to do by an installation; null where nothing. */
function install(folder: string): string | null {
  const { status } = spawnSync('bash', ['scripts/install.sh'], {
    cwd: folder,
    env: {
      ...process.env,
      PATH: `${join(folder, 'bin')}:${dirname(process.execPath)}:${process.env['PATH']}`,
    },
  });
  expect(status).toBe(0);
  expect(existsSync(join(folder, 'node_modules/.havrik-lock'))).toBe(true);
  const asked = join(folder, 'npm-asked');
  return existsSync(asked) ? readFileSync(asked, 'utf8').trim() : null;
}

it('leaves an installation alone that was copied without its stamp', () => {
  const folder = copied();
  expect(install(folder)).toBeNull();
  expect(install(folder)).toBeNull();
});

it.each<[string, (lock: { packages: Record<string, { version: string }> }) => void]>([
  ['of another version', (lock) => (lock.packages['node_modules/zod'].version = '0.0.1')],
  ['that is missing', (lock) => (lock.packages['node_modules/new-one'] = { version: '1.0.0' })],
  ['that is too much', (lock) => void delete lock.packages['node_modules/zod']],
])('installs where a package is wanted %s', (_, change) => {
  const folder = copied();
  const path = join(folder, 'package-lock.json');
  const lock = JSON.parse(readFileSync(path, 'utf8')) as Parameters<typeof change>[0];
  change(lock);
  writeFileSync(path, JSON.stringify(lock));
  expect(install(folder)).toMatch(/^ci/);
});
