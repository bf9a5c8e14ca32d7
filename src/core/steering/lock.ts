import { toDeg } from '../geometry/angle';
import { prepareAxle, steerRangeOf } from '../kinematics/axle';
import type { Build } from '../model/build';
import { readAt } from '../motion/sweep';
import { circlesAt } from './circles';
import { handwheelOf } from './hand';
import { lockToLock } from './lockToLock';
import { towardsTurn } from './steered';

/** What the front wheels reach at full rack, degrees from straight ahead, and the circle of that, m. */
export interface Lock {
  inner: number;
  outer: number;
  /** Diameter between kerbs, about the turn centre of both wheels' mean. */
  circle: number;
}

/**
 * Steer at full rack, to the side that needs the larger circle.
 * @returns null where the layout does not reach full rack, or does not steer the outer wheel into the turn
 */
export function lockOf({ front, wheelbase }: Build): Lock | null {
  const prepared = prepareAxle(front);
  if (!prepared.ok) return null;
  const rack = steerRangeOf(front);
  const over = lockToLock(prepared.axle, wheelbase, 0, Float64Array.of(rack, -rack));
  const locks = [0, 1].map((i): Lock | null => {
    const circles = over && circlesAt(over, i, wheelbase, { ...front.tyre, nose: null });
    if (!circles) return null;
    const { innerSteer, outerSteer } = towardsTurn(over.left.steer[i], over.right.steer[i]);
    if (outerSteer <= 0) return null;
    return { inner: innerSteer, outer: outerSteer, circle: circles.kerb / 1000 };
  });
  const [left, right] = locks;
  return left && right && (left.circle >= right.circle ? left : right);
}

/**
 * Mean steer of both wheels, degrees, that a circle between kerbs (m) asks for, about: contact points as straight ahead.
 * @param out from the centreline to the front contact points, mm
 * @returns null where none does
 */
export function steerForCircle(
  wheelbase: number,
  circle: number,
  tyreWidth: number,
  out: number,
): number | null {
  const radius = (circle * 1000 - tyreWidth) / 2;
  const towards = Math.sqrt(radius ** 2 - wheelbase ** 2) - out;
  return towards > 0 ? toDeg(Math.atan2(wheelbase, towards)) : null;
}

/**
 * Handwheel degrees per degree of road wheel (mean of both) about straight ahead, from the exact slopes.
 * @returns null where the rack's mm a turn are not known, or the layout cannot be solved
 */
export function ratioOf({ front }: Pick<Build, 'front'>): number | null {
  const { perTurn } = handwheelOf(front);
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
