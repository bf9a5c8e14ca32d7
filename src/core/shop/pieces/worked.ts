import type { Wheel } from '../../kinematics/wheel';
import type { Build } from '../../model/build';
import type { SheetTable, Drawing } from '../../sheets/drawing';
import type { Plate } from '../plates';

/** A piece worked out: what is cut, what is to be known of it, why it cannot be made so. Lengths mm. */
export interface Worked {
  plates: Plate[];
  /** Drawn where it is no plate. */
  drawing?: Drawing;
  tables: SheetTable[];
  notes: string[];
  /** In a builder's words; none where it can be made. */
  faults: string[];
}

/** What a piece is worked out from: the left wheel of its axle, or the right one of the layout. */
export interface Shop {
  build: Build;
  wheel: Wheel;
}

export const nothing = (fault: string): Worked => ({
  ...{ plates: [], tables: [], notes: [], faults: [fault] },
});

/** A table of what a thing is called and what it measures. */
export const figuresTable = (
  title: string,
  rows: readonly (readonly [string, string])[],
): SheetTable => ({
  ...{ title, head: ['what', 'figure'], widths: [0.6, 0.4] },
  rows: rows.map((row) => [...row]),
});

/** From a hole's middle to the edge, in bolts (common practice, from memory: 1.5 at the least, 2 is better). */
export const EDGE = 1.75;
/** Two bolts' heads turn beside each other this far apart, in bolts (common practice, from memory). */
export const HEADS = 2.2;
