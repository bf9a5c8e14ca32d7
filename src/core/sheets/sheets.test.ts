import DxfParser from 'dxf-parser';
import fc from 'fast-check';
import { circle, cross, line, outline, text } from './drawing';
import type { Drawing, Heading, Mark, Sheet } from './drawing';
import { drawingDxf } from './dxf';
import { PAPER_SIZES, pagesOf, wrap } from './pages';
import { pagesPdf, writable } from './pdf';
import { drawingSvg, pageSvg } from './svg';
import { readPdf } from '../../test/readPdf';

const plate: Drawing = {
  width: 120,
  height: 60,
  marks: [
    outline('CUT', [
      [0, 0],
      [120, 0],
      [120, 60],
      [0, 60],
    ]),
    circle('DRILL', [20, 30], 6),
    ...cross('CENTRE', [20, 30], 10),
    text([60, 30], 'plate <1> & "2"', 4, { from: 'middle' }),
  ],
};
const heading: Heading = { build: 'B', variant: 'V', on: '2026-03-04', frozen: false };
const sheetOf = (drawing: Drawing | null, more: Partial<Sheet> = {}): Sheet => ({
  ...{ id: 'x', title: 'A plate', group: 'g', drawing, tables: [], notes: [], code: 'ABC123' },
  ...more,
});
const words = (marks: readonly Mark[]): string =>
  marks.flatMap((mark) => (mark.as === 'text' ? [mark.text] : [])).join('\n');

// A PDF is read back by a program of its own, which takes its time to start.
jest.setTimeout(60_000);

describe('a sheet on paper', () => {
  it('is a DRAFT until its variant is frozen, and always carries what it is of', () => {
    for (const frozen of [true, false]) {
      const [page] = pagesOf(sheetOf(plate), { ...heading, frozen }, 'A4');
      const said = words(page.marks);
      expect(/DRAFT/u.test(said)).toBe(!frozen);
      for (const one of [
        'A plate',
        'B · V',
        '2026-03-04',
        'ABC123',
        '1 of 1',
        'Measure before you weld',
      ])
        expect(said).toContain(one);
    }
  });

  it('is at full size in the PDF as it is read back', async () => {
    const [page] = pagesOf(sheetOf(plate), heading, 'A4');
    const { pages } = readPdf(await pagesPdf([page], 'x'));
    expect(pages[0].width).toBeCloseTo(210, 3);
    expect(pages[0].height).toBeCloseTo(297, 3);
    // The plate, and the bar that is checked with a rule.
    const sizes = pages[0].paths.map(({ width, height }) => [width, height]);
    expect(sizes.some(([w, h]) => Math.abs(w - 120) < 0.001 && Math.abs(h - 60) < 0.001)).toBe(
      true,
    );
    expect(sizes.some(([w, h]) => Math.abs(w - 12) < 0.01 && Math.abs(h - 12) < 0.01)).toBe(true);
    expect(sizes.some(([w, h]) => Math.abs(w - 100) < 0.001 && h < 0.001)).toBe(true);
    expect(pages[0].text).toContain('100 mm: check with a rule');
  });

  it('is parted where it is larger than the paper, marks meeting on the next page', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 30, max: 900, noNaN: true }),
        fc.double({ min: 30, max: 900, noNaN: true }),
        fc.constantFrom('A4', 'Letter' as const),
        (width, height, paper) => {
          const spots = Array.from({ length: 25 }, (_, i) => [
            (width * (i % 5)) / 4,
            (height * Math.floor(i / 5)) / 4,
          ]) as [number, number][];
          const drawing: Drawing = {
            ...{ width, height },
            marks: spots.map((at) => circle('DRILL', at, 1)),
          };
          const pages = pagesOf(sheetOf(drawing), heading, paper);
          const size = PAPER_SIZES[paper];
          const seen = new Set<number>();
          for (const { clip, marks, width: across } of pages) {
            expect(across).toBe(size.width);
            const own = clip?.marks ?? marks;
            own.forEach((mark, i) => {
              if (mark.as !== 'circle' || mark.layer !== 'DRILL') return;
              const [x, y] = mark.at;
              const { at, width: w, height: h } = clip ?? { at: [0, 0], ...size };
              if (x >= at[0] && x <= at[0] + w && y >= at[1] && y <= at[1] + h)
                seen.add(clip ? i : own.filter(({ layer }) => layer === 'DRILL').indexOf(mark));
            });
          }
          // Every hole is whole on some page.
          expect(seen.size).toBe(spots.length);
          const tiles = pages.filter(({ clip }) => clip);
          if (tiles.length > 1) {
            // Each mark that has to meet is seen on at least two pages.
            const meets = tiles.map(({ clip }) =>
              clip!.marks.filter((mark) => mark.as === 'circle' && mark.layer === 'NOTE'),
            );
            meets[0].forEach((_, i) => {
              const on = tiles.filter(({ clip }, k) => {
                const mark = meets[k][i];
                if (mark.as !== 'circle') return false;
                const [x, y] = mark.at;
                const { at, width: w, height: h } = clip!;
                return (
                  x > at[0] - 0.001 &&
                  x < at[0] + w + 0.001 &&
                  y > at[1] - 0.001 &&
                  y < at[1] + h + 0.001
                );
              });
              expect(on.length).toBeGreaterThan(1);
            });
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('goes on to another page where a table is long, its lines within the paper', () => {
    const rows = Array.from({ length: 90 }, (_, i) => [`row ${i}`, 'x '.repeat(80)]);
    const table = { title: 'T', head: ['a', 'b'], rows };
    const pages = pagesOf(
      sheetOf(null, { tables: [table], notes: ['n '.repeat(300)] }),
      heading,
      'Letter',
    );
    expect(pages.length).toBeGreaterThan(3);
    const said = pages.map(({ marks }) => words(marks)).join('\n');
    for (const [name] of rows) expect(said).toContain(name);
    for (const { marks } of pages)
      for (const mark of marks) if (mark.as === 'text') expect(mark.at[1]).toBeGreaterThan(8);
    expect(said).toContain(`${pages.length} of ${pages.length}`);
  });

  it('breaks words that are longer than a line', () => {
    expect(wrap('a'.repeat(50), 20, 4).join('')).toBe('a'.repeat(50));
    expect(wrap('', 20, 4)).toEqual(['']);
  });
});

describe('a drawing in files', () => {
  it('opens in a library that reads DXF: mm, layers by meaning, closed outlines', () => {
    const read = new DxfParser().parseSync(drawingDxf(plate))!;
    expect(read.header['$INSUNITS']).toBe(4);
    // R2007.
    expect(read.header['$ACADVER']).toBe('AC1021');
    expect(Object.keys(read.tables.layer.layers)).toEqual(
      expect.arrayContaining(['CUT', 'DRILL', 'CENTRE', 'OUTLINE', 'NOTE']),
    );
    const of = (type: string) =>
      read.entities.filter((entity) => entity.type === type) as unknown as Record<
        string,
        unknown
      >[];
    const [cut] = of('LWPOLYLINE').filter(({ layer }) => layer === 'CUT');
    expect(cut).toMatchObject({ shape: true });
    expect((cut['vertices'] as { x: number; y: number }[]).map(({ x, y }) => [x, y])).toEqual([
      [0, 0],
      [120, 0],
      [120, 60],
      [0, 60],
    ]);
    expect(of('CIRCLE')[0]).toMatchObject({ layer: 'DRILL', radius: 6, center: { x: 20, y: 30 } });
    expect(of('TEXT')[0]).toMatchObject({ text: 'plate <1> & "2"' });
  });

  it('is an SVG of its size in mm, every sign escaped', () => {
    const svg = drawingSvg(plate);
    expect(svg).toContain('width="120mm" height="60mm" viewBox="0 0 120 60"');
    expect(svg).toContain('plate &#60;1&#62; &#38; &#34;2&#34;');
    // Up is up: the hole's middle, 30 from below, is 30 from above.
    expect(svg).toContain('cx="20" cy="30" r="6"');
    const [page] = pagesOf(
      sheetOf({ ...plate, marks: [line('CUT', [0, 0], [120, 60])] }),
      heading,
      'A4',
    );
    expect(pageSvg(page)).toContain('width="210mm" height="297mm"');
  });

  it('writes what the fonts of every reader have', () => {
    expect(writable('−3 µm ≥ Łódź, Čeněk ½"')).toBe('-3 µm >= Lódz, Cenek ½"');
    expect(writable('火')).toBe('?');
  });
});
