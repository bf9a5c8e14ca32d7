import { toDeg, toRad } from '../geometry/angle';
import { prepareAxle, rackTravelOf } from '../kinematics/axle';
import type { Build } from '../model/build';
import { readAt } from '../motion/sweep';
import { steeredAt } from './steered';

/** What the front wheels reach at full rack, degrees from straight ahead, and the circle of that, m. */
export interface Lock {
  inner: number;
  outer: number;
  /** Diameter that the outside of the outer front tyre needs. */
  circle: number;
}

/**
 * Steer at full rack, to the side that needs the larger circle.
 * @returns null where the layout does not reach full rack, or does not steer the outer wheel into the turn
 */
export function lockOf({ front, wheelbase }: Build): Lock | null {
  const prepared = prepareAxle(front);
  if (!prepared.ok) return null;
  const rack = rackTravelOf(front);
  const locks = [rack, -rack].map((at): Lock | null => {
    const steered = steeredAt(prepared.axle, at);
    if (!steered || steered.outerSteer <= 0) return null;
    const { innerSteer: inner, outerSteer: outer } = steered;
    return { inner, outer, circle: circleOf(wheelbase, outer, front.tyre.width) };
  });
  const [left, right] = locks;
  return left && right && (left.circle >= right.circle ? left : right);
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

/**
 * Handwheel degrees per degree of road wheel (mean of both) about straight ahead, from the exact slopes.
 * @returns null where the rack's mm a turn are not known, or the layout cannot be solved
 */
export function ratioOf({ front }: Pick<Build, 'front'>): number | null {
  const perTurn = front.rack?.perTurn;
  const prepared = prepareAxle(front);
  if (perTurn === undefined || !prepared.ok) return null;
  const slopes = (['left', 'right'] as const).map((side) => {
    const reading = readAt(prepared.axle[side], 0, 0);
    // + to the left for both: a left wheel that toes in points right.
    return reading.ok ? (side === 'left' ? -1 : 1) * reading.perRack.toe : null;
  });
  if (slopes[0] === null || slopes[1] === null) return null;
  const perMm = Math.abs(slopes[0] + slopes[1]) / 2;
  return perMm > 1e-9 ? 360 / perTurn / perMm : null;
}
