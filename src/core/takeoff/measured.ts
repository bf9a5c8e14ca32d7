import { add } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Coordinate, Point, PointName } from '../model/points';
import type { Placed } from './tapesMeet';
import { toPoint } from '../model/points';

/** A number somebody read off, its ±, and what an error of one unit does to the joints. */
export interface MeasuredNumber {
  id: string;
  /** The thing measured: `upper ball joint`. */
  of: PointName | 'marks';
  /** Which number of it: `up`, `tape to A`, `lean`. */
  what: string;
  unit: 'mm' | 'deg';
  value: number;
  tolerance: number;
  /** Movement of joints per mm or degree, [ahead, out, up] mm. */
  moves: { point: PointName; per: Vec }[];
}

/** Where a record puts its point. */
export type PlaceRead =
  | {
      ok: true;
      point: Point;
      /** ± of each coordinate from the ± of the numbers, root of the sum of squares, mm. */
      spread: Point;
      numbers: MeasuredNumber[];
      doubts: string[];
      /** The other of two mirror images, and how well the distances fit. */
      twin?: Point;
      /** Of the tapes that count, in their order; `tapes` says which of the record's they are. */
      placed?: Placed;
      tapes?: number[];
    }
  /** `waits`: nothing is wrong, numbers are still to be typed. */
  | { ok: false; why: string; waits?: true };

/** Whether a place hangs on readings that contradict each other: to be asked about before it is taken. */
export const isInConflict = (place: PlaceRead): boolean =>
  place.ok && place.placed !== undefined && place.placed.conflict !== null;

export const AXIS: Record<Coordinate, Vec> = {
  ahead: [1, 0, 0],
  out: [0, 1, 0],
  up: [0, 0, 1],
};

/** Root of the sum of squares of what every number's ± does to a point, each coordinate. */
export function spreadOf(numbers: MeasuredNumber[], point: PointName): Point {
  const squares = [0, 0, 0];
  for (const { moves, tolerance } of numbers) {
    const per = moves
      .filter((move) => move.point === point)
      .reduce<Vec>((sum, move) => add(sum, move.per), [0, 0, 0]);
    per.forEach((part, i) => (squares[i] += (part * tolerance) ** 2));
  }
  return toPoint(squares.map(Math.sqrt) as unknown as Vec);
}
