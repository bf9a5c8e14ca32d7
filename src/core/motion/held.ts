import { armJointOf } from '../corners/kinds';
import type { AxleCorner } from '../kinematics/axle';
import { U, UPRIGHT_SIZE } from '../kinematics/corner';
import type { Travel } from '../model/build';
import { COLUMN, PER_RACK, PER_TRAVEL, ROW_SIZE, writeQuantities } from './quantities';

const upright = new Float64Array(UPRIGHT_SIZE);
const row = new Float64Array(ROW_SIZE);

/** Toe is held to within this, degrees. */
const HELD = 1e-9;
const MOST_STEPS = 30;

/**
 * The outward movement of the inner joint that keeps toe at a travel, by Newton with the exact slope.
 * @param toe degrees
 * @param into receives the pose, ordered as in `U`
 * @returns mm; null where it is out of reach or does not settle
 */
export function holdAt(
  side: AxleCorner,
  travel: number,
  toe: number,
  start: number,
  into: Float64Array,
): number | null {
  let rack = start;
  for (let step = 0; step < MOST_STEPS; step++) {
    if (!side.corner.pose(travel, rack, into)) return null;
    writeQuantities(into, side.radius, row, 0);
    const now = row[COLUMN.toe];
    if (Math.abs(now - toe) < HELD) return rack;
    const move = (toe - now) / row[PER_RACK + COLUMN.toe];
    if (!Number.isFinite(move)) return null;
    rack += Math.max(-20, Math.min(20, move));
  }
  return null;
}

/** What arms and upright do by themselves: the steering held straight, as with bump steer nulled. */
export interface HeldReading {
  /** Degrees, + top out, and its exact change per mm of travel. */
  camber: number;
  camberPerTravel: number;
  /** Above the ground, mm, as strings on the floor show it. */
  rollCentre: number;
  toe: number;
}

/**
 * Reads a wheel at a travel with toe held as at ride height: it hangs on no tie rod. A kind without a rod is read
 * as it moves.
 * @returns null out of reach
 */
export function readHeld(side: AxleCorner, travel: number): HeldReading | null {
  if (!side.corner.pose(0, 0, upright)) return null;
  writeQuantities(upright, side.radius, row, 0);
  const toe = row[COLUMN.toe];
  // The rod to the other wheel holds toe as well.
  const hasRod = armJointOf(side.drawn.type) !== null;
  if (hasRod) {
    if (holdAt(side, travel, toe, 0, upright) === null) return null;
  } else if (side.corner.pose(travel, 0, upright)) writeQuantities(upright, side.radius, row, 0);
  else return null;
  // Per mm of travel the rack goes along by as much as keeps toe.
  const along = hasRod ? -row[PER_TRAVEL + COLUMN.toe] / row[PER_RACK + COLUMN.toe] : 0;
  const rate = (at: number) => upright[U.turnPerTravel + at] + along * upright[U.turnPerRack + at];
  const [tx, ty, tz, , vy, vz] = [0, 1, 2, 3, 4, 5].map(rate);
  const px = row[COLUMN.contactAhead] - upright[U.wheelCentre];
  const py = row[COLUMN.contactOut] - upright[U.wheelCentre + 1];
  const pz = row[COLUMN.contactUp] - upright[U.wheelCentre + 2];
  // The upright's own point at the contact moves square to its line to the instant centre.
  const across = vy + tz * px - tx * pz;
  const rise = vz + tx * py - ty * px;
  return {
    camber: row[COLUMN.camber],
    camberPerTravel: row[PER_TRAVEL + COLUMN.camber] + along * row[PER_RACK + COLUMN.camber],
    rollCentre: side.drawn.coupled
      ? row[COLUMN.rollCentre]
      : (row[COLUMN.contactOut] * across) / rise,
    toe: row[COLUMN.toe],
  };
}

/** Camber about ride height with the steering held straight, degrees: per 25 mm of bump, at full bump, at full droop. */
export interface HeldCamber {
  gain: number;
  bump: number;
  droop: number;
  rollCentre: number;
  /** Toe at full bump and full droop from ride height, degrees: nought where a rod holds it. */
  toeBump: number;
  toeDroop: number;
}

/** @returns null where part of it is out of reach */
export function heldCamber(side: AxleCorner, { bump, droop }: Travel): HeldCamber | null {
  const [ride, up, down] = [0, bump, -droop].map((travel) => readHeld(side, travel));
  if (!ride || !up || !down) return null;
  return {
    gain: 25 * ride.camberPerTravel,
    bump: up.camber - ride.camber,
    droop: down.camber - ride.camber,
    rollCentre: ride.rollCentre,
    toeBump: up.toe - ride.toe,
    toeDroop: down.toe - ride.toe,
  };
}
