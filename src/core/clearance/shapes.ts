import { add, dot, length, scale, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';

/**
 * Distances between bodies, mm, negative where they overlap a plain surface (tubes) and 0 inside a solid
 * one. A body is a distance from a point to its surface; how far a tube is from it is the least of that
 * along the tube's middle, less the tube's radius.
 */

/** Distance from a point to a solid box, its sides along the axes. 0 inside. */
export function toBox(p: Vec, centre: Vec, size: Vec): number {
  const outside = p.map((value, i) =>
    Math.max(0, Math.abs(value - centre[i]) - size[i] / 2),
  ) as unknown as Vec;
  return length(outside);
}

/** Distance from a point to a solid cylinder between two points. 0 inside. */
export function toCylinder(p: Vec, from: Vec, to: Vec, radius: number): number {
  const axis = sub(to, from);
  const long = length(axis);
  const along = dot(sub(p, from), axis) / long;
  const radial = Math.sqrt(Math.max(0, dot(sub(p, from), sub(p, from)) - along * along));
  return Math.hypot(Math.max(0, radial - radius), Math.max(0, -along, along - long));
}

/**
 * Distance from a point to a ring about an axis: a tyre on its rim, solid between two radii and over a
 * width. 0 inside.
 */
export function toRing(
  p: Vec,
  ring: { centre: Vec; axis: Vec; inner: number; outer: number; width: number },
): number {
  const d = sub(p, ring.centre);
  const along = dot(d, ring.axis);
  const radial = length(sub(d, scale(ring.axis, along)));
  return Math.hypot(
    Math.max(0, ring.inner - radial, radial - ring.outer),
    Math.max(0, Math.abs(along) - ring.width / 2),
  );
}

/**
 * Least of a distance along a line from `a` to `b`, to within `close` mm. A distance changes by no more
 * than the way gone (it is 1-Lipschitz), so a stretch whose ends cannot hide less is left out: the bound
 * is certain, whatever the body's shape.
 */
export function leastAlong(
  a: Vec,
  b: Vec,
  distanceTo: (p: Vec) => number,
  close = 0.05,
): { distance: number; at: Vec } {
  const span = sub(b, a);
  const long = length(span);
  const point = (s: number): Vec => add(a, scale(span, s));
  let best = { distance: distanceTo(a), at: a };
  const end = { distance: distanceTo(b), at: b };
  if (end.distance < best.distance) best = end;
  const stack: [from: number, to: number, atFrom: number, atTo: number][] = [
    [0, 1, best === end ? distanceTo(a) : best.distance, end.distance],
  ];
  while (stack.length > 0) {
    const [from, to, f, t] = stack.pop()!;
    const bound = (f + t - (to - from) * long) / 2;
    if (bound >= best.distance - close || best.distance <= 0) continue;
    const middle = (from + to) / 2;
    const distance = distanceTo(point(middle));
    if (distance < best.distance) best = { distance, at: point(middle) };
    stack.push([from, middle, f, distance], [middle, to, distance, t]);
  }
  return best;
}

/** Least distance between two lines' stretches, exact (nearly parallel ones to 0.02 mm), and where (Ericson 2005, from memory). */
export function betweenLines(p1: Vec, q1: Vec, p2: Vec, q2: Vec): { distance: number; at: Vec } {
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

const GOLDEN = (Math.sqrt(5) - 1) / 2;

/** The same for a convex body, whose distance along a line has one dip: golden section, to 0.001 mm of place. */
export function leastToConvex(
  a: Vec,
  b: Vec,
  distanceTo: (p: Vec) => number,
): { distance: number; at: Vec } {
  const span = sub(b, a);
  const point = (s: number): Vec => add(a, scale(span, s));
  const close = 1e-3 / Math.max(length(span), 1e-3);
  let [from, to] = [0, 1];
  let [s, t] = [1 - GOLDEN, GOLDEN];
  let [f, g] = [distanceTo(point(s)), distanceTo(point(t))];
  while (to - from > close) {
    if (f <= g) {
      [to, t, g] = [t, s, f];
      s = to - GOLDEN * (to - from);
      f = distanceTo(point(s));
    } else {
      [from, s, f] = [s, t, g];
      t = from + GOLDEN * (to - from);
      g = distanceTo(point(t));
    }
  }
  const ends = [0, 1, (from + to) / 2].map((u) => ({
    distance: distanceTo(point(u)),
    at: point(u),
  }));
  return ends.reduce((x, y) => (y.distance < x.distance ? y : x));
}
