import Papa from 'papaparse';
import { bumpMap, offset } from '../src/core/bumpsteer/bumpMap';
import { planeOf } from '../src/core/model/mapPlanes';
import type { PlaneName } from '../src/core/model/mapPlanes';
import type { Build } from '../src/core/model/build';
import { finish } from '../src/core/find/finish';
import { rodWheel } from './wheel';

export interface MapRequest {
  axle: 'front' | 'rear';
  side: 'left' | 'right';
  plane: PlaneName;
  /** Either way from the present place, mm. */
  size: number;
  /** Places each way. */
  n: number;
  format: 'csv' | 'json';
}

/** Toe range over the travel with a joint at each place of a square; empty out of reach. */
export function mapTable(
  build: Build,
  { axle, side, plane, size, n, format }: MapRequest,
): { ok: true; text: string } | { ok: false; why: string } {
  const asked = rodWheel(build, axle, side);
  if (!asked.ok) return asked;
  const map = finish(bumpMap(asked.wheel, plane, size, n));
  const { point, across, up } = planeOf(asked.wheel.type, plane);
  const rows = Array.from(map.range, (range, k) => ({
    [`${across}_mm`]: map.across + offset(k % n, n, size),
    [`${up}_mm`]: map.up + offset(Math.floor(k / n), n, size),
    range_deg: Number.isNaN(range) ? null : range,
  }));
  if (format === 'json')
    return { ok: true, text: `${JSON.stringify({ point, plane, rows }, null, 2)}\n` };
  return { ok: true, text: `${Papa.unparse(rows, { newline: '\n' })}\n` };
}
