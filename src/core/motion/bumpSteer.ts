import type { AxleCorner } from '../kinematics/axle';
import type { Travel } from '../model/build';
import { spanOf } from './range';
import type { Span } from './range';
import { judgeSize } from '../verdict/verdicts';
import { runSweep, slopeAt, travelSweep, valueAt } from './sweep';
import type { Sweep } from './sweep';

/** Odd, so that ride height is one of them when bump and droop are alike. */
export const POSITIONS = 41;

/** How far the wheel steers over bumps with the steering held straight. */
export interface BumpSteer {
  /** Toe over the stated travel, degrees. */
  span: Span;
  /** Largest toe change from ride height either way, degrees; what the bands judge. */
  worst: number;
  /** d toe / d travel at ride height, deg/mm, exact. */
  slope: number;
}

const rideHeight = travelSweep({ bump: 0, droop: 0 }, 2);

/**
 * Bump steer of one wheel over the stated travel; a wheel that has none stands still, and its slope is NaN.
 * @param sweep room to work in, when many are wanted
 * @returns null where part of the travel is out of reach
 */
export function bumpSteer(
  side: AxleCorner,
  travel: Travel,
  sweep: Sweep = side.drawn.type.noTravel ? rideHeight : travelSweep(travel, POSITIONS),
): BumpSteer | null {
  runSweep(side, sweep);
  const span = spanOf(sweep, 'toe');
  if (!span || runSweep(side, rideHeight) === 0) return null;
  const toe = valueAt(rideHeight, 0, 'toe');
  return {
    span,
    worst: Math.max(span.max - toe, toe - span.min),
    slope: slopeAt(rideHeight, 0, 'toe'),
  };
}

/**
 * The verdict on a largest toe change, degrees.
 * @param bands the brief's: very good up to the first, accepted up to the second, reworked past the third
 */
export const judgeBumpSteer = judgeSize;
