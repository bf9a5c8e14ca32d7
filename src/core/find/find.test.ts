import fc from 'fast-check';
import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { MOST_CHOICES, find, findAll } from './find';
import type { Found, Problem, Variable } from './problem';
import { seeded } from '../../test/leastRange';

const nearest = (found: Found[]) => found.reduce((a, b) => (b.miss < a.miss ? b : a));

const free = (now: number, min: number, max: number, step = 0): Variable => ({
  now,
  places: null,
  min,
  max,
  step,
  effort: (value) => Math.abs(value - now),
});
const holes = (now: number, places: number[]): Variable => ({
  now,
  places,
  min: Math.min(...places),
  max: Math.max(...places),
  step: 0,
  effort: (value) => (value === now ? 0 : 10),
});

/** A smooth problem with a known answer: Rosenbrock's valley (1960) as residuals. */
const valley: Problem = {
  variables: [free(-1.2, -5, 5), free(1, -5, 5)],
  count: 2,
  residuals: (x, into) => {
    into[0] = 10 * (x[1] - x[0] * x[0]);
    into[1] = 1 - x[0];
    return true;
  },
};

describe('the finder', () => {
  it('finds the foot of a curved valley', () => {
    const { found, all } = findAll(valley);
    expect(all).toBe(true);
    expect(nearest(found).reached).toBe(true);
    expect(nearest(found).values[0]).toBeCloseTo(1, 2);
  });

  it('agrees with a general-purpose solver (ml-levenberg-marquardt) where nothing bounds it', () => {
    const number = fc.double({ min: -2, max: 2, noNaN: true });
    fc.assert(
      fc.property(fc.array(number, { minLength: 4, maxLength: 4 }), (wanted) => {
        const model = (p: ArrayLike<number>, x: number) =>
          p[0] * Math.cos(x) + p[1] * Math.exp(-x) + p[2] * x;
        const xs = [0, 0.7, 1.3, 2];
        const { found } = findAll({
          variables: [free(0.5, -99, 99), free(0.5, -99, 99), free(0.5, -99, 99)],
          count: 4,
          residuals: (p, into) => {
            xs.forEach((x, i) => (into[i] = 50 * (model(p, x) - wanted[i])));
            return true;
          },
        });
        let p = [0.5, 0.5, 0.5];
        for (let pass = 0; pass < 4; pass++)
          p = Array.from(
            levenbergMarquardt({ x: xs, y: wanted }, (q: number[]) => (x: number) => model(q, x), {
              initialValues: p,
              damping: 1e-6,
              gradientDifference: 1e-5,
              centralDifference: true,
              errorTolerance: 1e-22,
              improvementThreshold: 0,
              maxIterations: 40,
            }).parameterValues,
          );
        p.forEach((value, i) => expect(nearest(found).values[i]).toBeCloseTo(value, 2));
      }),
      { numRuns: 25 },
    );
  });

  it('tries every combination, and says so', () => {
    const seen = new Set<string>();
    const { tried, all, found } = findAll({
      variables: [holes(1, [0, 1, 2]), holes(0, [0, 5]), holes(3, [3, 4, 9])],
      count: 1,
      residuals: (x, into) => {
        seen.add([...x].join());
        into[0] = x[0] + x[1] + x[2] - 9;
        return true;
      },
    });
    expect([tried, all, seen.size]).toEqual([18, true, 18]);
    expect(found).toHaveLength(18);
    for (let i = 1; i < found.length; i++)
      expect(found[i].effort).toBeGreaterThanOrEqual(found[i - 1].effort);
  });

  it('keeps to its bounds and steps', () => {
    const { found } = findAll({
      variables: [free(0, -1, 4, 0.5)],
      count: 1,
      residuals: (x, into) => {
        into[0] = 20 * (x[0] - 3.2);
        return true;
      },
    });
    expect(nearest(found).values).toEqual([3]);
    const beyond = findAll({ ...valley, variables: [free(-1.2, -2, 0.4), free(1, -5, 5)] });
    for (const { values } of beyond.found) expect(values[0]).toBeLessThanOrEqual(0.4);
  });

  it('leaves out what does not work, and has nothing where nothing does', () => {
    expect(findAll({ ...valley, residuals: () => false }).found).toEqual([]);
    expect(
      findAll({ variables: [], count: 1, residuals: (_, r) => ((r[0] = 3), true) }).found,
    ).toHaveLength(1);
  });

  it('says that it has not tried everything where there is too much', () => {
    const places = Array.from({ length: 20 }, (_, i) => i);
    const { all, tried, found } = findAll({
      variables: [holes(0, places), holes(0, places), holes(0, places)],
      count: 3,
      residuals: (x, into) => {
        into[0] = x[0] - 7;
        into[1] = x[1] - 11;
        into[2] = x[2] - 19;
        return true;
      },
    });
    expect(all).toBe(false);
    expect(tried).toBeLessThan(MOST_CHOICES);
    expect(nearest(found).miss).toBeLessThan(1.01);
  });

  it('can be stopped at any moment', () => {
    const search = find({
      ...valley,
      variables: [
        holes(
          0,
          Array.from({ length: 100 }, (_, i) => i / 20),
        ),
        free(1, -5, 5),
      ],
    });
    const first = search.next();
    expect(first.done).toBe(false);
    expect(first.value).toBeCloseTo(0.04, 9);
  });

  it('moves as few as will do: what moves without steps is also left where it is', () => {
    const { found } = findAll({
      variables: [free(0, -9, 9), free(0, -9, 9), free(0, -9, 9)],
      count: 2,
      residuals: (x, into) => {
        into[0] = x[0] + x[1] - 4;
        into[1] = x[1] + x[2] - 4;
        return true;
      },
    });
    const least = found.filter(({ reached }) => reached)[0];
    // One of them alone does both.
    expect(least.values.map((value) => Math.abs(value) > 1e-9)).toEqual([false, true, false]);
  });
});

/** A bowl in n dimensions, skewed, with its foot outside some of the bounds. */
const bowls = fc.record({
  foot: fc.array(fc.double({ min: -6, max: 6, noNaN: true }), { minLength: 3, maxLength: 3 }),
  skew: fc.array(fc.double({ min: -2, max: 2, noNaN: true }), { minLength: 12, maxLength: 12 }),
  by: fc.constantFrom<number[]>(1, 3, 8),
});
type Bowl = typeof bowls extends fc.Arbitrary<infer T> ? T : never;
const bowlProblem = ({ foot, skew, by }: Bowl, spreads: boolean): Problem => ({
  variables: foot.map(() => free(0.2, -by, by)),
  count: 4,
  ...(spreads && { spreads: [{ from: 0, to: 4, weight: 1 }] }),
  residuals: (x, into) => {
    for (let r = 0; r < 4; r++) {
      into[r] = 0.3 * r;
      for (let k = 0; k < 3; k++)
        into[r] += (skew[3 * r + k] + (k === r ? 2.5 : 0)) * (x[k] - foot[k]);
      into[r] += 0.02 * x[0] * x[1];
    }
    return true;
  },
});

/** The least of many places within the bounds, each followed down by chance. */
function byBruteForce({ variables, residuals, count, spreads }: Problem): number {
  const r = new Float64Array(count);
  const random = seeded(7);
  const miss = (x: Float64Array) => {
    residuals(x, r);
    return spreads
      ? Math.max(...r) - Math.min(...r)
      : Math.sqrt(r.reduce((sum, one) => sum + one * one, 0) / count);
  };
  let best = Infinity;
  for (let start = 0; start < 4; start++) {
    let x = Float64Array.from(variables, ({ min, max }) => min + random() * (max - min));
    let least = miss(x);
    for (let size = 1; size > 1e-7;) {
      let gained = false;
      for (let i = 0; i < 40; i++) {
        const y = x.map((value, k) => {
          const { min, max } = variables[k];
          return Math.min(max, Math.max(min, value + size * (max - min) * (random() - 0.5)));
        });
        const next = miss(y);
        if (next < least) [x, least, gained] = [y, next, true];
      }
      if (!gained) size /= 2;
    }
    best = Math.min(best, least);
  }
  return best;
}

describe('within bounds, against brute force', () => {
  for (const spreads of [false, true])
    it(`finds the least ${spreads ? 'spread' : 'mean square'}, with variables at their limits`, () => {
      let atLimits = 0;
      for (const bowl of fc.sample(bowls, { numRuns: 60, seed: 4 })) {
        const problem = bowlProblem(bowl, spreads);
        const best = nearest(findAll(problem).found);
        atLimits += Number(best.values.some((value) => Math.abs(value) === bowl.by));
        expect(best.miss).toBeLessThan(byBruteForce(problem) * 1.01 + 2e-3);
      }
      expect(atLimits).toBeGreaterThan(12);
    });

  it('gets no worse where bounds get wider', () => {
    for (const bowl of fc.sample(bowls, { numRuns: 60, seed: 8 })) {
      const misses = [1, 2, 4].map(
        (by) => nearest(findAll(bowlProblem({ ...bowl, by }, true)).found).miss,
      );
      expect(misses[1]).toBeLessThan(misses[0] * 1.01 + 2e-3);
      expect(misses[2]).toBeLessThan(misses[1] * 1.01 + 2e-3);
    }
  });

  it('leaves out what did not come to rest, and says that not all was found', () => {
    let turn = 0;
    const { found, all } = findAll({
      variables: [free(0, -5, 5)],
      count: 2,
      spreads: [{ from: 0, to: 2, weight: 1 }],
      // Always a little better than before: it never comes to rest.
      residuals: (x, into) => {
        into[0] = 0;
        into[1] = 1000 / (1 + turn++) + 0.01 * x[0];
        return true;
      },
      slopes: (_, __, into) => into.set([0, -1000]),
    });
    expect(all).toBe(false);
    expect(found.every(({ values }) => values[0] === 0)).toBe(true);
  });
});
