import DxfParser from 'dxf-parser';
import type { IEntity } from 'dxf-parser';
import { ShapeUtils, Vector2 } from 'three';
import { MOST_OF_SHAPE as MOST } from '../model/pieces';
import type { PlateShape } from '../model/pieces';
import { circle } from './extrude';

type Spot = [number, number];

/** `left`: lines of it that close nowhere; they are no part of any shape. */
export type ReadOutlines =
  { ok: true; shapes: PlateShape[]; left: number } | { ok: false; why: string };

/** The largest drawing that is read, bytes. */
export const LARGEST_DRAWING = 20_000_000;
/** Ends that lie nearer than this are one place, mm. */
const SAME = 0.05;
/** A round line is told by chords no further off it than this, mm. */
const CHORD = 0.02;
/** mm of a drawing's unit by its $INSUNITS (DXF reference, from memory); a drawing that says none is in mm. */
const UNITS: Record<number, number> = { 1: 25.4, 2: 304.8, 4: 1, 5: 10, 6: 1000 };

/** Closed outlines of a DXF drawing, mm, each with what is cut out of it; what is left open is not one. */
export function readOutlines(name: string, text: string): ReadOutlines {
  const no = (why: string): ReadOutlines => ({ ok: false, why });
  if (text.length > LARGEST_DRAWING)
    return no(`${name} is larger than ${LARGEST_DRAWING / 1e6} MB`);
  let entities: IEntity[];
  let by: number;
  try {
    const drawing = new DxfParser().parseSync(text);
    if (!drawing) return no(`${name} cannot be read as DXF`);
    ({ entities } = drawing);
    by = UNITS[Number(drawing.header?.['$INSUNITS'] ?? 4)] ?? 1;
  } catch {
    return no(`${name} cannot be read as DXF: save it as text, not as binary`);
  }
  // Nothing is taken by half: what is not read is said, and then nothing is.
  if (entities.some(({ type }) => type === 'INSERT'))
    return no(`${name} has blocks, which are not opened here: explode them first`);
  const rounds: { at: Spot; across: number }[] = [];
  const closed: Spot[][] = [];
  const open: Spot[][] = [];
  for (const entity of entities) {
    const line = lineOf(entity as IEntity & Shape, by);
    if (!line) continue;
    if (line.round) rounds.push(line.round);
    else if (line.closed) closed.push(line.spots);
    else open.push(line.spots);
  }
  const joined = joinedUp(open);
  closed.push(...joined.closed);
  const outlines = closed.map(withoutDoubles).filter((one) => one.length > 2 && size(one) > SAME);
  const all = [
    ...outlines.map((edge) => ({ edge, round: null as (typeof rounds)[number] | null })),
    ...rounds.map((round) => ({ edge: circle(round), round })),
  ].filter(({ edge }) => edge.every(([x, y]) => Number.isFinite(x) && Number.isFinite(y)));
  if (all.length === 0)
    return no(
      open.length > 0
        ? `${name} has lines and no closed outline: close it where it is cut`
        : `${name} has no outline in it`,
    );
  // What lies within another is cut out of it.
  const outer = all.filter(
    ({ edge }) =>
      !all.some(
        (other) =>
          other.edge !== edge && size(other.edge) > size(edge) && holds(other.edge, edge[0]),
      ),
  );
  const shapes = outer
    .toSorted((a, b) => size(b.edge) - size(a.edge))
    .map(({ edge }): PlateShape => {
      const within = all.filter(
        (one) => one.edge !== edge && !outer.includes(one) && holds(edge, one.edge[0]),
      );
      return {
        edge,
        windows: within.flatMap(({ edge: one, round }) => (round ? [] : [one])),
        holes: within.flatMap(({ round }) => (round ? [round] : [])),
      };
    });
  const why = tooMuch(shapes);
  return why ? no(`${name} has ${why}`) : { ok: true, shapes, left: joined.left };
}

/** What of shapes is more than a build takes; null where nothing is. */
function tooMuch(shapes: readonly PlateShape[]): string | null {
  if (shapes.length > MOST.shapes) return `more than ${MOST.shapes} shapes: part it`;
  for (const { edge, windows, holes } of shapes) {
    const all = [edge, ...windows, ...holes.map(circle)].flat().length;
    if ([edge, ...windows].some((one) => one.length > MOST.spots))
      return `an outline of more than ${MOST.spots} places: let it be drawn in lines and arcs`;
    if (all > MOST.together) return `a shape of more than ${MOST.together} places: part it`;
    if (windows.length > MOST.windows || holes.length > MOST.holes)
      return `a shape with more than ${MOST.windows} windows or ${MOST.holes} holes: part it`;
  }
  return null;
}

interface Shape {
  vertices?: { x: number; y: number; bulge?: number }[];
  shape?: boolean;
  closed?: boolean;
  center?: { x: number; y: number };
  radius?: number;
  startAngle?: number;
  endAngle?: number;
  majorAxisEndPoint?: { x: number; y: number };
  axisRatio?: number;
  controlPoints?: { x: number; y: number }[];
  fitPoints?: { x: number; y: number }[];
  degreeOfSplineCurve?: number;
  knotValues?: number[];
}
interface Line {
  spots: Spot[];
  closed: boolean;
  round?: { at: Spot; across: number };
}

function lineOf(entity: IEntity & Shape, by: number): Line | null {
  const spot = ({ x, y }: { x: number; y: number }): Spot => [x * by, y * by];
  switch (entity.type) {
    case 'CIRCLE':
      return {
        ...{ spots: [], closed: true },
        round: { at: spot(entity.center!), across: 2 * entity.radius! * by },
      };
    case 'ARC':
      return {
        spots: arc(spot(entity.center!), entity.radius! * by, entity.startAngle!, entity.endAngle!),
        closed: false,
      };
    case 'LINE':
      return { spots: entity.vertices!.map(spot), closed: false };
    case 'LWPOLYLINE':
    case 'POLYLINE': {
      const own = entity.vertices ?? [];
      const isClosed = Boolean(entity.shape ?? entity.closed);
      const spots = own.flatMap((vertex, i): Spot[] => {
        const next = own[i + 1] ?? (isClosed ? own[0] : null);
        return next && vertex.bulge
          ? bulged(spot(vertex), spot(next), vertex.bulge).slice(0, -1)
          : [spot(vertex)];
      });
      const [first, last] = [spots[0], spots.at(-1)];
      const meets = spots.length > 3 && Math.hypot(first[0] - last![0], first[1] - last![1]) < SAME;
      return { spots: meets && !isClosed ? spots.slice(0, -1) : spots, closed: isClosed || meets };
    }
    case 'ELLIPSE': {
      const [cx, cy] = spot(entity.center!);
      const [ax, ay] = spot(entity.majorAxisEndPoint!);
      const ratio = entity.axisRatio!;
      const [from, to] = [entity.startAngle ?? 0, entity.endAngle ?? 2 * Math.PI];
      const whole = Math.abs(to - from) > 2 * Math.PI - 1e-6 || from === to;
      const turn = whole ? 2 * Math.PI : (to - from + 2 * Math.PI) % (2 * Math.PI);
      const steps = 96;
      const spots = Array.from({ length: whole ? steps : steps + 1 }, (_, i): Spot => {
        const t = from + (turn * i) / steps;
        return [
          cx + ax * Math.cos(t) - ay * ratio * Math.sin(t),
          cy + ay * Math.cos(t) + ax * ratio * Math.sin(t),
        ];
      });
      return { spots, closed: whole };
    }
    case 'SPLINE': {
      const spots = splineOf(entity).map(spot);
      if (spots.length < 2) return null;
      const [first, last] = [spots[0], spots.at(-1)!];
      const meets = Math.hypot(first[0] - last[0], first[1] - last[1]) < SAME;
      return { spots: meets ? spots.slice(0, -1) : spots, closed: meets };
    }
    default:
      return null;
  }
}

/** Places along an arc counter-clockwise from one angle to another, radians. */
function arc([cx, cy]: Spot, radius: number, from: number, to: number): Spot[] {
  const turn = (((to - from) % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI) || 2 * Math.PI;
  const steps = stepsOf(radius, turn);
  return Array.from({ length: steps + 1 }, (_, i): Spot => {
    const t = from + (turn * i) / steps;
    return [cx + radius * Math.cos(t), cy + radius * Math.sin(t)];
  });
}

/** How many chords an arc takes. */
const stepsOf = (radius: number, turn: number): number =>
  Math.min(
    180,
    Math.max(
      2,
      Math.ceil(
        Math.abs(turn) / (2 * Math.acos(Math.max(0.5, 1 - CHORD / Math.max(radius, CHORD)))),
      ),
    ),
  );

/** An arc from place to place by its bulge, the tangent of a quarter of its turn. */
function bulged(a: Spot, b: Spot, bulge: number): Spot[] {
  const turn = 4 * Math.atan(bulge);
  const chord = Math.hypot(b[0] - a[0], b[1] - a[1]);
  if (chord < 1e-9) return [a, b];
  const radius = chord / (2 * Math.abs(Math.sin(turn / 2)));
  const off = chord / (2 * Math.tan(turn / 2));
  const [mx, my] = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  const [ux, uy] = [(b[0] - a[0]) / chord, (b[1] - a[1]) / chord];
  const [cx, cy] = [mx - uy * off, my + ux * off];
  const from = Math.atan2(a[1] - cy, a[0] - cx);
  const steps = stepsOf(radius, turn);
  return Array.from({ length: steps + 1 }, (_, i): Spot => {
    if (i === steps) return b;
    const t = from + (turn * i) / steps;
    return [cx + radius * Math.cos(t), cy + radius * Math.sin(t)];
  });
}

/** Places along a spline by its knots (de Boor 1972, from memory); through its fit points where it has no knots. */
function splineOf({
  controlPoints = [],
  fitPoints = [],
  degreeOfSplineCurve = 3,
  knotValues = [],
}: Shape) {
  const p = degreeOfSplineCurve;
  const n = controlPoints.length;
  if (n <= p || knotValues.length < n + p + 1)
    return fitPoints.length > 1 ? fitPoints : controlPoints;
  const [from, to] = [knotValues[p], knotValues[n]];
  return Array.from({ length: SPLINE + 1 }, (_, step) => {
    const t = Math.min(to - 1e-12 * (to - from), from + ((to - from) * step) / SPLINE);
    let k = p;
    while (k < n - 1 && t >= knotValues[k + 1]) k++;
    const d = Array.from({ length: p + 1 }, (__, j) => ({ ...controlPoints[j + k - p] }));
    for (let r = 1; r <= p; r++)
      for (let j = p; j >= r; j--) {
        const low = knotValues[j + k - p];
        const span = knotValues[j + 1 + k - r] - low;
        const a = span === 0 ? 0 : (t - low) / span;
        d[j] = { x: (1 - a) * d[j - 1].x + a * d[j].x, y: (1 - a) * d[j - 1].y + a * d[j].y };
      }
    return { x: d[p].x, y: d[p].y };
  });
}
const SPLINE = 96;

/** Lines that meet at their ends, as closed outlines; how many of them close nowhere. */
function joinedUp(lines: readonly Spot[][]): { closed: Spot[][]; left: number } {
  const left = lines.filter((one) => one.length > 1).map((one) => [...one]);
  const found: Spot[][] = [];
  let over = 0;
  const near = (a: Spot, b: Spot): boolean => Math.hypot(a[0] - b[0], a[1] - b[1]) < SAME;
  while (left.length > 0) {
    let now = left.pop()!;
    let of = 1;
    for (;;) {
      if (now.length > 3 && near(now[0], now.at(-1)!)) {
        found.push(now.slice(0, -1));
        break;
      }
      const end = now.at(-1)!;
      const k = left.findIndex((one) => near(one[0], end) || near(one.at(-1)!, end));
      if (k < 0) {
        over += of;
        break;
      }
      of++;
      const [next] = left.splice(k, 1);
      now = [...now, ...(near(next[0], end) ? next : next.toReversed()).slice(1)];
    }
  }
  return { closed: found, left: over };
}

/** An outline without places that lie on the one before. */
const withoutDoubles = (spots: Spot[]): Spot[] =>
  spots.filter((p, i) => {
    const before = spots[(i + spots.length - 1) % spots.length];
    return Math.hypot(p[0] - before[0], p[1] - before[1]) > 1e-6;
  });

const size = (edge: readonly Spot[]): number =>
  Math.abs(ShapeUtils.area(edge.map(([x, y]) => new Vector2(x, y))));

/** Whether a place is within an outline: by how often a line from it crosses (Shimrat 1962, from memory). */
function holds(edge: readonly Spot[], [x, y]: Spot): boolean {
  let inside = false;
  edge.forEach((a, i) => {
    const b = edge[(i + 1) % edge.length];
    if (a[1] > y !== b[1] > y && x < a[0] + ((y - a[1]) / (b[1] - a[1])) * (b[0] - a[0]))
      inside = !inside;
  });
  return inside;
}
