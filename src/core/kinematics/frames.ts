import { add, cross, dot, scale } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { U } from './corner';
import type { DrawnCorner } from './corner';
import { headingOf, spindleOf } from './spindle';

const triple = (u: Float64Array, at: number): Vec => [u[at], u[at + 1], u[at + 2]];

/** The unit spindle axis of a solved pose, pointing outboard. */
export const spindleAt = (upright: Float64Array): Vec => triple(upright, U.spindle);

/** Three unit vectors fixed to the upright, square to each other. */
export type Frame = readonly [Vec, Vec, Vec];

const frameFrom = (spindle: Vec, heading: Vec): Frame => [
  spindle,
  heading,
  cross(heading, spindle),
];

/** The upright's frame in a solved pose, and as it is drawn. */
export const frameAt = (upright: Float64Array): Frame =>
  frameFrom(spindleAt(upright), triple(upright, U.heading));
export const drawnFrame = (alignment: DrawnCorner['static']): Frame => {
  const spindle = spindleOf(alignment);
  return frameFrom(spindle, headingOf(spindle));
};

/** A vector fixed to a body, from where the body was to where it is. */
export const carried = (v: Vec, from: Frame, to: Frame): Vec => {
  const [a, b, c] = [dot(v, from[0]), dot(v, from[1]), dot(v, from[2])];
  return add(add(scale(to[0], a), scale(to[1], b)), scale(to[2], c));
};
