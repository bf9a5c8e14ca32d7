import { add, scale } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { surfaceOf } from '../model/mesh';
import { toVec } from '../model/points';
import type { KeepOut, MeshBody, PlainBody } from '../model/room';
import { leastRound, toRing } from './ring';
import type { Ring } from './ring';
import { leastToConvex, toBox, toCylinder } from './shapes';
import type { Least } from './shapes';
import { askedOf } from './surfaces';

/** A body that distances are asked of, in a corner's outward axes, mm. */
export interface Solid {
  toPoint: (p: Vec) => number;
  toLine: (from: Vec, to: Vec) => Least;
  /** Null where it is not under a ceiling. */
  toTyre: (tyre: Ring, ceiling: number) => Least | null;
}

/**
 * A body beside a corner.
 * @param hand 1 for the left corner; −1 for the right one, whose outward is the car's right
 */
export const solidOf = (body: KeepOut, hand: 1 | -1): Solid =>
  body.kind === 'mesh' ? meshSolid(body, hand) : plainSolid(body);

function plainSolid(body: PlainBody): Solid {
  const toPoint = bodyDistance(body);
  return {
    toPoint,
    toLine: (from, to) => leastToConvex(from, to, toPoint),
    toTyre: (tyre, ceiling) => leastRound(tyre, toPoint, boxOf(body), ceiling),
  };
}

/** How closely a tyre's nearest place on a surface is found, mm. */
const CLOSE = 0.25;

/** A surface out of a file is in the car's own axes; what it was thinned by is taken off every distance. */
function meshSolid(body: MeshBody, hand: 1 | -1): Solid {
  // A body that was read has one.
  const tree = askedOf(surfaceOf(body)!);
  const turned = ([x, y, z]: Vec): Vec => [x, hand * y, z];
  const less = ({ distance, at }: Least): Least => ({
    distance: distance - body.exact,
    at: turned(at),
  });
  return {
    toPoint: (p) => tree.toPoint(turned(p)) - body.exact,
    toLine: (from, to) => less(tree.toLine(turned(from), turned(to))),
    toTyre: (tyre, ceiling) => {
      const there = { ...tyre, centre: turned(tyre.centre), axis: turned(tyre.axis) };
      const found = tree.leastOf((p) => toRing(p, there), CLOSE, ceiling + body.exact);
      return found && less(found);
    },
  };
}

/** The box along the axes that a body lies in: its middle and half of its size. */
function boxOf(body: PlainBody): { middle: Vec; half: Vec } {
  if (body.kind === 'box')
    return { middle: toVec(body.middle), half: scale(toVec(body.size), 0.5) };
  const [from, to] = [toVec(body.from), toVec(body.to)];
  const reach = body.diameter / 2;
  return {
    middle: scale(add(from, to), 0.5),
    half: [0, 1, 2].map((i) => Math.abs(to[i] - from[i]) / 2 + reach) as unknown as Vec,
  };
}

/** From a place to a body's surface, in its own axes, mm; below 0 by the depth within it. */
export function bodyDistance(body: PlainBody): (p: Vec) => number {
  if (body.kind === 'box') {
    const [middle, extent] = [toVec(body.middle), toVec(body.size)];
    return (p) => toBox(p, middle, extent);
  }
  const [from, to] = [toVec(body.from), toVec(body.to)];
  return (p) => toCylinder(p, from, to, body.diameter / 2);
}
