import type { Pivots } from '../corners/cornerType';
import { add, cross, dot, footOnLine, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Joints } from '../kinematics/joints';

export const NONE: Vec = [0, 0, 0];
export const AXES: readonly Vec[] = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
];

/** Two directions square to one and to each other. */
export function squareTo(axis: Vec): [Vec, Vec] {
  const least = Math.abs(axis[0]) < 0.6 ? AXES[0] : AXES[2];
  const first = unit(sub(least, scale(axis, dot(axis, least))));
  return [first, cross(axis, first)];
}

export function acrossOf(
  { through, carries }: Pivots,
  at: Joints,
): { axis: Vec; foot: Vec; radius: Vec } {
  const [front, rear] = through.map((name) => at[name]);
  const axis = unit(sub(front, rear));
  const foot = footOnLine(at[carries!], rear, axis);
  return { axis, foot, radius: sub(at[carries!], foot) };
}

/**
 * What an arm's two pivots put on the chassis for forces on the arm that leave no moment about their line; along the
 * line each takes half.
 */
export function pivotForces(
  { through }: Pivots,
  at: Joints,
  forces: readonly { at: Vec; force: Vec }[],
): [Vec, Vec] {
  const [front, rear] = through.map((name) => at[name]);
  const span = sub(front, rear);
  const size = dot(span, span);
  let sum: Vec = NONE;
  let moment: Vec = NONE;
  for (const { at: where, force } of forces) {
    sum = add(sum, force);
    moment = add(moment, cross(sub(where, rear), force));
  }
  // Moment about the rear pivot is held by the front one, across the line.
  const atFront = scale(cross(moment, span), 1 / size);
  const lengthwise = scale(span, dot(sum, span) / size);
  const first = add(atFront, scale(lengthwise, 0.5));
  return [first, sub(sum, first)];
}

/** The lowest place of the tyre. */
export function contactOf(centre: Vec, spindle: Vec, radius: number): Vec {
  const up: Vec = [0, 0, 1];
  const inPlane = unit(sub(up, scale(spindle, dot(up, spindle))));
  return sub(centre, scale(inPlane, radius));
}
