import { goldenLeast } from '../geometry/golden';
import { add, cross, dot, length, scale, sub, unit } from '../geometry/vec';
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
function beyond(x: number, y: number, z = -Infinity): number {
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

/** A tyre on its rim: solid about an axis between two radii and over a width, mm. */
export interface Ring {
  centre: Vec;
  axis: Vec;
  inner: number;
  outer: number;
  width: number;
}

/** Distance from a point to a ring, signed. */
export function toRing(p: Vec, { centre, axis, inner, outer, width }: Ring): number {
  const d = sub(p, centre);
  const along = dot(d, axis);
  const radial = Math.sqrt(Math.max(0, dot(d, d) - along * along));
  return beyond(Math.max(inner - radial, radial - outer), Math.abs(along) - width / 2);
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
function leastOn(
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

/**
 * Least distance between a ring and a convex body: the closest place is certain to within 6 mm, whatever the
 * body's shape, and closed from there to a tenth; below 0 where one is in the other, by how
 * deep the deepest part of either is. Null where none is under `ceiling`.
 * @param box a box, its sides along the axes, that the body lies in: middle and half of its size
 */
export function leastRound(
  ring: Ring,
  distanceTo: (p: Vec) => number,
  box: { middle: Vec; half: Vec },
  ceiling = Infinity,
): Least | null {
  const { centre, axis, inner, outer, width } = ring;
  // Where they are in each other the depth is not the body's own distance: only clear ones are left out by that.
  const clear = Math.max(ceiling, 0);
  if (distanceTo(centre) - Math.hypot(outer, width / 2) >= clear) return null;
  const heading = unit([axis[1], -axis[0], 0]);
  const up = cross(heading, axis);
  // The ring's section at an angle is a rectangle, solid; a convex body's distance has one dip over it.
  const over = (angle: number, fine: number): Least => {
    const way = add(scale(heading, Math.cos(angle)), scale(up, Math.sin(angle)));
    return leastOverSection(
      (radius, along) => add(add(centre, scale(way, radius)), scale(axis, along)),
      [inner, outer],
      [-width / 2, width / 2],
      distanceTo,
      fine,
    );
  };
  const rough = leastOn(
    (angle) => over(angle, ROUGH),
    [0, 2 * Math.PI],
    outer,
    ROUGH,
    clear + ROUGH,
  );
  if (!rough) return null;
  // About the best of that, finely.
  const off = sub(rough.at, centre);
  const about = Math.atan2(dot(off, up), dot(off, heading));
  const reach = (4 * ROUGH) / outer;
  const dip = goldenLeast(
    (angle) => over(angle, SECTION).distance,
    about - reach,
    about + reach,
    reach / 100,
  );
  const found = [dip, about]
    .map((angle) => over(angle, SECTION))
    .reduce((x, y) => (y.distance < x.distance ? y : x));
  if (found.distance >= 0) return found.distance < ceiling ? found : null;
  // In each other: a thin body's own skin says little, so also how deep the body is in the ring.
  const deepest = deepestIn(ring, distanceTo, box);
  const most = deepest && deepest.distance < found.distance ? deepest : found;
  return most.distance < ceiling ? most : null;
}

/** Least over a rectangle, radius and place along the axis, by golden sections within each other. */
function leastOverSection(
  place: (radius: number, along: number) => Vec,
  [inner, outer]: [number, number],
  [from, to]: [number, number],
  distanceTo: (p: Vec) => number,
  fine: number,
): Least {
  const across = (along: number): Least =>
    leastToConvex(place(inner, along), place(outer, along), distanceTo, fine);
  const dip = goldenLeast((along) => across(along).distance, from, to, fine);
  return [from, to, dip].map(across).reduce((x, y) => (y.distance < x.distance ? y : x));
}

/** How finely a tyre's section is looked over, mm: all round, and about the closest place. */
const ROUGH = 3;
const SECTION = 0.05;

/** Smaller cells than this are not parted further, mm; and no more of them than so many are looked at. */
const CELL = 1;
const MOST_CELLS = 6000;

/** The place of a body that lies deepest in a ring, by parting its box as long as a part could be deeper. */
function deepestIn(
  ring: Ring,
  distanceTo: (p: Vec) => number,
  { middle, half }: { middle: Vec; half: Vec },
): Least | null {
  let best: Least | null = null;
  const cells: { middle: Vec; half: Vec }[] = [{ middle, half }];
  for (let looked = 0; cells.length > 0 && looked < MOST_CELLS; looked++) {
    const cell = cells.pop()!;
    const radius = length(cell.half);
    const own = distanceTo(cell.middle);
    if (own > radius) continue;
    const depth = toRing(cell.middle, ring);
    if (depth - radius >= (best?.distance ?? 0) - CELL / 4) continue;
    if (own <= 0 && depth < (best?.distance ?? 0)) best = { distance: depth, at: cell.middle };
    if (radius < CELL) continue;
    const k = cell.half.indexOf(Math.max(...cell.half));
    const smaller = cell.half.map((x, i) => (i === k ? x / 2 : x)) as unknown as Vec;
    const parts = [-1, 1].map((sign) => ({
      middle: cell.middle.map((x, i) =>
        i === k ? x + (sign * cell.half[k]) / 2 : x,
      ) as unknown as Vec,
      half: smaller,
    }));
    // The deeper part first, so that it bounds the other.
    parts.sort((a, b) => toRing(b.middle, ring) - toRing(a.middle, ring));
    cells.push(...parts);
  }
  return best;
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
