import Papa from 'papaparse';
import type { CornerType } from '../corners/cornerType';
import { pointNames } from '../corners/kinds';
import { parseLength, parseNumber } from '../model/units';
import type { TypedUnit } from '../model/units';
import { COORDINATES, pointSchema } from '../model/points';
import type { Point, PointName, Points } from '../model/points';
import type { Checked, Problem } from '../model/problems';
import { tolerance } from '../model/wording';
import { POINTS_CSV_HEADER, ownAnswers, readTable } from './pointsTable';
import type { Axes, PointsTable, TableAnswers } from './pointsTable';

/** Points as CSV, one a line, mm. Numbers keep every digit. */
export const writePointsCsv = (type: CornerType, points: Points): string =>
  `${Papa.unparse(
    {
      fields: [...POINTS_CSV_HEADER],
      data: pointNames(type).map((name) => [name, ...COORDINATES.map((c) => points[name][c])]),
    },
    { newline: '\n' },
  )}\n`;

/** A point read from a file, and the ± given beside it, mm. */
export interface PointRow {
  name: PointName;
  point: Point;
  tolerance: number | null;
}

/** Column that may stand beside the coordinates: the ± of all three. */
const TOLERANCE_COLUMN = 'tolerance_mm';
const csvTolerance = tolerance('mm', 100);

/**
 * The points of a table as somebody reads it. Points that are not named keep their place; a line that cannot be read
 * refuses the whole, by line number, so that nothing is lost silently.
 */
export function pointsOfTable(table: PointsTable, answers: TableAnswers): Checked<PointRow[]> {
  const problems: Problem[] = [];
  const rows: PointRow[] = [];
  const { axes, unit, names } = answers;
  if (new Set(COORDINATES.map((c) => axes[c].column)).size < 3)
    problems.push({ path: '', message: 'two ways of the car are read from the same column' });
  table.lines.forEach(({ line, cells }, i) => {
    const name = names[i];
    if (name === null) return;
    const path = `line ${line}`;
    if (rows.some((row) => row.name === name))
      problems.push({ path, message: `gives ${name} a second time` });
    const point = readPoint(name, cells, axes, unit, path, problems);
    const given =
      table.toleranceColumn === null
        ? null
        : readTolerance(name, cells[table.toleranceColumn]?.trim() ?? '', unit, path, problems);
    if (point) rows.push({ name, point, tolerance: given });
  });
  if (problems.length === 0 && rows.length === 0)
    problems.push({ path: '', message: 'none of its lines is a point of this corner' });
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: rows };
}

/** Reads a table of points that says all of itself; one that leaves a question open is refused with that. */
export function readPointRows(type: CornerType, text: string): Checked<PointRow[]> {
  const table = readTable(type, text);
  if (!table.ok) return table;
  const { guessed, titles, axes, lines } = table.value;
  const known = pointNames(type);
  if (guessed)
    return {
      ok: false,
      problems: [
        {
          path: 'line 1',
          message: `does not say which way ${
            titles.length > 0
              ? COORDINATES.map((c) => titles[axes[c].column]).join(', ')
              : 'its columns'
          } go: ${POINTS_CSV_HEADER.slice(1).join(', ')} do`,
        },
      ],
    };
  const unknown = lines
    .filter(({ name }) => name === null)
    .map(({ line, said }) => ({
      path: `line ${line}`,
      message: `names no known point (“${said.slice(0, 40)}”): ${known.join(', ')}`,
    }));
  const read = pointsOfTable(table.value, ownAnswers(table.value));
  if (unknown.length === 0) return read;
  return { ok: false, problems: [...unknown, ...(read.ok ? [] : read.problems)] };
}

/** The same without what is said of the ±. */
export function readPointsCsv(type: CornerType, text: string): Checked<Partial<Points>> {
  const rows = readPointRows(type, text);
  return rows.ok
    ? { ok: true, value: Object.fromEntries(rows.value.map(({ name, point }) => [name, point])) }
    : rows;
}

function readTolerance(
  name: PointName,
  text: string,
  unit: TypedUnit,
  path: string,
  problems: Problem[],
): number | null {
  if (text === '') return null;
  const length = lengthOf(text, unit);
  const checked = length.ok ? csvTolerance.safeParse(length.value) : null;
  if (checked?.success) return checked.data;
  const why = length.ok ? checked!.error!.issues[0].message : length.why;
  problems.push({ path, message: `${name} ${TOLERANCE_COLUMN} ${why}` });
  return null;
}

/** A bare number in the table's unit, or a length that says its own. */
const lengthOf = (text: string, unit: TypedUnit) => {
  const number = parseNumber(text);
  if (number.ok && unit === 'mm') return number;
  const length = parseLength(text, unit);
  return length.ok || text.trim() === '' ? length : number;
};

function readPoint(
  name: PointName,
  cells: readonly string[],
  axes: Axes,
  unit: TypedUnit,
  path: string,
  problems: Problem[],
): Point | null {
  const values = COORDINATES.map((coordinate) => {
    const { column, sign } = axes[coordinate];
    const length = lengthOf(cells[column]?.trim() ?? '', unit);
    if (!length.ok) problems.push({ path, message: `${name} ${coordinate}_mm ${length.why}` });
    return length.ok ? sign * length.value || 0 : NaN;
  });
  if (values.some(Number.isNaN)) return null;
  const point = { ahead: values[0], out: values[1], up: values[2] };
  const checked = pointSchema.safeParse(point);
  if (checked.success) return checked.data;
  for (const issue of checked.error.issues)
    problems.push({ path, message: `${name} ${issue.path.join('.')}_mm ${issue.message}` });
  return null;
}
