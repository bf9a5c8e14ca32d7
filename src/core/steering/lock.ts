import { toDeg, toRad } from '../geometry/angle';
import { prepareAxle, rackTravelOf } from '../kinematics/axle';
import type { Build } from '../model/build';
import { readAt } from '../motion/sweep';

/** What the front wheels reach at full rack, degrees from straight ahead, and the circle of that, m. */
export interface Lock {
  inner: number;
  outer: number;
  /** Diameter that the outside of the outer front tyre needs. */
  circle: number;
}

/**
 * Steer at full rack to the left: the left wheel is the inner one.
 * @returns null where the layout does not reach full rack
 */
export function lockOf({ front, wheelbase }: Build): Lock | null {
  const prepared = prepareAxle(front);
  if (!prepared.ok) return null;
  const { left, right } = prepared.axle;
  const rack = rackTravelOf(front);
  const steer = (side: typeof left, at: number) => {
    const reading = readAt(side, 0, at);
    return reading.ok ? Math.abs(reading.value.toe - front.static.toe) : null;
  };
  // Whichever way steers left: the two ways are each other's mirror image.
  const both = [steer(left, rack), steer(right, rack)];
  if (both[0] === null || both[1] === null) return null;
  const [inner, outer] = [Math.max(both[0], both[1]), Math.min(both[0], both[1])];
  return { inner, outer, circle: circleOf(wheelbase, outer, front.tyre.width) };
}

/** Diameter between kerbs, m, at a steer of the outer wheel, degrees (geometry, no slip). */
const circleOf = (wheelbase: number, outer: number, tyreWidth: number): number =>
  (2 * wheelbase) / Math.sin(toRad(outer)) / 1000 + tyreWidth / 1000;

/** Steer of the outer wheel, degrees, that a circle between kerbs (m) asks for; null where none does. */
export function steerForCircle(
  wheelbase: number,
  circle: number,
  tyreWidth: number,
): number | null {
  const sine = (2 * wheelbase) / (circle * 1000 - tyreWidth);
  return sine > 0 && sine <= 1 ? toDeg(Math.asin(sine)) : null;
}
