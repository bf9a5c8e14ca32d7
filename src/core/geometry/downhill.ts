import type { Matrix } from 'ml-matrix';
import { CholeskyDecomposition } from 'ml-matrix';

/** A sum of squares at a place, and how it goes on from there. */
export interface Looked {
  cost: number;
  /** Asked for only where a step is taken from. */
  bent: () => Bent;
}

/** Half the second derivatives of a sum of squares (n × n, symmetric) and half its slope downhill (n × 1). */
export interface Bent {
  curve: Matrix;
  slope: Matrix;
  /** What damping counts in, and how far the place may still be off by each unknown alone. */
  size: number;
  off: number;
}

const MOST_STEPS = 400;
const LEAST_DAMPING = 1e-9;
/** More damping than this leaves nothing of a step. */
const MOST_DAMPING = 1e9;

/**
 * Goes downhill to where a sum of squares is least: Newton's method, damped where the sum is not bent upwards every
 * way and where a step would go up (Levenberg 1944, Marquardt 1963).
 * @param look the sum at a place; its places are not changed
 * @param still a step that is as good as none, in units of the unknowns
 * @param longest no unknown goes further in one step
 * @param rest how far off by each unknown alone a place at rest may be
 * @returns null where it does not come to rest
 */
export function settle(
  start: readonly number[],
  look: (place: readonly number[]) => Looked,
  { still, longest = Infinity, rest }: { still: number; longest?: number; rest: number },
): { place: number[]; cost: number } | null {
  let place = [...start];
  let here = look(place);
  let damping = 0;
  for (let step = 0; step < MOST_STEPS; step++) {
    const { curve, slope, size, off } = here.bent();
    const more = () => (damping = Math.max(LEAST_DAMPING, 6 * damping));
    for (let i = 0; i < place.length; i++) {
      curve.set(i, i, curve.get(i, i) + damping * size);
      // Sums in another order round differently.
      for (let j = 0; j < i; j++) curve.set(i, j, curve.get(j, i));
    }
    const factors = new CholeskyDecomposition(curve);
    if (!factors.isPositiveDefinite()) {
      if (more() > MOST_DAMPING) return null;
      continue;
    }
    const move = factors.solve(slope).to1DArray();
    const long = Math.max(...move.map(Math.abs));
    if (!Number.isFinite(long)) return null;
    const part = Math.min(1, longest / long);
    const next = place.map((x, i) => x + part * move[i]);
    const there = look(next);
    // Down, or as low as figures go.
    if (there.cost < here.cost || (long < still && there.cost <= here.cost * (1 + 1e-9) + 1e-12)) {
      [place, here] = [next, there];
      damping = damping < 1e-12 ? 0 : damping / 10;
      if (long < still && off < rest) return { place, cost: here.cost };
    } else if (long < still) return off < rest ? { place, cost: here.cost } : null;
    else more();
  }
  return null;
}

/** How far each unknown alone would still have to go, the most of them. */
export function offBy(normal: Matrix, slope: Matrix): number {
  let off = 0;
  for (let i = 0; i < slope.rows; i++)
    off = Math.max(off, Math.abs(slope.get(i, 0)) / Math.max(normal.get(i, i), 1e-9));
  return off;
}
