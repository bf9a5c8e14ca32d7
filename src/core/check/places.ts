import { toDeg } from '../geometry/angle';
import { add, cross, scale } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { U } from '../kinematics/corner';
import { spindleAt } from '../kinematics/frames';
import { headingOf } from '../kinematics/spindle';
import type { UprightMove } from '../tolerance/uprightMoves';

/** Where a wheel stands, in its own outward axes [ahead, out, up], mm. */
export interface Place {
  centre: Vec;
  /** Unit, outboard. */
  spindle: Vec;
  /** Unit, fixed to the upright, square to the spindle; level and ahead as drawn. */
  heading: Vec;
}

export const placeOf = (u: Float64Array): Place => ({
  centre: [u[U.wheelCentre], u[U.wheelCentre + 1], u[U.wheelCentre + 2]],
  spindle: spindleAt(u),
  heading: [u[U.heading], u[U.heading + 1], u[U.heading + 2]],
});

/** Toe (+ in) and camber (+ top out), degrees. */
export const toeAt = ({ spindle }: Place): number => toDeg(Math.atan2(spindle[0], spindle[1]));
export const camberAt = ({ spindle }: Place): number => toDeg(-Math.asin(spindle[2]));

/** A place on the spindle's line, so far outboard of the wheel's centre. */
export const faceAt = ({ centre, spindle }: Place, face: number): Vec =>
  add(centre, scale(spindle, face));

/** The mark at hub height ahead (+) or behind the spindle on what turns with the wheel. */
export const markAt = (place: Place, face: number, ahead: number): Vec =>
  add(faceAt(place, face), scale(headingOf(place.spindle), ahead));

/** Of a step along an exact move, mm or degrees of what moves it. */
export const STEP = 1e-4;

/** A place a little along a move: to the first order, for derivatives. */
export const along = (
  { centre, spindle, heading }: Place,
  { move, turn }: UprightMove,
  by: number,
): Place => ({
  centre: add(centre, scale(move, by)),
  spindle: add(spindle, scale(cross(turn, spindle), by)),
  heading: add(heading, scale(cross(turn, heading), by)),
});

/** A place turned about an axis through the wheel's centre (Rodrigues' formula), degrees. */
export function turnedAbout({ centre, spindle, heading }: Place, axis: Vec, by: number): Place {
  const [c, s] = [Math.cos((by * Math.PI) / 180), Math.sin((by * Math.PI) / 180)];
  const turn = (v: Vec): Vec => {
    const part = axis[0] * v[0] + axis[1] * v[1] + axis[2] * v[2];
    return add(add(scale(v, c), scale(cross(axis, v), s)), scale(axis, part * (1 - c)));
  };
  return { centre, spindle: turn(spindle), heading: turn(heading) };
}

/** A place with its toe by so much more, degrees. */
export const toedBy = (place: Place, by: number): Place =>
  // Toe in turns a spindle that points out ahead: clockwise from above in its own axes.
  turnedAbout(place, [0, 0, 1], -by);

/** A place with its camber by so much more, degrees. */
export const leanedBy = (place: Place, by: number): Place =>
  turnedAbout(place, headingOf(place.spindle), -by);
