import { toDeg } from '../geometry/angle';
import { distance, dot, length, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { dropArmWay, pointsOf } from '../kinematics/axle';
import { dropArmTo } from '../kinematics/innerWay';
import type { AxleDesign } from '../model/build';
import { toVec } from '../model/points';

/** A drop arm as it is made, straight ahead. */
export interface DropArmSizes {
  /** From the shaft to the left and to the right hole, square to the shaft, mm. */
  long: { left: number; right: number };
  /** Hole to hole, mm, and the angle between them at the shaft, degrees. */
  apart: number;
  between: number;
  /** Of the shaft above level, degrees. */
  rise: number;
  /** Of the left hole up the shaft from its lower point, mm. */
  up: number;
}

/** @returns null where no drop arm steers */
export function dropArmSizes(design: AxleDesign): DropArmSizes | null {
  if (!design.dropArm) return null;
  const way = dropArmWay(design.dropArm, 'left');
  const [ahead, out, up] = toVec(pointsOf(design, 'right').tieRodInner);
  const left = toVec(pointsOf(design, 'left').tieRodInner);
  const right: Vec = [ahead, -out, up];
  const [a, b] = [dropArmTo(way, left), dropArmTo(way, right)];
  const long = { left: length(a.arm), right: length(b.arm) };
  const part = dot(a.arm, b.arm) / (long.left * long.right);
  return {
    long,
    apart: distance(left, right),
    between: toDeg(Math.acos(Math.min(1, Math.max(-1, part)))),
    rise: toDeg(Math.asin(way.about[2])),
    up: dot(sub(a.foot, way.through), way.about),
  };
}
