// Bodies out of files are asked here.
import '../src/core/clearance/mesh';
import { closeSync, openSync, readSync } from 'node:fs';
import { LARGEST_FILE, readBuildFile, tooLarge } from '../src/core/file/buildFile';
import type { Build } from '../src/core/model/build';
import { describeProblems } from '../src/core/model/problems';

/** Bad input: a message for stderr and exit code 1. */
export class BadInput extends Error {}

/** The build in a file, a pipe included; no more of it is read than a build may have. */
export function readBuild(path: string): Build {
  const build = readBuildFile(textOf(path));
  if (!build.ok) throw new BadInput(`${path}: refused\n${describeProblems(build.problems, 20)}`);
  return build.value;
}

/** The text of a file, a pipe included; no more of it is read than a build may have. */
export function textOf(path: string): string {
  // Letters may take several bytes; a file that only fits in letters is still read.
  const bytes = Buffer.alloc(LARGEST_FILE + 1);
  let length = 0;
  try {
    const file = openSync(path, 'r');
    try {
      for (;;) {
        const got = readSync(file, bytes, length, bytes.length - length, null);
        length += got;
        if (got === 0 || length === bytes.length) break;
      }
    } finally {
      closeSync(file);
    }
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    throw new BadInput(
      `${path}: ${code === 'EISDIR' ? 'is a folder, not a file' : `cannot be read (${code})`}`,
    );
  }
  if (length === bytes.length) throw new BadInput(`${path}: ${tooLarge(length)}`);
  return bytes.subarray(0, length).toString('utf8');
}
