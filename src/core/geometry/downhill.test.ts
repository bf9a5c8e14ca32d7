import fc from 'fast-check';
import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { Matrix } from 'ml-matrix';
import { offBy, settle } from './downhill';
import type { Looked } from './downhill';

/** Squares of functions with their slopes and second derivatives by small steps: nothing of it worked by hand. */
const squares =
  (...functions: ((x: readonly number[]) => number)[]) =>
  (x: readonly number[]): Looked => {
    const h = 1e-4;
    const moved = (...by: [number, number][]) => {
      const y = [...x];
      for (const [i, d] of by) y[i] += d;
      return y;
    };
    const costAt = (y: readonly number[]) => functions.reduce((sum, f) => sum + f(y) ** 2, 0);
    return {
      cost: costAt(x),
      bent: () => {
        const n = x.length;
        const curve = Matrix.zeros(n, n);
        const slope = Matrix.zeros(n, 1);
        for (let i = 0; i < n; i++) {
          slope.set(i, 0, -(costAt(moved([i, h])) - costAt(moved([i, -h]))) / (4 * h));
          for (let j = 0; j < n; j++)
            curve.set(
              i,
              j,
              (costAt(moved([i, h], [j, h])) -
                costAt(moved([i, h], [j, -h])) -
                costAt(moved([i, -h], [j, h])) +
                costAt(moved([i, -h], [j, -h]))) /
                (8 * h * h),
            );
        }
        return { curve, slope, size: 1, off: offBy(curve, slope) };
      },
    };
  };
const USUAL = { still: 1e-7, rest: 1e-3 };

it('goes down a bent valley to its end (Rosenbrock 1960)', () => {
  const valley = squares(
    ([x, y]) => 10 * (y - x * x),
    ([x]) => 1 - x,
  );
  const settled = settle([-1.2, 1], valley, USUAL)!;
  expect(settled.place[0]).toBeCloseTo(1, 5);
  expect(settled.place[1]).toBeCloseTo(1, 5);
  expect(settled.cost).toBeCloseTo(0, 9);
});

it('leaves a hill top, where the sum is bent downwards every way', () => {
  // Least on the circle of radius 1; its middle is a top.
  const ring = squares(([x, y]) => x * x + y * y - 1);
  const { place } = settle([0.01, 0.02], ring, USUAL)!;
  expect(Math.hypot(place[0], place[1])).toBeCloseTo(1, 6);
});

it('comes to rest where a general-purpose solver finds nothing lower to go to (ml-levenberg-marquardt)', () => {
  const number = fc.double({ min: -2, max: 2, noNaN: true });
  let rested = 0;
  fc.assert(
    fc.property(fc.array(fc.tuple(number, number), { minLength: 4, maxLength: 8 }), (data) => {
      const model =
        ([a, b]: readonly number[]) =>
        (x: number) =>
          a * Math.exp(b * x);
      const costOf = (p: readonly number[]) =>
        data.reduce((sum, [x, y]) => sum + (model(p)(x) - y) ** 2, 0);
      const settled = settle(
        [1, 0.2],
        squares(
          ...data.map(
            ([x, y]) =>
              (p: readonly number[]) =>
                model(p)(x) - y,
          ),
        ),
        { ...USUAL, longest: 1 },
      );
      if (!settled) return;
      rested++;
      expect(settled.cost).toBeCloseTo(costOf(settled.place), 9);
      expect(settled.cost).toBeLessThanOrEqual(costOf([1, 0.2]));
      const { parameterValues } = levenbergMarquardt(
        { x: data.map(([x]) => x), y: data.map(([, y]) => y) },
        model,
        { initialValues: settled.place, damping: 1e-2, maxIterations: 300, errorTolerance: 1e-14 },
      );
      expect(settled.cost - costOf(parameterValues)).toBeLessThan(1e-4 * (1 + settled.cost));
    }),
    { numRuns: 60 },
  );
  expect(rested).toBeGreaterThan(30);
});

it('says so where there is no rest to come to', () => {
  // Ever less the further it goes.
  expect(
    settle(
      [0],
      squares(([x]) => Math.exp(-x)),
      { ...USUAL, longest: 0.5 },
    ),
  ).toBeNull();
  expect(
    settle(
      [0],
      () => ({
        cost: NaN,
        bent: () => ({ curve: Matrix.eye(1), slope: Matrix.ones(1, 1), size: 1, off: 1 }),
      }),
      USUAL,
    ),
  ).toBeNull();
});
