/** A place on a drawing, mm: to the right and up. */
export type Spot = readonly [number, number];

/** What a line is for: by this it is drawn, and layered in a file for a machine. */
export const LAYERS = ['CUT', 'DRILL', 'CENTRE', 'OUTLINE', 'NOTE'] as const;
export type Layer = (typeof LAYERS)[number];

/** One mark of a drawing, lengths mm. */
export type Mark =
  | { as: 'line'; layer: Layer; through: readonly Spot[]; closed?: boolean }
  | { as: 'circle'; layer: Layer; at: Spot; radius: number }
  | {
      as: 'text';
      layer: Layer;
      at: Spot;
      text: string;
      size: number;
      /** Where `at` is of it; its beginning where nothing is said. */
      from?: 'start' | 'middle' | 'end';
      bold?: boolean;
    };

/** Something drawn at full size: its lower left corner at 0, 0. */
export interface Drawing {
  width: number;
  height: number;
  marks: Mark[];
}

export const line = (layer: Layer, ...through: Spot[]): Mark => ({ as: 'line', layer, through });
export const outline = (layer: Layer, through: readonly Spot[]): Mark => ({
  ...{ as: 'line', layer, through, closed: true },
});
export const circle = (layer: Layer, at: Spot, radius: number): Mark => ({
  ...{ as: 'circle', layer, at, radius },
});
export const text = (
  at: Spot,
  words: string,
  size: number,
  more: { from?: 'start' | 'middle' | 'end'; bold?: boolean; layer?: Layer } = {},
): Mark => ({ as: 'text', layer: 'NOTE', at, text: words, size, ...more });

/** A cross at a hole's middle, of so many mm either way. */
export const cross = (layer: Layer, [x, y]: Spot, arm: number): Mark[] => [
  line(layer, [x - arm, y], [x + arm, y]),
  line(layer, [x, y - arm], [x, y + arm]),
];

/** The same marks elsewhere. */
export function shifted(marks: readonly Mark[], [dx, dy]: Spot): Mark[] {
  const moved = ([x, y]: Spot): Spot => [x + dx, y + dy];
  return marks.map((mark) =>
    mark.as === 'line'
      ? { ...mark, through: mark.through.map(moved) }
      : { ...mark, at: moved(mark.at) },
  );
}

/** What a sheet is about: a drawing at full size, tables, remarks. */
export interface Sheet {
  id: string;
  /** `Front left lower arm: jig`. */
  title: string;
  /** The part, its tree in a list of sheets. */
  group: string;
  drawing: Drawing | null;
  tables: SheetTable[];
  notes: string[];
  /** The check code of what it is made from. */
  code: string;
}

export interface SheetTable {
  title: string;
  head: string[];
  rows: string[][];
  /** Width of each column as a part of all. */
  widths?: number[];
}

/** What stands on every sheet. */
export interface Heading {
  build: string;
  variant: string;
  /** ISO date it was made on. */
  on: string;
  /** Of a frozen variant; others are drafts. */
  frozen: boolean;
}
