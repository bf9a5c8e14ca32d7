import fc from 'fast-check';
import type { Freedoms } from '../model/freedoms';
import { effortOf, placesOf } from '../freedoms/freedoms';
import type { Build, AxleDesign } from '../model/build';
import { blankBuild } from '../model/starts';
import { anyLayout, wheelIn } from '../../test/layouts';
import { leastRangeByChance } from '../../test/leastRange';
import { CarsBuilt } from './buildable';
import { findNull } from './findNull';
import { STARTING_WANTED } from '../model/nullWanted';
import type { NullWanted } from '../model/nullWanted';
import { bumpSteerOf } from './trial';
import { finish } from '../find/finish';
import { wheelOf } from '../kinematics/wheel';

jest.setTimeout(240_000);

const travel = { bump: 25, droop: 25 };
const search = (build: Build, wanted: NullWanted) => {
  const finding = findNull(build, wheelOf(build, 'front', 'left'), wanted);
  return finish(finding);
};
const buildOf = (design: AxleDesign, freedoms: Freedoms): Build => ({
  ...blankBuild('random'),
  travel,
  front: { ...design, freedoms },
});
describe('the range found', () => {
  for (const by of [5, 15, 60])
    it(`is within 5 % of the least there is in 29 of 30 layouts, out and up of the inner joint within ±${by} mm`, () => {
      const ratios = fc.sample(anyLayout, { numRuns: 30, seed: 31 + by }).map((design, n) => {
        const { tieRodInner: inner } = design.points;
        const slot = (at: number) => ({
          kind: 'range' as const,
          min: at - by,
          max: at + by,
          step: 0,
        });
        const freedoms = { tieRodInner: { out: slot(inner.out), up: slot(inner.up) } };
        const { found, paper, before } = search(buildOf(design, freedoms), {
          ...STARTING_WANTED,
          placing: null,
        });
        const least = found[paper]?.steer.span.range ?? before!.span.range;
        const brute = leastRangeByChance(design, travel, by, n + 1);
        // Ranges under half a thousandth of a degree are alike to anybody.
        return Math.max(least, 5e-4) / Math.max(brute, 5e-4);
      });
      ratios.sort((a, b) => a - b);
      expect(ratios[28]).toBeLessThanOrEqual(1.05);
      expect(ratios[14]).toBeLessThan(1.005);
    });

  it('is no worse with wider bounds', () => {
    for (const design of fc.sample(anyLayout, { numRuns: 25, seed: 6 })) {
      const { tieRodInner: inner } = design.points;
      const ranges = [5, 10, 15, 30].map((by) => {
        const slot = (at: number) => ({
          kind: 'range' as const,
          min: at - by,
          max: at + by,
          step: 0,
        });
        const { found, paper, before } = search(
          buildOf(design, { tieRodInner: { out: slot(inner.out), up: slot(inner.up) } }),
          { ...STARTING_WANTED, placing: null },
        );
        return found[paper]?.steer.span.range ?? before!.span.range;
      });
      ranges.slice(1).forEach((range, i) => expect(range).toBeLessThan(ranges[i] * 1.02 + 5e-4));
    }
  });
});

it('has the least work, the least on paper and the least when built of all washers and holes (40 cases)', () => {
  let judged = 0;
  fc.sample(anyLayout, { numRuns: 40, seed: 12 }).forEach((design, n) => {
    const { tieRodInner: inner, tieRodOuter: outer } = design.points;
    const freedoms = {
      tieRodOuter: {
        up: {
          kind: 'shims' as const,
          base: outer.up,
          stock: [0.5, 1, 1.6, 3.2, 6.35],
          most: 2,
          way: n % 2 === 0 ? (1 as const) : (-1 as const),
        },
      },
      tieRodInner: {
        up: {
          kind: 'choices' as const,
          at: [inner.up - 20, inner.up, inner.up + 12, inner.up + 30],
        },
      },
    };
    const build = buildOf(design, freedoms);
    const finding = search(build, STARTING_WANTED);
    const { found, work, paper, steady, before, tried, all } = finding;
    const cars = new CarsBuilt(travel, STARTING_WANTED.placing);
    const every = placesOf(freedoms.tieRodOuter.up, outer.up)!.flatMap((up) =>
      freedoms.tieRodInner.up.at.flatMap((hole) => {
        const moved = wheelIn(build.front, 'left', travel).withPoints({
          tieRodOuter: { ...outer, up },
          tieRodInner: { ...inner, up: hole },
        });
        const steer = bumpSteerOf(moved);
        if (!steer || steer.span.range >= before!.span.range) return [];
        return [
          {
            range: steer.span.range,
            worst: steer.worst,
            effort:
              effortOf(freedoms.tieRodOuter.up, outer.up, up) +
              effortOf(freedoms.tieRodInner.up, inner.up, hole),
            ninety: cars.ninety(moved)!,
          },
        ];
      }),
    );
    expect([all, tried]).toEqual([
      true,
      placesOf(freedoms.tieRodOuter.up, outer.up)!.length * freedoms.tieRodInner.up.at.length,
    ]);
    if (every.length === 0) return expect(found).toEqual([]);
    const least = (figure: (one: (typeof every)[number]) => number, of = every) =>
      Math.min(...of.map(figure));
    expect(found[paper].steer.span.range).toBeCloseTo(
      least(({ range }) => range),
      9,
    );
    expect(found[steady].buildable!.ninety).toBeCloseTo(
      least(({ ninety }) => ninety),
      9,
    );
    const good = every.filter(({ worst }) => worst <= 0.25);
    if (good.length > 0 && found[work].doubts.length === 0) {
      judged++;
      expect(found[work].verdict).toBe('very good');
      expect(found[work].effort).toBeCloseTo(
        least(({ effort }) => effort, good),
        9,
      );
    }
  });
  expect(judged).toBeGreaterThan(5);
});
