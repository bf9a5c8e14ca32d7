import { bodyDistance, solidOf } from '../clearance/solid';
import { leastToConvex } from '../clearance/shapes';
import type { Least } from '../clearance/shapes';
import { add, distance, scale } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { AxleName } from '../model/build';
import type { Column } from '../model/column';
import type { KeepOut, PlainBody } from '../model/room';
import { legsOf, pedalBoxOf } from './driver';
import { jointName, shaftLinesOf } from './places';
import type { ColumnPlaces } from './places';

/** A round part of a column, its ends rounded off, [ahead, left, up] mm. */
export interface Round {
  name: string;
  from: Vec;
  to: Vec;
  radius: number;
}

/** A body that a column keeps clear of, in the car's own axes. */
export interface CarBody {
  /** Its own, and the side where it stands on both. */
  id: string;
  name: string;
  /** From a place to its surface, mm, below 0 by the depth within it. */
  distanceTo: (p: Vec) => number;
  /** The least of that along a line, where it has more than one dip. */
  toLine?: (from: Vec, to: Vec) => Least;
}

/** How near a part of a column comes to a body, mm; below 0 by how deep it is in it; and where. */
export interface Near {
  what: string;
  to: string;
  /** The body's. */
  id: string;
  clearance: number;
  at: Vec;
}

const RACK_SHAFT = 'pinion’s shaft';
export const shaftName = (i: number, joints: number): string =>
  i === joints ? RACK_SHAFT : `shaft ${i + 1}`;

/** What of a column turns and takes room: its shafts, joints either side of their centres, boxes and motors. */
export function roundsOf(column: Column, places: ColumnPlaces): Round[] {
  const { joints, shafts } = column;
  const lines = shaftLinesOf(places);
  const out: Round[] = [];
  shafts.forEach((shaft, i) => {
    const { from, to, way } = lines[i];
    const name = shaftName(i, joints.length);
    out.push({ name, from, to, radius: shaft.outside / 2 });
    if (!shaft.assist) return;
    const { along, length, outside } = shaft.assist;
    const middle = add(from, scale(way, along));
    const half = scale(way, Math.max(0, length / 2 - outside / 2));
    out.push({
      name: `motor on ${name}`,
      from: add(middle, scale(half, -1)),
      to: add(middle, half),
      radius: outside / 2,
    });
  });
  joints.forEach((joint, j) => {
    const name = jointName(joints, j);
    const radius = joint.outside / 2;
    const stub = Math.max(0, joint.length - radius);
    const [upper, lower] = [places.upper[j], places.lower[j]];
    out.push({ name, from: upper, to: add(upper, scale(lines[j].way, -stub)), radius });
    out.push({ name, from: lower, to: add(lower, scale(lines[j + 1].way, stub)), radius });
    if (distance(upper, lower) > 0) out.push({ name, from: upper, to: lower, radius });
  });
  return out;
}

const SIDES = ['left', 'right'] as const;

/** The bodies beside an axle as the car has them, on both sides where they do not say which, and the driver's own. */
export function carBodiesOf(
  keepOuts: readonly KeepOut[],
  axle: AxleName,
  column: Pick<Column, 'driver' | 'wheel'>,
): CarBody[] {
  const bodies = keepOuts
    .filter((body) => body.axle === axle)
    .flatMap((body): CarBody[] => {
      // A surface out of a file is in the car's own axes already.
      if (body.kind === 'mesh') {
        const { toPoint, toLine } = solidOf(body, 1);
        return [{ id: body.id, name: body.name, distanceTo: toPoint, toLine }];
      }
      const distanceTo = bodyDistance(body);
      const sides = body.side ? [body.side] : SIDES;
      return sides.map((side): CarBody => ({
        id: `${body.id} ${side}`,
        name: body.side || isInMiddle(body) ? body.name : `${body.name}, ${side}`,
        distanceTo: side === 'left' ? distanceTo : ([x, y, z]) => distanceTo([x, -y, z]),
      }));
    });
  const own = [...legsOf(column), ...pedalBoxOf(column)];
  return [
    ...bodies,
    ...own.map((body) => ({ id: body.id, name: body.name, distanceTo: bodyDistance(body) })),
  ];
}

/** A box across the car's middle is one with its mirror image. */
const isInMiddle = (body: PlainBody): boolean =>
  body.kind === 'box' && Math.abs(body.middle.out) <= body.size.out / 2;

/**
 * The nearest that each part of a column comes to each body, the tightest first.
 * @param under only what is nearer than this, mm, which is much quicker
 */
export function nearOf(
  rounds: readonly Round[],
  bodies: readonly CarBody[],
  under = Infinity,
): Near[] {
  const found = new Map<string, Near>();
  for (const { name, from, to, radius } of rounds)
    for (const body of bodies) {
      // No place of it is nearer than its middle by more than half its length.
      const middle = body.distanceTo(scale(add(from, to), 0.5)) - radius;
      if (middle - distance(from, to) / 2 >= under) continue;
      const near = body.toLine?.(from, to) ?? leastToConvex(from, to, body.distanceTo);
      const clearance = near.distance - radius;
      if (clearance >= under) continue;
      const key = `${name}|${body.id}`;
      const known = found.get(key);
      if (!known || clearance < known.clearance)
        found.set(key, { what: name, to: body.name, id: body.id, clearance, at: near.at });
    }
  return [...found.values()].sort((a, b) => a.clearance - b.clearance);
}
