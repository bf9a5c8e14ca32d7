import { placesOf, turnsOf } from '../column/places';
import { cross } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Axle } from '../kinematics/axle';
import type { AxleDesign, PinionAt } from '../model/build';
import { lockToLock } from './lockToLock';

/**
 * Which way a rack goes when the handwheel is turned to the left: +1 left, −1 right. The pinion's shaft comes from
 * behind or above, where the driver is; a turn to the left is counter-clockwise as he sees it, so that the teeth move
 * by ω × r, r from the pinion to the rack's bar.
 */
export const rackPerHandwheel = (pinion: PinionAt): 1 | -1 =>
  pinion === 'below' || pinion === 'behind' ? 1 : -1;

/** From a pinion to its rack's bar. */
const TO_BAR: Record<PinionAt, Vec> = {
  above: [0, 0, -1],
  below: [0, 0, 1],
  ahead: [-1, 0, 0],
  behind: [1, 0, 0],
};
/** A bar that lies so nearly along the pinion's shaft is not moved by it. */
const ALONG = 0.05;

/**
 * The same by the pinion's own line, where a column says it: ω × r for a turn to the left, seen from its tip.
 * @returns null where the bar would lie along the pinion's shaft
 */
export function rackPerPinion(pinion: PinionAt, axis: Vec): 1 | -1 | null {
  const [, left] = cross(axis, TO_BAR[pinion]);
  return Math.abs(left) < ALONG ? null : left > 0 ? 1 : -1;
}

/** What the handwheel does to the steering's own input (mm of a rack, degrees of a drop arm). */
export interface Handwheel {
  /** Of the input in a turn; a drop arm sits on the column itself unless a box lies between. Undefined where a rack's is not known. */
  perTurn: number | undefined;
  /** Which way the input goes when the handwheel is turned left; null where it is not known. */
  way: 1 | -1 | null;
}

/** By the whole column where there is one: its boxes make it quicker, slower, or turn it round. */
export function handwheelOf({
  rack,
  dropArm,
  column,
}: Pick<AxleDesign, 'rack' | 'dropArm' | 'column'>): Handwheel {
  const turns = turnsOf(column);
  const sense = turns < 0 ? -1 : 1;
  if (dropArm) return { perTurn: (360 / (dropArm.ratio ?? 1)) * Math.abs(turns), way: sense };
  const perTurn = rack?.perTurn === undefined ? undefined : rack.perTurn * Math.abs(turns);
  if (!rack?.pinionAt) return { perTurn, way: null };
  const own = column
    ? rackPerPinion(rack.pinionAt, placesOf(column).axis)
    : rackPerHandwheel(rack.pinionAt);
  return { perTurn, way: own === null ? null : own === sense ? 1 : -1 };
}

/** The pinion on the other side of the bar. */
export const otherSide = (pinion: PinionAt): PinionAt => OTHER[pinion];
const OTHER = { above: 'below', below: 'above', ahead: 'behind', behind: 'ahead' } as const;

/** Which way the wheels go about straight ahead. */
export interface Hand {
  /** The rack to the left, or the drop arm turned as the handwheel to the left turns it, turns the wheels left. */
  rackLeft: boolean;
  /** The handwheel to the left turns the wheels left; null where the pinion's place is not known. */
  wheelLeft: boolean | null;
}

/**
 * @param way which way the steering's input goes when the handwheel is turned left
 * @returns null where the wheels do not steer about straight ahead
 */
export function handOf(axle: Axle, wheelbase: number, way: Handwheel['way']): Hand | null {
  const straight = lockToLock(axle, wheelbase, 0, Float64Array.of(0));
  if (!straight || straight.reachable[0] === 0) return null;
  const [perRack] = straight.perRack;
  if (!(Math.abs(perRack) > 1e-6)) return null;
  const rackLeft = perRack > 0;
  const wheelLeft = way === null ? null : way > 0 === rackLeft;
  return { rackLeft, wheelLeft };
}
