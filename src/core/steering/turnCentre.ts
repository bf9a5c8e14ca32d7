import type { Vec } from '../geometry/vec';
import type { Side } from '../model/build';

/** A spindle that points less along the car than this turns about nothing near. */
const STRAIGHT = 1e-4;

/**
 * Where a wheel's spindle, seen from above, cuts the rear axle's line: what it turns about without slip.
 * @param centre of the wheel and `spindle` its unit axis outboard, in the side's own axes [ahead, out, up], mm
 * @param wheelbase mm
 * @returns mm left of the centreline; null straight ahead
 */
export function turnCentre(
  side: Side,
  centre: Vec,
  spindle: Vec,
  wheelbase: number,
): number | null {
  if (Math.abs(spindle[0]) < STRAIGHT) return null;
  const out = centre[1] - ((wheelbase + centre[0]) / spindle[0]) * spindle[1];
  return side === 'left' ? out : -out;
}
