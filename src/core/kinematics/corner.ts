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
   * @param upright receives the pose in the layout of `U`; left as it was when out of reach
   * @returns whether the position can be reached
   */
  pose(travel: number, rack: number, upright: Float64Array): boolean;

  /** Says why a position cannot be reached, or null when it can. Slow: for messages only. */
  why(travel: number, rack: number): OutOfReach | null;
}

/** The part that gives out, and the last position on the straight way there that still works. */
export interface OutOfReach {
  part: 'tie rod' | 'upper arm' | 'arms';
  fault: 'too short' | 'too long' | 'over centre';
  /** Travel and rack (outward), mm, as far as the corner follows from ride height straight ahead. */
  lastTravel: number;
  lastRack: number;
}

/**
 * Offsets into an upright's pose. Every entry of three is [ahead, out, up]. The two twists are the
 * upright's angular velocity (rad) and its wheel centre's velocity (mm), per mm of wheel travel at
 * fixed rack and per mm of rack at fixed wheel height.
 */
export const U = {
  wheelCentre: 0,
  /** Unit spindle axis, pointing outboard. */
  spindle: 3,
  lowerOuter: 6,
  /** From the lower ball joint to the upper one. */
  kingpin: 9,
  tieRodOuter: 12,
  tieRodInner: 15,
  turnPerTravel: 18,
  movePerTravel: 21,
  turnPerRack: 24,
  movePerRack: 27,
} as const;
export const UPRIGHT_SIZE = 30;

/** A fault in the layout as drawn, at the point to look at. */
export interface LayoutFault {
  point: string;
  message: string;
}

export type Prepared<T> = { ok: true; corner: T } | { ok: false; faults: LayoutFault[] };

/** One sentence in a builder's words; `rackSign` is −1 for the right corner, whose rack moves the other way. */
export function explain(reach: OutOfReach, rackSign: 1 | -1 = 1): string {
  const where = describePosition(reach.lastTravel, rackSign * reach.lastRack);
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
