import type { CornerType } from '../corners/cornerType';
import type { Side } from '../model/build';
import type { Points } from '../model/points';
import type { InnerWay } from './innerWay';

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
   * @param rack the steering's input in the corner's own outward axes: mm of a rack outward (the left corner's rack
   *   travel), degrees of a drop arm
   * @param upright receives the pose, ordered as in `U`; left as it was when out of reach
   * @param other where the axle's other wheel stands, mm, + bump: as high as this one where nothing is said
   * @param goes how far that one goes per mm of this one's travel in the rates: with it, or against it as in roll. Only
   *   coupled wheels heed either
   * @returns whether the position can be reached
   */
  pose(travel: number, rack: number, upright: Float64Array, other?: number, goes?: 1 | -1): boolean;

  /** Says why a position cannot be reached, or null when it can. Slow: for messages only. */
  why(travel: number, rack: number, other?: number): OutOfReach | null;
}

/** The member that gives out, and the last position on the straight way there that still works. */
export interface OutOfReach {
  part: string;
  fault: 'too short' | 'too long' | 'over centre' | 'at its end' | 'fixed';
  /** Travel, mm, and the steering's input (outward), as far as the corner follows from ride height straight ahead. */
  lastTravel: number;
  lastRack: number;
}

/** A wheel that has no travel is asked to move up or down. */
export const NO_TRAVEL: OutOfReach = {
  part: 'kingpin',
  fault: 'fixed',
  lastTravel: 0,
  lastRack: 0,
};

/**
 * Offsets into an upright's pose. Every entry of three is [ahead, out, up]. Twists are the upright's angular
 * velocity (rad) and its wheel centre's velocity (mm), per mm of wheel travel with the steering held and per unit of
 * the steering's input (mm of a rack, degree of a drop arm) at fixed wheel height. What a wheel does not have is NaN:
 * the steering axis of one that steers about nothing, all that is per travel of one that has none.
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
  /** How the place and the direction change, per mm of travel and by the steering; the upright need not carry them. */
  axisAtPerTravel: 27,
  axisAlongPerTravel: 30,
  axisAtPerRack: 33,
  axisAlongPerRack: 36,
  /** The steering's input in the corner's own outward axes: mm of a rack, degrees of a drop arm. */
  rack: 39,
  /** What carries the kingpins of a coupled axle: its turn row by row, then its shift: place = turn · drawn + shift. */
  beam: 40,
  beamShift: 49,
  /** Where the rod from arm to arm of a coupled axle comes from: the other wheel's joint. */
  otherArm: 52,
  /** The upright's twist per mm of travel as the other wheel goes as far against it, of a coupled axle that travels. */
  turnInRoll: 55,
  moveInRoll: 58,
  /** A beam's own twist per mm of travel, the other wheel going as it is told: of what would be at the origin. */
  beamTurn: 61,
  beamMove: 64,
} as const;
export const UPRIGHT_SIZE = 67;

/** A fault in the layout as drawn, at the point to look at. */
export interface LayoutFault {
  point: string;
  message: string;
}

/** A corner as it is drawn: its kind, its points, the wheel's alignment at ride height in degrees. */
export interface DrawnCorner {
  type: CornerType;
  points: Points;
  static: { toe: number; camber: number };
  /** How the steering unit moves the rod's inner joint. */
  steering: InnerWay;
  /** What a wheel that is coupled to the other one hangs on besides. */
  coupled?: CoupledTo | undefined;
}

/** The rest of an axle whose wheels are coupled, seen from one of its corners. */
export interface CoupledTo {
  side: Side;
  /** The other side's points, in its own outward axes. */
  other: Points;
  /** The side that the drag link goes to. */
  to: Side;
  /** How the drag link's inner joint moves, in the car's axes [ahead, left, up]. */
  steering: InnerWay;
  /** From a leaf spring's pad toward its fixed eye, as a part of their distance, to the middle of the pad's arc. */
  lead: number | undefined;
}

export type Prepared<T> = { ok: true; corner: T } | { ok: false; faults: LayoutFault[] };

/** What a steering moves: mm of a rack, or degrees of a drop arm. */
export type SteerUnit = 'rack' | 'drop arm';

/** One sentence in a builder's words; `rackSign` is −1 for the right corner, whose rack moves the other way. */
export function explain(reach: OutOfReach, rackSign: 1 | -1 = 1, by: SteerUnit = 'rack'): string {
  if (reach.fault === 'fixed') return 'the wheel has no travel: the frame holds its kingpin';
  const where = describePosition(reach.lastTravel, rackSign * reach.lastRack, by);
  if (reach.fault === 'at its end') return `the ${reach.part} is at its end past ${where}`;
  return reach.fault === 'over centre'
    ? `the ${reach.part} ${reach.part === 'arms' ? 'go' : 'goes'} over centre past ${where}`
    : `the ${reach.part} is ${reach.fault} past ${where}`;
}

/** `30.0 mm left`, `12.0° right`. */
export const steerInWords = (steer: number, by: SteerUnit): string =>
  `${Math.abs(steer).toFixed(1)}${by === 'rack' ? ' mm' : '°'} ${steer > 0 ? 'left' : 'right'}`;

/** `45 mm droop`, `12 mm bump with the rack 30 mm left`, `ride height with the drop arm 12.0° right`. */
export function describePosition(travel: number, rack: number, by: SteerUnit = 'rack'): string {
  const height =
    Math.abs(travel) < 0.05
      ? 'ride height'
      : `${Math.abs(travel).toFixed(1)} mm ${travel > 0 ? 'bump' : 'droop'}`;
  return Math.abs(rack) < 0.05 ? height : `${height} with the ${by} ${steerInWords(rack, by)}`;
}
