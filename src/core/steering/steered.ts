import type { Axle } from '../kinematics/axle';
import type { Side } from '../model/build';
import { readAt } from '../motion/sweep';

/** Both front wheels at one rack position. */
export interface BothSteered {
  /** Degrees from straight ahead, + to the left. */
  left: number;
  right: number;
  /** The wheel on the side that the car turns to: the left one where both together steer left. */
  inner: Side;
  /** Degrees towards the turn: below 0 where a wheel steers the other way. */
  innerSteer: number;
  outerSteer: number;
  /** Between the kingpins' axes at the ground, straight ahead, mm. */
  between: number;
}

/**
 * The side that two wheels turn to together, and both angles towards it. Which wheel is the inner one is decided by
 * that, not by which turns more: with less than parallel steering that is the outer.
 * @param left degrees, + to the left
 * @param right degrees, + to the left
 */
export function towardsTurn(left: number, right: number) {
  const toLeft = left + right > 0;
  return toLeft
    ? { turn: 'left' as const, innerSteer: left, outerSteer: right }
    : { turn: 'right' as const, innerSteer: -right, outerSteer: -left };
}

/**
 * How both wheels are steered at ride height.
 * @param rack mm, + left
 * @returns null out of reach
 */
export function steeredAt(axle: Axle, rack: number): BothSteered | null {
  const steer = (side: Side) => {
    const [at, straight] = [readAt(axle[side], 0, rack), readAt(axle[side], 0, 0)];
    if (!at.ok || !straight.ok) return null;
    const { contactOut, scrub, toe } = straight.value;
    // A left wheel that toes in points right.
    const sign = side === 'left' ? -1 : 1;
    if (scrub === undefined) return null;
    return { angle: sign * (at.value.toe - toe), axis: contactOut - scrub };
  };
  const [left, right] = [steer('left'), steer('right')];
  if (!left || !right) return null;
  const { turn, ...steers } = towardsTurn(left.angle, right.angle);
  return {
    left: left.angle,
    right: right.angle,
    inner: turn,
    ...steers,
    between: left.axis + right.axis,
  };
}
