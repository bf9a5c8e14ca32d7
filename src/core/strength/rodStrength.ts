import { cross, distance, dot, sub, unit } from '../geometry/vec';
import type { Wheel } from '../kinematics/wheel';
import { GRADES } from '../model/rod';
import type { RodLoads, TieRodParts } from '../model/rod';
import { toVec } from '../model/points';
import { staticAxis, staticQuantities } from '../upright/staticQuantities';

/**
 * First estimates of what a tie rod carries, and what that does to a spacer, the rod and its thread. They
 * say where to look, not that it holds: every number is to be checked by somebody who may.
 */

/** Modulus of steel, N/mm². */
const STEEL = 205_000;
/** A joint's body from its middle to its face, mm: where the spacer takes over. */
const HALF_BODY = 6;

export interface RodStrength {
  /** Turning moment about the kingpin with the car at rest, N·mm, of both wheels where one rod moves both; lever of the rod about it, mm. */
  moment: number;
  lever: number;
  /** Force along the rod, steady and over a kerb, N. */
  steady: number;
  kerbForce: number;
  /** Bending of the bolt under the kerb force, N/mm², and how many times that its grade's yield is. */
  bending: number;
  boltReserve: number;
  /** Struck force that buckles the rod, N, by which rule, its length over its radius of gyration, and the reserve. */
  buckling: number;
  rule: 'Euler' | 'Johnson';
  slenderness: number;
  rodReserve: number;
  /** Length of thread wanted: one and a half diameters of the rod's thread (common practice), mm. */
  threadEngagement: number;
}

/**
 * The moment that turns a standing tyre about what it steers about, N·mm: M = μ W √(B²/8 + e²) (Gillespie,
 * *Fundamentals of Vehicle Dynamics*, 1992, from memory).
 * @param load on the wheel, W, N
 * @param width of the tyre, B, and `scrub` radius, e, mm
 */
export const standingMoment = (grip: number, load: number, width: number, scrub: number): number =>
  grip * load * Math.sqrt(width ** 2 / 8 + scrub ** 2);

/**
 * The tie rod of a steered wheel at rest, from the standing tyre's moment about what it steers about.
 * @returns null where there is no rod, or nothing that the wheel steers about
 */
export function rodStrength(
  { design, side, type, points }: Wheel,
  parts: TieRodParts & Pick<RodLoads, 'wheelLoad' | 'grip' | 'factor'>,
): RodStrength | null {
  const axis = staticAxis(design, side);
  const { scrub } = staticQuantities(design, side);
  if (!axis || scrub === undefined || !type.tieRod) return null;
  const outer = toVec(points[type.tieRod.outer]);
  const inner = toVec(points[type.tieRod.inner]);
  const along = unit(sub(inner, outer));
  // Lever: moment about the axis of a unit force along the rod.
  const lever = Math.abs(dot(unit(axis.along), cross(sub(outer, axis.at), along)));
  // A drag link turns both wheels, straight ahead by as much.
  const wheels = type.coupled ? 2 : 1;
  const moment = wheels * standingMoment(parts.grip, parts.wheelLoad, design.tyre.width, scrub);
  const steady = moment / lever;
  const kerbForce = steady * parts.factor;
  // A bolt held at one end, the force at the joint's middle: Shigley, bending of a round bar.
  const bending = (32 * kerbForce * (parts.spacer + HALF_BODY)) / (Math.PI * parts.bolt ** 3);
  const inside = Math.max(0, parts.outside - 2 * parts.wall);
  const second = (Math.PI * (parts.outside ** 4 - inside ** 4)) / 64;
  const area = (Math.PI * (parts.outside ** 2 - inside ** 2)) / 4;
  const { buckling, rule, slenderness } = bucklingOf(
    area,
    second,
    distance(inner, outer),
    parts.yield,
  );
  return {
    moment,
    lever,
    steady,
    kerbForce,
    bending,
    boltReserve: GRADES[parts.grade] / bending,
    buckling,
    rule,
    slenderness,
    rodReserve: buckling / kerbForce,
    threadEngagement: 1.5 * parts.thread,
  };
}

/** Reserves under this are too little for a first estimate (common practice). */
export const RESERVE = 2;

/**
 * Force that buckles a bar with both ends free to turn, N: Euler's for a slender one, below the slenderness where
 * Euler's stress is half the yield J. B. Johnson's parabola (Shigley, *Mechanical Engineering Design*, ch. 4, from
 * memory), which ends at the yield.
 * @param area mm²
 * @param second moment of area, mm⁴
 * @param yielding yield strength, N/mm²
 * @param modulus of elasticity, N/mm²
 */
export function bucklingOf(
  area: number,
  second: number,
  length: number,
  yielding: number,
  modulus = STEEL,
): Pick<RodStrength, 'buckling' | 'rule' | 'slenderness'> {
  const slenderness = length / Math.sqrt(second / area);
  const limit = Math.sqrt((2 * Math.PI ** 2 * modulus) / yielding);
  if (slenderness > limit)
    return {
      buckling: (Math.PI ** 2 * modulus * second) / length ** 2,
      rule: 'Euler',
      slenderness,
    };
  const part = 1 - (yielding * slenderness ** 2) / (4 * Math.PI ** 2 * modulus);
  return { buckling: area * yielding * part, rule: 'Johnson', slenderness };
}
