import ClipperLib from 'clipper-lib';
import { polygonArea, polygonContains } from 'd3-polygon';
import type { Spot } from '../sheets/drawing';

/** Outlines are joined in whole hundredths of a millimetre. */
const GRAIN = 100;

type Path = { X: number; Y: number }[];
const toPath = (outline: readonly Spot[]): Path =>
  outline.map(([x, y]) => ({ X: Math.round(x * GRAIN), Y: Math.round(y * GRAIN) }));
const fromPath = (path: Path): Spot[] => path.map(({ X, Y }): Spot => [X / GRAIN, Y / GRAIN]);

function clip(
  type: number,
  subject: readonly (readonly Spot[])[],
  other: readonly (readonly Spot[])[],
): Spot[][] {
  const clipper = new ClipperLib.Clipper();
  for (const one of subject) clipper.AddPath(toPath(one), ClipperLib.PolyType.ptSubject, true);
  for (const one of other) clipper.AddPath(toPath(one), ClipperLib.PolyType.ptClip, true);
  const found: Path[] = [];
  const { pftNonZero } = ClipperLib.PolyFillType;
  clipper.Execute(type, found, pftNonZero, pftNonZero);
  return found.map(fromPath);
}

/** Outlines that overlap as one; what is left open within them runs the other way round. */
export const union = (all: readonly (readonly Spot[])[]): Spot[][] =>
  clip(ClipperLib.ClipType.ctUnion, all, []);

/** What is left of outlines where others are cut out of them. */
export const without = (
  all: readonly (readonly Spot[])[],
  others: readonly (readonly Spot[])[],
): Spot[][] => clip(ClipperLib.ClipType.ctDifference, all, others);

/** Outlines so far further out all round, their corners round; further in below 0. mm. */
export function grown(all: readonly (readonly Spot[])[], by: number): Spot[][] {
  const offset = new ClipperLib.ClipperOffset(2, 0.02 * GRAIN);
  offset.AddPaths(all.map(toPath), ClipperLib.JoinType.jtRound, ClipperLib.EndType.etClosedPolygon);
  const found: Path[] = [];
  offset.Execute(found, by * GRAIN);
  return found.map(fromPath);
}

/** Whether an outline is one of a body, and not of what is left open within it. */
export const isOuter = (outline: readonly Spot[]): boolean =>
  ClipperLib.Clipper.Orientation(toPath(outline));

/** Area, mm², however it runs. */
export const flatArea = (outline: readonly Spot[]): number =>
  Math.abs(polygonArea(outline.map(([x, y]): [number, number] => [x, y])));

export const contains = (outline: readonly Spot[], [x, y]: Spot): boolean =>
  polygonContains(
    outline.map(([a, b]): [number, number] => [a, b]),
    [x, y],
  );

/** How far two closed outlines are from each other at the nearest, mm; 0 where they meet. */
export function apart(a: readonly Spot[], b: readonly Spot[]): number {
  if (clip(ClipperLib.ClipType.ctIntersection, [a], [b]).length > 0) return 0;
  return Math.min(nearest(a, b), nearest(b, a));
}

const nearest = (spots: readonly Spot[], outline: readonly Spot[]): number =>
  Math.min(
    ...spots.flatMap(([x, y]) =>
      outline.map((p, i) => {
        const q = outline[(i + 1) % outline.length];
        const [dx, dy] = [q[0] - p[0], q[1] - p[1]];
        const square = dx * dx + dy * dy;
        const t =
          square === 0 ? 0 : Math.max(0, Math.min(1, ((x - p[0]) * dx + (y - p[1]) * dy) / square));
        return Math.hypot(x - p[0] - t * dx, y - p[1] - t * dy);
      }),
    ),
  );
