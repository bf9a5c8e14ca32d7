import type { z } from 'zod';
import type { Vec } from '../geometry/vec';
import { coordinate, group } from './wording';

/**
 * Points of a double-wishbone corner at ride height, {ahead, out, up} in mm: `ahead` forward of the
 * front axle line, `out` away from the centreline on either side, `up` from the ground.
 */
export const POINT_NAMES = [
  'lowerFrontInner',
  'lowerRearInner',
  'lowerOuter',
  'upperFrontInner',
  'upperRearInner',
  'upperOuter',
  'tieRodInner',
  'tieRodOuter',
  'wheelCentre',
] as const;
export type PointName = (typeof POINT_NAMES)[number];

export const COORDINATES = ['ahead', 'out', 'up'] as const;
export type Coordinate = (typeof COORDINATES)[number];

export const pointSchema = group({ ahead: coordinate, out: coordinate, up: coordinate });
export type Point = z.infer<typeof pointSchema>;

/** A point as the three numbers that are reckoned with, and back. */
export const toVec = ({ ahead, out, up }: Point): Vec => [ahead, out, up];
export const toPoint = ([ahead, out, up]: Vec): Point => ({ ahead, out, up });

export const pointsSchema = group({
  lowerFrontInner: pointSchema,
  lowerRearInner: pointSchema,
  lowerOuter: pointSchema,
  upperFrontInner: pointSchema,
  upperRearInner: pointSchema,
  upperOuter: pointSchema,
  tieRodInner: pointSchema,
  tieRodOuter: pointSchema,
  wheelCentre: pointSchema,
} satisfies Record<PointName, typeof pointSchema>);
export type Points = z.infer<typeof pointsSchema>;

/** What each point is called on screens and in messages. */
export const POINT_LABELS: Record<PointName, string> = {
  lowerFrontInner: 'lower arm front pivot',
  lowerRearInner: 'lower arm rear pivot',
  lowerOuter: 'lower ball joint',
  upperFrontInner: 'upper arm front pivot',
  upperRearInner: 'upper arm rear pivot',
  upperOuter: 'upper ball joint',
  tieRodInner: 'tie rod inner joint',
  tieRodOuter: 'tie rod outer joint',
  wheelCentre: 'wheel centre',
};

/** A point's name on an axle: without a rack the tie rod is a toe link. */
export const pointLabel = (name: PointName, steered: boolean): string =>
  steered ? POINT_LABELS[name] : POINT_LABELS[name].replace('tie rod', 'toe link');
