import type { Coordinate, PointName } from './points';

/** Planes that a joint can be moved over: across and up the map. */
export const PLANES = {
  'inner-out-up': { point: 'tieRodInner', across: 'out', up: 'up' },
  'inner-ahead-up': { point: 'tieRodInner', across: 'ahead', up: 'up' },
  'inner-ahead-out': { point: 'tieRodInner', across: 'ahead', up: 'out' },
  'outer-ahead-up': { point: 'tieRodOuter', across: 'ahead', up: 'up' },
  'outer-out-up': { point: 'tieRodOuter', across: 'out', up: 'up' },
} as const satisfies Record<string, { point: PointName; across: Coordinate; up: Coordinate }>;
export type PlaneName = keyof typeof PLANES;
export const PLANE_NAMES = Object.keys(PLANES) as [PlaneName, ...PlaneName[]];
