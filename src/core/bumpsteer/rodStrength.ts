import { cross, distance, dot, sub, unit } from '../geometry/vec';
import type { Points } from '../model/points';
import { GRADES } from './rodSchema';
import type { RodParts } from './rodSchema';
import { toVec } from './trial';

/**
 * First estimates of what a tie rod carries, and what that does to a spacer, the rod and its thread. They
 * say where to look, not that it holds: every number is to be checked by somebody who may.
 */

/** Modulus of steel, N/mm². */
const STEEL = 205_000;
/** A joint's body from its middle to its face, mm: where the spacer takes over. */
const HALF_BODY = 6;

export interface RodStrength {
  /** Turning moment about the kingpin with the car at rest, N·mm; lever of the rod about it, mm. */
  moment: number;
  lever: number;
  /** Force along the rod, steady and as struck, N. */
  steady: number;
  struck: number;
  /** Bending of the bolt under the struck force, N/mm², and how many times that its grade's yield is. */
  bending: number;
  boltReserve: number;
  /** Struck force that buckles the rod, N, and the reserve. */
  buckling: number;
  rodReserve: number;
  /** Length of thread wanted: one and a half diameters (common practice), mm. */
  engagement: number;
}

/**
 * @param points the corner as drawn
 * @param scrub scrub radius and tyre width, mm, from which the standing tyre's moment comes:
 * M = μ W √(B²/8 + e²) (Gillespie, *Fundamentals of Vehicle Dynamics*, 1992, from memory)
 */
export function rodStrength(
  points: Points,
  tyre: { scrub: number; width: number },
  parts: RodParts,
): RodStrength {
  const lower = toVec(points.lowerOuter);
  const axis = unit(sub(toVec(points.upperOuter), lower));
  const outer = toVec(points.tieRodOuter);
  const inner = toVec(points.tieRodInner);
  const along = unit(sub(inner, outer));
  // Lever: moment about the axis of a unit force along the rod.
  const lever = Math.abs(dot(axis, cross(sub(outer, lower), along)));
  const moment = parts.grip * parts.wheelLoad * Math.sqrt(tyre.width ** 2 / 8 + tyre.scrub ** 2);
  const steady = moment / lever;
  const struck = steady * parts.factor;
  // A bolt held at one end, the force at the joint's middle: Shigley, bending of a round bar.
  const bending = (32 * struck * (parts.spacer + HALF_BODY)) / (Math.PI * parts.bolt ** 3);
  const inside = Math.max(0, parts.outside - 2 * parts.wall);
  const second = (Math.PI * (parts.outside ** 4 - inside ** 4)) / 64;
  // Euler, both ends free to turn: K = 1 (Shigley).
  const buckling = (Math.PI ** 2 * STEEL * second) / distance(inner, outer) ** 2;
  return {
    moment,
    lever,
    steady,
    struck,
    bending,
    boltReserve: GRADES[parts.grade] / bending,
    buckling,
    rodReserve: buckling / struck,
    engagement: 1.5 * parts.bolt,
  };
}

/** Reserves under this are too little for a first estimate (common practice). */
export const RESERVE = 2;
