import { readable } from '../model/units';
import type { SheetTable } from '../sheets/drawing';

/** A figure of the book: never without its unit, and what it means by whose definition. */
export interface BookFigure {
  name: string;
  /** Null: it does not apply, or is out of reach. */
  value: number | string | null;
  unit: '°' | 'mm' | '%' | 'to 1' | 'N' | 'N/mm' | 'm' | 'min' | '' | '° per 25 mm' | '°/mm';
  means: string;
  /** Digits after the point, where not as is usual of its unit. */
  places?: number;
  /** How it is judged, where it is. */
  verdict?: string;
}

/** A curve over wheel travel: [mm, value]. */
export interface BookCurve {
  name: string;
  unit: '°' | 'mm';
  points: [number, number][];
  /** The same of the layout it is held against. */
  against?: [number, number][];
}

/** A chapter of the book. */
export interface BookSection {
  id: string;
  title: string;
  figures: BookFigure[];
  curves: BookCurve[];
  tables: SheetTable[];
  notes: string[];
  /** What of this nobody has checked, a sentence each. */
  unchecked: string[];
}

export const section = (
  id: string,
  title: string,
  filled: Partial<Omit<BookSection, 'id' | 'title'>>,
): BookSection => ({
  ...{ id, title, figures: [], curves: [], tables: [], notes: [], unchecked: [] },
  ...filled,
});

const PLACES: Partial<Record<BookFigure['unit'], number>> = {
  ...{ '°': 2, mm: 1, '%': 0, 'to 1': 1, N: 0, 'N/mm': 1, m: 2, min: 0 },
  ...{ '° per 25 mm': 2, '°/mm': 4 },
};

/** A figure as it is printed: `−0.75°`, `32.1 mm`, `not reached`. */
export function figureInWords({ value, unit, places }: BookFigure): string {
  if (value === null) return 'not reached';
  if (typeof value === 'string') return value;
  const digits = value.toFixed(places ?? PLACES[unit] ?? 2);
  // Nothing is less than nothing.
  const shown = Number(digits) === 0 ? digits.replace('-', '') : readable(digits);
  return unit.startsWith('°') ? `${shown}${unit}` : `${shown} ${unit}`.trim();
}

/** A number in a table: so many digits, a real minus. */
export const digits = (value: number | null | undefined, places = 1): string =>
  value === null || value === undefined ? '' : readable(value.toFixed(places));
