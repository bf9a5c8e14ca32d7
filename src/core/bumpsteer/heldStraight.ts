import { toDeg, toRad } from '../geometry/angle';
import { add, cross, dot, scale, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { AxleCorner } from '../kinematics/axle';
import { U, UPRIGHT_SIZE } from '../kinematics/corner';
import { frameAt, spindleAt } from '../kinematics/frames';
import type { Frame } from '../kinematics/frames';
import type { Travel } from '../model/build';
import { holdAt } from '../motion/held';

/**
 * A corner cycled with its steering held straight: toe is kept as at ride height by whatever the tie rod
 * would have to do. Where the upright stands then hangs on arms and upright alone, on no tie rod.
 */
export interface HeldStraight {
  /** Travel of each position, mm, droop first. */
  travel: number[];
  poses: HeldPose[];
  /** The upright as drawn. */
  drawn: HeldPose;
}

/** The upright's own axes, at the wheel's centre, and how a turn of the wheel about its steering moves it, per rad of toe. */
export interface HeldPose {
  origin: Vec;
  axes: Frame;
  turn: Vec;
  move: Vec;
}

const upright = new Float64Array(UPRIGHT_SIZE);

/**
 * Cycles a corner with its steering held straight.
 * @returns null where part of the travel is out of reach
 */
export function holdStraight(side: AxleCorner, travel: Travel, count = 21): HeldStraight | null {
  if (!side.corner.pose(0, 0, upright)) return null;
  const [ahead, out] = spindleAt(upright);
  const toe = toDeg(Math.atan2(ahead, out));
  const drawn = poseOf(upright);
  const held: HeldStraight = { travel: [], poses: [], drawn };
  let rack = 0;
  for (let i = 0; i < count; i++) {
    const at = -travel.droop + ((travel.bump + travel.droop) * i) / (count - 1);
    const found = holdAt(side, at, toe, rack, upright) ?? holdAt(side, at, toe, 0, upright);
    if (found === null) return null;
    rack = found;
    held.travel.push(at);
    held.poses.push(poseOf(upright));
  }
  return held;
}

const triple = (u: Float64Array, at: number): Vec => [u[at], u[at + 1], u[at + 2]];

function poseOf(u: Float64Array): HeldPose {
  const axes = frameAt(u);
  const [turn, move] = [triple(u, U.turnPerRack), triple(u, U.movePerRack)];
  const [ax, ay] = axes[0];
  const [dx, dy] = cross(turn, axes[0]);
  const toePerRack = (dx * ay - ax * dy) / (ax * ax + ay * ay);
  return {
    origin: triple(u, U.wheelCentre),
    axes,
    turn: scale(turn, 1 / toePerRack),
    move: scale(move, 1 / toePerRack),
  };
}

/** A chassis' place in the upright's own axes at a pose. */
export const inUpright = ({ origin, axes }: HeldPose, place: Vec): Vec => {
  const d = sub(place, origin);
  return [dot(d, axes[0]), dot(d, axes[1]), dot(d, axes[2])];
};

/** A place in the upright's own axes, in the chassis at a pose. */
export const inChassis = ({ origin, axes }: HeldPose, local: Vec): Vec =>
  add(
    origin,
    add(add(scale(axes[0], local[0]), scale(axes[1], local[1])), scale(axes[2], local[2])),
  );

/** The path in the chassis of a joint that is drawn at `outer` on the upright. */
export const pathOfOuter = (held: HeldStraight, outer: Vec): Vec[] => {
  const local = inUpright(held.drawn, outer);
  return held.poses.map((pose) => inChassis(pose, local));
};

/** The path of a chassis' joint as the upright sees it, carried to where the upright is drawn. */
export const pathOfInner = (held: HeldStraight, inner: Vec): Vec[] =>
  held.poses.map((pose) => inChassis(held.drawn, inUpright(pose, inner)));

/**
 * Toe change at each position to first order, degrees, of a rod between two joints as drawn: how much the
 * held joints come apart, over how fast turning the upright by its steering takes that up.
 */
export function toeFromPath(held: HeldStraight, inner: Vec, outer: Vec): number[] {
  const rod = Math.hypot(...sub(outer, inner));
  return pathOfOuter(held, outer).map((place, i) => {
    const { origin, turn, move } = held.poses[i];
    const along = sub(place, inner);
    const apart = Math.hypot(...along);
    const swing = add(move, cross(turn, sub(place, origin)));
    // How much further apart the joints come per rad of toe.
    const perRad = dot(scale(along, 1 / apart), swing);
    return (rod - apart) / perRad / toRad(1);
  });
}
