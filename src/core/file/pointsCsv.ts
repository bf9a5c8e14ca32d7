import Papa from 'papaparse';
import { parseNumber } from '../model/units';
import { COORDINATES, POINT_NAMES, pointSchema } from '../model/points';
import type { Point, PointName, Points } from '../model/points';
import type { Checked, Problem } from '../model/problems';

export const POINTS_CSV_HEADER = ['point', 'ahead_mm', 'out_mm', 'up_mm'] as const;

/** Points as CSV, one a line, mm. Numbers keep every digit. */
export const writePointsCsv = (points: Points): string =>
  `${Papa.unparse(
    {
      fields: [...POINTS_CSV_HEADER],
      data: POINT_NAMES.map((name) => [name, ...COORDINATES.map((c) => points[name][c])]),
    },
    { newline: '\n' },
  )}\n`;

/**
 * Reads points from CSV or a spreadsheet's paste: comma, semicolon or tab between columns, decimal
 * comma where the columns are parted otherwise, any order of lines and columns, BOM and Windows line
 * ends. Points that are not named keep their place; a line that cannot be read refuses the whole, by
 * line number, so that nothing is lost silently.
 */
export function readPointsCsv(text: string): Checked<Partial<Points>> {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/u, ''), { skipEmptyLines: 'greedy' });
  const [header, ...lines] = data;
  const problems: Problem[] = [];
  if (!header || lines.length === 0)
    return {
      ok: false,
      problems: [
        { path: '', message: `no points found: the first line is ${POINTS_CSV_HEADER.join(',')}` },
      ],
    };
  const columns = header.map((title) => title.trim().toLowerCase());
  const missing = POINTS_CSV_HEADER.filter((title) => !columns.includes(title));
  if (missing.length > 0)
    return {
      ok: false,
      problems: [
        {
          path: 'line 1',
          message: `has no column ${missing.join(', ')}: the first line is ${POINTS_CSV_HEADER.join(',')}`,
        },
      ],
    };

  const points: Partial<Points> = {};
  lines.forEach((cells, index) => {
    const path = `line ${index + 2}`;
    const cell = (title: string) => cells[columns.indexOf(title)]?.trim() ?? '';
    const name = POINT_NAMES.find((known) => known.toLowerCase() === cell('point').toLowerCase());
    if (!name) {
      problems.push({
        path,
        message: `names no known point (“${cell('point').slice(0, 40)}”): ${POINT_NAMES.join(', ')}`,
      });
      return;
    }
    if (points[name]) problems.push({ path, message: `gives ${name} a second time` });
    const point = readPoint(name, cell, path, problems);
    if (point) points[name] = point;
  });
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: points };
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
