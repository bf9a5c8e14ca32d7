import Papa from 'papaparse';
import type { Build } from '../model/build';
import type { Paper } from '../model/shop';
import type { Sheet } from '../sheets/drawing';
import { drawingDxf } from '../sheets/dxf';
import { pagesOf } from '../sheets/pages';
import type { Page } from '../sheets/pages';
import { pagesPdf } from '../sheets/pdf';
import { drawingSvg } from '../sheets/svg';
import { partsList } from './partsList';
import { headingOf, sheetEntries } from './sheetsOf';

/** A file of a bundle. */
export interface BundleFile {
  name: string;
  bytes: Uint8Array;
}

/** All sheets of a build, paged, and the files that other shops open. */
export interface Bundle {
  sheets: Pick<Sheet, 'id' | 'title' | 'code'>[];
  pages: Page[];
  files: BundleFile[];
}

/** A file's name from a title: small letters, figures and dashes. */
export const fileName = (title: string): string =>
  title
    .normalize('NFD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/gu, '-')
    .replace(/^-|-$/gu, '') || 'sheet';

const bytes = (words: string): Uint8Array => new TextEncoder().encode(words);

/** Tables as rows of a spreadsheet, each under its title; a leading sign that a spreadsheet would reckon with is kept as text. */
export const tablesCsv = ({ tables }: Pick<Sheet, 'tables'>): string =>
  tables
    .map(({ title, head, rows }) =>
      [title, Papa.unparse({ fields: head, data: rows.map((row) => row.map(asFigure)) })].join(
        '\r\n',
      ),
    )
    .join('\r\n\r\n') + '\r\n';

/** Figures with an ordinary minus, for whatever reads them. */
const asFigure = (cell: string): string => cell.replace(/^−(?=\d)/u, '-');

/**
 * Makes every sheet of a build's open variant, and what of it other programs open: drawings as DXF and SVG at full
 * size, tables as CSV. Yields the part done; the PDF is made of its pages (`bundlePdf`).
 * @param on the date, ISO
 */
export function* bundleOf(build: Build, on: string, paper: Paper): Generator<number, Bundle> {
  const heading = headingOf(build, on);
  const entries = sheetEntries(build);
  const bundle: Bundle = { sheets: [], pages: [], files: [] };
  for (const [i, { make }] of entries.entries()) {
    const sheet = make();
    const { id, title, code, drawing, tables } = sheet;
    const name = fileName(title);
    bundle.sheets.push({ id, title, code });
    bundle.pages.push(...pagesOf(sheet, heading, paper));
    if (drawing) {
      bundle.files.push({ name: `${name}.dxf`, bytes: bytes(drawingDxf(drawing)) });
      bundle.files.push({ name: `${name}.svg`, bytes: bytes(drawingSvg(drawing)) });
    }
    if (tables.length > 0 && id !== 'parts')
      bundle.files.push({ name: `${name}.csv`, bytes: bytes(tablesCsv(sheet)) });
    yield (i + 1) / entries.length;
  }
  bundle.files.push({ name: 'parts-list.csv', bytes: bytes(partsCsv(build)) });
  return bundle;
}

/** The bundle's pages as one PDF. */
export const bundlePdf = ({ pages }: Pick<Bundle, 'pages'>, build: Pick<Build, 'name'>) =>
  pagesPdf(pages, `${build.name}: sheets`);

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
  return Papa.unparse(rows, { escapeFormulae: true }) + '\r\n';
}
