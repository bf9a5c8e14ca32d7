import { POSITIONS } from '../motion/bumpSteer';
import { blankBuild } from '../model/starts';
import { finish } from '../find/finish';
import { SAMPLES, bandAt } from './bands';
import { MonteCarlo, bandsOf, buildCars } from './monteCarlo';
import { sensitivities } from './sensitivity';
import { wheelOf } from '../kinematics/wheel';

const build = blankBuild('test');

describe('the sensitivity list', () => {
  const list = sensitivities(build, wheelOf(build, 'front', 'left'));

  it('puts first what changes bump steer most over its ±', () => {
    expect(list).toHaveLength(27);
    for (let i = 1; i < list.length; i++)
      expect(list[i - 1].over.bumpSteer).toBeGreaterThanOrEqual(list[i].over.bumpSteer);
    // Heights of the tie rod's joints are what shims are for (common practice).
    expect(list.slice(0, 6).map(({ number }) => number.id)).toEqual(
      expect.arrayContaining(['tieRodOuter.up', 'tieRodInner.up']),
    );
  });

  it('says per mm and over the ± the same where the answer is straight', () => {
    for (const { number, per, over } of list) {
      const linear = Math.abs(per!.camber) * number.tolerance;
      expect(Math.abs(over.camber - linear)).toBeLessThan(0.02 + 0.05 * linear);
    }
    const upper = list.find(({ number }) => number.id === 'upperOuter.out')!;
    // 1 mm at the upper joint of an upright 238 mm tall is about a quarter of a degree.
    expect(Math.abs(upper.per!.camber)).toBeCloseTo((1 / 238) * (180 / Math.PI), 1);
  });

  it('has nothing to say of a layout that cannot be solved', () => {
    const broken = structuredClone(build);
    broken.front.points['upperOuter'] = { ...broken.front.points['lowerOuter'] };
    expect(sensitivities(broken, wheelOf(broken, 'front', 'left'))).toEqual([]);
  });
});

describe('cars built within the ±', () => {
  const builtIn = (samples: number, chunk: number) => {
    const cars = new MonteCarlo(build, wheelOf(build, 'front', 'left'), 0, samples);
    while (cars.run(chunk) < samples);
    return cars.bands();
  };
  const bands = builtIn(SAMPLES, 500);

  it('are the same cars each time, however they are parcelled', () => {
    const again = builtIn(SAMPLES, 170);
    expect(again.low.camber).toEqual(bands.low.camber);
    expect(again.toeRange).toEqual(bands.toeRange);
  });

  it('are built in shares of unlike chances as they are in one: nine in ten within a twentieth', () => {
    const halves = [0, 1].map((share) =>
      finish(buildCars(build, wheelOf(build, 'front', 'left'), 0, share, 2)),
    );
    expect(halves.map(({ done }) => done)).toEqual([SAMPLES / 2, SAMPLES / 2]);
    expect(halves[0].values.camber).not.toEqual(halves[1].values.camber);
    const both = bandsOf(halves);
    expect(both.samples).toBe(SAMPLES);
    for (const end of [0, POSITIONS - 1]) {
      expect(both.high.toe[end] / bands.high.toe[end]).toBeCloseTo(1, 1);
      expect(both.low.camber[end] / bands.low.camber[end]).toBeCloseTo(1, 1);
    }
    expect(both.toeRange!.ninety / bands.toeRange!.ninety).toBeCloseTo(1, 1);
  });

  it('hold toe at ride height, spread camber there, and spread toe at the ends', () => {
    expect(bands.samples).toBe(10_000);
    expect(bands.failed).toBe(0);
    const middle = (POSITIONS - 1) / 2;
    expect(bands.high.toe[middle]).toBeCloseTo(0, 6);
    expect(bands.high.camber[middle]).toBeGreaterThan(0.2);
    expect(bands.high.toe[0]).toBeGreaterThan(0.05);
    expect(bands.low.toe[0]).toBeLessThan(-0.05);
  });

  it('spread as the root of the sum of squares of the sensitivities (first order)', () => {
    const list = sensitivities(build, wheelOf(build, 'front', 'left'));
    const sigma = Math.sqrt(
      list.reduce((sum, { number, per }) => sum + (per!.camber * (number.tolerance / 2)) ** 2, 0),
    );
    const middle = (POSITIONS - 1) / 2;
    // Nine in ten of a normal distribution lie within 1.645 standard deviations (handbook value).
    const half = (bands.high.camber[middle] - bands.low.camber[middle]) / 2;
    expect(half / sigma).toBeGreaterThan(1.645 * 0.95);
    expect(half / sigma).toBeLessThan(1.645 * 1.05);
  });

  it('give a range to expect that is worse than the one drawn', () => {
    expect(bands.toeRange!.ninety).toBeGreaterThan(bands.toeRange!.median);
  });

  it('can be read between positions, and not beyond the travel', () => {
    expect(bandAt(bands, 'camber', 0)!.high).toBeCloseTo(bands.high.camber[20], 12);
    expect(bandAt(bands, 'camber', 1.5)!.high).toBeCloseTo(
      (bands.high.camber[20] + bands.high.camber[21]) / 2,
      12,
    );
    expect(bandAt(bands, 'camber', 61)).toBeNull();
  });

  it('count those that cannot be put together', () => {
    const wild = structuredClone(build);
    wild.takeOff = { planes: [], marks: [], between: [], measured: [], placing: 100 };
    const cars = new MonteCarlo(wild, wheelOf(wild, 'front', 'left'), 0, 200);
    cars.run(200);
    expect(cars.bands().failed).toBeGreaterThan(0);
  });
});
