import type { CornerType } from '../corners/cornerType';
import { DAMPER_POINTS, carriersOf } from '../corners/damperTable';
import { pointNames } from '../corners/kinds';
import type { Vec } from '../geometry/vec';
import { coordinate, group } from './wording';

/** The name of a corner's point: one of its kind's table. */
export type PointName = string;

export const COORDINATES = ['ahead', 'out', 'up'] as const;
export type Coordinate = (typeof COORDINATES)[number];

/**
 * A point at ride height in mm: `ahead` forward of the front axle line, `out` away from the centreline on
 * either side, `up` from the ground.
 */
export const pointSchema = group({ ahead: coordinate, out: coordinate, up: coordinate });
export interface Point {
  ahead: number;
  out: number;
  up: number;
}

/** A point as the three numbers that are reckoned with, and back. */
export const toVec = ({ ahead, out, up }: Point): Vec => [ahead, out, up];
export const toPoint = ([ahead, out, up]: Vec): Point => ({ ahead, out, up });

/** The points of a corner by name, as its kind's table has them. Every kind has a wheel. */
export interface Points {
  wheelCentre: Point;
  [name: PointName]: Point;
}

/** Points that a kind's corner may have besides those of its table: a damper's. */
export const mayHave = (type: CornerType): readonly PointName[] =>
  carriersOf(type).length > 0 ? DAMPER_POINTS : [];

/** What reads the points of a kind: all of its table, a damper's, nothing else. */
export const pointsSchemaOf = (type: CornerType) =>
  group({
    ...Object.fromEntries(pointNames(type).map((name) => [name, pointSchema])),
    ...Object.fromEntries(mayHave(type).map((name) => [name, pointSchema.optional()])),
  });

/** Points of a kind from their places. */
export const pointsFrom = (type: CornerType, place: (name: PointName) => Vec): Points =>
  Object.fromEntries(
    pointNames(type).map((name) => [name, toPoint(place(name))]),
  ) as unknown as Points;
