import type { Build } from '../model/build';
import type { Paper } from '../model/shop';
import type { Sheet } from '../sheets/drawing';
import { drawingDxf } from '../sheets/dxf';
import { pagesOf } from '../sheets/pages';
import type { Page } from '../sheets/pages';
import { pagesPdf } from '../sheets/pdf';
import { drawingSvg } from '../sheets/svg';
import { fileName, partsCsv, tablesCsv } from './csv';
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

const bytes = (words: string): Uint8Array => new TextEncoder().encode(words);

/**
 * Makes every sheet of a build's open variant, and what of it other programs open: drawings as DXF and SVG at full
 * size, tables as CSV. Yields the part done; PDF and glTF are made at the end (`bundleFiles`).
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

/** Every file of a bundle: its pages as one PDF, all corners in space, drawings and tables. */
export async function bundleFiles({ pages, files }: Bundle, build: Build): Promise<BundleFile[]> {
  // What writes solids is large: it is fetched with the first bundle.
  const { buildGlb } = await import('./gltf');
  return [
    { name: 'sheets.pdf', bytes: await pagesPdf(pages, `${build.name}: sheets`) },
    { name: 'corners.glb', bytes: await buildGlb(build) },
    ...files,
  ];
}
