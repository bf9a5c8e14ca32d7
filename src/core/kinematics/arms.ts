import type { CornerType, Pivots } from '../corners/cornerType';
import { distance, footOnLine, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { toVec } from '../model/points';
import type { Points } from '../model/points';

/** The lower arm of a kind: the first that carries a joint of the upright; and the upper one, the second. */
export const lowerArmOf = ({ pivots }: CornerType): Pivots | null =>
  pivots[0]?.carries ? pivots[0] : null;
export const upperArmOf = ({ pivots }: CornerType): Pivots | null =>
  pivots[1]?.carries ? pivots[1] : null;

/** Across an arm: its joint of the upright, and the foot of that on the line of its pivots. */
export function acrossArm({ through, carries }: Pivots, points: Points): { joint: Vec; foot: Vec } {
  const [front, rear] = through.map((name) => toVec(points[name]));
  const joint = toVec(points[carries!]);
  return { joint, foot: footOnLine(joint, rear, unit(sub(front, rear))) };
}

/** Length of an arm: joint of the upright to the line of its pivots. */
export function armLength(arm: Pivots, points: Points): number {
  const { joint, foot } = acrossArm(arm, points);
  return distance(joint, foot);
}
