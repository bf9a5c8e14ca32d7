import {
  closeSync,
  copyFileSync,
  existsSync,
  fstatSync,
  mkdtempSync,
  openSync,
  readSync,
  rmSync,
  statSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DatabaseTrouble } from './trouble';
import { isWhole } from './raw';

/**
 * SQLite writes ahead into a file beside the database (`-wal`), from where it goes into the database
 * itself when Havrik rests or stops. After a kill both belong together; a copy of one without the other
 * does not. The form of that file: sqlite.org/fileformat2.html, “The Write-Ahead Log”.
 */
export const writeAheadOf = (path: string): string => `${path}-wal`;

const HEADER = 32;
const FRAME = 24;

/** Whether the write-ahead file of the database at `path` holds a whole transaction. */
export function holdsTransactions(path: string): boolean {
  const wal = writeAheadOf(path);
  if (!existsSync(wal)) return false;
  const file = openSync(wal, 'r');
  try {
    const { size } = fstatSync(file);
    const read = (at: number, length: number) => {
      const bytes = Buffer.alloc(length);
      readSync(file, bytes, 0, length, at);
      return bytes;
    };
    if (size < HEADER + FRAME) return false;
    const header = read(0, HEADER);
    const page = header.readUInt32BE(8);
    for (let at = HEADER; at + FRAME + page <= size; at += FRAME + page) {
      const frame = read(at, FRAME);
      // Older rounds of the file carry other salts.
      if (!frame.subarray(8, 16).equals(header.subarray(16, 24))) return false;
      // The last frame of a transaction says how many pages the database then has.
      if (frame.readUInt32BE(4) > 0) return true;
    }
    return false;
  } finally {
    closeSync(file);
  }
}

/**
 * Refuses a database that does not belong to the write-ahead file beside it, before anything is opened:
 * opening one would throw the other's builds away.
 * @throws {DatabaseTrouble} with what to do
 */
export async function assertBelongTogether(path: string): Promise<void> {
  if (!holdsTransactions(path)) return;
  const wal = writeAheadOf(path);
  if (!existsSync(path) || statSync(path).size === 0)
    throw new DatabaseTrouble(
      `${path} is ${existsSync(path) ? 'empty' : 'missing'}, but ${wal} beside it holds builds: put the ${path} that belongs to it back beside it, or restore a backup with “havrik restore”. To begin anew, move ${wal} away`,
    );
  // Looked into as copies: even looking would write the one into the other.
  const folder = mkdtempSync(join(tmpdir(), 'havrik-look-'));
  try {
    const [both, alone] = [join(folder, 'both.sqlite'), join(folder, 'alone.sqlite')];
    try {
      copyFileSync(path, both);
      copyFileSync(wal, writeAheadOf(both));
      copyFileSync(path, alone);
    } catch {
      // No room to look: as good as any other start after a kill.
      return;
    }
    if (!(await isWhole(both)) && (await isWhole(alone)))
      throw new DatabaseTrouble(
        `${wal} does not belong to ${path}: it is of another copy of the database. Put the ${path} that belongs to it back, or move ${wal} away (keep it) and start again: ${path} is whole without it`,
      );
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
