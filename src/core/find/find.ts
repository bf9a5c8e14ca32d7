import { finish } from './finish';
import type { Found, Problem, Variable } from './problem';
import { Solver } from './solver';

export interface Finding {
  /** What every choice came to, each once, the least effort first. */
  found: Found[];
  tried: number;
  /** Every choice was tried and every search came to rest, so that nothing among them is better; otherwise the best found. */
  all: boolean;
}

/** More choices than this are not tried one by one. */
export const MOST_CHOICES = 4000;

/**
 * Searches the places a builder has: every combination of drilled holes, washers and arms on the shelf, and
 * with each every part of what can be moved without steps, from nothing to all of it, so that the least work
 * is among the answers. A generator, so that its caller can show progress and stop: it yields the part done.
 */
export function* find(problem: Problem): Generator<number, Finding> {
  const { variables } = problem;
  const solver = new Solver(problem);
  const discrete = variables.flatMap(({ places }, i) => (places ? [i] : []));
  const combinations = discrete.reduce((all, i) => all * variables[i].places!.length, 1);
  const kept = new Map<string, Found>();
  let tried = 0;
  let unsettled = 0;
  const look = (values: Float64Array, free: readonly number[]): Found | null => {
    tried++;
    const found = solver.solve(values, free);
    if (found && !found.settled) unsettled++;
    if (!found?.settled) return null;
    const key = found.values.map((value) => Math.round(value * 1e3)).join();
    const known = kept.get(key);
    if (!known || found.miss < known.miss) kept.set(key, found);
    return found;
  };
  const parts = partsOf(problem, combinations);
  const all = combinations * parts.length <= MOST_CHOICES;
  if (all) {
    const total = combinations * parts.length;
    for (let index = 0; index < combinations; index++) {
      const values = startOf(variables);
      let rest = index;
      for (const i of discrete) {
        const { places } = variables[i];
        values[i] = places![rest % places!.length];
        rest = Math.floor(rest / places!.length);
      }
      for (const free of parts) {
        look(values, free);
        if (tried % 8 === 0) yield tried / total;
      }
    }
  } else yield* oneByOne(variables, discrete, parts, look);
  return {
    found: [...kept.values()].sort((a, b) => a.effort - b.effort || a.miss - b.miss),
    tried,
    all: all && unsettled === 0,
  };
}

/** Runs a finder to its end. */
export const findAll = (problem: Problem): Finding => finish(find(problem));

/** One coordinate at a time, from where things are: a good answer, not surely the best. */
function* oneByOne(
  variables: Variable[],
  discrete: number[],
  parts: number[][],
  look: (values: Float64Array, free: readonly number[]) => Found | null,
): Generator<number> {
  for (const [p, free] of parts.entries()) {
    let best = look(startOf(variables), free);
    for (let round = 0; round < ROUNDS; round++) {
      const before = best;
      for (const [turn, i] of discrete.entries()) {
        const from = best?.values;
        const { places } = variables[i];
        bestOf(places!.length, (index) => {
          const values = from ? Float64Array.from(from) : startOf(variables);
          values[i] = places![index];
          const found = look(values, free);
          if (found && (!best || found.miss < best.miss)) best = found;
          return found?.miss ?? Infinity;
        });
        yield (p + (round + (turn + 1) / discrete.length) / ROUNDS) / parts.length;
      }
      if (best === before) break;
    }
  }
}

const ROUNDS = 6;

/** Places of one coordinate that are all tried; of more, so many spread over them, then between the best's neighbours. */
const SPREAD = 160;

function bestOf(count: number, missAt: (index: number) => number): void {
  let [first, last] = [0, count - 1];
  for (;;) {
    const step = Math.max(1, Math.ceil((last - first) / SPREAD));
    let best = first;
    let least = Infinity;
    for (let index = first; ; index = Math.min(last, index + step)) {
      const miss = missAt(index);
      if (miss < least) [best, least] = [index, miss];
      if (index === last) break;
    }
    if (step === 1) return;
    [first, last] = [Math.max(0, best - step), Math.min(count - 1, best + step)];
  }
}

/** Where things are, or the nearest places to there. */
const startOf = (variables: Variable[]): Float64Array =>
  Float64Array.from(variables, ({ now, places, min, max }) =>
    places
      ? places.reduce((a, b) => (Math.abs(b - now) < Math.abs(a - now) ? b : a))
      : Math.min(max, Math.max(min, now)),
  );

/**
 * Which of the variables without places move, from none to all; what stands outside its range always does.
 * Where that makes too many choices, few together and all together only.
 */
function partsOf({ variables, together = [] }: Problem, combinations: number): number[][] {
  const free = variables.flatMap(({ places }, i) => (places ? [] : [i]));
  const forced = free.filter(
    (i) => variables[i].now < variables[i].min || variables[i].now > variables[i].max,
  );
  const rest = free.filter((i) => !forced.includes(i));
  const as = together.map((list) => list.filter((i) => rest.includes(i)));
  const loose = [
    ...as.filter((list) => list.length > 0),
    ...rest.filter((i) => !as.some((list) => list.includes(i))).map((i) => [i]),
  ];
  const parts: { moves: number; part: number[] }[] = [];
  for (let mask = 0; mask < 1 << loose.length; mask++) {
    const picked = loose.filter((_, k) => (mask >> k) & 1);
    parts.push({ moves: picked.length, part: [...forced, ...picked.flat()] });
  }
  parts.sort((a, b) => a.moves - b.moves);
  for (let most = loose.length; most >= 0; most--) {
    const fewer = parts.filter(({ moves }) => moves <= most || moves === loose.length);
    if (fewer.length * combinations <= MOST_CHOICES || most === 0)
      return fewer.map(({ part }) => part);
  }
  return [free];
}
