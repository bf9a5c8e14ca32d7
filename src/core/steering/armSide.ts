import { armJointOf } from '../corners/kinds';
import { axisAtHeight, steeringAxisAt } from '../kinematics/joints';
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
  /** The same across the car: a joint so far further in is on the string. */
  acrossString: number;
  /** Where a joint at that length belongs for Ackermann: inboard behind the axle, outboard ahead of it. */
  belongs: 'inboard' | 'outboard';
  /**
   * It stands on the other side of the steering axis than it belongs: a rule of the arm alone (common practice). What
   * the wheels do hangs on rack and rod too: `ackermannAt` measures it.
   */
  backwards: boolean;
}

/**
 * @param wheelbase mm
 * @returns null where the wheel has no rod or no steering axis, or cannot be solved
 */
export function armSide(wheel: Wheel, wheelbase: number): ArmSide | null {
  const { corner, type, points } = wheel;
  const name = armJointOf(type);
  if (!corner || name === null) return null;
  const pose = poseCorner(corner, 0, 0);
  const joint = points[name];
  const foot = pose.ok ? axisAtHeight(steeringAxisAt(pose.upright), joint.up) : null;
  if (!foot) return null;
  const [ahead, out] = [joint.ahead - foot[0], joint.out - foot[1]];
  // From the axis to the middle of the rear axle, at the joint's height.
  const [back, inboard] = [wheelbase + joint.ahead - ahead, joint.out - out];
  const belongs = ahead < 0 ? 'inboard' : 'outboard';
  return {
    ahead,
    out,
    offString: (back * out - inboard * ahead) / Math.hypot(back, inboard),
    acrossString: out - (inboard * ahead) / back,
    belongs,
    backwards: ahead < 0 ? out > 0 : out < 0,
  };
}

/** The wheel with its outer joint moved across the car onto the string; inner joint and rack stay where they are. */
export function ontoString(wheel: Wheel, { acrossString }: ArmSide): Wheel {
  const name = armJointOf(wheel.type)!;
  const joint = wheel.points[name];
  return wheel.withPoints({ [name]: { ...joint, out: joint.out - acrossString } });
}
