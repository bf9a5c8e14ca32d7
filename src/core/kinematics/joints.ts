import { pointNames } from '../corners/kinds';
import { add, length, scale, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { toVec } from '../model/points';
import type { PointName } from '../model/points';
import { U } from './corner';
import type { DrawnCorner } from './corner';
import { carried, drawnFrame, frameAt } from './frames';
import { hungPlacer } from './hung';
import { innerAt } from './innerWay';

/** Where every joint of a corner is, [ahead, out, up] mm in its own axes. */
export interface Joints {
  wheelCentre: Vec;
  [name: PointName]: Vec;
}

/** The joints as typed. */
export const typedJoints = ({ type, points }: Pick<DrawnCorner, 'type' | 'points'>): Joints =>
  Object.fromEntries(
    pointNames(type).map((name) => [name, toVec(points[name])]),
  ) as unknown as Joints;

const triple = (u: Float64Array, at: number): Vec => [u[at], u[at + 1], u[at + 2]];

/**
 * Places the joints of a corner in solved poses: the upright carries its own, the rod's inner joint rides on the
 * rack or the drop arm, a beam carries what is on it, a damper's points go with arms and rocker, the chassis' stay.
 */
export function placer(corner: DrawnCorner): (upright: Float64Array) => Joints {
  const { type, steering } = corner;
  const drawn = typedJoints(corner);
  const from = drawnFrame(corner.static);
  const own = pointNames(type)
    .filter((name) => type.points[name].on === 'upright')
    .map((name) => ({ name, off: sub(drawn[name], drawn.wheelCentre) }));
  const onBeam = pointNames(type).filter((name) => type.points[name].on === 'beam');
  const inner = type.tieRod?.inner;
  const hung = hungPlacer(corner);
  return (upright) => {
    const to = frameAt(upright);
    const centre = triple(upright, U.wheelCentre);
    const joints = { ...drawn };
    for (const { name, off } of own) joints[name] = add(centre, carried(off, from, to));
    for (const name of onBeam) joints[name] = onBeamAt(upright, drawn[name]);
    if (inner) joints[inner] = innerAt(steering, drawn[inner], upright[U.rack]);
    hung?.(upright, joints);
    return joints;
  };
}

/** Where a place drawn on the beam is in a solved pose. */
export const onBeamAt = (upright: Float64Array, [x, y, z]: Vec): Vec => {
  const at = (row: number): number =>
    upright[U.beam + 3 * row] * x +
    upright[U.beam + 3 * row + 1] * y +
    upright[U.beam + 3 * row + 2] * z +
    upright[U.beamShift + row];
  return [at(0), at(1), at(2)];
};

/** Where the rod from arm to arm of a coupled axle comes from, in a solved pose. */
export const otherArmAt = (upright: Float64Array): Vec => triple(upright, U.otherArm);

/** The joints of one solved pose. */
export const jointsAt = (corner: DrawnCorner, upright: Float64Array): Joints =>
  placer(corner)(upright);

/** What a wheel steers about: a place on it, mm, and its direction, upward, of any length. */
export interface SteeringAxis {
  at: Vec;
  along: Vec;
}

/** The upright's steering axis in a solved pose; null where it has none. */
export function steeringAxisAt(upright: Float64Array): SteeringAxis | null {
  const along = triple(upright, U.axisAlong);
  return Number.isNaN(along[0]) ? null : { at: triple(upright, U.axisAt), along };
}

/** Where a steering axis stands at a height, mm; null where there is none or it lies nearly level. */
export function axisAtHeight(axis: SteeringAxis | null, up: number): Vec | null {
  if (!axis || Math.abs(axis.along[2]) < 1e-3 * length(axis.along)) return null;
  return add(axis.at, scale(axis.along, (up - axis.at[2]) / axis.along[2]));
}
