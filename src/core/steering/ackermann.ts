import type { Axle } from '../kinematics/axle';
import { HARDLY, lockToLock, trueInner } from './lockToLock';
import { towardsTurn } from './steered';

/** Both front wheels at one rack position, degrees from straight ahead, the inner one turned more where it is true. */
export interface Steered {
  inner: number;
  outer: number;
  /** What the inner wheel's angle would be if both spindles' lines met on the rear axle's line. */
  trueInner: number;
  /** 100 is true, 0 parallel. */
  percent: number;
}

/**
 * Ackermann at ride height with the rack at a position.
 * @param rack mm; which way does not matter for an axle whose sides mirror each other
 * @returns null out of reach, where the wheels hardly steer, or where they steer about nothing
 */
export function ackermannAt(axle: Axle, wheelbase: number, rack: number): Steered | null {
  const over = lockToLock(axle, wheelbase, 0, Float64Array.of(rack));
  if (!over || over.reachable[0] === 0) return null;
  const { innerSteer: inner, outerSteer: outer } = towardsTurn(
    over.left.steer[0],
    over.right.steer[0],
  );
  if (!(outer > HARDLY) || Number.isNaN(over.between)) return null;
  return {
    inner,
    outer,
    trueInner: trueInner(outer, over.between, wheelbase),
    percent: over.percent[0],
  };
}
