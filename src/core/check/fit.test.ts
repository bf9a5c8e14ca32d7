import { normalsApart } from '../geometry/random';
import { wheelOf } from '../kinematics/wheel';
import type { Build } from '../model/build';
import { blankBuild } from '../model/starts';
import { UPRIGHT_SIZE } from '../kinematics/corner';
import { toeOf } from '../bumpsteer/toeCurve';
import { CarModel } from './carModel';
import type { CheckedCar } from './carModel';
import { alone, agreesOf, checkUp } from './checkUp';
import { gathered, usualSetup } from './evidence';
import { fitModel } from './fit';
import type { Fit } from './fit';
import { measuredPoints } from './measuredCurve';
import { suspectsOf } from './suspects';
import { takeNumber } from './takeSuspect';
import { chiSquare95 } from './verdict';
import { drawnErrors, hiddenKey, readCar } from './virtualCar';
import type { Wanted } from './virtualCar';
import { blamedOf } from './words';

const BANDS = [0.25, 0.5, 1] as [number, number, number];
const build: Build = blankBuild('fit');
const travel = { bump: 60, droop: 60 };
const car: CheckedCar = {
  ...{ axle: 'front', sides: 'left', moved: 'wheel', drawn: build.front, rounds: [], travel },
  setup: { ...usualSetup(build.front, 'hub'), spotUp: 150, heightOff: 0.5 },
};
const METHODS = [
  ['dials', 0.03],
  ['level', 0.05],
  ['wall', 0.5],
] as const;
const WANTED: Wanted[] = [
  ...METHODS.flatMap(([method, plusMinus]) =>
    [-60, -40, -20, 0, 20, 40, 60].map((at) => ({
      ...{ method, side: 'left' as const, travel: at, plusMinus },
    })),
  ),
  { method: 'sweep', side: 'left', travel: 0, plusMinus: 0.05 },
];
const EVEN = { left: 1, right: 1 };

function fitted(errors: ReadonlyMap<string, number>, seed: number, wanted = WANTED): Fit {
  const readings = readCar(build, car, { errors, gain: EVEN }, wanted, normalsApart(seed));
  const fitting = fitModel(new CarModel(build, car), gathered(car, readings).evidence);
  if (!fitting.ok) throw new Error(fitting.why);
  return fitting.fit;
}

describe('the car that fits best', () => {
  it('has no likelier car about it: its cost is least, by steps of its own', () => {
    for (const seed of [1, 2, 3]) {
      const model = new CarModel(build, car);
      const errors = drawnErrors(model, normalsApart(seed));
      const fit = fitted(errors, seed);
      const { evidence, variances, state, noughts } = fit;
      const { unknowns } = fit.model;
      const cost = (x: Float64Array): number => {
        const says = fit.model.predict(evidence, x)!;
        const off = evidence.map(({ value }, i) => value - says[i]);
        // Noughts go along: each group's is the best there is.
        const groups = new Map<string, number[]>();
        evidence.forEach(({ method, component }, i) => {
          const key = `${method} ${component}`;
          groups.set(key, [...(groups.get(key) ?? []), i]);
        });
        let sum = 0;
        for (const [key, list] of groups) {
          const hold = key.startsWith('level') ? (2 / car.setup.levelOff) ** 2 : 0;
          const weights = list.reduce((all, i) => all + 1 / variances[i], hold);
          const nought = key.startsWith('sweep')
            ? 0
            : list.reduce((all, i) => all + off[i] / variances[i], 0) / weights;
          sum += list.reduce((all, i) => all + (off[i] - nought) ** 2 / variances[i], 0);
          sum += hold * nought ** 2;
          if (x === state) expect(noughts[list[0]]).toBeCloseTo(nought, 9);
        }
        return sum + x.reduce((all, v, u) => all + (v / unknowns[u].sigma) ** 2, 0);
      };
      const least = cost(state);
      expect(least).toBeCloseTo(fit.withinPlusMinus, 1);
      unknowns.forEach(({ sigma }, u) => {
        const at = (by: number) => cost(state.map((v, i) => (i === u ? v + by * sigma : v)));
        // The slope of the cost, per σ. It bends by 2 per σ² at the least: the best is within a hundredth of a σ.
        expect(Math.abs(at(0.05) - at(-0.05)) / 0.1).toBeLessThan(0.02);
        expect(at(0.3)).toBeGreaterThan(least);
        expect(at(-0.3)).toBeGreaterThan(least);
      });
    }
  });

  it('draws readings where the wheel really stood: toe as the car has it, whatever the method', () => {
    const model = new CarModel(build, car);
    const errors = drawnErrors(model, normalsApart(11));
    // Read without error: what is left is the conversion's own.
    const exact = WANTED.map((one) => ({ ...one, plusMinus: 1e-6 }));
    const still = { ...car, setup: { ...car.setup, heightOff: 1e-6, shiftOff: 1e-6 } };
    const readings = readCar(build, still, { errors, gain: EVEN }, exact, normalsApart(1));
    const fitting = fitModel(
      new CarModel(build, still),
      gathered(still, readings).evidence.map((one) => ({
        ...one,
        plusMinus: 0.02,
        heightOff: 0.01,
      })),
    );
    if (!fitting.ok) throw new Error(fitting.why);
    const truth = model.corner(
      'left',
      Float64Array.from(model.unknowns, (one) =>
        one.kind === 'number' ? errors.get(hiddenKey('left', one.number))! : 1,
      ),
      0,
    )!;
    const toe = (at: number): number => {
      const u = new Float64Array(UPRIGHT_SIZE);
      truth.corner.pose(at, 0, u);
      return toeOf(u);
    };
    const points = measuredPoints(fitting.fit).filter(({ shows }) => shows === 'toe');
    expect(points).toHaveLength(14);
    for (const { travel: at, value, method } of points) {
      const ride = points.find((one) => one.method === method && Math.abs(one.travel) < 0.01)!;
      expect(value - ride.value).toBeCloseTo(toe(at) - toe(0), 2);
    }
  });

  it('says when readings fit the drawing, a car within its ±, or none', () => {
    // 19 cars in 20 that are as drawn are taken for it.
    const as = Array.from({ length: 100 }, (_, i) => agreesOf(fitted(new Map(), 500 + i)));
    const right = as.filter((one) => one === 'drawing').length;
    expect(right).toBeGreaterThanOrEqual(88);
    expect(right).toBeLessThan(100);
    expect(as).not.toContain('too few');
    const model = new CarModel(build, car);
    const within = fitted(drawnErrors(model, normalsApart(6)), 6);
    expect(agreesOf(within)).toBe('within');
    const far = fitted(new Map([['left lowerOuter.up', 9]]), 7);
    expect(agreesOf(far)).toBe('not');
    expect(agreesOf(fitted(new Map(), 5, [WANTED[0]]))).toBe('too few');
  });

  it('is refused where the drawing does not go', () => {
    const [reading] = readCar(
      build,
      car,
      { errors: new Map(), gain: EVEN },
      [WANTED[0]],
      normalsApart(1),
    );
    const far = gathered(car, [{ ...reading, height: 900 }]);
    expect(far.evidence).toEqual([]);
    expect(far.apart[0].why).toMatch(/does not reach 900/u);
  });

  it('knows χ² as tables have it', () => {
    // Handbook values of χ² at 95 %, from memory.
    const table = [
      [3, 7.815],
      [5, 11.07],
      [10, 18.307],
      [20, 31.41],
      [30, 43.773],
    ];
    for (const [degrees, value] of table)
      expect(Math.abs(chiSquare95(degrees) / value - 1)).toBeLessThan(0.01);
    expect(chiSquare95(0)).toBe(0);
  });
});

describe('which number was wrong', () => {
  it('blames by how much the misfit falls once a number is let loose, every one tried', () => {
    const model = new CarModel(build, car);
    for (const seed of [21, 22, 23]) {
      const errors = drawnErrors(model, normalsApart(seed));
      errors.set('left tieRodInner.up', 5);
      const fit = fitted(errors, seed);
      const list = suspectsOf(fit);
      // Brute force: each let loose by itself and solved anew.
      const falls = list.map((suspect) => {
        const solved = fitModel(fit.model, fit.evidence, suspect.index);
        if (!solved.ok) throw new Error(solved.why);
        return fit.withinPlusMinus - solved.fit.withinPlusMinus;
      });
      list.forEach(({ size }, i) => {
        // Let loose a hundred times as far is not let loose for good, and cars are not quite straight in their numbers.
        expect(Math.abs(falls[i] - size ** 2)).toBeLessThan(0.3 + 0.15 * size ** 2);
      });
      expect(falls.indexOf(Math.max(...falls))).toBeLessThan(2);
    }
  });

  it('finds a planted slip, and the model that takes it in fits', () => {
    const errors = new Map([['left upperOuter.up', 7]]);
    const readings = readCar(build, car, { errors, gain: EVEN }, WANTED, normalsApart(31));
    const found = checkUp(build, car, readings, BANDS);
    expect(found.agrees).toBe('not');
    const { suspects, explained } = blamedOf(found);
    expect(explained).toBe(true);
    const rank = suspects.findIndex(({ suspect }) =>
      [suspect, ...suspect.alike].some(({ number }) => number.id === 'upperOuter.up'),
    );
    expect(rank).toBeGreaterThanOrEqual(0);
    expect(rank).toBeLessThan(3);
    const mine = found.suspects.find(({ number }) => number.id === 'upperOuter.up')!;
    const solved = alone(found.fit!, mine)!;
    expect(solved.off).toBeGreaterThan(5);
    expect(solved.off).toBeLessThan(9);
    expect(solved.explains).toBeGreaterThan(0.9);
    const taken = takeNumber(build.front, 'left', mine.number, solved.off, travel)!;
    const now = { ...car, drawn: taken };
    const again = checkUp({ ...build, front: taken }, now, readings, BANDS);
    expect(['drawing', 'within']).toContain(again.agrees);
    // Arms keep their lengths, toe is set: by the places alone.
    const apart = (points: typeof taken.points, a: string, b: string) =>
      Math.hypot(
        points[a].ahead - points[b].ahead,
        points[a].out - points[b].out,
        points[a].up - points[b].up,
      );
    for (const [a, b] of [
      ['lowerFrontInner', 'lowerOuter'],
      ['lowerRearInner', 'lowerOuter'],
      ['upperFrontInner', 'upperOuter'],
      ['upperRearInner', 'upperOuter'],
    ])
      expect(apart(taken.points, a, b)).toBeCloseTo(apart(build.front.points, a, b), 2);
    expect(wheelOf({ ...build, front: taken }, 'front', 'left').corner).not.toBeNull();
  });

  it('says so where nothing within reach explains it', () => {
    const readings = readCar(
      build,
      car,
      { errors: new Map(), gain: EVEN },
      WANTED,
      normalsApart(41),
    );
    // A wheel that jumps: no geometry does that.
    const broken = readings.map((one, i) =>
      one.method === 'dials'
        ? { ...one, values: [one.values[0] + (i % 2 ? 2 : -2), one.values[1]] }
        : one,
    );
    const found = checkUp(build, car, broken, BANDS);
    expect(found.agrees).toBe('not');
    expect(blamedOf(found).explained).toBe(false);
  });
});
