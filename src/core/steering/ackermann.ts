import type { Axle } from '../kinematics/axle';
import { HARDLY, trueInner } from './lockToLock';
import { steeredAt } from './steered';

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
 * @returns null out of reach, or where the wheels hardly steer
 */
export function ackermannAt(axle: Axle, wheelbase: number, rack: number): Steered | null {
  const steered = steeredAt(axle, rack);
  if (!steered) return null;
  const { innerSteer: inner, outerSteer: outer, between } = steered;
  if (!(outer > HARDLY)) return null;
  const wanted = trueInner(outer, between, wheelbase);
  return { inner, outer, trueInner: wanted, percent: (100 * (inner - outer)) / (wanted - outer) };
}
