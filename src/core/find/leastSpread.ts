import { solve } from 'yalps';
import type { Constraint } from 'yalps';
import { missOf, slopesOf } from './problem';
import type { Problem, Spread } from './problem';

const MOST_STEPS = 100;
/** Moves smaller than this are none, mm; and gains smaller than this part of what is left. */
const STILL = 1e-5;
const WORTH = 4e-3;
/** Gains smaller than this are none, in units of what is good enough. */
const LITTLE = 1e-4;

/**
 * Makes the sum of the spreads least within bounds, from where `values` are, which it moves: in each step the
 * linear problem exactly (linear programming) within a trust region (Fletcher, *Practical Methods of
 * Optimization*, ch. 14, from memory). A spread has kinks, which squares and slopes alone do not see.
 * @param r0 residuals at `values`; holds them at the end
 * @returns whether it came to rest
 */
export function leastSpread(
  problem: Problem,
  free: readonly number[],
  values: Float64Array,
  r0: Float64Array,
): boolean {
  const { variables, count, residuals } = problem;
  const spreads = problem.spreads!;
  const slopes = new Float64Array(free.length * count);
  const r1 = new Float64Array(count);
  const trial = values.slice();
  let trust = 4;
  let miss = missOf(problem, r0);
  for (let step = 0; step < MOST_STEPS; step++) {
    slopesOf(problem, free, values, r0, slopes);
    for (;;) {
      const bounds = free.map((i): [number, number] => [
        Math.max(-trust, variables[i].min - values[i]),
        Math.min(trust, variables[i].max - values[i]),
      ]);
      const linear = leastOfLinear(spreads, r0, slopes, count, bounds);
      if (!linear) return false;
      const gain = miss - linear.miss;
      // Under a wide region so small a gain is the end; under a narrow one only the region is.
      if (gain <= LITTLE || (trust >= 1 && gain <= WORTH * miss)) return true;
      let size = 0;
      trial.set(values);
      free.forEach((i, k) => {
        trial[i] = Math.min(
          variables[i].max,
          Math.max(variables[i].min, values[i] + linear.move[k]),
        );
        size = Math.max(size, Math.abs(trial[i] - values[i]));
      });
      const next = residuals(trial, r1) ? missOf(problem, r1) : Infinity;
      const part = (miss - next) / gain;
      if (part > 0.1) {
        values.set(trial);
        r0.set(r1);
        miss = next;
        if (part > 0.75) trust = Math.max(trust, 3 * size);
        else if (part < 0.3) trust = size / 2;
        break;
      }
      trust = Math.min(trust, size) / 3;
      if (!(trust >= STILL)) return !Number.isNaN(trust);
    }
  }
  return false;
}

/** The move within bounds that makes the spreads least where every residual changes straight; null where none is found. */
function leastOfLinear(
  spreads: Spread[],
  r0: Float64Array,
  slopes: Float64Array,
  count: number,
  bounds: [number, number][],
): { move: number[]; miss: number } | null {
  const constraints = new Map<string, Constraint>();
  // Moves counted from their lower bounds, greatest and least from a value that none falls under.
  const moves = bounds.map(([low, high], k) => {
    constraints.set(`b${k}`, { max: high - low });
    return [[`b${k}`, 1]] as [string, number][];
  });
  const rest: [string, [string, number][]][] = [];
  spreads.forEach(({ from, to, weight, above }, g) => {
    const single = to - from === 1;
    let floor = single ? 0 : Infinity;
    const starts: number[] = [];
    for (let i = from; i < to; i++) {
      let start = r0[i];
      let least = r0[i];
      bounds.forEach(([low, high], k) => {
        const slope = slopes[k * count + i];
        start += slope * low;
        least += Math.min(slope * low, slope * high);
      });
      starts.push(start);
      if (!single) floor = Math.min(floor, least);
    }
    const most: [string, number][] = [['miss', weight]];
    const least: [string, number][] = [['miss', -weight]];
    starts.forEach((start, j) => {
      const i = from + j;
      constraints.set(`u${i}`, { min: start - floor });
      most.push([`u${i}`, 1]);
      bounds.forEach((_, k) => moves[k].push([`u${i}`, -slopes[k * count + i]]));
      if (above) return;
      constraints.set(`l${i}`, single ? { min: -start } : { max: start - floor });
      (single ? most : least).push([`l${i}`, 1]);
      bounds.forEach((_, k) => {
        const slope = slopes[k * count + i];
        moves[k].push([`l${i}`, single ? slope : -slope]);
      });
    });
    rest.push([`M${g}`, most]);
    if (!single) rest.push([`m${g}`, least]);
  });
  const answer = solve(
    {
      direction: 'minimize',
      objective: 'miss',
      constraints,
      variables: [
        ...moves.map((entries, k): [string, [string, number][]] => [`d${k}`, entries]),
        ...rest,
      ],
    },
    { precision: 1e-10, includeZeroVariables: false },
  );
  if (answer.status !== 'optimal') return null;
  const value = new Map(answer.variables);
  return {
    move: bounds.map(([low], k) => low + (value.get(`d${k}`) ?? 0)),
    miss: answer.result,
  };
}
