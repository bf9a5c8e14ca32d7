import { bumpSteer } from '../bumpsteer/bumpSteer';
import { distance } from '../geometry/vec';
import { pointsKey, pointsOf, prepareAxle } from '../kinematics/axle';

import type { AxleName, Build, Side } from '../model/build';
import { COORDINATES, POINT_NAMES, toVec } from '../model/points';
import type { Point, PointName, Points } from '../model/points';
import { readAt } from '../motion/sweep';
import { Assembly } from '../tolerance/assembly';
import { AT, JOINTS } from '../tolerance/joints';
import { cornerOf } from '../tolerance/sensitivity';
import { readerOf } from './places';
import { recordOf, takeOffOf } from './records';

/** A point measured on both sides: right less left in the corner's own axes, mm. */
export interface SideBySide {
  point: PointName;
  left: Point;
  right: Point;
  off: Point;
  /** Length of `off`, mm. */
  apart: number;
}

/** A side as it would stand on the frame as measured, with arms and rods alike on both sides. */
export interface Stands {
  toe: number;
  camber: number;
  /** Toe range over the travel; null where part of it is out of reach. */
  toeRange: number | null;
}

export interface Symmetry {
  points: SideBySide[];
  /** The farthest apart; null where nothing is measured on both sides. */
  worst: SideBySide | null;
  /** Null where a side cannot be put together. */
  left: Stands | null;
  right: Stands | null;
}

/** Points of an axle that are measured on both sides, and where each puts them. */
export function bothSides(build: Build, axle: AxleName): SideBySide[] {
  const takeOff = takeOffOf(build);
  const { read } = readerOf(build);
  return POINT_NAMES.flatMap((point): SideBySide[] => {
    const [left, right] = (['left', 'right'] as const).map((side) => {
      const record = recordOf(takeOff, axle, side, point);
      const place = record && read(record);
      return place?.ok ? place.point : null;
    });
    if (!left || !right) return [];
    const off = {
      ahead: right.ahead - left.ahead,
      out: right.out - left.out,
      up: right.up - left.up,
    };
    return [{ point, left, right, off, apart: distance(toVec(left), toVec(right)) }];
  });
}

/**
 * How far a frame is out of symmetry, and what that does: each side is put together with arms and tie
 * rod of the drawn lengths on its own measured points.
 */
export function symmetryOf(build: Build, axle: AxleName): Symmetry {
  const points = bothSides(build, axle);
  const stands = (side: 'left' | 'right'): Stands | null => {
    const design = build[axle];
    if (!design || !prepareAxle(design).ok) return null;
    const drawn = pointsOf(design, 'left');
    const offsets = new Float64Array(JOINTS);
    for (const both of points)
      COORDINATES.forEach((coordinate, i) => {
        offsets[AT[both.point] + i] = both[side][coordinate] - drawn[both.point][coordinate];
      });
    const built = new Assembly(drawn, design.static, 'rod as drawn').build(offsets);
    const corner = built && cornerOf(design, side, built);
    const reading = corner && readAt(corner, 0, 0);
    if (!corner || !reading?.ok) return null;
    return {
      toe: reading.value.toe,
      camber: reading.value.camber,
      toeRange: bumpSteer(corner, build.travel)?.span.range ?? null,
    };
  };
  return {
    points,
    worst: points.reduce<SideBySide | null>(
      (worst, both) => (worst && worst.apart >= both.apart ? worst : both),
      null,
    ),
    left: points.length > 0 ? stands('left') : null,
    right: points.length > 0 ? stands('right') : null,
  };
}

/** What a side's records say, to a hundredth of a mm. */
function measuredOn(build: Build, axle: AxleName, side: Side): Partial<Points> {
  const takeOff = takeOffOf(build);
  const { read } = readerOf(build);
  return Object.fromEntries(
    POINT_NAMES.flatMap((point) => {
      const record = recordOf(takeOff, axle, side, point);
      const place = record && read(record);
      return place?.ok ? [[point, rounded(place.point)]] : [];
    }),
  );
}

/** Puts what was measured on one side into the model of that side. Changes the build it is given. */
export function putMeasured(build: Build, axle: AxleName, side: Side): void {
  const design = build[axle];
  if (design) Object.assign(design[pointsKey(design, side)]!, measuredOn(build, axle, side));
}

/** What to make of points measured on both sides. */
export type Choice = 'mean' | 'left' | 'right' | 'both';

/**
 * Puts what was measured on both sides into the model. `both` gives the right side its own points;
 * the others make the sides mirror each other. Changes the build it is given.
 */
export function takeOver(build: Build, axle: AxleName, choice: Choice): void {
  const design = build[axle];
  if (!design) return;
  const [left, right] = [measuredOn(build, axle, 'left'), measuredOn(build, axle, 'right')];
  if (choice === 'both') {
    const merged = { ...pointsOf(design, 'right'), ...left, ...right };
    // Copies: the sides may have been one object.
    design.rightPoints = Object.fromEntries(
      POINT_NAMES.map((name) => [name, { ...merged[name] }]),
    ) as Points;
    Object.assign(design.points, left);
    return;
  }
  const merged: Partial<Points> =
    choice === 'right' ? { ...left, ...right } : { ...right, ...left };
  if (choice === 'mean')
    for (const { point, left: l, right: r } of bothSides(build, axle))
      merged[point] = rounded({
        ahead: (l.ahead + r.ahead) / 2,
        out: (l.out + r.out) / 2,
        up: (l.up + r.up) / 2,
      });
  delete design.rightPoints;
  Object.assign(design.points, merged);
}

/** Finer than anything on a floor is measured. */
const rounded = (point: Point): Point => ({
  ahead: Math.round(point.ahead * 100) / 100,
  out: Math.round(point.out * 100) / 100,
  up: Math.round(point.up * 100) / 100,
});
