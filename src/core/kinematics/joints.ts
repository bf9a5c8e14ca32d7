import { add } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { toVec } from '../model/points';
import type { PointName, Points } from '../model/points';
import { U } from './corner';

/** Where every joint of a corner is, [ahead, out, up] mm in its own axes. */
export type Joints = Record<PointName, Vec>;

/** The joints as typed. */
export const typedJoints = (points: Points): Joints =>
  Object.fromEntries(
    Object.entries(points).map(([name, p]) => [name, toVec(p)]),
  ) as unknown as Joints;

/** The joints of a solved pose (in the layout of `U`); the chassis' own pivots stay where they are. */
export function jointsAt(points: Points, upright: Float64Array): Joints {
  const at = (offset: number): Vec => [upright[offset], upright[offset + 1], upright[offset + 2]];
  const lowerOuter = at(U.lowerOuter);
  return {
    ...typedJoints(points),
    lowerOuter,
    upperOuter: add(lowerOuter, at(U.kingpin)),
    tieRodInner: at(U.tieRodInner),
    tieRodOuter: at(U.tieRodOuter),
    wheelCentre: at(U.wheelCentre),
  };
}

/** The unit spindle axis of a solved pose, pointing outboard. */
export const spindleAt = (upright: Float64Array): Vec => [
  upright[U.spindle],
  upright[U.spindle + 1],
  upright[U.spindle + 2],
];
