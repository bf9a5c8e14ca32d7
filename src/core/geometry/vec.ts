/**
 * Three-component vectors as plain tuples [ahead, out, up] or [x, y, z].
 * For design-time work only; the hot path in kinematics uses scalars and typed arrays.
 */
export type Vec = readonly [number, number, number];

export const add = (a: Vec, b: Vec): Vec => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const sub = (a: Vec, b: Vec): Vec => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const scale = (a: Vec, s: number): Vec => [a[0] * s, a[1] * s, a[2] * s];
export const dot = (a: Vec, b: Vec): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Vec, b: Vec): Vec => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const length = (a: Vec): number => Math.hypot(a[0], a[1], a[2]);
export const distance = (a: Vec, b: Vec): number => length(sub(a, b));
export const unit = (a: Vec): Vec => scale(a, 1 / length(a));

/** Perpendicular foot of `p` on the line through `origin` along the unit vector `axis`. */
export const footOnLine = (p: Vec, origin: Vec, axis: Vec): Vec =>
  add(origin, scale(axis, dot(sub(p, origin), axis)));
