import { normalsApart } from '../geometry/random';
import { placesOf } from '../freedoms/freedoms';
import type { Freedom } from '../model/freedoms';
import { blankBuild } from '../model/starts';
import { bumpSteer } from '../motion/bumpSteer';
import { CarModel } from './carModel';
import type { CheckedCar } from './carModel';
import { checkUp } from './checkUp';
import { gathered, usualSetup } from './evidence';
import { fitModel } from './fit';
import { bestMove, movableOf, nextShims, toeNow, worstBy } from './nextShim';
import { drawnErrors, readCar, stateOf } from './virtualCar';
import type { Wanted } from './virtualCar';
import { shimInWords } from './words';

const BANDS = [0.25, 0.5, 1] as [number, number, number];
const travel = { bump: 60, droop: 60 };
const HEIGHTS = [-60, -40, -20, 0, 20, 40, 60];

/** A car that steers over bumps as it was built: its outer joint is off, and it is read by strings. */
function carWith(seed: number, freedoms: Record<string, Record<string, Freedom>> | null) {
  const build = blankBuild('shim');
  if (freedoms) build.front.freedoms = freedoms;
  else delete build.front.freedoms;
  const normal = normalsApart(seed);
  const car: CheckedCar = {
    ...{ axle: 'front', sides: 'left', moved: 'wheel', drawn: build.front, rounds: [], travel },
    setup: { ...usualSetup(build.front, 'hub'), heightOff: 0.5 },
  };
  const errors = drawnErrors(new CarModel(build, car), normal);
  errors.set('left tieRodOuter.up', (normal() > 0 ? 1 : -1) * (4 + 4 * Math.abs(normal())));
  const hidden = { errors, gain: { left: 1, right: 1 } };
  const wanted = HEIGHTS.map((at): Wanted => ({
    method: 'strings',
    side: 'left',
    travel: at,
    plusMinus: 0.3,
  }));
  const readings = readCar(build, car, hidden, wanted, normal);
  return { build, car, hidden, wanted, readings, normal };
}

function fitOf({ build, car, readings }: ReturnType<typeof carWith>) {
  const fitting = fitModel(new CarModel(build, car), gathered(car, readings).evidence);
  if (!fitting.ok) throw new Error(fitting.why);
  return fitting.fit;
}

const outer = blankBuild('x').front.points['tieRodOuter'];
const FREEDOMS: Record<string, Freedom> = {
  washers: { kind: 'shims', base: outer.up - 4, stock: [0.5, 1, 1.6, 3.2], most: 4, way: 1 },
  'other way': { kind: 'shims', base: outer.up + 3, stock: [0.8, 2, 6.35], most: 5, way: -1 },
  holes: { kind: 'choices', at: [-12, -7, 0, 3, 9, 14].map((by) => outer.up + by) },
  'a slot': { kind: 'range', min: outer.up - 15, max: outer.up + 11, step: 0.7 },
  'a flipped plate': { kind: 'flip', base: outer.up, offset: 5 },
};

describe('the next shim', () => {
  for (const [name, freedom] of Object.entries(FREEDOMS))
    it(`is the best of every place there is: ${name}`, () => {
      for (const seed of [1, 2, 3]) {
        const fit = fitOf(carWith(seed, { tieRodOuter: { up: freedom } }));
        const [movable] = movableOf(fit, 'left');
        const worst = worstBy(fit, 'left', movable);
        const places =
          placesOf(freedom, outer.up) ??
          Array.from({ length: 38 }, (_, k) => outer.up - 15 + 0.7 * k).filter(
            (at) => at <= outer.up + 11 + 1e-9,
          );
        const least = Math.min(...places.map((at) => worst(at - outer.up)));
        const by = bestMove(fit, 'left', movable, worst)!;
        expect(worst(by)).toBeCloseTo(least, 9);
        expect(Math.min(...places.map((at) => Math.abs(at - outer.up - by)))).toBeLessThan(1e-9);
      }
    });

  it('of a joint that may go anywhere is as good as any height tried', () => {
    const fit = fitOf(carWith(4, null));
    for (const movable of movableOf(fit, 'left')) {
      const worst = worstBy(fit, 'left', movable);
      const by = bestMove(fit, 'left', movable, worst)!;
      const tried = Array.from({ length: 801 }, (_, i) => worst(-40 + i / 10));
      expect(worst(by)).toBeLessThanOrEqual(Math.min(...tried) + 1e-3);
    }
    expect(movableOf(fit, 'left').map(({ point }) => point)).toEqual([
      'tieRodOuter',
      'tieRodInner',
    ]);
  });

  it('leaves what is fixed alone', () => {
    const fixed = {
      tieRodOuter: { up: { kind: 'fixed' as const } },
      tieRodInner: { up: { kind: 'fixed' as const } },
    };
    const fit = fitOf(carWith(5, fixed));
    expect(movableOf(fit, 'left')).toEqual([]);
    expect(nextShims(fit, 'left', 0.25)).toEqual([]);
  });

  it('does on the real car what it was said to, and says stop once it has', () => {
    const slot = {
      tieRodOuter: {
        up: { kind: 'range' as const, min: outer.up - 30, max: outer.up + 30, step: 0.1 },
      },
    };
    const said: number[] = [];
    for (const seed of [6, 7, 8, 9]) {
      const begun = carWith(seed, slot);
      const found = checkUp(begun.build, begun.car, begun.readings, BANDS);
      const [advice] = found.sides[0].shims;
      expect(shimInWords(begun.build.front, advice, false)).toMatch(
        /tie rod outer joint \d+\.\d mm (up|down), left side; expect \d\.\d\d° → \d\.\d\d° ± \d\.\d\d°/u,
      );
      const after: CheckedCar = { ...begun.car, rounds: [{ fitted: [advice.move] }] };
      const model = new CarModel(begun.build, after);
      const corner = model.corner('left', stateOf(model, begun.hidden), 1)!;
      const truth = bumpSteer(corner, travel)!.worst;
      said.push(Math.abs(truth - advice.after) / advice.afterOff);
      expect(truth).toBeLessThan(found.sides[0].now.worst / 2);
      const more = readCar(begun.build, after, begun.hidden, begun.wanted, begun.normal);
      const again = checkUp(begun.build, after, [...begun.readings, ...more], BANDS);
      expect(again.sides[0].did!.gain).toBeCloseTo(1, 0);
      expect(again.sides[0].did!.plusMinus).toBeLessThan(0.2);
      expect(again.sides[0].stop).toMatch(/^Stop here/u);
    }
    // A ± is two standard deviations.
    expect(said.filter((size) => size < 1.5)).toHaveLength(4);
  });

  it('learns what a spacer of this car really does', () => {
    const begun = carWith(12, null);
    const soft = { ...begun.hidden, gain: { left: 0.8, right: 1 } };
    const move = { side: 'left' as const, point: 'tieRodOuter', coordinate: 'up' as const, by: 15 };
    const after: CheckedCar = { ...begun.car, rounds: [{ fitted: [move] }] };
    const more = readCar(begun.build, after, soft, begun.wanted, begun.normal);
    const found = checkUp(begun.build, after, [...begun.readings, ...more], BANDS);
    const { gain, plusMinus } = found.sides[0].did!;
    expect(gain).toBeGreaterThan(0.8 - plusMinus);
    expect(gain).toBeLessThan(0.8 + plusMinus);
    expect(plusMinus).toBeLessThan(0.15);
  });

  it('goes by what was read where no car of the model reads so', () => {
    const begun = carWith(13, null);
    // Toe that bows by a tenth of a degree more than any joint makes it.
    const bent = begun.readings.map((one) => ({
      ...one,
      plusMinus: 0.02,
      values: [one.values[0] + 6 * (one.height / 60) ** 2, one.values[1]],
    }));
    const found = checkUp(begun.build, begun.car, bent, BANDS);
    expect(found.agrees).toBe('not');
    const ride = found.points.find(({ travel: at }) => at === 0)!;
    for (const end of [-60, 60]) {
      const read = found.points.find(({ travel: at }) => at === end)!;
      const now = toeNow(found.fit!, 'left')!;
      const said = now.change[now.travels.indexOf(end)];
      expect(Math.abs(said - (read.value - ride.value))).toBeLessThan(0.12);
    }
    expect(found.sides[0].verdict).not.toBe('very good');
  });

  it('judges nothing where toe was read at two heights', () => {
    const begun = carWith(14, null);
    const found = checkUp(begun.build, begun.car, begun.readings.slice(3, 5), BANDS);
    expect(found.sides[0]).toMatchObject({ covers: null, verdict: null, shims: [], stop: null });
    const half = checkUp(begun.build, begun.car, begun.readings.slice(2, 6), BANDS);
    expect(half.sides[0].covers).toEqual({ from: -20, to: 40 });
    expect(half.sides[0].worst).toBeLessThanOrEqual(half.sides[0].now.worst);
  });
});
