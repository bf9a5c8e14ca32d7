import fc from 'fast-check';
import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { MOST_COMBINATIONS, find, findAll } from './find';
import type { Problem, Variable } from './find';

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
    expect(found[0].reached).toBe(true);
    expect(found[0].values[0]).toBeCloseTo(1, 2);
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
        p.forEach((value, i) => expect(found[0].values[i]).toBeCloseTo(value, 2));
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
    // 0+5+4 and 0+0+9 are exact, and one off is still good enough: the least effort comes first.
    expect(found[0].reached).toBe(true);
    for (let i = 1; i < found.length; i++)
      if (found[i].reached) expect(found[i].effort).toBeGreaterThanOrEqual(found[i - 1].effort);
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
    expect(found[0].values).toEqual([3]);
    const beyond = findAll({ ...valley, variables: [free(-1.2, -2, 0.4), free(1, -5, 5)] });
    expect(beyond.found[0].values[0]).toBeLessThanOrEqual(0.4);
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
    expect(tried).toBeLessThan(MOST_COMBINATIONS);
    expect(found[0].miss).toBeLessThan(1.01);
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
    expect(first.value).toBeCloseTo(0.08, 9);
  });
});
