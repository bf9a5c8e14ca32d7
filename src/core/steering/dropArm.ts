import { nearSideOf, rodEnds, typeOf } from '../corners/kinds';
import { toDeg } from '../geometry/angle';
import { distance, dot, length, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { dropArmWay, pointsOf } from '../kinematics/axle';
import { dropArmTo } from '../kinematics/innerWay';
import type { AxleDesign, Side } from '../model/build';
import { toVec } from '../model/points';

/** A drop arm as it is made, straight ahead. */
export interface DropArmSizes {
  /** From the shaft to each hole, square to the shaft, mm: a tie rod's on either side, or one of a drag link. */
  long: { side: Side; mm: number }[];
  /** Hole to hole, mm, and the angle between them at the shaft, degrees; null where there is one hole. */
  apart: number | null;
  between: number | null;
  /** Of the shaft above level, degrees. */
  rise: number;
  /** Of the first hole up the shaft from its lower point, mm. */
  up: number;
}

/** @returns null where no drop arm steers */
export function dropArmSizes(design: AxleDesign): DropArmSizes | null {
  if (!design.dropArm) return null;
  const way = dropArmWay(design.dropArm, 'left');
  const type = typeOf(design);
  const { inner } = rodEnds(type);
  const sides: readonly Side[] = type.coupled ? [nearSideOf(design)] : ['left', 'right'];
  const holes = sides.map((side) => {
    const [ahead, out, up] = toVec(pointsOf(design, side)[inner]);
    const at: Vec = [ahead, side === 'left' ? out : -out, up];
    return { side, at, ...dropArmTo(way, at) };
  });
  const [first, second] = holes;
  const long = holes.map(({ side, arm }) => ({ side, mm: length(arm) }));
  const part = second ? dot(first.arm, second.arm) / (long[0].mm * long[1].mm) : 1;
  return {
    long,
    apart: second ? distance(first.at, second.at) : null,
    between: second ? toDeg(Math.acos(Math.min(1, Math.max(-1, part)))) : null,
    rise: toDeg(Math.asin(way.about[2])),
    up: dot(sub(first.foot, way.through), way.about),
  };
}
