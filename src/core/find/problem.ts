/** Something a finder may change. */
export interface Variable {
  now: number;
  /** Places to try, rising, every one; null for anything from min to max. */
  places: readonly number[] | null;
  min: number;
  max: number;
  /** Step between places of a range; 0: any. */
  step: number;
  /** How much work a value is. */
  effort: (value: number) => number;
}

/**
 * Residuals [from, to) whose spread, greatest less least, is to be small; one alone counts as far as it is from 0, or
 * as far as it is above.
 */
export interface Spread {
  from: number;
  to: number;
  weight: number;
  /** One residual that may be below 0 as far as it likes: a limit that is kept. */
  above?: true;
}

export interface Problem {
  variables: Variable[];
  /** Number of residuals. */
  count: number;
  /**
   * Writes how far a choice of values is from what is wanted, each residual in units of what is still
   * good enough. False where the choice makes no working layout.
   */
  residuals: (values: Float64Array, into: Float64Array) => boolean;
  /** Slopes of every residual by each free variable at `values`, rows of `count`; without them they are measured. */
  slopes?: (values: Float64Array, free: readonly number[], into: Float64Array) => void;
  /** What is to be least where that is not the mean square: the sum of these spreads. */
  spreads?: Spread[];
  /** Variables that are changed as one: all of a list or none. Every other moves alone. */
  together?: readonly (readonly number[])[];
}

export interface Found {
  values: number[];
  residuals: number[];
  /** What was to be least: the sum of the spreads, or the root mean square of the residuals. */
  miss: number;
  /** Every residual is good enough. */
  reached: boolean;
  effort: number;
  /** The search of what moves without steps came to rest; what did not is no least. */
  settled: boolean;
}

/** What is to be least, of residuals. */
export function missOf({ spreads, count }: Problem, residuals: Float64Array): number {
  if (!spreads) return Math.sqrt(squareOf(residuals) / Math.max(1, count));
  let sum = 0;
  for (const { from, to, weight, above } of spreads) {
    if (above) {
      sum += weight * Math.max(0, residuals[from]);
      continue;
    }
    let least = Infinity;
    let most = -Infinity;
    for (let i = from; i < to; i++) {
      least = Math.min(least, residuals[i]);
      most = Math.max(most, residuals[i]);
    }
    sum += weight * (to - from === 1 ? Math.abs(most) : most - least);
  }
  return sum;
}

export function squareOf(list: Float64Array): number {
  let sum = 0;
  for (const value of list) sum += value * value;
  return sum;
}

/** Slopes of every residual by each of the free variables, in rows of `count`; r0 holds the residuals at `values`. */
export function slopesOf(
  { variables, count, residuals, slopes }: Problem,
  free: readonly number[],
  values: Float64Array,
  r0: Float64Array,
  into: Float64Array,
): void {
  if (slopes) return slopes(values, free, into);
  const trial = values.slice();
  const r1 = new Float64Array(count);
  free.forEach((i, k) => {
    // Away from a bound, and the other way where that makes no layout.
    const first = values[i] + STEP > variables[i].max ? -STEP : STEP;
    for (const h of [first, -first]) {
      trial.set(values);
      trial[i] += h;
      const works = residuals(trial, r1);
      for (let r = 0; r < count; r++) into[k * count + r] = works ? (r1[r] - r0[r]) / h : 0;
      if (works) break;
    }
  });
}

/** By how much a variable is moved to measure a slope, mm. */
const STEP = 0.01;

/** Limits that are kept add nothing to the squares: as residuals and slopes they are nought. Changes what it is given. */
export function keepWithin(
  { spreads, count }: Problem,
  r: Float64Array,
  slopes?: Float64Array,
): void {
  for (const { from, above } of spreads ?? []) {
    if (!above || r[from] > 0) continue;
    r[from] = 0;
    if (slopes) for (let at = from; at < slopes.length; at += count) slopes[at] = 0;
  }
}
