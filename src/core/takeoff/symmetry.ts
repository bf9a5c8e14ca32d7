import { pointNames, typeOf } from '../corners/kinds';
import { distance } from '../geometry/vec';
import { pointsKey, pointsOf } from '../kinematics/axle';
import type { AxleName, Build, Side } from '../model/build';
import { toVec } from '../model/points';
import type { Point, PointName, Points } from '../model/points';
import { recordOf, takeOffOf } from '../model/takeOff';
import { readerOf } from './places';

/** A point measured on both sides: right less left in the corner's own axes, mm. */
export interface SideBySide {
  point: PointName;
  left: Point;
  right: Point;
  off: Point;
  /** Length of `off`, mm. */
  apart: number;
}

const namesOf = (build: Build, axle: AxleName): PointName[] => {
  const design = build[axle];
  return design ? pointNames(typeOf(design)) : [];
};

/** Points of an axle that are measured on both sides, and where each puts them. */
export function bothSides(build: Build, axle: AxleName): SideBySide[] {
  const takeOff = takeOffOf(build);
  const { read } = readerOf(build);
  return namesOf(build, axle).flatMap((point): SideBySide[] => {
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

/** What a side's records say, to a hundredth of a mm. */
function measuredOn(build: Build, axle: AxleName, side: Side): Partial<Points> {
  const takeOff = takeOffOf(build);
  const { read } = readerOf(build);
  return Object.fromEntries(
    namesOf(build, axle).flatMap((point) => {
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
      namesOf(build, axle).map((name) => [name, { ...merged[name] }]),
    ) as unknown as Points;
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
