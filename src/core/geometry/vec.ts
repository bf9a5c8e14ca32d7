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

/** Turns `v` by the rotation vector `r`: its way is the axis, its length the angle in rad (Rodrigues' formula). */
export function rotate(v: Vec, r: Vec): Vec {
  const angle = length(r);
  if (angle < 1e-15) return v;
  const axis = unit(r);
  return add(
    add(scale(v, Math.cos(angle)), scale(cross(axis, v), Math.sin(angle))),
    scale(axis, dot(axis, v) * (1 - Math.cos(angle))),
  );
}

/** The shortest rotation vector that turns one unit vector to another; null between opposite ones. */
export function turnBetween(from: Vec, to: Vec): Vec | null {
  const across = cross(from, to);
  const sine = length(across);
  const cosine = dot(from, to);
  if (sine < 1e-15) return cosine > 0 ? [0, 0, 0] : null;
  return scale(across, Math.atan2(sine, cosine) / sine);
}
