import type { CornerType } from '../corners/cornerType';
import { rodEnds } from '../corners/kinds';
import type { Coordinate, PointName } from './points';

/** Planes that an end of a rod can be moved over: across and up the map. */
export const PLANES = {
  'inner-out-up': { end: 'inner', across: 'out', up: 'up' },
  'inner-ahead-up': { end: 'inner', across: 'ahead', up: 'up' },
  'inner-ahead-out': { end: 'inner', across: 'ahead', up: 'out' },
  'outer-ahead-up': { end: 'outer', across: 'ahead', up: 'up' },
  'outer-out-up': { end: 'outer', across: 'out', up: 'up' },
} as const satisfies Record<string, { end: 'inner' | 'outer'; across: Coordinate; up: Coordinate }>;
export type PlaneName = keyof typeof PLANES;
export const PLANE_NAMES = Object.keys(PLANES) as [PlaneName, ...PlaneName[]];

/** The joint and the coordinates of a plane, of a kind that has a rod. */
export function planeOf(
  type: Pick<CornerType, 'kind' | 'tieRod'>,
  name: PlaneName,
): { point: PointName; across: Coordinate; up: Coordinate } {
  const { end, ...plane } = PLANES[name];
  return { point: rodEnds(type)[end], ...plane };
}
