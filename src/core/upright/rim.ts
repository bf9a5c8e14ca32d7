import { dot, length, scale, sub } from '../geometry/vec';
import { spindleOf } from '../kinematics/spindle';
import type { AxleDesign, Rim } from '../model/build';
import type { PointName, Points } from '../model/points';
import { typeOf, uprightPoints } from '../corners/kinds';
import { toVec } from '../model/points';
import { isSketched, say, unsay } from '../model/sketch';
import { readTyreCode } from '../model/tyre';
import { setRimOffset } from './place';
import type { Kept } from './place';

export type RimPart = keyof Rim;
const PARTS: readonly RimPart[] = ['diameter', 'width', 'offset'];
export const rimPath = (part: RimPart): string => `rim.${part}`;

/**
 * Somebody says a part of the rim. What else a rim needs is a sketch until it is said: a diameter where the tyre's
 * code does not tell it, a width that such a tyre usually has, no offset. Changes what it is given.
 */
export function sayRim(design: AxleDesign, part: RimPart, mm: number, kept: Kept): void {
  if (!design.rim) {
    const size = readTyreCode(design.tyre.code ?? '');
    const told = size.ok ? size.value.rim : null;
    design.rim = {
      diameter: told ?? 15 * 25.4,
      width: Math.round((design.tyre.width * 0.9) / 12.7) * 12.7,
      offset: 0,
    };
    for (const one of PARTS) if (one !== 'diameter' || told === null) unsay(design, rimPath(one));
  }
  if (part === 'offset') setRimOffset(design, mm, kept);
  else design.rim[part] = mm;
  say(design, rimPath(part));
}

/** Nobody says a part of the rim after all; of a rim of which nothing is said nothing is left. */
export function unsayRim(design: AxleDesign, part: RimPart): void {
  if (!design.rim) return;
  unsay(design, rimPath(part));
  if (!PARTS.every((one) => isSketched(design, rimPath(one)))) return;
  delete design.rim;
  say(design, ...PARTS.map(rimPath));
}

/** The rim, where all of it is said. */
const wholeRim = (design: AxleDesign): Rim | undefined =>
  PARTS.some((part) => isSketched(design, rimPath(part))) ? undefined : design.rim;

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
 * is the same over travel and lock. None before the whole rim is said.
 */
export function rimClearances(design: AxleDesign, points: Points): RimClearance[] {
  const rim = wholeRim(design);
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
