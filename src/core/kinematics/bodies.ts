import type { ArmBody, Body, Pivots } from '../corners/cornerType';
import { add, cross, dot, footOnLine, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { toVec } from '../model/points';
import { U } from './corner';
import type { DrawnCorner } from './corner';
import { drawnFrame, frameAt } from './frames';

/**
 * A body in a solved pose: where what is drawn on it is, and how it goes per mm of wheel travel. [ahead, out, up], mm,
 * rad; the steering held.
 */
export interface BodyPose {
  /** Where a place drawn on it is. */
  place: (drawn: Vec) => Vec;
  /** Its angular velocity, and the velocity of what of it would be at the origin. */
  turn: Vec;
  move: Vec;
}

/** How a place of a body goes that is at `now`, mm per mm of wheel travel. */
export const goes = ({ turn, move }: Pick<BodyPose, 'turn' | 'move'>, now: Vec): Vec =>
  add(move, cross(turn, now));

const STILL: Vec = [0, 0, 0];
const CHASSIS: BodyPose = { place: (drawn) => drawn, turn: STILL, move: STILL };

const triple = (u: Float64Array, at: number): Vec => [u[at], u[at + 1], u[at + 2]];

/** What swings or goes with a wheel: chassis, arms, upright, beam; rocker and bar hang on these and come after. */
export type FirstBody = Exclude<Body, 'rocker' | 'bar'>;
export type BodiesAt = (body: FirstBody) => BodyPose;

/**
 * Poses every body of a corner: all follow from the upright.
 * @returns for a solved pose (ordered as in `U`) each body, made when it is asked for
 */
export function bodyPoser(corner: DrawnCorner): (upright: Float64Array) => BodiesAt {
  const { type, points } = corner;
  const from = drawnFrame(corner.static);
  const centre0 = toVec(points.wheelCentre);
  const uprightPose = (u: Float64Array): BodyPose => {
    const to = frameAt(u);
    const centre = triple(u, U.wheelCentre);
    const turn = triple(u, U.turnPerTravel);
    const place = (drawn: Vec): Vec => {
      const off = sub(drawn, centre0);
      const [a, b, c] = [dot(off, from[0]), dot(off, from[1]), dot(off, from[2])];
      return add(centre, add(add(scale(to[0], a), scale(to[1], b)), scale(to[2], c)));
    };
    return { place, turn, move: sub(triple(u, U.movePerTravel), cross(turn, centre)) };
  };
  const arms = new Map<ArmBody, (upright: BodyPose) => BodyPose>();
  for (const pivots of type.pivots)
    if (pivots.body && pivots.carries)
      arms.set(
        pivots.body,
        armPoser(pivots, (name) => toVec(points[name])),
      );
  return (u) => {
    const made = new Map<FirstBody, BodyPose>([['chassis', CHASSIS]]);
    const bodyAt: BodiesAt = (body) => {
      let pose = made.get(body);
      if (!pose) {
        const arm = arms.get(body as ArmBody);
        pose = arm ? arm(bodyAt('upright')) : body === 'beam' ? beamPose(u) : uprightPose(u);
        made.set(body, pose);
      }
      return pose;
    };
    return bodyAt;
  };
}

/** An arm: as far round its pivots as the joint that it carries. */
function armPoser(
  { through, carries }: Pivots,
  at: (name: string) => Vec,
): (upright: BodyPose) => BodyPose {
  const [front, rear] = through.map(at);
  const joint = at(carries!);
  const axis = unit(sub(front, rear));
  const foot = footOnLine(joint, rear, axis);
  const radius0 = sub(joint, foot);
  const square = cross(axis, radius0);
  const size = dot(radius0, radius0);
  return (upright) => {
    const now = upright.place(joint);
    const radius = sub(now, foot);
    // Both are as long as the arm: cosine and sine of its angle without another root.
    const c = dot(radius, radius0) / size;
    const s = dot(radius, square) / size;
    const turn = scale(axis, dot(cross(radius, goes(upright, now)), axis) / dot(radius, radius));
    return { place: turner(foot, axis, c, s), turn, move: cross(foot, turn) };
  };
}

/** Turns places about a line by an angle that is given as cosine and sine (Rodrigues). */
export function turner(through: Vec, axis: Vec, c: number, s: number): (drawn: Vec) => Vec {
  return (drawn) => {
    const r = sub(drawn, through);
    const along = scale(axis, dot(r, axis));
    const off = sub(r, along);
    return add(add(through, along), add(scale(off, c), scale(cross(axis, off), s)));
  };
}

function beamPose(u: Float64Array): BodyPose {
  const row = (i: number) => triple(u, U.beam + 3 * i);
  const rows = [row(0), row(1), row(2)];
  const shift = triple(u, U.beamShift);
  return {
    place: (drawn) => add(shift, [dot(rows[0], drawn), dot(rows[1], drawn), dot(rows[2], drawn)]),
    turn: triple(u, U.beamTurn),
    move: triple(u, U.beamMove),
  };
}
