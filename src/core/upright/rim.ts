import { dot, length, scale, sub } from '../geometry/vec';
import { spindleOf } from '../kinematics/spindle';

import type { AxleDesign, Rim } from '../model/build';
import type { PointName, Points } from '../model/points';
import { typeOf, uprightPoints } from '../corners/kinds';
import { toVec } from '../model/points';

/** How deep a rim's well lies below its bead seats, and half of a joint's body: common practice, mm. */
export const WELL = 15;
export const JOINT_BODY = 18;
/** Clearance to keep between what moves and the rim: common practice, mm. */
export const RIM_CLEARANCE = 10;

/** Radius of the room within a rim, mm. */
export const roomIn = (rim: Rim): number => rim.diameter / 2 - WELL;

/** Radius of the room within a wheel, mm: its rim's, or six tenths of the tyre's where no rim is told. */
export const roomInWheel = ({ rim, tyre }: Pick<AxleDesign, 'rim' | 'tyre'>): number =>
  rim ? roomIn(rim) : 0.6 * tyre.radius;

export interface RimClearance {
  joint: PointName;
  /** Inboard of the rim's inner edge, mm; negative inside the rim. */
  inboard: number;
  /** Joint's body to the rim's inside, mm; null where the joint is inboard of the rim. */
  clearance: number | null;
}

/**
 * The upright's joints against the rim's inside. They turn with the wheel's upright, so the clearance
 * is the same over travel and lock.
 */
export function rimClearances(design: AxleDesign, points: Points): RimClearance[] {
  const { rim } = design;
  if (!rim) return [];
  const axis = spindleOf(design.static);
  const type = typeOf(design);
  const joints = uprightPoints(type).filter((name) => !type.points[name].mark);
  return joints.map((joint) => {
    const d = sub(toVec(points[joint]), toVec(points.wheelCentre));
    const along = dot(d, axis);
    const inboard = -along - rim.width / 2;
    const radial = length(sub(d, scale(axis, along)));
    return {
      joint,
      inboard,
      clearance: inboard - JOINT_BODY > 0 ? null : roomIn(rim) - radial - JOINT_BODY,
    };
  });
}
