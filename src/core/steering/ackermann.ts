import { toDeg, toRad } from '../geometry/angle';
import type { Axle } from '../kinematics/axle';
import { readAt } from '../motion/sweep';

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
 * Ackermann at ride height with the rack at a position: cot δ_outer − cot δ_inner = K / L (Gillespie,
 * *Fundamentals of Vehicle Dynamics*, 1992, ch. 8; from memory), K between the kingpins' axes at the ground.
 * @param rack mm; which way does not matter for an axle whose sides mirror each other
 * @returns null out of reach, or where the wheels hardly steer
 */
export function ackermannAt(axle: Axle, wheelbase: number, rack: number): Steered | null {
  const steer = (side: 'left' | 'right') => {
    const [at, straight] = [readAt(axle[side], 0, rack), readAt(axle[side], 0, 0)];
    if (!at.ok || !straight.ok) return null;
    const { contactOut, scrub, toe } = straight.value;
    // A left wheel that toes in points right.
    const sign = side === 'left' ? -1 : 1;
    return { angle: sign * (at.value.toe - toe), axis: contactOut - scrub };
  };
  const [left, right] = [steer('left'), steer('right')];
  if (!left || !right) return null;
  const toLeft = left.angle + right.angle > 0;
  const inner = Math.abs((toLeft ? left : right).angle);
  const outer = Math.abs((toLeft ? right : left).angle);
  const between = left.axis + right.axis;
  const cot = 1 / Math.tan(toRad(outer)) - between / wheelbase;
  if (!(outer > 0.1) || !(cot > 0)) return null;
  const trueInner = toDeg(Math.atan(1 / cot));
  return { inner, outer, trueInner, percent: (100 * (inner - outer)) / (trueInner - outer) };
}
