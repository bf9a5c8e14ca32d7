import type { AxleName, Build } from '../model/build';
import type { Coordinate, PointName } from '../model/points';
import { isMeasured, takeOffOf } from '../model/takeOff';

/** Whether a joint was measured off the hub face: it is part of one solid upright, on either side. */
export const isOnSolid = (build: Build, axle: AxleName, point: PointName): boolean =>
  takeOffOf(build).measured.some(
    (record) =>
      record.axle === axle &&
      record.point === point &&
      record.method === 'bench' &&
      isMeasured(record),
  );

/**
 * Whether a coordinate may be offered as something to change: not where it is welded, nor where its joint is
 * part of an upright that was measured as one, unless a freedom says how it moves there (washers, a slot).
 */
export function mayMove(
  build: Build,
  axle: AxleName,
  point: PointName,
  coordinate: Coordinate,
): boolean {
  const freedom = build[axle]?.freedoms?.[point]?.[coordinate];
  if (freedom) return freedom.kind !== 'fixed';
  return !isOnSolid(build, axle, point);
}
