import type { AxleDesign, Side, Travel } from '../model/build';
import { pointsKey, pointsOf, prepareAxle } from '../kinematics/axle';
import { travelSweep } from '../motion/sweep';
import { POSITIONS, bumpSteer } from './bumpSteer';
import type { BumpSteer } from './bumpSteer';

/** A washer stack at the outer tie-rod joint and what it does. */
export interface Shim {
  /** How far the joint moves, mm, + up. */
  raise: number;
  /** Bump steer as drawn; null where the travel is out of reach. */
  before: BumpSteer | null;
  /** Bump steer with the shim in: what is left over. */
  after: BumpSteer;
}

/** How far the joint may be moved each way, mm. */
export const SHIM_LIMIT = 60;

/**
 * Height of the outer tie-rod joint that leaves the least toe range over the stated travel. The tie
 * rod is set to length again afterwards, so toe at ride height stays.
 *
 * The range is a maximum of smooth curves: it has kinks, and may have several dips. So the whole
 * span is scanned coarsely first and every dip within reach of the best is closed by golden section.
 * @returns null where no height within ±limit reaches the whole travel
 */
export function shim(
  design: AxleDesign,
  travel: Travel,
  side: Side = 'left',
  limit: number = SHIM_LIMIT,
): Shim | null {
  const sweep = travelSweep(travel, POSITIONS);
  const measure = (raise: number) => {
    const prepared = prepareAxle(withShim(design, raise, side));
    return prepared.ok ? bumpSteer(prepared.axle[side], travel, sweep) : null;
  };
  const range = (raise: number) => measure(raise)?.span.range ?? Infinity;

  const steps = 40;
  const grid = Array.from({ length: steps + 1 }, (_, i) => {
    const raise = -limit + (2 * limit * i) / steps;
    return { raise, range: range(raise) };
  });
  let best = grid.reduce((a, b) => (b.range < a.range ? b : a));
  for (let i = 0; i <= steps; i++) {
    const here = grid[i];
    const left = grid[Math.max(0, i - 1)];
    const right = grid[Math.min(steps, i + 1)];
    if (!Number.isFinite(here.range) || left.range < here.range || right.range < here.range)
      continue;
    const dip = goldenSection(range, left.raise, right.raise);
    if (dip.range < best.range) best = dip;
  }
  const after = measure(best.raise);
  return after && { raise: best.raise, before: measure(0), after };
}

/** The design with the outer tie-rod joint of a side raised by `raise` mm. */
export function withShim<T extends AxleDesign>(design: T, raise: number, side: Side): T {
  const points = pointsOf(design, side);
  const outer = points.tieRodOuter;
  return {
    ...design,
    [pointsKey(design, side)]: {
      ...points,
      tieRodOuter: { ...outer, up: outer.up + raise },
    },
  };
}

/** Minimum of `range` between two raises, to a micrometre. */
function goldenSection(range: (raise: number) => number, from: number, to: number) {
  const g = (Math.sqrt(5) - 1) / 2;
  let [a, b] = [from, to];
  let x1 = b - g * (b - a);
  let x2 = a + g * (b - a);
  let f1 = range(x1);
  let f2 = range(x2);
  while (b - a > 1e-3) {
    if (f1 <= f2) {
      [b, x2, f2] = [x2, x1, f1];
      x1 = b - g * (b - a);
      f1 = range(x1);
    } else {
      [a, x1, f1] = [x1, x2, f2];
      x2 = a + g * (b - a);
      f2 = range(x2);
    }
  }
  return f1 <= f2 ? { raise: x1, range: f1 } : { raise: x2, range: f2 };
}
