import { rodEnds } from '../corners/kinds';
import { USUAL_LEAD } from '../kinematics/coupledBodies';
import { acrossArm, lowerArmOf, upperArmOf } from '../kinematics/arms';
import { add, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Wheel } from '../kinematics/wheel';
import type { Rule } from '../model/brief';
import type { PointName } from '../model/points';
import { readAt } from '../motion/sweep';
import { bumpSteerWith } from './trial';
import type { BumpSteer } from '../motion/bumpSteer';
import { shim } from './shim';
import { toVec } from '../model/points';

/** What a rule of thumb says: which joint goes where, and the bump steer that leaves, judged exactly. */
export interface RuleSays {
  rule: Rule;
  point: PointName;
  at: Vec;
  /** Null where part of the travel is out of reach then. */
  steer: BumpSteer | null;
}

/**
 * Where each rule of thumb puts a tie rod's joint (common practice). *Lines*: the inner joint where the line
 * from the outer joint to the arms' instant centre meets the line through the arms' inner pivots, from the
 * front, at the inner joint's own distance ahead. *Equal and parallel*: the rod as long as the lower arm,
 * level with it and parallel to it; a drag link as long as its leaf spring's arc and parallel to that. *Cycle and shim*: the outer joint's height that leaves least.
 */
export function rulesOfThumb(wheel: Wheel): RuleSays[] {
  const says = (rule: Rule, point: PointName, at: Vec | null): RuleSays[] =>
    at ? [{ rule, point, at, steer: bumpSteerWith(wheel, point, at) }] : [];
  const { lines, parallel } = ruleJoints(wheel);
  const ends = rodEnds(wheel.type);
  const outer = toVec(wheel.points[ends.outer]);
  const shimmed = shim(wheel);
  return [
    ...says('lines', ends.inner, lines),
    ...says('parallel', ends.inner, parallel),
    ...says('shim', ends.outer, shimmed && add(outer, [0, 0, shimmed.raise])),
  ];
}

/** Where the lines and the parallel rule put the inner joint; null where the arms leave it nowhere, or there are none. */
export const ruleJoints = (wheel: Wheel): Record<'lines' | 'parallel', Vec | null> => ({
  lines: byLines(wheel),
  parallel: parallelToArm(wheel),
});

function parallelToArm({ type, points, design }: Wheel): Vec | null {
  const outer = toVec(points[rodEnds(type).outer]);
  const spring = type.coupled?.spring;
  if (spring) {
    const [pad, eye] = [points[spring.pad], points[spring.eye]];
    const lead = design.leafLead ?? USUAL_LEAD;
    return add(outer, [lead * (eye.ahead - pad.ahead), 0, lead * (eye.up - pad.up)]);
  }
  const arm = lowerArmOf(type);
  if (!arm) return null;
  const { joint, foot } = acrossArm(arm, points);
  return sub(outer, sub(joint, foot));
}

function byLines({ type, points, corner }: Wheel): Vec | null {
  const [lowerArm, upperArm] = [lowerArmOf(type), upperArmOf(type)];
  if (!lowerArm || !upperArm) return null;
  const reading = corner && readAt(corner, 0, 0);
  if (!reading?.ok) return null;
  const ends = rodEnds(type);
  const { ahead } = points[ends.inner];
  const [lower, upper] = [lowerArm, upperArm].map(({ through: [front, rear] }) =>
    across(toVec(points[front]), toVec(points[rear]), ahead),
  );
  if (!lower || !upper) return null;
  const { instantOut, instantUp } = reading.value;
  if (instantOut === undefined || instantUp === undefined) return null;
  const outer = toVec(points[ends.outer]);
  const ball = points[lowerArm.carries!];
  // Arms that run parallel have their instant centre nowhere: the rod runs along them.
  const far = !(Math.abs(instantOut) + Math.abs(instantUp) < 1e7);
  const aim: [number, number] = far
    ? [lower[1] - ball.out, lower[2] - ball.up]
    : [instantOut - outer[1], instantUp - outer[2]];
  const pivots: [number, number] = [upper[1] - lower[1], upper[2] - lower[2]];
  const det = aim[0] * pivots[1] - aim[1] * pivots[0];
  if (Math.abs(det) < 1e-9 * Math.hypot(...aim) * Math.hypot(...pivots)) return null;
  const [dy, dz] = [lower[1] - outer[1], lower[2] - outer[2]];
  const s = (dy * pivots[1] - dz * pivots[0]) / det;
  return [ahead, outer[1] + s * aim[0], outer[2] + s * aim[1]];
}

/** Where the line through two pivots crosses a plane across the car. */
function across(front: Vec, rear: Vec, ahead: number): Vec | null {
  const along = front[0] - rear[0];
  if (Math.abs(along) < 1) return null;
  const s = (ahead - rear[0]) / along;
  return [ahead, rear[1] + s * (front[1] - rear[1]), rear[2] + s * (front[2] - rear[2])];
}
