import { polygonHull } from 'd3-polygon';
import { line, outline, text } from '../sheets/drawing';
import type { Drawing, Mark, Spot } from '../sheets/drawing';
import { hole } from './copeSheet';
import { flatArea } from './outlines';

/** A plate as it is cut, mm, where it lies on its own paper. */
export interface Plate {
  title: string;
  /** How many, of what, and what else is to be known of it. */
  said: string[];
  edge: readonly Spot[];
  holes: readonly { at: Spot; across: number }[];
  /** What else is cut out of it. */
  windows?: readonly (readonly Spot[])[];
  /** Lines to fold it along. */
  bends?: readonly (readonly [Spot, Spot])[];
}

/** Below a plate, for what is said of it, mm. */
const LEGEND = 16;
/** Between two plates, and what the words below one take at least. */
const BETWEEN = 14;
const WORDS = 42;
/** Steps round a circle that is part of an outline: a hundredth of a millimetre off at 10 mm. */
const ROUND = 72;
/** Where the neutral line of a bend lies, as a part of its thickness (Machinery's Handbook, from memory: 0.33 to 0.5). */
export const NEUTRAL = 0.4;

/** How much flat plate a bend takes, mm: its neutral line, (R + K T) times its angle. */
export const bendAllowance = (radius: number, thick: number, degrees = 90): number =>
  ((radius + NEUTRAL * thick) * degrees * Math.PI) / 180;

/** From where a bend begins to where its outer sides would meet, mm: (R + T) tan of half its angle (Machinery's Handbook, from memory). */
export const setback = (radius: number, thick: number, degrees = 90): number =>
  (radius + thick) * Math.tan((degrees * Math.PI) / 360);

/** A round disc as an outline. */
export const disc = ([x, y]: Spot, radius: number): [number, number][] =>
  Array.from({ length: ROUND }, (_, i) => {
    const turn = (2 * Math.PI * i) / ROUND;
    return [x + radius * Math.cos(turn), y + radius * Math.sin(turn)];
  });

/** The edge that is drawn tight round discs. */
export const tightRound = (discs: readonly { at: Spot; radius: number }[]): Spot[] =>
  polygonHull(discs.flatMap(({ at, radius }) => disc(at, radius)))!;

/** What a plate measures without its holes and windows, mm². */
export const areaOf = ({ edge, holes, windows = [] }: Plate): number =>
  flatArea(edge) -
  holes.reduce((sum, { across }) => sum + (Math.PI / 4) * across ** 2, 0) -
  windows.reduce((sum, one) => sum + flatArea(one), 0);

/** Plates at full size beside each other: edges to cut, holes to drill, lines to fold along. */
export function platesDrawing(plates: readonly Plate[]): Drawing {
  const marks: Mark[] = [];
  let [left, tall] = [0, 0];
  for (const { title, said, edge, holes, windows = [], bends = [] } of plates) {
    const [across, up] = [0, 1].map((k) => edge.map((spot) => spot[k]));
    const [x0, y0] = [Math.min(...across), Math.min(...up)];
    const lines = [title, ...said];
    const legend = Math.max(LEGEND, 5 + 4 * lines.length);
    const at = ([x, y]: Spot): Spot => [left + x - x0, y - y0 + legend];
    marks.push(outline('CUT', edge.map(at)));
    for (const one of windows) marks.push(outline('CUT', one.map(at)));
    for (const { at: spot, across: wide } of holes) marks.push(...hole(at(spot), wide));
    for (const [a, b] of bends) marks.push(line('CENTRE', at(a), at(b)));
    lines.forEach((words, i) =>
      marks.push(text([left, legend - 5 - 4 * i], words, 2.8, { bold: i === 0 })),
    );
    left += Math.max(Math.max(...across) - x0, WORDS) + BETWEEN;
    tall = Math.max(tall, Math.max(...up) - y0 + legend);
  }
  return { width: Math.max(0, left - BETWEEN), height: tall, marks };
}
