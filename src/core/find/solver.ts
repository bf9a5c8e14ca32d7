import { leastSpread } from './leastSpread';
import { leastSquares } from './leastSquares';
import { missOf } from './problem';
import type { Found, Problem } from './problem';

/** A range wider than this is started in from several places, mm: over so much, what is sought bends. */
const WIDE = 20;
/** A start whose squares leave more than so many times the best is not followed to its least spread. */
const HOPELESS = 3;
/** With so little left, in units of what is good enough, no other start is tried. */
const ENOUGH = 0.4;
/** Starts whose squares come down to one place, mm, go on as one. */
const SAME = 0.5;
/** Ranges in so many steps or fewer are looked at round their best step by step. */
const NEIGHBOURS = 6;

/** Finds the best of what moves without places, for given values of the rest. */
export class Solver {
  /** Where spreads follow, squares are but a start. */
  private readonly rough: number;
  /** How many variables have no places. */
  private readonly loose: number;
  /** Residuals that may be below 0. */
  private readonly limits: Set<number>;

  constructor(private readonly problem: Problem) {
    this.loose = problem.variables.filter(({ places }) => !places).length;
    this.rough = problem.spreads ? 1e-2 : 1e-6;
    this.limits = new Set(problem.spreads?.flatMap(({ from, above }) => (above ? [from] : [])));
  }

  /**
   * @param start values of every variable; those not in `free` stay
   * @returns null where no layout is made
   */
  solve(start: Float64Array, free: readonly number[]): Found | null {
    const { variables, residuals } = this.problem;
    if (free.length === 0) return this.found(start.slice(), true);
    let best: { values: Float64Array; miss: number; settled: boolean } | null = null;
    let leastOfSquares = Infinity;
    const feet: Float64Array[] = [];
    for (const values of this.startsOf(start, free)) {
      const r0 = new Float64Array(this.problem.count);
      if (!residuals(values, r0)) continue;
      let settled = leastSquares(this.problem, free, values, r0, this.rough);
      if (this.problem.spreads) {
        residuals(values, r0);
        const before = missOf(this.problem, r0);
        if (best && before > HOPELESS * leastOfSquares) continue;
        if (feet.some((foot) => foot.every((at, i) => Math.abs(at - values[i]) < SAME))) continue;
        feet.push(values.slice());
        leastOfSquares = Math.min(leastOfSquares, before);
        settled = leastSpread(this.problem, free, values, r0);
      }
      const miss = missOf(this.problem, r0);
      if (!best || miss < best.miss) best = { values, miss, settled };
      if (miss < ENOUGH) break;
    }
    if (!best) return null;
    const stepped = free.filter((i) => variables[i].step > 0);
    return stepped.length > 0
      ? this.onSteps(best.values, free, stepped)
      : this.found(best.values, best.settled);
  }

  /** Where things are, and where ranges are wide places spread over them. */
  private *startsOf(start: Float64Array, free: readonly number[]): Generator<Float64Array> {
    const { variables } = this.problem;
    const at = (part: (k: number) => number | null) => {
      const values = start.slice();
      free.forEach((i, k) => {
        const { min, max, now } = variables[i];
        const share = part(k);
        values[i] = share === null ? Math.min(max, Math.max(min, now)) : min + share * (max - min);
      });
      return values;
    };
    yield at(() => null);
    const widest = Math.max(...free.map((i) => variables[i].max - variables[i].min));
    // Parts of what may move begin where things are: all of it together has looked round.
    if (widest <= WIDE || free.length < this.loose) return;
    // Low-discrepancy places (Halton 1960).
    for (let n = 1; n <= STARTS; n++) yield at((k) => halton(n, PRIMES[k % PRIMES.length]));
  }

  /** Puts what comes in steps onto them: the neighbours all together, what has no steps solved again for each. */
  private onSteps(
    values: Float64Array,
    free: readonly number[],
    stepped: readonly number[],
  ): Found | null {
    const { variables } = this.problem;
    const rest = free.filter((i) => !stepped.includes(i));
    const last = (i: number) =>
      Math.floor((variables[i].max - variables[i].min) / variables[i].step + 1e-9);
    const tried = new Map<string, Found | null>();
    const at = (steps: number[]): Found | null => {
      const key = steps.join();
      const known = tried.get(key);
      if (known !== undefined) return known;
      const trial = values.slice();
      stepped.forEach((i, k) => (trial[i] = variables[i].min + steps[k] * variables[i].step));
      const found = rest.length > 0 ? this.descend(trial, rest) : this.found(trial, true);
      tried.set(key, found);
      return found;
    };
    const within = (i: number, step: number) => Math.min(last(i), Math.max(0, step));
    const exact = stepped.map((i) => (values[i] - variables[i].min) / variables[i].step);
    let here = exact.map((step, k) => within(stepped[k], Math.round(step)));
    let best: Found | null = null;
    const take = (steps: number[]) => {
      const found = at(steps);
      if (!found || (best && found.miss >= best.miss)) return false;
      best = found;
      here = steps;
      return true;
    };
    const corners = 1 << Math.min(stepped.length, NEIGHBOURS);
    for (let corner = 0; corner < corners; corner++)
      take(
        exact.map((step, k) =>
          within(stepped[k], (corner >> k) & 1 ? Math.ceil(step) : Math.floor(step)),
        ),
      );
    // On from there as long as one step of one or of two together is better.
    for (let gained = true; gained;) {
      gained = false;
      const from = here;
      for (let k = 0; k < stepped.length; k++)
        for (let m = k; m < stepped.length; m++)
          for (const [a, b] of [
            [1, 0],
            [-1, 0],
            [1, 1],
            [1, -1],
            [-1, 1],
            [-1, -1],
          ]) {
            if (m === k && b !== 0) continue;
            const next = from.slice();
            next[k] = within(stepped[k], next[k] + a);
            if (m !== k) next[m] = within(stepped[m], next[m] + b);
            gained = take(next) || gained;
          }
    }
    return best;
  }

  /** From where the values are alone. */
  private descend(values: Float64Array, free: readonly number[]): Found | null {
    const r0 = new Float64Array(this.problem.count);
    if (!this.problem.residuals(values, r0)) return null;
    let settled = leastSquares(this.problem, free, values, r0, this.rough);
    if (this.problem.spreads) {
      this.problem.residuals(values, r0);
      settled = leastSpread(this.problem, free, values, r0);
    }
    return this.found(values, settled);
  }

  private found(values: Float64Array, settled: boolean): Found | null {
    const { variables, count, residuals } = this.problem;
    const r = new Float64Array(count);
    if (!residuals(values, r)) return null;
    return {
      values: [...values],
      residuals: [...r],
      miss: missOf(this.problem, r),
      reached: r.every((one, i) => (this.limits.has(i) ? one : Math.abs(one)) <= 1 + 1e-6),
      effort: variables.reduce((sum, { effort }, i) => sum + effort(values[i]), 0),
      settled,
    };
  }
}

const STARTS = 2;
const PRIMES = [2, 3, 5, 7, 11, 13, 17, 19];

function halton(index: number, base: number): number {
  let result = 0;
  let part = 1 / base;
  for (let n = index; n > 0; n = Math.floor(n / base)) {
    result += part * (n % base);
    part /= base;
  }
  return result;
}
