import { fitCircle } from '../geometry/circle';
import type { FittedCircle } from '../geometry/circle';
import { add, distance, footOnLine, scale, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { HeldStraight } from './heldStraight';
import { pathOfInner, pathOfOuter } from './heldStraight';

/**
 * Joints that leave the toe alone, very nearly: the axis of the circle that the other joint's path, the
 * steering held straight, comes nearest to. Every place on it is equally far from the whole circle.
 */
export interface NullLine extends FittedCircle {
  /** The place on it nearest to the present joint, and from the joint to there, mm. */
  nearest: Vec;
  off: Vec;
  away: number;
  path: Vec[];
}

/** Where inner joints null the present outer one. Null where the path is straight: only a rod without end would. */
export const nullOfInner = (held: HeldStraight, inner: Vec, outer: Vec): NullLine | null =>
  lineFor(pathOfOuter(held, outer), inner);

/**
 * Where outer joints null the present inner one, as drawn on the upright: the inner joint's path as the
 * upright sees it has a circle too, and the axis of that goes with the upright.
 */
export const nullOfOuter = (held: HeldStraight, inner: Vec, outer: Vec): NullLine | null =>
  lineFor(pathOfInner(held, inner), outer);

function lineFor(path: Vec[], joint: Vec): NullLine | null {
  const circle = fitCircle(path);
  if (!circle) return null;
  const nearest = footOnLine(joint, circle.centre, circle.axis);
  const off = sub(nearest, joint);
  return { ...circle, nearest, off, away: distance(nearest, joint), path };
}

/** Where a null line crosses a plane across the car (0), along it (1) or level (2); null where it runs beside it. */
export function crossing(
  { centre, axis }: NullLine,
  coordinate: 0 | 1 | 2,
  at: number,
): Vec | null {
  if (Math.abs(axis[coordinate]) < 1e-3) return null;
  return add(centre, scale(axis, (at - centre[coordinate]) / axis[coordinate]));
}
