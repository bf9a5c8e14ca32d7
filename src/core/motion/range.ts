import { ROW_SIZE, COLUMN, PER_TRAVEL } from './quantities';
import type { Sloped, Sweep } from './sweep';

/** The span of a quantity over a sweep along travel. */
export interface Span {
  min: number;
  max: number;
  /** Travel, mm, of each end. */
  minAt: number;
  maxAt: number;
  /** max − min. */
  range: number;
}

/**
 * Least and greatest value of a sloped quantity over a travel sweep. Between two positions whose
 * slopes differ in sign the turning point of the cubic through both values and both exact slopes
 * (Hermite) counts too, so the span hardly depends on the number of positions.
 * @returns null where any position is out of reach
 */
export function spanOf(sweep: Sweep, quantity: Sloped): Span | null {
  const { count, travel, rows, reachable } = sweep;
  const column = COLUMN[quantity];
  let min = Infinity;
  let max = -Infinity;
  let minAt = 0;
  let maxAt = 0;
  for (let i = 0; i < count; i++) {
    if (!reachable[i]) return null;
    const y1 = rows[i * ROW_SIZE + column];
    // What does not apply has no span.
    if (Number.isNaN(y1)) return null;
    if (y1 < min) {
      min = y1;
      minAt = travel[i];
    }
    if (y1 > max) {
      max = y1;
      maxAt = travel[i];
    }
    if (i === 0) continue;
    const y0 = rows[(i - 1) * ROW_SIZE + column];
    const m0 = rows[(i - 1) * ROW_SIZE + PER_TRAVEL + column];
    const m1 = rows[i * ROW_SIZE + PER_TRAVEL + column];
    if (m0 * m1 >= 0) continue;
    const h = travel[i] - travel[i - 1];
    // y(s) = y0 + m0 h s + c s² + d s³ on s in 0…1; the one turning point inside.
    const c = 3 * (y1 - y0) - h * (2 * m0 + m1);
    const d = 2 * (y0 - y1) + h * (m0 + m1);
    const root = Math.sqrt(Math.max(0, c * c - 3 * d * m0 * h));
    const q = -(c + (c >= 0 ? root : -root));
    const first = (m0 * h) / q;
    const s = first >= 0 && first <= 1 ? first : q / (3 * d);
    if (!(s >= 0 && s <= 1)) continue;
    const y = y0 + s * (m0 * h + s * (c + s * d));
    const at = travel[i - 1] + s * h;
    if (y < min) {
      min = y;
      minAt = at;
    }
    if (y > max) {
      max = y;
      maxAt = at;
    }
  }
  return { min, max, minAt, maxAt, range: max - min };
}
