import fc from 'fast-check';
import { anyLayout, axleWith, prepared, wheelIn } from '../../test/layouts';
import { spanOf } from '../motion/range';
import { runSweep, travelSweep } from '../motion/sweep';
import { bumpSteer, judgeBumpSteer } from '../motion/bumpSteer';
import { placesOf } from '../freedoms/freedoms';
import { blankBuild } from '../model/starts';
import { findNull } from './findNull';
import { STARTING_WANTED } from '../model/nullWanted';
import { shim, withShim } from './shim';
import { bumpSteerOf } from './trial';
import { finish } from '../find/finish';
import { wheelOf } from '../kinematics/wheel';
import type { Wheel } from '../kinematics/wheel';

const travel = { bump: 25, droop: 25 };

/** Toe range with the outer joint raised, by a fresh and much finer sweep. */
const rangeWith = (wheel: Wheel, raise: number) => {
  const sweep = travelSweep(travel, 2001);
  runSweep(withShim(wheel, raise).corner!, sweep);
  return spanOf(sweep, 'toe')?.range ?? Infinity;
};

describe('shim', () => {
  it('reports what a fresh, finer sweep measures', () => {
    fc.assert(
      fc.property(anyLayout, (design) => {
        const wheel = wheelIn(design, 'left', travel);
        const found = shim(wheel);
        fc.pre(found !== null);
        expect(found!.after.span.range).toBeCloseTo(rangeWith(wheel, found!.raise), 6);
      }),
      { numRuns: 25 },
    );
  });

  it('is never worse than the layout as drawn, nor than a millimetre either side', () => {
    fc.assert(
      fc.property(anyLayout, (design) => {
        const wheel = wheelIn(design, 'left', travel);
        const found = shim(wheel);
        fc.pre(found !== null && found.before !== null);
        const left = found!.after.span.range;
        expect(left).toBeLessThanOrEqual(found!.before!.span.range + 1e-9);
        for (const step of [-1, -0.1, 0.1, 1])
          if (Math.abs(found!.raise + step) <= 60)
            expect(rangeWith(wheel, found!.raise + step)).toBeGreaterThanOrEqual(left - 1e-6);
      }),
      { numRuns: 25 },
    );
  });

  it('undoes a shim put into a layout that had none to spare', () => {
    // Tie rod equal and parallel to the lower arm of a parallelogram: no bump steer at all (geometry).
    const perfect = axleWith({
      lowerFrontInner: { ahead: 150, out: 240, up: 180 },
      lowerRearInner: { ahead: -150, out: 240, up: 180 },
      lowerOuter: { ahead: 0, out: 640, up: 180 },
      upperFrontInner: { ahead: 120, out: 210, up: 420 },
      upperRearInner: { ahead: -120, out: 210, up: 420 },
      upperOuter: { ahead: 0, out: 610, up: 420 },
      tieRodInner: { ahead: -120, out: 225, up: 230 },
      tieRodOuter: { ahead: -120, out: 625, up: 230 },
    });
    const found = shim(withShim(wheelIn(perfect), -6.35));
    expect(found?.raise).toBeCloseTo(6.35, 2);
    expect(found?.after.span.range).toBeLessThan(1e-3);
    expect(found?.before?.span.range).toBeGreaterThan(0.5);
  });

  it('keeps to the side that has points of its own', () => {
    const design = axleWith();
    const own = { ...design, rightPoints: { ...design.points } };
    const { up } = design.points['tieRodOuter'];
    const raised = withShim(wheelIn(own, 'right'), 3).design;
    expect(raised.points).toBe(own.points);
    expect(raised.rightPoints?.['tieRodOuter'].up).toBe(up + 3);
    expect(withShim(wheelIn(design, 'right'), 3).design.points['tieRodOuter'].up).toBe(up + 3);
  });

  it('gives up where no height reaches the whole travel', () => {
    expect(shim(wheelIn(axleWith(), 'left', { bump: 400, droop: 400 }))).toBeNull();
  });
});

describe('bump steer', () => {
  it('hardly depends on how many positions it looks at', () => {
    fc.assert(
      fc.property(anyLayout, (design) => {
        const side = prepared(design).left;
        const coarse = bumpSteer(side, travel, travelSweep(travel, 11));
        const fine = bumpSteer(side, travel, travelSweep(travel, 1001));
        fc.pre(coarse !== null && fine !== null);
        expect(coarse!.span.range).toBeCloseTo(fine!.span.range, 4);
        expect(coarse!.slope).toBe(fine!.slope);
      }),
      { numRuns: 40 },
    );
  });

  it('is null where the travel is out of reach', () => {
    expect(bumpSteer(prepared(axleWith()).left, { bump: 400, droop: 60 })).toBeNull();
  });

  it('is judged by common practice', () => {
    expect(
      [0.1, 0.25, 0.4, 0.7, 1.2].map((worst) => judgeBumpSteer(worst, [0.25, 0.5, 1])),
    ).toEqual(['very good', 'very good', 'accept', 'look again', 'rework']);
  });
});

describe('a shim within the joint’s freedom', () => {
  const washers = (base: number, way: 1 | -1) => ({
    kind: 'shims' as const,
    base,
    stock: [3.2],
    most: 3,
    way,
  });

  it('is the least of every stack there is, and what the null finder finds with nothing else free', () => {
    let none = 0;
    fc.sample(anyLayout, { numRuns: 40, seed: 44 }).forEach((layout, n) => {
      const { up } = layout.points['tieRodOuter'];
      const freedom = washers(up, n % 2 === 0 ? 1 : -1);
      const design = { ...layout, freedoms: { tieRodOuter: { up: freedom } } };
      const found = shim(wheelIn(design, 'left', travel))!;
      const least = Math.min(
        ...placesOf(freedom, up)!.map(
          (place) =>
            bumpSteerOf(withShim(wheelIn(design, 'left', travel), place - up))?.span.range ??
            Infinity,
        ),
      );
      expect(found.after.span.range).toBeCloseTo(least, 9);
      expect(found.raise).toBeCloseTo(
        freedom.way * found.washers!.reduce((sum, mm) => sum + mm, 0),
        9,
      );
      const build = { ...blankBuild('x'), travel, front: design };
      const finding = findNull(build, wheelOf(build, 'front', 'left'), {
        ...STARTING_WANTED,
        placing: null,
      });
      const done = finish(finding);
      const { found: all, paper } = done;
      none += Number(all.length === 0);
      expect(all[paper]?.points['tieRodOuter'].up ?? up).toBeCloseTo(up + found.raise, 9);
    });
    expect(none).toBeGreaterThan(3);
  });

  it('offers no stack longer than the longest spacer, and leaves alone what is fixed', () => {
    const layout = axleWith();
    const { up } = layout.points['tieRodOuter'];
    const free = shim(wheelIn(layout, 'left', travel))!;
    expect(Math.abs(free.raise)).toBeGreaterThan(0.1);
    const freedom = washers(up, free.raise > 0 ? 1 : -1);
    const design = { ...layout, freedoms: { tieRodOuter: { up: freedom } } };
    expect(Math.abs(shim(wheelIn(design, 'left', travel), 3)!.raise)).toBe(0);
    const fixed = { ...layout, freedoms: { tieRodOuter: { up: { kind: 'fixed' as const } } } };
    expect(shim(wheelIn(fixed, 'left', travel))).toMatchObject({ raise: 0, washers: null });
  });
});
