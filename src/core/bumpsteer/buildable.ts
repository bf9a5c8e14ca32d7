import { rodEnds } from '../corners/kinds';
import type { Wheel } from '../kinematics/wheel';
import type { Travel } from '../model/build';
import { COORDINATES } from '../model/points';
import type { Coordinate, Point, PointName } from '../model/points';
import { runSweep, travelSweep, valueAt } from '../motion/sweep';
import { SIGMAS, normalNumbers, quantile } from '../geometry/random';
import type { Placing } from '../model/nullWanted';
import { bumpSteerOf } from './trial';

/** The toe range to expect when a layout is built, degrees, and what 1 mm of each joint costs at the most. */
export interface Buildable {
  /** Half of the cars built so stay under the first, nine in ten under the second; Infinity where too many do not reach their travel. */
  median: number;
  ninety: number;
  /** Toe range with one coordinate 1 mm out, the worse way, degrees. */
  perMm: { point: PointName; coordinate: Coordinate; range: number }[];
}

/** Cars built, and positions of their travel looked at. */
const CARS = 120;
const COARSE = 9;

/**
 * Builds cars whose tie-rod joints are off by chance within their ±, each set to the toe wanted again. The
 * same chances for every layout, so that layouts compare.
 */
export class CarsBuilt {
  /** How far each car's joints are off, six numbers a car, mm. */
  private readonly off: Float64Array;
  private readonly sweep;

  constructor(travel: Travel, placing: Placing) {
    const normal = normalNumbers();
    this.sweep = travelSweep(travel, COARSE);
    this.off = Float64Array.from(
      { length: CARS * 6 },
      (_, i) => ((i % 6 < 3 ? placing.inner : placing.outer) / SIGMAS) * normal(),
    );
  }

  /** The toe range that nine cars in ten stay under, degrees; null where the layout does not reach its travel. */
  ninety(wheel: Wheel): number | null {
    return this.rangesOf(wheel)?.ninety ?? null;
  }

  /** Ranges of all the cars of a layout. */
  rangesOf(wheel: Wheel): Pick<Buildable, 'median' | 'ninety'> | null {
    if (this.rangeOf(wheel) === null) return null;
    // A car that does not reach its travel is no better than any: it counts as the worst.
    const sorted = Float64Array.from({ length: CARS }, (_, car) => {
      const built = rodOff(wheel, (k) => this.off[6 * car + k]);
      return this.rangeOf(built) ?? Infinity;
    }).sort();
    return { median: nthOf(sorted, 0.5), ninety: nthOf(sorted, 0.9) };
  }

  /** The same to first order, from the slopes of the toe curve: thirty times as fast, 0.4 % off at the most on random layouts. */
  ninetyToFirstOrder(wheel: Wheel): number | null {
    const base = this.curveOf(wheel);
    if (!base) return null;
    const slopes: Float64Array[] = [];
    for (let k = 0; k < 6; k++) {
      const curve = this.curveOf(rodOff(wheel, (i) => (i === k ? STEP : 0)));
      if (!curve) return null;
      slopes.push(curve.map((toe, i) => (toe - base[i]) / STEP));
    }
    const ranges = new Float64Array(CARS);
    for (let car = 0; car < CARS; car++) {
      let least = Infinity;
      let most = -Infinity;
      for (let i = 0; i < COARSE; i++) {
        let toe = base[i];
        for (let k = 0; k < 6; k++) toe += slopes[k][i] * this.off[6 * car + k];
        least = Math.min(least, toe);
        most = Math.max(most, toe);
      }
      ranges[car] = most - least;
    }
    return nthOf(ranges.sort(), 0.9);
  }

  /** What 1 mm of each joint costs, the dearest first. */
  perMm(wheel: Wheel): Buildable['perMm'] {
    const { inner, outer } = rodEnds(wheel.type);
    return [inner, outer]
      .flatMap((point, j) =>
        COORDINATES.map((coordinate, c) => ({
          point,
          coordinate,
          range: Math.max(
            ...[-1, 1].map(
              (by) => this.rangeOf(rodOff(wheel, (k) => (k === 3 * j + c ? by : 0))) ?? Infinity,
            ),
          ),
        })),
      )
      .sort((a, b) => b.range - a.range);
  }

  private rangeOf(wheel: Wheel): number | null {
    return bumpSteerOf(wheel, this.sweep)?.span.range ?? null;
  }

  /** Toe at each position, degrees. */
  private curveOf({ corner }: Wheel): Float64Array | null {
    if (!corner || runSweep(corner, this.sweep) < COARSE) return null;
    return Float64Array.from({ length: COARSE }, (_, i) => valueAt(this.sweep, i, 'toe'));
  }
}

/** A wheel with its rod's joints off: by three numbers of the inner one, then three of the outer, mm. */
function rodOff(wheel: Wheel, by: (k: number) => number): Wheel {
  const { inner, outer } = rodEnds(wheel.type);
  const at = (name: PointName, j: number): Point => {
    const { ahead, out, up } = wheel.points[name];
    return { ahead: ahead + by(3 * j), out: out + by(3 * j + 1), up: up + by(3 * j + 2) };
  };
  return wheel.withPoints({ [inner]: at(inner, 0), [outer]: at(outer, 1) });
}

/** A quantile, Infinity where it falls among cars that do not reach their travel. */
function nthOf(sorted: Float64Array, part: number): number {
  const above = sorted[Math.ceil(part * (sorted.length - 1))];
  return Number.isFinite(above) ? quantile(sorted, sorted.length, part) : Infinity;
}

/** By how much a joint is moved to measure a slope, mm. */
const STEP = 0.5;

/**
 * What building makes of a layout.
 * @returns null where the layout as drawn does not reach its travel
 */
export function buildableOf(wheel: Wheel, placing: Placing): Buildable | null {
  const cars = new CarsBuilt(wheel.travel, placing);
  const ranges = cars.rangesOf(wheel);
  return ranges && { ...ranges, perMm: cars.perMm(wheel) };
}
