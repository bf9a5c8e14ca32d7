import { toDeg } from '../geometry/angle';
import { add, cross, dot, length, scale, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { U } from './corner';
import type { DrawnCorner } from './corner';
import { innerAt } from './innerWay';
import { carried, drawnFrame, frameAt } from './frames';
import { steeringAxisAt, typedJoints } from './joints';
import type { SteeringAxis } from './joints';

/** A rod in a solved pose: where it comes from, and its joint on this wheel's arm, [ahead, out, up] mm. */
export interface RodAt {
  inner: Vec;
  outer: Vec;
}

const triple = (u: Float64Array, at: number): Vec => [u[at], u[at + 1], u[at + 2]];

/** Places the ends of a corner's rod in solved poses, as `placer` does with all joints; null where the kind has none. */
export function rodPlacer(corner: DrawnCorner): ((upright: Float64Array) => RodAt) | null {
  const { type, steering } = corner;
  if (!type.tieRod) return null;
  const joints = typedJoints(corner);
  const inner = joints[type.tieRod.inner];
  const outer = onUpright(corner, type.tieRod.outer);
  return (upright) => ({
    inner: innerAt(steering, inner, upright[U.rack]),
    outer: outer(upright),
  });
}

/** Every rod that holds a wheel's heading in solved poses: its own, and that from arm to arm where wheels are coupled. */
export function rodsPlacer(corner: DrawnCorner): (upright: Float64Array) => RodAt[] {
  const own = rodPlacer(corner);
  const { coupled } = corner.type;
  const across = coupled && onUpright(corner, coupled.crossRod);
  return (upright) => [
    ...(own ? [own(upright)] : []),
    ...(across ? [{ inner: triple(upright, U.otherArm), outer: across(upright) }] : []),
  ];
}

/** Places a joint of the upright in solved poses. */
function onUpright(corner: DrawnCorner, name: string): (upright: Float64Array) => Vec {
  const joints = typedJoints(corner);
  const from = drawnFrame(corner.static);
  const off = sub(joints[name], joints.wheelCentre);
  return (upright) => add(triple(upright, U.wheelCentre), carried(off, from, frameAt(upright)));
}

/** Between rod and arm at the outer joint, seen along the steering axis, degrees: 90 is square. */
export function tieAngle({ inner, outer }: RodAt, { at, along }: SteeringAxis): number {
  const square = (v: Vec): Vec => sub(v, scale(along, dot(v, along) / dot(along, along)));
  const arm = square(sub(at, outer));
  const pull = square(sub(inner, outer));
  return toDeg(Math.atan2(length(cross(arm, pull)), dot(arm, pull)));
}

/**
 * The same in a solved pose of the rod that stands nearest to straight with its arm; NaN where a wheel has no rod or
 * steers about nothing.
 */
export function armAngle(rods: readonly RodAt[], upright: Float64Array): number {
  const axis = steeringAxisAt(upright);
  if (!axis || rods.length === 0) return NaN;
  return rods
    .map((rod) => tieAngle(rod, axis))
    .reduce((a, b) => (fromStraight(b) < fromStraight(a) ? b : a));
}

/** How far an angle between rod and arm is from straight, either way, degrees. */
export const fromStraight = (angle: number): number => Math.min(angle, 180 - angle);
