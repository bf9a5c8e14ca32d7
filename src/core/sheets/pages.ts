import type { Paper } from '../model/shop';
import { circle, cross, line, outline, shifted, text } from './drawing';
import type { Drawing, Heading, Mark, Sheet, SheetTable, Spot } from './drawing';

/** One page of paper, its lower left corner at 0, 0, mm. */
export interface Page {
  width: number;
  height: number;
  marks: Mark[];
  /** What of a drawing that is larger than the page it shows; it is clipped to that. */
  clip: { at: Spot; width: number; height: number; marks: Mark[] } | null;
}

/** Paper upright, mm (ISO 216; ANSI/ASME Y14.1). */
export const PAPER_SIZES: Record<Paper, { width: number; height: number }> = {
  A4: { width: 210, height: 297 },
  Letter: { width: 215.9, height: 279.4 },
};

const MARGIN = 12;
/** What the head takes, mm. */
const HEAD = 24;
/** What the foot takes with the bar to be measured. */
const FOOT = 20;
/** How much neighbouring pages of one drawing share, mm. */
const SHARED = 12;
const BAR = 100;
const LINE = 4.6;
const CAUTION =
  'Prototype geometry, not a strength approval. Measure before you weld. Steering and suspension welds belong to qualified hands; local rules go before this sheet.';

/** The pages of a sheet: drawing at full size on as many as it takes, then its tables and remarks. */
export function pagesOf(sheet: Sheet, heading: Heading, paper: Paper): Page[] {
  const size = PAPER_SIZES[paper];
  const room = { width: size.width - 2 * MARGIN, height: size.height - 2 * MARGIN - HEAD - FOOT };
  const pages: Page[] = [];
  const blank = (): Page => ({ ...size, marks: [], clip: null });
  let top = size.height - MARGIN - HEAD;
  let page: Page | null = null;
  const fresh = () => {
    pages.push((page = blank()));
    top = size.height - MARGIN - HEAD;
    return page;
  };
  if (sheet.drawing) top = drawn(sheet.drawing, fresh, room, size);
  page = pages.at(-1) ?? fresh();
  const place = (height: number) => {
    if (top - height < MARGIN + FOOT) fresh();
  };
  for (const table of sheet.tables) {
    place(LINE * (Math.min(table.rows.length, 3) + 3));
    top -= LINE;
    page!.marks.push(text([MARGIN, top], table.title, 3.4, { bold: true }));
    top -= LINE * 0.5;
    const row = (cells: readonly string[], bold: boolean) => {
      const wrapped = cells.map((cell, i) => wrap(cell, widthsOf(table)[i] * room.width - 2, 3));
      const lines = Math.max(1, ...wrapped.map((one) => one.length));
      place(LINE * lines);
      let x = MARGIN;
      wrapped.forEach((cell, i) => {
        cell.forEach((words, k) =>
          page!.marks.push(text([x, top - LINE * (k + 0.8)], words, 3, { bold })),
        );
        x += widthsOf(table)[i] * room.width;
      });
      top -= LINE * lines;
      page!.marks.push(line('NOTE', [MARGIN, top - 0.6], [MARGIN + room.width, top - 0.6]));
      top -= 0.8;
    };
    row(table.head, true);
    for (const cells of table.rows) row(cells, false);
    top -= LINE * 0.5;
  }
  for (const note of sheet.notes)
    for (const [i, words] of wrap(note, room.width - 4, 3.2).entries()) {
      place(LINE);
      top -= LINE;
      page!.marks.push(text([MARGIN + (i > 0 ? 3 : 0), top], i > 0 ? words : `– ${words}`, 3.2));
    }
  pages.forEach((one, i) => one.marks.unshift(...frame(one, sheet, heading, i + 1, pages.length)));
  return pages;
}

const widthsOf = ({ head, widths }: SheetTable): number[] =>
  widths ?? head.map(() => 1 / head.length);

/** Puts a drawing on one page, or on several with marks that have to meet. Returns what is left of the last, from the top. */
function drawn(
  drawing: Drawing,
  fresh: () => Page,
  room: { width: number; height: number },
  size: { width: number; height: number },
): number {
  const bottom = MARGIN + FOOT;
  const { width, height } = drawing;
  if (width <= room.width && height <= room.height) {
    const page = fresh();
    const at: Spot = [(size.width - width) / 2, bottom + room.height - height];
    page.marks.push(...shifted(drawing.marks, at));
    return at[1] - LINE;
  }
  const columns = tilesFor(width, room.width);
  const rows = tilesFor(height, room.height);
  const step = { x: room.width - SHARED, y: room.height - SHARED };
  /** Lower left corner of a page on the drawing; the first begins at its top left, as it is laid out on a bench. */
  const corner = (i: number, j: number): Spot => [i * step.x, height - room.height - j * step.y];
  const meets: Mark[] = [];
  for (let i = 1; i < columns; i++)
    for (let k = 0; k <= 4; k++)
      meets.push(...meeting([i * step.x + SHARED / 2, (k * height) / 4]));
  for (let j = 1; j < rows; j++)
    for (let k = 0; k <= 4; k++)
      meets.push(...meeting([(k * width) / 4, height - j * step.y - SHARED / 2]));
  const named = (i: number, j: number): string => `${String.fromCharCode(65 + j)}${i + 1}`;
  const last = named(columns - 1, rows - 1);
  const all: { i: number; j: number }[] = [];
  for (let j = 0; j < rows; j++) for (let i = 0; i < columns; i++) all.push({ i, j });
  const lower: Spot = [MARGIN, MARGIN + FOOT];
  fresh().marks.push(
    ...overview(
      drawing,
      all.map(({ i, j }) => ({ name: named(i, j), at: corner(i, j), ...room })),
      lower,
      room,
    ),
  );
  for (const { i, j } of all) {
    const page = fresh();
    const [x, y] = corner(i, j);
    const from: Spot = [lower[0] - x, lower[1] - y];
    page.clip = { at: lower, ...room, marks: shifted([...drawing.marks, ...meets], from) };
    page.marks.push(
      text(
        [MARGIN + room.width, lower[1] - 4],
        `sheet ${named(i, j)} of A1 to ${last}: lay cross on cross`,
        3,
        { from: 'end' },
      ),
    );
  }
  // Tables go on a page of their own.
  return 0;
}

/** All of a drawing made small, and which page shows what of it. */
function overview(
  { width, height, marks }: Drawing,
  tiles: readonly { name: string; at: Spot; width: number; height: number }[],
  [left, bottom]: Spot,
  room: { width: number; height: number },
): Mark[] {
  const x0 = Math.min(0, ...tiles.map(({ at }) => at[0]));
  const y0 = Math.min(0, ...tiles.map(({ at }) => at[1]));
  const x1 = Math.max(width, ...tiles.map(({ at, width: w }) => at[0] + w));
  const y1 = Math.max(height, ...tiles.map(({ at, height: h }) => at[1] + h));
  const by = Math.min(room.width / (x1 - x0), (room.height - 10) / (y1 - y0));
  const top = bottom + room.height - 10;
  const small = ([x, y]: Spot): Spot => [left + (x - x0) * by, top - (y1 - y) * by];
  return [
    text(
      [left, bottom + room.height - 5],
      'Overview, not to scale: how the sheets that follow are laid together',
      3.4,
      { bold: true },
    ),
    ...marks.flatMap((mark): Mark[] =>
      mark.as === 'line'
        ? [{ ...mark, through: mark.through.map(small) }]
        : mark.as === 'circle'
          ? [{ ...mark, at: small(mark.at), radius: mark.radius * by }]
          : mark.bold
            ? [{ ...mark, at: small(mark.at), size: 2.6 }]
            : [],
    ),
    ...tiles.flatMap(({ name, at: [x, y], width: w, height: h }): Mark[] => [
      {
        ...outline('NOTE', [
          small([x, y]),
          small([x + w, y]),
          small([x + w, y + h]),
          small([x, y + h]),
        ]),
        layer: 'CENTRE',
      },
      text(small([x + 8 / by, y + 8 / by]), name, 4, { bold: true }),
    ]),
  ];
}

const tilesFor = (length: number, room: number): number =>
  length <= room ? 1 : Math.ceil((length - SHARED) / (room - SHARED));

const meeting = (at: Spot): Mark[] => [...cross('NOTE', at, 5), circle('NOTE', at, 2)];

/** Title, what it is of, the bar to be checked, the caution, DRAFT. */
function frame(
  { width, height }: Page,
  { title, code }: Sheet,
  { build, variant, on, frozen }: Heading,
  number: number,
  of: number,
): Mark[] {
  const top = height - MARGIN;
  const foot = MARGIN;
  const draft: Mark[] = frozen
    ? []
    : [
        text([width - MARGIN, top - 12], 'DRAFT', 9, { from: 'end', bold: true }),
        text([width - MARGIN, top - 17], 'not frozen: do not cut by it', 2.8, { from: 'end' }),
      ];
  const bar: Spot = [MARGIN, foot + 8];
  return [
    text([MARGIN, top - 5], title, 5, { bold: true }),
    text([MARGIN, top - 10.5], `${build} · ${variant}`, 3.4),
    text([MARGIN, top - 15.5], `${on.slice(0, 10)} · check code ${code} · ${number} of ${of}`, 3.4),
    line('NOTE', [MARGIN, top - 19], [width - MARGIN, top - 19]),
    ...draft,
    line('NOTE', bar, [bar[0] + BAR, bar[1]]),
    ...[0, 50, BAR].map((x) =>
      line('NOTE', [bar[0] + x, bar[1] - 1.5], [bar[0] + x, bar[1] + 1.5]),
    ),
    text(
      [bar[0] + BAR + 3, bar[1] - 1],
      '100 mm: check with a rule before cutting; print at 100 %',
      3,
    ),
    ...wrap(CAUTION, width - 2 * MARGIN, 2.6).map((words, i) =>
      text([MARGIN, foot + 2.6 - 3.2 * i], words, 2.6),
    ),
  ];
}

/** A letter's width as a part of its height, sans serif, on the average; the widest lines stay within. */
const LETTER = 0.52;

/** Words in lines that are no wider than so many mm. */
export function wrap(words: string, width: number, size: number): string[] {
  const most = Math.max(4, Math.floor(width / (size * LETTER)));
  const lines: string[] = [];
  let now = '';
  for (const word of words.split(' ')) {
    let rest = word;
    while (now === '' && rest.length > most) {
      lines.push(rest.slice(0, most));
      rest = rest.slice(most);
    }
    const next = now === '' ? rest : `${now} ${rest}`;
    if (next.length > most) {
      lines.push(now);
      now = rest;
    } else now = next;
  }
  if (now !== '' || lines.length === 0) lines.push(now);
  return lines;
}
