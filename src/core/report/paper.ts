import type { Paper } from '../model/shop';
import { readable } from '../model/units';
import { line, shifted, text } from '../sheets/drawing';
import type { Drawing, Heading, Mark, Sheet, Spot } from '../sheets/drawing';
import { pagesOf } from '../sheets/pages';
import type { Page } from '../sheets/pages';
import { pagesPdf } from '../sheets/pdf';
import type { Book } from './book';
import { figureInWords } from './section';
import type { BookCurve, BookSection } from './section';

/** One curve's frame on paper, mm. */
const WIDE = 84;
const HIGH = 84;
const GAP = 10;

/** A round step that parts a length into five to ten. */
function stepOf(length: number): number {
  const rough = length / 6;
  const ten = 10 ** Math.floor(Math.log10(rough));
  return [1, 2, 5, 10].map((n) => n * ten).find((one) => one >= rough)!;
}

function ticks(from: number, to: number): number[] {
  const step = stepOf(to - from);
  const list: number[] = [];
  for (let i = Math.ceil(from / step - 1e-9); i * step <= to + 1e-9 * step; i++)
    list.push(i * step);
  return list;
}

const label = (value: number): string => readable(String(Number(value.toPrecision(6))));

/** A curve over travel: the value to the right, bump up; the layout it is held against as a thin line beside it. */
function plot({ name, unit, points, against = [] }: BookCurve): Mark[] {
  const all = [...points, ...against];
  const [travels, values] = [all.map(([mm]) => mm), all.map(([, value]) => value)];
  const [low, high] = [Math.min(...travels), Math.max(...travels)];
  const middle = (Math.min(...values) + Math.max(...values)) / 2;
  const half = Math.max((Math.max(...values) - Math.min(...values)) / 2, 0.05) * 1.08;
  const [least, most] = [middle - half, middle + half];
  const x = (value: number) => 12 + ((value - least) / (most - least)) * (WIDE - 14);
  const y = (mm: number) => 10 + ((mm - low) / (high - low)) * (HIGH - 20);
  const at = ([mm, value]: [number, number]): Spot => [x(value), y(mm)];
  return [
    text([12, HIGH - 4], `${name}, ${unit}; travel mm, bump up`, 3, { bold: true }),
    ...ticks(least, most).flatMap((value): Mark[] => [
      { ...line('CENTRE', [x(value), y(low)], [x(value), y(high)]), layer: 'CENTRE' },
      text([x(value), y(low) - 4], label(value), 2.4, { from: 'middle' }),
    ]),
    ...ticks(low, high).flatMap((mm): Mark[] => [
      line('CENTRE', [12, y(mm)], [WIDE - 2, y(mm)]),
      text([11, y(mm) - 0.8], label(mm), 2.4, { from: 'end' }),
    ]),
    ...(against.length > 1 ? [line('NOTE', ...against.map(at))] : []),
    line('CUT', ...points.map(at)),
  ];
}

function curvesDrawing(curves: readonly BookCurve[]): Drawing | null {
  const drawn = curves.filter(({ points }) => points.length > 1);
  if (drawn.length === 0) return null;
  return {
    width: drawn.length * WIDE + (drawn.length - 1) * GAP,
    height: HIGH,
    marks: drawn.flatMap((curve, i) => shifted(plot(curve), [i * (WIDE + GAP), 0])),
  };
}

/** A chapter on paper: its curves, its figures with what they mean, its tables, its remarks. */
function sheetOf(book: Book, one: BookSection): Sheet {
  const judged = one.figures.some(({ verdict }) => verdict !== undefined);
  return {
    id: `book/${one.id}`,
    title: one.title,
    group: 'book',
    drawing: curvesDrawing(one.curves),
    tables: [
      {
        title: 'Figures',
        head: ['figure', 'value', ...(judged ? ['verdict'] : []), 'what it means, by whom'],
        widths: judged ? [0.28, 0.15, 0.13, 0.44] : [0.32, 0.2, 0.48],
        rows: one.figures.map((figure) => [
          ...[figure.name, figureInWords(figure)],
          ...(judged ? [figure.verdict ?? ''] : []),
          figure.means,
        ]),
      },
      ...one.tables,
    ].filter(({ rows }) => rows.length > 0),
    notes: one.notes,
    code: book.code,
  };
}

/** The book's chapters as its first page lists them. */
function cover(book: Book, starts: readonly number[]): Sheet {
  return {
    ...{ id: 'book/cover', title: 'Build book', group: 'book', drawing: null, code: book.code },
    tables: [
      {
        title: 'Chapters',
        head: ['chapter', 'page'],
        widths: [0.85, 0.15],
        rows: book.sections.map(({ title }, i) => [title, String(starts[i])]),
      },
    ],
    notes: [
      `Made ${book.on.slice(0, 10)} of “${book.variant}”, ${book.frozen ? `frozen ${book.frozen.slice(0, 10)}` : 'which is not frozen'}.`,
      'Every figure stands with its unit and whose definition it goes by. The last chapter says what was not checked.',
      'People signed for what they did. This book signs nothing off: have steering and suspension inspected as the law where you drive asks.',
    ],
  };
}

/** All pages of a book, the cover first. */
export function bookPages(book: Book, paper: Paper): Page[] {
  const heading: Heading = {
    ...{ build: book.build, variant: book.variant, on: book.on, frozen: book.frozen !== null },
  };
  const chapters = book.sections.map((one) => pagesOf(sheetOf(book, one), heading, paper));
  const paged = (first: number): Page[] => {
    let at = first;
    const starts = chapters.map((pages) => {
      const start = at + 1;
      at += pages.length;
      return start;
    });
    return pagesOf(cover(book, starts), heading, paper);
  };
  // How many pages the cover itself takes does not hang on the numbers in it.
  const front = paged(paged(1).length);
  const pages = [...front, ...chapters.flat()];
  pages.forEach(({ marks, width }, i) =>
    marks.push(text([width - 12, 8], `page ${i + 1} of ${pages.length}`, 3, { from: 'end' })),
  );
  return pages;
}

export const bookPdf = (book: Book, paper: Paper): Promise<Uint8Array> =>
  pagesPdf(bookPages(book, paper), `${book.build}: build book`);

/** The book as a file for other programs. */
export const bookJson = (book: Book): string =>
  `${JSON.stringify({ format: 'havrik-book', version: 1, ...book }, null, 2)}\n`;
