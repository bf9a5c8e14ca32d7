import Papa from 'papaparse';
import { z } from 'zod';
import { METHODS, readingSchema } from '../model/checks';
import type { CheckReading, MethodId, ReadSide, ReadUnit } from '../model/checks';
import { parseNumber } from '../model/units';
import type { Checked, Problem } from '../model/problems';
import { METHOD_TABLE } from './methods';

/** Columns that have to be there, and those that may. */
export const READINGS_HEADER = ['travel_mm', 'method', 'value', 'unit', 'plus_minus'] as const;
const MAY = ['side', 'going', 'round', 'left_out'] as const;

const MM = { mm: 1, in: 25.4 } as const;
const DEG = { deg: 1, min: 1 / 60 } as const;

/** What one of a unit is, mm or degrees; null where the method does not read in it. */
export const perUnit = (method: MethodId, unit: string): number | null => {
  const table: Record<string, number> = METHOD_TABLE[method].unit === 'mm' ? MM : DEG;
  return table[unit] ?? null;
};

const rowSchema = z.record(z.string(), z.string());

/**
 * Readings from a table. Two values of one reading stand as `front/rear`. One line that cannot be read refuses the whole,
 * by its number, so that nothing is lost silently.
 * @param side of readings that do not say theirs; where it is both, those of one wheel have to
 * @param idOf a name for the reading of a line
 */
export function readReadingsCsv(
  text: string,
  side: ReadSide,
  idOf: (line: number) => string,
  now: string,
): Checked<CheckReading[]> {
  const table = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/u, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (title) => title.trim().toLowerCase(),
  });
  const titles = table.meta.fields ?? [];
  const missing = READINGS_HEADER.filter((title) => !titles.includes(title));
  if (missing.length > 0)
    return {
      ok: false,
      problems: [
        {
          path: 'line 1',
          message: `does not name ${missing.join(', ')}: the columns are ${READINGS_HEADER.join(', ')}, and may be ${MAY.join(', ')}`,
        },
      ],
    };
  const unknown = titles.filter(
    (title) => ![...READINGS_HEADER, ...MAY].some((known) => known === title),
  );
  if (unknown.length > 0)
    return {
      ok: false,
      problems: [
        { path: 'line 1', message: `has columns nobody knows here: ${unknown.join(', ')}` },
      ],
    };
  const problems: Problem[] = [];
  const readings = table.data.flatMap((row, i) => {
    const line = i + 2;
    const cells = rowSchema.safeParse(row);
    const read: Checked<CheckReading> = cells.success
      ? readRow(cells.data, side, idOf(line), now)
      : { ok: false, problems: [{ path: '', message: 'has more cells than columns' }] };
    if (read.ok) return [read.value];
    problems.push(...read.problems.map((one) => ({ ...one, path: `line ${line}` })));
    return [];
  });
  if (problems.length === 0 && readings.length === 0)
    problems.push({ path: '', message: 'the table holds no reading' });
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: readings };
}

function readRow(
  row: Record<string, string>,
  side: ReadSide,
  id: string,
  now: string,
): Checked<CheckReading> {
  const problems: Problem[] = [];
  const cell = (title: string): string => (row[title] ?? '').trim();
  const wrong = (message: string) => problems.push({ path: '', message });
  const number = (title: string, said: string): number => {
    const read = parseNumber(said);
    if (!read.ok) wrong(`${title} ${read.why}`);
    return read.ok ? read.value : NaN;
  };
  const method = METHODS.find((one) => one === cell('method').toLowerCase());
  if (!method) {
    wrong(`method is “${cell('method').slice(0, 30)}”, should be one of ${METHODS.join(', ')}`);
    return { ok: false, problems };
  }
  const unit = cell('unit').toLowerCase();
  const per = perUnit(method, unit);
  if (per === null)
    wrong(
      `unit is “${unit.slice(0, 20)}”: ${method} is read in ${METHOD_TABLE[method].unit === 'mm' ? 'mm or in' : 'deg or min'}`,
    );
  const parts = cell('value').split('/');
  if (parts.length > METHOD_TABLE[method].values.length)
    wrong(`value has ${parts.length} parts: ${METHOD_TABLE[method].values.join('/')}`);
  const values = parts.map((part) => number('value', part) * (per ?? 1));
  if (side === 'both' && cell('side') === '' && !METHOD_TABLE[method].ofBoth)
    wrong(`side is missing: ${method} is of one wheel, left or right`);
  const height = number('travel_mm', cell('travel_mm'));
  const plusMinus = number('plus_minus', cell('plus_minus')) * (per ?? 1);
  const round = cell('round') === '' ? 0 : number('round', cell('round'));
  const leftOut = cell('left_out') !== '' && cell('left_out') !== '0';
  if (problems.length > 0) return { ok: false, problems };
  const reading = {
    ...{ id, at: now, round, height, method, values, plusMinus },
    asTravel: true as const,
    side: cell('side') === '' ? (METHOD_TABLE[method].ofBoth ? 'both' : side) : cell('side'),
    unit: unit as ReadUnit,
    ...(cell('going') !== '' && { going: cell('going') }),
    ...(leftOut && { leftOut: true as const }),
  };
  const checked = readingSchema.safeParse(reading);
  if (checked.success) return { ok: true, value: checked.data };
  return {
    ok: false,
    problems: checked.error.issues.map((issue) => ({
      path: '',
      message: `${issue.path.join('.')} ${issue.message}`,
    })),
  };
}

/**
 * Readings as a table, numbers with every digit, values in the unit they were typed in.
 * @param travels where each stands, mm; those that have no travel are written with their height
 */
export function writeReadingsCsv(
  readings: readonly CheckReading[],
  travels: ReadonlyMap<string, number>,
): string {
  return `${Papa.unparse(
    {
      fields: [...READINGS_HEADER, ...MAY],
      data: readings.map((one) => {
        const per = perUnit(one.method, one.unit) ?? 1;
        const print = (value: number) => String(Number((value / per).toPrecision(12)));
        return [
          String(travels.get(one.id) ?? one.height),
          one.method,
          one.values.map(print).join('/'),
          one.unit,
          print(one.plusMinus),
          one.side,
          one.going ?? '',
          String(one.round),
          one.leftOut ? '1' : '',
        ];
      }),
    },
    { newline: '\n' },
  )}\n`;
}
