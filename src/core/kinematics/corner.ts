import type { CornerType } from '../corners/cornerType';
import type { Vec } from '../geometry/vec';
import type { Points } from '../model/points';

/**
 * The one interface every corner type stands behind. Sweeps, quantities, finders and screens know
 * only this; a new type of corner is one new file.
 *
 * A corner is solved in its own axes [ahead, out, up], mm: `out` grows away from the centreline on
 * either side, so a right corner is solved exactly as a left one with its rack travel negated.
 */
export interface Corner {
  /**
   * Solves the upright's pose and its exact first derivatives.
   * @param travel wheel centre's height above its ride height, mm, + in bump
   * @param rack inner tie-rod joint moved outward by this much, mm (the left corner's rack travel)
   * @param upright receives the pose, ordered as in `U`; left as it was when out of reach
   * @returns whether the position can be reached
   */
  pose(travel: number, rack: number, upright: Float64Array): boolean;

  /** Says why a position cannot be reached, or null when it can. Slow: for messages only. */
  why(travel: number, rack: number): OutOfReach | null;
}

/** The member that gives out, and the last position on the straight way there that still works. */
export interface OutOfReach {
  part: string;
  fault: 'too short' | 'too long' | 'over centre' | 'at its end';
  /** Travel and rack (outward), mm, as far as the corner follows from ride height straight ahead. */
  lastTravel: number;
  lastRack: number;
}

/**
 * Offsets into an upright's pose. Every entry of three is [ahead, out, up]. Twists are the upright's angular
 * velocity (rad) and its wheel centre's velocity (mm), per mm of wheel travel at fixed rack and per mm of rack
 * at fixed wheel height. The steering axis is NaN where the wheel has none.
 */
export const U = {
  wheelCentre: 0,
  /** Unit spindle axis, pointing outboard. */
  spindle: 3,
  /** Unit direction fixed to the upright, square to the spindle; level and ahead as drawn. */
  heading: 6,
  /** A place on the steering axis and its direction upward, of any length. */
  axisAt: 9,
  axisAlong: 12,
  turnPerTravel: 15,
  movePerTravel: 18,
  turnPerRack: 21,
  movePerRack: 24,
  /** How the place and the direction change, per mm of travel and of rack; the upright need not carry them. */
  axisAtPerTravel: 27,
  axisAlongPerTravel: 30,
  axisAtPerRack: 33,
  axisAlongPerRack: 36,
  /** Rack, mm outward: how far the rod's inner joint has been moved along its way. */
  rack: 39,
} as const;
export const UPRIGHT_SIZE = 40;

/** A fault in the layout as drawn, at the point to look at. */
export interface LayoutFault {
  point: string;
  message: string;
}

/** Straight across the car, outward: the way of an inner joint that nothing tells otherwise. */
export const ACROSS: Vec = [0, 1, 0];

/** A corner as it is drawn: its kind, its points, the wheel's alignment at ride height in degrees. */
export interface DrawnCorner {
  type: CornerType;
  points: Points;
  static: { toe: number; camber: number };
  /** Unit direction, outward axes, in which + rack (outward) moves the rod's inner joint. */
  steering: Vec;
}

export type Prepared<T> = { ok: true; corner: T } | { ok: false; faults: LayoutFault[] };

/** One sentence in a builder's words; `rackSign` is −1 for the right corner, whose rack moves the other way. */
export function explain(reach: OutOfReach, rackSign: 1 | -1 = 1): string {
  const where = describePosition(reach.lastTravel, rackSign * reach.lastRack);
  if (reach.fault === 'at its end') return `the ${reach.part} is at its end past ${where}`;
  return reach.fault === 'over centre'
    ? `the ${reach.part} ${reach.part === 'arms' ? 'go' : 'goes'} over centre past ${where}`
    : `the ${reach.part} is ${reach.fault} past ${where}`;
}

/** `45 mm droop`, `12 mm bump with the rack 30 mm left`, `ride height`. */
export function describePosition(travel: number, rack: number): string {
  const height =
    Math.abs(travel) < 0.05
      ? 'ride height'
      : `${Math.abs(travel).toFixed(1)} mm ${travel > 0 ? 'bump' : 'droop'}`;
  return Math.abs(rack) < 0.05
    ? height
    : `${height} with the rack ${Math.abs(rack).toFixed(1)} mm ${rack > 0 ? 'left' : 'right'}`;
}
