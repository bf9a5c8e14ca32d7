import { goldenLeast } from '../geometry/golden';
import { add, dot, length, scale, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';

/**
 * Distances between bodies, mm, below 0 by the depth where one is in the other. A body is a distance from
 * a point to its surface; how far a tube is from it is the least of that along the tube's middle, less the
 * tube's radius.
 */

/** Distance from a point to a solid box, its sides along the axes; inside, less the depth under the nearest side. */
export const toBox = (p: Vec, centre: Vec, size: Vec): number =>
  beyond(
    Math.abs(p[0] - centre[0]) - size[0] / 2,
    Math.abs(p[1] - centre[1]) - size[1] / 2,
    Math.abs(p[2] - centre[2]) - size[2] / 2,
  );

/** How far out of a body a point is that is so far past each of its sides, below 0 within them. */
export function beyond(x: number, y: number, z = -Infinity): number {
  const most = Math.max(x, y, z);
  if (most <= 0) return most;
  const [a, b, c] = [Math.max(0, x), Math.max(0, y), Math.max(0, z)];
  return Math.sqrt(a * a + b * b + c * c);
}

/** Distance from a point to a solid cylinder between two points, signed. */
export function toCylinder(p: Vec, from: Vec, to: Vec, radius: number): number {
  const axis = sub(to, from);
  const long = length(axis);
  const d = sub(p, from);
  const along = dot(d, axis) / long;
  const radial = Math.sqrt(Math.max(0, dot(d, d) - along * along));
  return beyond(radial - radius, Math.max(-along, along - long));
}

/** The least distance found, and where. */
export interface Least {
  distance: number;
  at: Vec;
}

/**
 * Least of what `look` finds between two places of a way, to within `close` mm, or null where none is
 * under `ceiling`. It changes by no more than `rate` per unit of the way, so a stretch whose ends cannot
 * hide less is left out: the bound is certain, whatever the body's shape (Piyavskii 1972, from memory).
 */
export function leastOn(
  look: (s: number) => Least,
  [from, to]: [number, number],
  rate: number,
  close: number,
  ceiling: number,
): Least | null {
  let best: Least | null = null;
  let least = ceiling;
  const at = (s: number): number => {
    const found = look(s);
    if (found.distance < least) {
      best = found;
      least = found.distance;
    }
    return found.distance;
  };
  const stack: [from: number, to: number, atFrom: number, atTo: number][] = [
    [from, to, at(from), at(to)],
  ];
  while (stack.length > 0) {
    const [a, b, f, g] = stack.pop()!;
    if ((f + g - (b - a) * rate) / 2 >= least - close) continue;
    const middle = (a + b) / 2;
    const here = at(middle);
    stack.push([a, middle, f, here], [middle, b, here, g]);
  }
  return best;
}

/**
 * Least distance along a line from `a` to `b`, to within `close` mm; null where none is under `ceiling`.
 * A distance changes by no more than the way gone.
 */
export function leastAlong(
  a: Vec,
  b: Vec,
  distanceTo: (p: Vec) => number,
  close = 0.05,
  ceiling = Infinity,
): Least | null {
  const span = sub(b, a);
  const look = (s: number): Least => {
    const at = add(a, scale(span, s));
    return { distance: distanceTo(at), at };
  };
  return leastOn(look, [0, 1], length(span), close, ceiling);
}

/** Least distance between two lines' stretches, exact (nearly parallel ones to 0.02 mm), and where (Ericson 2005, from memory). */
export function betweenLines(p1: Vec, q1: Vec, p2: Vec, q2: Vec): Least {
  const d1 = sub(q1, p1);
  const d2 = sub(q2, p2);
  const r = sub(p1, p2);
  const a = dot(d1, d1);
  const e = dot(d2, d2);
  const f = dot(d2, r);
  const within = (x: number) => Math.min(1, Math.max(0, x));
  const c = dot(d1, r);
  const b = dot(d1, d2);
  const denominator = a * e - b * b;
  let s = denominator > 1e-9 * a * e ? within((b * f - c * e) / denominator) : 0;
  let t = (b * s + f) / e;
  if (t < 0 || t > 1) {
    t = within(t);
    s = within((b * t - c) / a);
  }
  const x = add(p1, scale(d1, s));
  const y = add(p2, scale(d2, t));
  return { distance: length(sub(x, y)), at: scale(add(x, y), 0.5) };
}

/** The same for a convex body, whose distance along a line has one dip: golden section, to 0.02 mm of place. */
export function leastToConvex(a: Vec, b: Vec, distanceTo: (p: Vec) => number, fine = 0.02): Least {
  const span = sub(b, a);
  const point = (s: number): Vec => add(a, scale(span, s));
  const close = fine / Math.max(length(span), fine);
  const dip = goldenLeast((s) => distanceTo(point(s)), 0, 1, close);
  const ends = [0, 1, dip].map((u) => ({
    distance: distanceTo(point(u)),
    at: point(u),
  }));
  return ends.reduce((x, y) => (y.distance < x.distance ? y : x));
}
