import { factor, solveFactored } from '../geometry/linear';

/** Something a finder may change. */
export interface Variable {
  now: number;
  /** Places to try, every one; null for anything from min to max. */
  places: number[] | null;
  min: number;
  max: number;
  /** Step between places of a range; 0: any. */
  step: number;
  /** How much work a value is. */
  effort: (value: number) => number;
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
}

export interface Found {
  values: number[];
  residuals: number[];
  /** Root mean square of the residuals. */
  miss: number;
  /** Every residual is good enough. */
  reached: boolean;
  effort: number;
}

export interface Finding {
  /** Those that reach what is wanted first, the least effort first; then the nearest. */
  found: Found[];
  tried: number;
  /** Every combination of places was tried, so that nothing among them is better; otherwise the best found. */
  all: boolean;
}

/** More combinations than this are not tried one by one. */
export const MOST_COMBINATIONS = 4000;
const MOST_STEPS = 25;

/**
 * Searches the places a builder has: every combination of drilled holes, washers and arms on the shelf,
 * and for each the best of what can be moved without steps (damped least squares: Levenberg 1944,
 * Marquardt 1963). A generator, so that its caller can show progress and stop: it yields the part done.
 */
export function* find(problem: Problem, most = 12): Generator<number, Finding> {
  const { variables } = problem;
  const discrete = variables.flatMap(({ places }, i) => (places ? [i] : []));
  const total = discrete.reduce((product, i) => product * variables[i].places!.length, 1);
  const solver = new Solver(problem);
  const kept: Found[] = [];
  const keep = (found: Found | null) => {
    if (!found) return;
    const same = kept.findIndex((other) =>
      other.values.every((value, i) => Math.abs(value - found.values[i]) < 1e-6),
    );
    if (same < 0) kept.push(found);
  };
  let tried = 0;
  const all = total <= MOST_COMBINATIONS;
  if (all) {
    const values = Float64Array.from(variables, ({ now }) => now);
    for (let index = 0; index < total; index++) {
      let rest = index;
      for (const i of discrete) {
        const { places } = variables[i];
        values[i] = places![rest % places!.length];
        rest = Math.floor(rest / places!.length);
      }
      keep(solver.solve(values));
      tried++;
      if (index % 8 === 7) yield (index + 1) / total;
    }
  } else {
    // One coordinate at a time, from where things are: a good answer, not surely the best.
    let best = solver.solve(snapped(variables));
    keep(best);
    for (let round = 0; round < 6; round++) {
      const before = best;
      for (const [turn, i] of discrete.entries()) {
        for (const place of variables[i].places!) {
          const values = Float64Array.from(best?.values ?? variables.map(({ now }) => now));
          values[i] = place;
          const found = solver.solve(values);
          tried++;
          keep(found);
          if (found && (!best || better(found, best) < 0)) best = found;
        }
        yield (round * discrete.length + turn + 1) / (6 * discrete.length);
      }
      if (best === before) break;
    }
  }
  return { found: kept.sort(better).slice(0, most), tried, all };
}

/** Runs a finder to its end. */
export function findAll(problem: Problem, most?: number): Finding {
  const search = find(problem, most);
  for (;;) {
    const step = search.next();
    if (step.done) return step.value;
  }
}

const snapped = (variables: Variable[]): Float64Array =>
  Float64Array.from(variables, ({ now, places, min, max }) =>
    places
      ? places.reduce((a, b) => (Math.abs(b - now) < Math.abs(a - now) ? b : a))
      : Math.min(max, Math.max(min, now)),
  );

/** What comes first: reaching it, then less effort; short of it, the nearer. */
const better = (a: Found, b: Found): number =>
  a.reached !== b.reached
    ? Number(b.reached) - Number(a.reached)
    : a.reached
      ? a.effort - b.effort || a.miss - b.miss
      : a.miss - b.miss;

/** Damped least squares over the variables without places, the others held. */
class Solver {
  private readonly free: number[];
  private readonly r0: Float64Array;
  private readonly r1: Float64Array;

  constructor(private readonly problem: Problem) {
    this.free = problem.variables.flatMap(({ places }, i) => (places ? [] : [i]));
    this.r0 = new Float64Array(problem.count);
    this.r1 = new Float64Array(problem.count);
  }

  /** @param start values of every variable; those with places stay */
  solve(start: Float64Array): Found | null {
    const { variables, residuals } = this.problem;
    const values = start.slice();
    for (const i of this.free)
      values[i] = Math.min(variables[i].max, Math.max(variables[i].min, variables[i].now));
    if (!residuals(values, this.r0)) return null;
    if (this.free.length > 0) this.descend(values);
    this.ontoSteps(values);
    if (!residuals(values, this.r0)) return null;
    return {
      values: [...values],
      residuals: [...this.r0],
      miss: Math.sqrt(square(this.r0) / Math.max(1, this.r0.length)),
      reached: this.r0.every((r) => Math.abs(r) <= 1 + 1e-6),
      effort: variables.reduce((sum, { effort }, i) => sum + effort(values[i]), 0),
    };
  }

  private descend(values: Float64Array): void {
    const { variables, count, residuals } = this.problem;
    const n = this.free.length;
    const jacobian = new Float64Array(n * count);
    const a = new Float64Array(n * n);
    const g = new Float64Array(n);
    const move = new Float64Array(n);
    const order = new Int32Array(n);
    const trial = values.slice();
    let damping = 1e-3;
    let cost = square(this.r0);
    for (let step = 0; step < MOST_STEPS; step++) {
      if (cost < 1e-8) return;
      this.free.forEach((i, k) => {
        const h = values[i] + 0.01 > variables[i].max ? -0.01 : 0.01;
        trial.set(values);
        trial[i] += h;
        const works = residuals(trial, this.r1);
        for (let r = 0; r < count; r++)
          jacobian[k * count + r] = works ? (this.r1[r] - this.r0[r]) / h : 0;
      });
      let gained = false;
      for (let tries = 0; tries < 8 && !gained; tries++) {
        for (let k = 0; k < n; k++) {
          g[k] = 0;
          for (let r = 0; r < count; r++) g[k] -= jacobian[k * count + r] * this.r0[r];
          for (let m = 0; m < n; m++) {
            let sum = 0;
            for (let r = 0; r < count; r++)
              sum += jacobian[k * count + r] * jacobian[m * count + r];
            a[k * n + m] = sum + (k === m ? damping * (sum + 1e-6) : 0);
          }
        }
        if (!factor(a, n, order)) {
          damping *= 10;
          continue;
        }
        solveFactored(a, n, order, g, move);
        trial.set(values);
        this.free.forEach((i, k) => {
          trial[i] = Math.min(
            variables[i].max,
            Math.max(variables[i].min, values[i] + (Number.isFinite(move[k]) ? move[k] : 0)),
          );
        });
        const next = residuals(trial, this.r1) ? square(this.r1) : Infinity;
        if (next < cost) {
          gained = cost - next > cost * 1e-7;
          values.set(trial);
          this.r0.set(this.r1);
          cost = next;
          damping = Math.max(damping / 6, 1e-9);
          if (!gained) return;
        } else damping *= 6;
      }
      if (!gained) return;
    }
  }

  /** Puts what comes in steps onto the step, of the neighbours the best together. */
  private ontoSteps(values: Float64Array): void {
    const { variables, residuals } = this.problem;
    const stepped = this.free.filter((i) => variables[i].step > 0);
    if (stepped.length === 0 || stepped.length > 8) return;
    const sides = stepped.map((i) => {
      const { min, max, step } = variables[i];
      const at = (values[i] - min) / step;
      return [Math.floor(at), Math.ceil(at)].map((k) =>
        Math.min(min + Math.floor((max - min) / step + 1e-9) * step, Math.max(min, min + k * step)),
      );
    });
    let best = Infinity;
    const chosen = values.slice();
    for (let corner = 0; corner < 1 << stepped.length; corner++) {
      const trial = values.slice();
      stepped.forEach((i, k) => (trial[i] = sides[k][(corner >> k) & 1]));
      const cost = residuals(trial, this.r1) ? square(this.r1) : Infinity;
      if (cost < best) {
        best = cost;
        chosen.set(trial);
      }
    }
    values.set(chosen);
  }
}

function square(list: Float64Array): number {
  let sum = 0;
  for (const value of list) sum += value * value;
  return sum;
}
