import Papa from 'papaparse';
import type { Build } from '../model/build';
import type { Sheet } from '../sheets/drawing';
import { partsList } from './partsList';

/** A file's name from a title: small letters, figures and dashes. */
export const fileName = (title: string): string =>
  title
    .normalize('NFD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/gu, '-')
    .replace(/^-|-$/gu, '') || 'sheet';

const AS_TEXT = { escapeFormulae: true, newline: '\n' } as const;

/** A sheet's tables as rows of a spreadsheet, each under its title; what begins like a formula is kept as text. */
export const tablesCsv = ({ tables }: Pick<Sheet, 'tables'>): string =>
  tables
    .map(({ title, head, rows }) =>
      [
        title,
        Papa.unparse({ fields: head, data: rows.map((row) => row.map(asFigure)) }, AS_TEXT),
      ].join('\n'),
    )
    .join('\n\n') + '\n';

/** Figures with an ordinary minus, as numbers, for whatever reads them. */
const asFigure = (cell: string): string | number =>
  /^−?\d+(\.\d+)?$/u.test(cell) ? Number(cell.replace('−', '-')) : cell;

/** The parts list as CSV: lengths mm, weights kg, prices each. */
export function partsCsv(build: Build): string {
  const rows = partsList(build).map((row) => ({
    what: row.name,
    of: row.what,
    hand: row.hand ?? '',
    count: row.count,
    'length mm': row.length === null ? '' : row.length.toFixed(1),
    'weight kg': row.weight === null ? '' : row.weight.toFixed(3),
    where: row.where,
    state: row.record?.state ?? (row.made ? 'to make' : 'to buy'),
    stage: row.record?.stage ?? 1,
    source: row.record?.source ?? '',
    price: row.record?.price?.toFixed(2) ?? '',
    currency: row.record?.price === undefined ? '' : (row.record.currency ?? 'EUR'),
  }));
  return Papa.unparse(rows, AS_TEXT) + '\n';
}
