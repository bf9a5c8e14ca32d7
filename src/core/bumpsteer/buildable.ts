import type { AxleDesign, Side, Travel } from '../model/build';
import { pointsOf } from '../kinematics/axle';
import { COORDINATES } from '../model/points';
import type { Coordinate } from '../model/points';
import { travelSweep } from '../motion/sweep';
import { SIGMAS, normalNumbers, quantile } from '../tolerance/random';
import { bumpSteerOf, withPoints } from './trial';

/** How exactly the tie rod's joints are placed, ±mm in every direction: inner bracket, outer end. */
export interface Placing {
  inner: number;
  outer: number;
}

/** The toe range to expect when a layout is built, degrees, and what 1 mm of each joint costs at the most. */
export interface Buildable {
  /** Half of the cars built so stay under the first, nine in ten under the second. */
  median: number;
  ninety: number;
  /** Toe range with one coordinate 1 mm out, the worse way, degrees. */
  perMm: { point: 'tieRodInner' | 'tieRodOuter'; coordinate: Coordinate; range: number }[];
}

/** Cars built, and positions of their travel looked at. */
const CARS = 120;
const COARSE = 9;

/**
 * Builds cars whose tie-rod joints are off by chance within their ±, each set to the toe wanted again.
 * @returns null where the layout as drawn does not reach its travel
 */
export function buildableOf(
  design: AxleDesign,
  side: Side,
  travel: Travel,
  placing: Placing,
): Buildable | null {
  const sweep = travelSweep(travel, COARSE);
  const { tieRodInner, tieRodOuter } = pointsOf(design, side);
  const rangeOf = (inner: typeof tieRodInner, outer: typeof tieRodOuter) =>
    bumpSteerOf(
      withPoints(design, side, { tieRodInner: inner, tieRodOuter: outer }),
      side,
      travel,
      sweep,
    )?.span.range ?? null;
  if (rangeOf(tieRodInner, tieRodOuter) === null) return null;
  const normal = normalNumbers();
  const off = (point: typeof tieRodInner, by: number) => {
    const next = { ...point };
    for (const c of COORDINATES) next[c] += (by / SIGMAS) * normal();
    return next;
  };
  const ranges: number[] = [];
  for (let i = 0; i < CARS; i++) {
    const range = rangeOf(off(tieRodInner, placing.inner), off(tieRodOuter, placing.outer));
    if (range !== null) ranges.push(range);
  }
  const sorted = Float64Array.from(ranges).sort();
  const moved = (point: 'tieRodInner' | 'tieRodOuter', coordinate: Coordinate) =>
    [-1, 1].map((by) => {
      const of = point === 'tieRodInner' ? tieRodInner : tieRodOuter;
      const next = { ...of, [coordinate]: of[coordinate] + by };
      return (
        (point === 'tieRodInner' ? rangeOf(next, tieRodOuter) : rangeOf(tieRodInner, next)) ??
        Infinity
      );
    });
  return {
    median: quantile(sorted, sorted.length, 0.5),
    ninety: quantile(sorted, sorted.length, 0.9),
    perMm: (['tieRodInner', 'tieRodOuter'] as const)
      .flatMap((point) =>
        COORDINATES.map((coordinate) => ({
          point,
          coordinate,
          range: Math.max(...moved(point, coordinate)),
        })),
      )
      .sort((a, b) => b.range - a.range),
  };
}
