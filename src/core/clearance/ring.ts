import { goldenLeast } from '../geometry/golden';
import { add, cross, dot, length, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { beyond, leastOn, leastToConvex } from './shapes';
import type { Least } from './shapes';

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
