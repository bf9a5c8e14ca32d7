import type { Wheel } from '../kinematics/wheel';
import { travelSweep } from '../motion/sweep';
import { planeOf } from '../model/mapPlanes';
import type { PlaneName } from '../model/mapPlanes';
import { bumpSteerOf } from './trial';

/** Toe range over the travel with a joint at each place of a square about where it is. */
export interface BumpMap {
  plane: PlaneName;
  /** Places each way. */
  n: number;
  /** Half of the square's side, mm. */
  size: number;
  /** Coordinates of the middle. */
  across: number;
  up: number;
  /** n × n degrees in rows from the least `up`; NaN out of reach, and where not looked at yet. */
  range: Float64Array;
  /** Places between two looked at so far: 1 when it is finished. */
  grain: number;
}

/** Positions of the travel looked at: the span's turning points are taken from exact slopes. */
const COARSE = 13;

/**
 * Looks at a map from coarse to fine; yields itself after each part so that its caller can show it and stop.
 * @param n places each way, odd, so that the present place is one
 */
export function* bumpMap(
  wheel: Wheel,
  plane: PlaneName,
  size: number,
  n: number,
): Generator<{ part: number; map: BumpMap }, BumpMap> {
  const { point, across, up } = planeOf(wheel.type, plane);
  const now = wheel.points[point];
  const sweep = travelSweep(wheel.travel, COARSE);
  const map: BumpMap = {
    plane,
    n,
    size,
    across: now[across],
    up: now[up],
    range: new Float64Array(n * n).fill(NaN),
    grain: 0,
  };
  const looked = new Uint8Array(n * n);
  let done = 0;
  for (let grain = coarsest(n); grain >= 1; grain /= 2) {
    for (let j = 0; j < n; j += grain) {
      for (let i = 0; i < n; i += grain) {
        if (looked[j * n + i]) continue;
        looked[j * n + i] = 1;
        done++;
        const at = {
          ...now,
          [across]: map.across + offset(i, n, size),
          [up]: map.up + offset(j, n, size),
        };
        const steer = bumpSteerOf(wheel.withRod({ [point]: at }), sweep);
        map.range[j * n + i] = steer?.span.range ?? NaN;
      }
      yield { part: done / (n * n), map };
    }
    map.grain = grain;
    yield { part: done / (n * n), map };
  }
  return map;
}

/** The largest power of two that divides the number of steps, at most 8. */
function coarsest(n: number): number {
  let grain = 1;
  while (grain < 8 && (n - 1) % (grain * 2) === 0) grain *= 2;
  return grain;
}

/** How far place `i` is from the middle, mm. */
export const offset = (i: number, n: number, size: number): number =>
  n === 1 ? 0 : -size + (2 * size * i) / (n - 1);

/** The least of a map: its place, mm, and toe range. */
export function leastOf(map: BumpMap): { across: number; up: number; range: number } | null {
  let best = -1;
  for (let k = 0; k < map.range.length; k++)
    if (!Number.isNaN(map.range[k]) && (best < 0 || map.range[k] < map.range[best])) best = k;
  if (best < 0) return null;
  return {
    across: map.across + offset(best % map.n, map.n, map.size),
    up: map.up + offset(Math.floor(best / map.n), map.n, map.size),
    range: map.range[best],
  };
}
