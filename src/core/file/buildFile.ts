import { FORMAT } from '../model/build';
import type { Build } from '../model/build';
import { checkBuild } from './check';
import type { Checked } from '../model/problems';
import { cutTo, shown } from '../model/wording';

/** A build's file is a few kB, one with everything in it under this; anything past it is something else. */
export const LARGEST_FILE = 4_000_000;
const DEEPEST = 12;

/** Reads the text of a `havrik-build` file. Never throws; never looks at more than it must. */
export function readBuildFile(text: string): Checked<Build> {
  const refuse = (message: string): Checked<Build> => ({
    ok: false,
    problems: [{ path: '', message }],
  });
  if (text.length > LARGEST_FILE) return refuse(tooLarge(text.length));
  const body = text.replace(/^\uFEFF/u, '');
  if (body.trim() === '') return refuse('the file is empty');
  if (depthOf(body) > DEEPEST)
    return refuse('the file is nested deeper than any Havrik build: this is something else');
  let value: unknown;
  try {
    value = JSON.parse(body);
  } catch (error) {
    return refuse(notJson(body, error));
  }
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    return refuse('the file is not a Havrik build: it holds no group of values');
  const { format } = value as { format?: unknown };
  if (format !== FORMAT)
    return refuse(
      `the file is not a Havrik build: its format is ${shown(format)}, not “${FORMAT}”`,
    );
  return checkBuild(value);
}

export const tooLarge = (bytes: number): string =>
  `the file is ${(bytes / 1e6).toFixed(1)} MB: a Havrik build is a few kB, at most ${LARGEST_FILE / 1e6} MB is read`;

/** Checks and instruments of a file under names that say their place: a build written again is the same file. */
const numbered = ({ checks, instruments, ...build }: Build): Build => ({
  ...build,
  ...(instruments && {
    instruments: instruments.map((one, i) => ({ ...one, id: `instrument-${i + 1}` })),
  }),
  ...(checks && {
    checks: checks.map((check, c) => ({
      ...check,
      id: `check-${c + 1}`,
      readings: check.readings.map((one, r) => ({ ...one, id: `reading-${c + 1}-${r + 1}` })),
    })),
  }),
});

/** Writes a build as its file, spread over lines where it can then be read back. Numbers keep every digit. */
export function writeBuildFile(whole: Build): string {
  const build = numbered(whole);
  const spread = `${JSON.stringify(build, null, 2)}\n`;
  return spread.length <= LARGEST_FILE ? spread : `${JSON.stringify(build)}\n`;
}

/** Name for a build's file: letters and digits of its name. */
export function fileNameOf(name: string, ending: string): string {
  const plain = name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-+|-+$/gu, '');
  return `${cutTo(plain, 60) || 'build'}.${ending}`;
}

function notJson(body: string, error: unknown): string {
  const open = (body.match(/[{[]/gu)?.length ?? 0) - (body.match(/[}\]]/gu)?.length ?? 0);
  if (body.trimStart().startsWith('{') && open > 0)
    return 'the file ends in the middle: it was cut off on the way. Export it again';
  const detail = error instanceof Error ? error.message : '';
  const at = /position (\d+)/u.exec(detail);
  const line = at ? ` (line ${body.slice(0, Number(at[1])).split('\n').length})` : '';
  return `the file is not JSON${line}: a Havrik build is exported as .havrik.json`;
}

/** Deepest nesting outside text, without building anything; stops counting at the limit. */
function depthOf(body: string): number {
  let depth = 0;
  let deepest = 0;
  let quoted = false;
  for (let i = 0; i < body.length && deepest <= DEEPEST; i++) {
    const c = body[i];
    if (quoted) {
      if (c === '\\') i++;
      else if (c === '"') quoted = false;
    } else if (c === '"') quoted = true;
    else if (c === '{' || c === '[') deepest = Math.max(deepest, ++depth);
    else if (c === '}' || c === ']') depth--;
  }
  return deepest;
}
