import Papa from 'papaparse';

type Row = Record<string, string | number | boolean | null>;
type Table = { ok: true; text: string } | { ok: false; why: string };

const MOST_POSITIONS = 10_000;

/** Whole steps from one end, and the other end itself where a step lands on it up to rounding, mm. */
export function positionsBetween(
  from: number,
  to: number,
  step: number,
): { ok: true; at: Float64Array } | { ok: false; why: string } {
  const count = Math.floor((to - from) / step + 1e-9) + 1;
  if (count < 1) return { ok: false, why: `no positions between ${from} and ${to} mm` };
  if (count > MOST_POSITIONS)
    return { ok: false, why: `${count} positions: at most ${MOST_POSITIONS}, take a larger step` };
  return { ok: true, at: Float64Array.from({ length: count }, (_, i) => from + i * step) };
}

/** A figure as it is told, to a billionth; nothing where there is none. */
export const finite = (value: number): number | null =>
  Number.isFinite(value) ? Number(value.toFixed(9)) : null;

/** Rows as CSV or JSON; in CSV the columns named carry nine places. */
export function printed(
  rows: Row[],
  format: 'csv' | 'json',
  figures: (column: string) => boolean,
): Table {
  if (format === 'json') return { ok: true, text: `${JSON.stringify(rows, null, 2)}\n` };
  const cells = rows.map((row) =>
    Object.fromEntries(
      Object.entries(row).map(([column, value]) => [
        column,
        figures(column) && typeof value === 'number' ? value.toFixed(9) : value,
      ]),
    ),
  );
  return { ok: true, text: `${Papa.unparse(cells, { newline: '\n' })}\n` };
}
