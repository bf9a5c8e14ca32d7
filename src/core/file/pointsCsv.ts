import Papa from 'papaparse';
import type { CornerType } from '../corners/cornerType';
import { pointNames } from '../corners/kinds';
import { parseNumber } from '../model/units';
import { COORDINATES, pointSchema } from '../model/points';
import type { Point, PointName, Points } from '../model/points';
import type { Checked, Problem } from '../model/problems';
import { tolerance } from '../model/wording';

export const POINTS_CSV_HEADER = ['point', 'ahead_mm', 'out_mm', 'up_mm'] as const;

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
export const TOLERANCE_COLUMN = 'tolerance_mm';
const csvTolerance = tolerance('mm', 100);

/**
 * Reads points from CSV or a spreadsheet's paste: comma, semicolon or tab between columns, decimal
 * comma where the columns are parted otherwise, any order of lines and columns, BOM and Windows line
 * ends. Points that are not named keep their place; a line that cannot be read refuses the whole, by
 * line number, so that nothing is lost silently.
 */
export function readPointsCsv(type: CornerType, text: string): Checked<Partial<Points>> {
  const rows = readPointRows(type, text);
  return rows.ok
    ? { ok: true, value: Object.fromEntries(rows.value.map(({ name, point }) => [name, point])) }
    : rows;
}

/** The same with what is said of the ±, row by row. */
export function readPointRows(type: CornerType, text: string): Checked<PointRow[]> {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/u, ''), { skipEmptyLines: 'greedy' });
  const [header, ...lines] = data;
  const refuse = (path: string, message: string): Checked<PointRow[]> => ({
    ok: false,
    problems: [{ path, message }],
  });
  const wanted = `the first line is ${POINTS_CSV_HEADER.join(',')}`;
  if (!header || lines.length === 0) return refuse('', `no points found: ${wanted}`);
  const columns = header.map((title) => title.trim().toLowerCase());
  const missing = POINTS_CSV_HEADER.filter((title) => !columns.includes(title));
  if (missing.length > 0) return refuse('line 1', `has no column ${missing.join(', ')}: ${wanted}`);

  const problems: Problem[] = [];
  const known = pointNames(type);
  const rows: PointRow[] = [];
  lines.forEach((cells, index) => {
    const path = `line ${index + 2}`;
    const cell = (title: string) => cells[columns.indexOf(title)]?.trim() ?? '';
    const name = known.find((one) => one.toLowerCase() === cell('point').toLowerCase());
    if (!name) {
      problems.push({
        path,
        message: `names no known point (“${cell('point').slice(0, 40)}”): ${known.join(', ')}`,
      });
      return;
    }
    if (rows.some((row) => row.name === name))
      problems.push({ path, message: `gives ${name} a second time` });
    const point = readPoint(name, cell, path, problems);
    const given = readTolerance(name, cell(TOLERANCE_COLUMN), path, problems);
    if (point) rows.push({ name, point, tolerance: given });
  });
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: rows };
}

function readTolerance(
  name: PointName,
  text: string,
  path: string,
  problems: Problem[],
): number | null {
  if (text === '') return null;
  const number = parseNumber(text);
  const checked = number.ok ? csvTolerance.safeParse(number.value) : null;
  if (checked?.success) return checked.data;
  const why = number.ok ? checked!.error!.issues[0].message : number.why;
  problems.push({ path, message: `${name} ${TOLERANCE_COLUMN} ${why}` });
  return null;
}

function readPoint(
  name: PointName,
  cell: (title: string) => string,
  path: string,
  problems: Problem[],
): Point | null {
  const values = COORDINATES.map((coordinate) => {
    const number = parseNumber(cell(`${coordinate}_mm`));
    if (!number.ok) problems.push({ path, message: `${name} ${coordinate}_mm ${number.why}` });
    return number.ok ? number.value : NaN;
  });
  if (values.some(Number.isNaN)) return null;
  const point = { ahead: values[0], out: values[1], up: values[2] };
  const checked = pointSchema.safeParse(point);
  if (checked.success) return checked.data;
  for (const issue of checked.error.issues)
    problems.push({ path, message: `${name} ${issue.path.join('.')}_mm ${issue.message}` });
  return null;
}
