import Papa from 'papaparse';
import type { CornerType } from '../corners/cornerType';
import { pointNames } from '../corners/kinds';
import type { TypedUnit } from '../model/units';
import { COORDINATES } from '../model/points';
import type { Coordinate, PointName } from '../model/points';
import type { Checked } from '../model/problems';

export const POINTS_CSV_HEADER = ['point', 'ahead_mm', 'out_mm', 'up_mm'] as const;

/** Where a coordinate of the car stands in a table: which column, and whether it counts the other way. */
export interface AxisColumn {
  column: number;
  sign: 1 | -1;
}
export type Axes = Record<Coordinate, AxisColumn>;

/** A table as it was read, before anything of it goes into the points. */
export interface PointsTable {
  /** Column titles as they were written; empty where there were none. */
  titles: string[];
  axes: Axes;
  /** The titles do not say which way the axes go: a guess that somebody has to confirm. */
  guessed: boolean;
  unit: TypedUnit;
  /** What a title calls a column that counts in the unit: `mm`, `in`; null where none does. */
  unitSaid: boolean;
  pointColumn: number;
  toleranceColumn: number | null;
  lines: TableLine[];
}

export interface TableLine {
  /** Counted as the file has them, from 1. */
  line: number;
  /** The point as it was called, and the one of the corner's that is. */
  said: string;
  name: PointName | null;
  cells: string[];
}

/** What somebody says of a table: what its titles left open. */
export interface TableAnswers {
  axes: Axes;
  unit: TypedUnit;
  /** The point of each line; null leaves the line out. */
  names: readonly (PointName | null)[];
}

/** Words that titles begin with, small and bare. */
const TITLES = {
  point: ['point', 'name', 'joint', 'pickup', 'id'],
  ahead: ['ahead', 'fore', 'forward', 'front'],
  out: ['out', 'outboard', 'outward', 'lateral'],
  up: ['up', 'height', 'vertical'],
  tolerance: ['tolerance', 'tol', '±', '+/-', 'accuracy'],
} as const;
const LETTERS = { x: 'ahead', y: 'out', z: 'up' } as const;

/** Small letters and figures only: `Upper ball joint`, `upper_ball-joint` and `upperBallJoint` are the same. */
const bare = (text: string): string => text.toLowerCase().replace(/[^\p{L}\p{N}±]/gu, '');

interface Title {
  means: keyof typeof TITLES | keyof typeof LETTERS | null;
  unit: TypedUnit | null;
}

function readTitle(title: string): Title {
  const plain = title.trim().replace(/_/gu, ' ');
  const tail = /[\s([]+(mm|inches|inch|in|")[\s)\]]*$/iu.exec(plain);
  const unit = tail?.[1] ?? '';
  const word = bare(tail ? plain.slice(0, tail.index) : plain);
  const letter = /^([xyz])$/u.exec(word)?.[1] as keyof typeof LETTERS | undefined;
  const named = (Object.keys(TITLES) as (keyof typeof TITLES)[]).find((key) =>
    TITLES[key].some((one) => (word !== '' && bare(one) === word) || one === title.trim()),
  );
  return {
    means: letter ?? named ?? null,
    unit: unit === '' ? null : unit.toLowerCase() === 'mm' ? 'mm' : 'in',
  };
}

const isTitle = (cells: readonly string[]): boolean =>
  cells.filter((cell) => readTitle(cell).means !== null).length >= 2;

/** Whether a paste begins as a table of named points does: with titles, or with a point's name before its figures. */
export function looksLikeTable(type: CornerType, text: string): boolean {
  const [first] = parse(text).rows;
  if (!first || first.cells.length < 2) return false;
  return isTitle(first.cells) || nameOf(type, {}, first.cells[0]) !== null;
}

function parse(text: string): { rows: { line: number; cells: string[] }[] } {
  const body = text.replace(/^\uFEFF/u, '');
  // Spreadsheets write what parts the columns into a line of its own.
  const told = /^\s*"?sep=(.)"?[ \t]*\r?\n/iu.exec(body);
  const { data } = Papa.parse<string[]>(told ? body.slice(told[0].length) : body, {
    ...(told ? { delimiter: told[1] } : {}),
  });
  const rows = data
    .map((cells, i) => ({ line: i + (told ? 2 : 1), cells }))
    .filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
  return { rows };
}

/** The point of a corner that a name is of: its own, or what screens call it. */
function nameOf(
  type: CornerType,
  labels: Partial<Record<PointName, string>>,
  said: string,
): PointName | null {
  const word = bare(said);
  const spoken = (name: PointName) => [name, type.points[name].label, labels[name] ?? ''];
  return pointNames(type).find((name) => spoken(name).some((one) => bare(one) === word)) ?? null;
}

/**
 * Reads a table of points from CSV or a spreadsheet's paste: comma, semicolon or tab between columns (or what a
 * `sep=` line says), decimal comma where the columns are parted otherwise, any order of lines and columns, titles as
 * people write them, BOM and Windows line ends. Nothing is put anywhere yet.
 * @param labels what the window calls the points, where that is not as the kind does
 */
export function readTable(
  type: CornerType,
  text: string,
  labels: Partial<Record<PointName, string>> = {},
): Checked<PointsTable> {
  const { rows } = parse(text);
  const refuse = (path: string, message: string): Checked<PointsTable> => ({
    ok: false,
    problems: [{ path, message }],
  });
  const wanted = `the first line is ${POINTS_CSV_HEADER.join(',')}`;
  const [first, ...others] = rows;
  if (!first) return refuse('', `no points found: ${wanted}`);
  const hasTitles = isTitle(first.cells);
  const bareLines = !hasTitles && nameOf(type, labels, first.cells[0]) !== null;
  const lines = bareLines ? rows : others;
  if (lines.length === 0) return refuse('', `no points found: ${wanted}`);
  if (!hasTitles && !bareLines)
    return refuse(
      `line ${first.line}`,
      `has no column ${POINTS_CSV_HEADER.slice(1).join(', ')}: ${wanted}`,
    );
  const titles = hasTitles ? first.cells.map(readTitle) : [];
  const at = (means: Title['means']) => titles.findIndex((title) => title.means === means);
  const letters = (['x', 'y', 'z'] as const).some((letter) => at(letter) >= 0);
  const columns = hasTitles
    ? letters
      ? { ahead: at('x'), out: at('y'), up: at('z') }
      : { ahead: at('ahead'), out: at('out'), up: at('up') }
    : { ahead: 1, out: 2, up: 3 };
  const missing = COORDINATES.filter((c) => columns[c] < 0);
  if (missing.length > 0)
    return refuse(
      `line ${first.line}`,
      `has no column ${missing.map((c) => (letters ? letterOf(c) : `${c}_mm`)).join(', ')}: ${wanted}`,
    );
  // Points stand under their title, or in the first column that has none.
  const pointColumn = !hasTitles
    ? 0
    : at('point') >= 0
      ? at('point')
      : titles.findIndex(({ means }) => means === null);
  if (pointColumn < 0) return refuse(`line ${first.line}`, `has no column point: ${wanted}`);
  const units = COORDINATES.map((c) => titles[columns[c]]?.unit ?? null);
  const side = (c: Coordinate): AxisColumn => ({ column: columns[c], sign: 1 });
  return {
    ok: true,
    value: {
      titles: hasTitles ? first.cells.map((cell) => cell.trim()) : [],
      axes: { ahead: side('ahead'), out: side('out'), up: side('up') },
      guessed: letters || !hasTitles,
      unit: units.find((unit) => unit !== null) ?? 'mm',
      unitSaid: units.every((unit) => unit !== null),
      pointColumn,
      toleranceColumn: at('tolerance') >= 0 ? at('tolerance') : null,
      lines: lines.map(({ line, cells }) => {
        const said = (cells[pointColumn] ?? '').trim();
        return { line, said, name: nameOf(type, labels, said), cells };
      }),
    },
  };
}

const letterOf = (c: Coordinate): string =>
  Object.entries(LETTERS).find(([, means]) => means === c)![0];

/** What a table's own titles answer. */
export const ownAnswers = ({ axes, unit, lines }: PointsTable): TableAnswers => ({
  axes,
  unit,
  names: lines.map(({ name }) => name),
});
