import { factor, solveFactored } from '../geometry/linear';
import { keepWithin, slopesOf, squareOf } from './problem';
import type { Problem } from './problem';

const MOST_STEPS = 60;

/**
 * Least squares within bounds, from where `values` are, which it moves: damped (Levenberg 1944, Marquardt
 * 1963), each step solved over the variables that no bound holds (active set; after Nocedal & Wright,
 * *Numerical Optimization*, ch. 16, from memory), so that a variable at its limit does not stall the others.
 * @param free which variables move
 * @param r0 residuals at `values`; holds them at the end, limits that are kept as nought
 * @param worth a step that gains less than this part is the last
 * @returns whether it came to rest
 */
export function leastSquares(
  problem: Problem,
  free: readonly number[],
  values: Float64Array,
  r0: Float64Array,
  worth = 1e-9,
): boolean {
  const { variables, count, residuals } = problem;
  const n = free.length;
  const slopes = new Float64Array(n * count);
  const trial = values.slice();
  const r1 = new Float64Array(count);
  let damping = 1e-3;
  keepWithin(problem, r0);
  let cost = squareOf(r0);
  for (let step = 0; step < MOST_STEPS; step++) {
    if (cost < 1e-12) return true;
    slopesOf(problem, free, values, r0, slopes);
    keepWithin(problem, r0, slopes);
    let gained = 0;
    for (let tries = 0; tries < 12 && gained === 0; tries++) {
      const move = boundedStep(slopes, r0, count, n, damping, (k) => [
        variables[free[k]].min - values[free[k]],
        variables[free[k]].max - values[free[k]],
      ]);
      let size = 0;
      trial.set(values);
      free.forEach((i, k) => {
        trial[i] = Math.min(variables[i].max, Math.max(variables[i].min, values[i] + move[k]));
        size = Math.max(size, Math.abs(trial[i] - values[i]));
      });
      if (size < 1e-7) return true;
      // What the slopes promise at the most: too little to be tried.
      if (cost - linearCost(slopes, r0, count, n, move) <= cost * worth) return true;
      const works = residuals(trial, r1);
      if (works) keepWithin(problem, r1);
      const next = works ? squareOf(r1) : Infinity;
      if (next < cost) {
        gained = cost - next;
        values.set(trial);
        r0.set(r1);
        damping = Math.max(damping / 6, 1e-12);
      } else damping = Math.max(damping, 1e-9) * 6;
    }
    if (gained <= cost * worth) return true;
    cost -= gained;
  }
  return false;
}

/**
 * The step that least squares of the linear problem asks for within bounds: variables that leave theirs are
 * put onto them and the rest solved again, and one whose slope then points back in is let go.
 */
function boundedStep(
  slopes: Float64Array,
  r0: Float64Array,
  count: number,
  n: number,
  damping: number,
  bounds: (k: number) => [number, number],
): Float64Array {
  const normal = new Float64Array(n * n);
  const right = new Float64Array(n);
  for (let k = 0; k < n; k++) {
    for (let r = 0; r < count; r++) right[k] -= slopes[k * count + r] * r0[r];
    for (let m = 0; m <= k; m++) {
      let sum = 0;
      for (let r = 0; r < count; r++) sum += slopes[k * count + r] * slopes[m * count + r];
      normal[k * n + m] = normal[m * n + k] = sum;
    }
  }
  for (let k = 0; k < n; k++) normal[k * n + k] += damping * (normal[k * n + k] + 1e-9);
  const limits = Array.from({ length: n }, (_, k) => bounds(k));
  const move = new Float64Array(n);
  const held = new Array<boolean>(n).fill(false);
  for (let round = 0; round < 4 * n + 4; round++) {
    solveHeld(normal, right, held, move, n);
    const out = limits.findIndex(
      ([low, high], k) => !held[k] && (move[k] < low - 1e-12 || move[k] > high + 1e-12),
    );
    if (out >= 0) {
      // The one that is farthest out for its way goes onto its bound first.
      let worst = out;
      let excess = 0;
      limits.forEach(([low, high], k) => {
        if (held[k]) return;
        const past = Math.max(low - move[k], move[k] - high) / (Math.abs(move[k]) + 1e-300);
        if (past > excess) [worst, excess] = [k, past];
      });
      const [low, high] = limits[worst];
      move[worst] = move[worst] < low ? low : high;
      held[worst] = true;
      continue;
    }
    const loose = limits.findIndex(([low, high], k) => {
      if (!held[k] || low === high) return false;
      let pull = right[k];
      for (let m = 0; m < n; m++) pull -= normal[k * n + m] * move[m];
      return (move[k] <= low && pull > 1e-12) || (move[k] >= high && pull < -1e-12);
    });
    if (loose < 0) break;
    held[loose] = false;
  }
  for (let k = 0; k < n; k++)
    move[k] = Math.min(
      limits[k][1],
      Math.max(limits[k][0], Number.isFinite(move[k]) ? move[k] : 0),
    );
  return move;
}

/** The sum of squares that a step leaves if every residual changes straight. */
function linearCost(
  slopes: Float64Array,
  r0: Float64Array,
  count: number,
  n: number,
  move: Float64Array,
): number {
  let sum = 0;
  for (let r = 0; r < count; r++) {
    let value = r0[r];
    for (let k = 0; k < n; k++) value += slopes[k * count + r] * move[k];
    sum += value * value;
  }
  return sum;
}

/** Solves the normal equations for what is not held, the held moves staying as they are. */
function solveHeld(
  normal: Float64Array,
  right: Float64Array,
  held: boolean[],
  move: Float64Array,
  n: number,
): void {
  const loose = held.flatMap((one, k) => (one ? [] : [k]));
  const m = loose.length;
  if (m === 0) return;
  const a = new Float64Array(m * m);
  const b = new Float64Array(m);
  loose.forEach((k, i) => {
    b[i] = right[k];
    for (let j = 0; j < n; j++) if (held[j]) b[i] -= normal[k * n + j] * move[j];
    loose.forEach((l, j) => (a[i * m + j] = normal[k * n + l]));
  });
  const order = new Int32Array(m);
  const x = new Float64Array(m);
  if (factor(a, m, order)) solveFactored(a, m, order, b, x);
  loose.forEach((k, i) => (move[k] = x[i]));
}
