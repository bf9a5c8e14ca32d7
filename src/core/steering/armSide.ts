import { steeringAxisAt } from '../kinematics/joints';
import { poseCorner } from '../kinematics/axle';
import type { Wheel } from '../kinematics/wheel';

/** How a steering arm's outer joint stands in plan, at ride height and straight ahead, mm. */
export interface ArmSide {
  /** From the steering axis at the joint's height: + ahead of it, + outboard of it. */
  ahead: number;
  out: number;
  /**
   * From the string, which goes from the steering axis to the middle of the rear axle (and on ahead of it): + outboard.
   * A joint on it makes Ackermann near true (the trade's shortcut; the curve tells).
   */
  offString: number;
  /** Of the string's way, how much goes along the car: what is off across the car is `offString` over this. */
  square: number;
  /** Where a joint at that length belongs for Ackermann: inboard behind the axle, outboard ahead of it. */
  belongs: 'inboard' | 'outboard';
  /** It stands on the other side of the steering axis: the outer wheel will turn more than the inner. */
  backwards: boolean;
}

/**
 * @param wheelbase mm
 * @returns null where the wheel has no rod or no steering axis, or cannot be solved
 */
export function armSide(wheel: Wheel, wheelbase: number): ArmSide | null {
  const { corner, type, points } = wheel;
  if (!corner || !type.tieRod) return null;
  const pose = poseCorner(corner, 0, 0);
  const axis = pose.ok ? steeringAxisAt(pose.upright) : null;
  if (!axis) return null;
  const joint = points[type.tieRod.outer];
  const along = (joint.up - axis.at[2]) / axis.along[2];
  const ahead = joint.ahead - axis.at[0] - along * axis.along[0];
  const out = joint.out - axis.at[1] - along * axis.along[1];
  // From the axis to the middle of the rear axle, at the joint's height.
  const [back, inboard] = [wheelbase + joint.ahead - ahead, joint.out - out];
  const belongs = ahead < 0 ? 'inboard' : 'outboard';
  return {
    ahead,
    out,
    offString: (back * out - inboard * ahead) / Math.hypot(back, inboard),
    square: back / Math.hypot(back, inboard),
    belongs,
    backwards: ahead < 0 ? out > 0 : out < 0,
  };
}
