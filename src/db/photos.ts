import {
  closeSync,
  existsSync,
  fsyncSync,
  openSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  writeSync,
} from 'node:fs';
import { join } from 'node:path';
import { makeFolder } from './database';
import { DatabaseTrouble } from './trouble';

/**
 * Photos lie beside the database, a file each, named by what builds call them. None is ever written twice or thrown
 * away: a step that is undone, a save or a build out of the bin has its photos again.
 */
export const photosFolder = (path: string): string => `${path.replace(/\.sqlite$/u, '')}-photos`;

const NAME = /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}\.jpg$/u;
export const isPhotoName = (name: string): boolean => NAME.test(name);

/** Writes a photo; it is there whole, or not at all. */
export function writePhoto(path: string, id: string, bytes: Uint8Array): void {
  const folder = photosFolder(path);
  const file = join(folder, `${id}.jpg`);
  const half = `${file}.half-${process.pid}`;
  try {
    makeFolder(folder);
    const out = openSync(half, 'w');
    try {
      for (let at = 0; at < bytes.length;) at += writeSync(out, bytes, at);
      fsyncSync(out);
    } finally {
      closeSync(out);
    }
    renameSync(half, file);
  } catch (error) {
    throw new DatabaseTrouble(
      `The photo cannot be kept in ${folder} (${(error as NodeJS.ErrnoException).code ?? String(error)})`,
    );
  } finally {
    if (existsSync(half)) rmSync(half, { force: true });
  }
}

/** A photo's bytes (JPEG); null where there is none of that name. */
export function readPhoto(path: string, id: string): Buffer | null {
  const file = join(photosFolder(path), `${id}.jpg`);
  return isPhotoName(`${id}.jpg`) && existsSync(file) ? readFileSync(file) : null;
}

/** Names of the files of all photos. */
export function photoFiles(path: string): string[] {
  const folder = photosFolder(path);
  return existsSync(folder) ? readdirSync(folder).filter(isPhotoName).sort() : [];
}
