import fc from 'fast-check';
import { POSITIONS, bumpSteer } from '../motion/bumpSteer';
import { doubleWishbone } from '../corners/doubleWishbone';
import { distance, sub } from '../geometry/vec';
import { drawnCorner } from '../kinematics/axle';
import { toVec } from '../model/points';
import type { Points } from '../model/points';
import { travelSweep, runSweep, readAt, slopeAt, valueAt } from '../motion/sweep';
import type { Vec } from '../geometry/vec';
import type { AxleDesign } from '../model/build';
import { WISHBONE_POINTS, anyLayout, axleWith, prepared, wheelIn } from '../../test/layouts';
import { Assembly } from './assembly';
import { offsetCount, offsetOf } from './joints';
import { responseOf } from './response';
import { cornerOf } from './sensitivity';

const JOINTS = offsetCount(doubleWishbone);
const AT = (name: string) => offsetOf(doubleWishbone, name);
const left = (design: AxleDesign) => drawnCorner(design, 'left');

const offBy = fc.array(fc.double({ min: -2, max: 2, noNaN: true }), {
  minLength: JOINTS,
  maxLength: JOINTS,
});

describe('a corner put together from parts that are a little off', () => {
  it('stands as drawn when nothing is off', () => {
    fc.assert(
      fc.property(anyLayout, (design) => {
        const built = new Assembly(left(design)).build(new Float64Array(JOINTS))!;
        for (const name of WISHBONE_POINTS)
          for (const c of ['ahead', 'out', 'up'] as const)
            expect(built.points[name][c]).toBeCloseTo(design.points[name][c], 8);
        expect(built.static.camber).toBeCloseTo(design.static.camber, 8);
      }),
      { numRuns: 50 },
    );
  });

  it('keeps the arms’ lengths, the upright’s shape, ride height and toe', () => {
    let checked = 0;
    fc.assert(
      fc.property(anyLayout, offBy, (design, off) => {
        const offsets = Float64Array.from(off);
        const built = new Assembly(left(design)).build(offsets);
        // Parts a couple of millimetres off go together, but for layouts near their end.
        fc.pre(built !== null);
        if (!built) throw new Error('not put together');
        const between = (points: Points, a: string, b: string) =>
          distance(toVec(points[a]), toVec(points[b]));
        for (const [inner, outer] of [
          ['lowerFrontInner', 'lowerOuter'],
          ['lowerRearInner', 'lowerOuter'],
          ['upperFrontInner', 'upperOuter'],
          ['upperRearInner', 'upperOuter'],
        ])
          expect(between(built.points, inner, outer)).toBeCloseTo(
            between(design.points, inner, outer),
            7,
          );
        const moved = (name: string) =>
          [0, 1, 2].map((i) => toVec(design.points[name])[i] + off[AT(name) + i]);
        for (const inner of WISHBONE_POINTS.filter((name) => name.endsWith('Inner')))
          expect(
            toVec(built.points[inner]).every((x, i) => Math.abs(x - moved(inner)[i]) < 1e-9),
          ).toBe(true);
        for (const [a, b] of [
          ['lowerOuter', 'upperOuter'],
          ['lowerOuter', 'tieRodOuter'],
          ['upperOuter', 'wheelCentre'],
        ])
          expect(between(built.points, a, b)).toBeCloseTo(
            Math.hypot(...sub(moved(a) as unknown as Vec, moved(b) as unknown as Vec)),
            7,
          );
        expect(built.points.wheelCentre.up).toBeCloseTo(design.points.wheelCentre.up, 7);
        const corner = cornerOf(wheelIn(design), built);
        const reading = corner && readAt(corner, 0, 0);
        if (!reading?.ok) throw new Error('what was put together does not stand at ride height');
        expect(reading.value.toe).toBeCloseTo(design.static.toe, 7);
        expect(reading.value.camber).toBeCloseTo(built.static.camber, 7);
        checked++;
      }),
      { numRuns: 60, maxSkipsPerRun: 1 },
    );
    expect(checked).toBe(60);
  });

  it('leans a square corner by what the ball joint was off: atan(10/200) of camber (geometry)', () => {
    // Joints 200 mm apart one above the other; arms level and long, so they hold the joints where
    // they are. An upper joint that is 10 mm further inboard on the upright than was thought leans it.
    const far = (up: number, ahead: number) => ({ ahead, out: -9400, up });
    const design = axleWith({
      lowerFrontInner: far(200, 150),
      lowerRearInner: far(200, -150),
      lowerOuter: { ahead: 0, out: 600, up: 200 },
      upperFrontInner: far(400, 150),
      upperRearInner: far(400, -150),
      upperOuter: { ahead: 0, out: 600, up: 400 },
      tieRodInner: { ahead: 120, out: -9400, up: 300 },
      tieRodOuter: { ahead: 120, out: 600, up: 300 },
      wheelCentre: { ahead: 0, out: 600, up: 300 },
    });
    const offsets = new Float64Array(JOINTS);
    offsets[AT('upperOuter') + 1] = -10;
    const built = new Assembly(left(design)).build(offsets)!;
    expect(built.static.camber).toBeCloseTo((Math.atan(10 / 200) * 180) / Math.PI, 2);
  });

  it('says so when parts cannot be put together', () => {
    const design = axleWith();
    const offsets = new Float64Array(JOINTS);
    offsets[AT('upperFrontInner') + 1] = -900;
    expect(new Assembly(left(design)).build(offsets)).toBeNull();
  });

  it('answers to small errors as its exact derivatives say', () => {
    fc.assert(
      fc.property(anyLayout, offBy, (design, off) => {
        const travels = [20, -20];
        const response = responseOf(prepared(design).left, left(design), travels)!(
          Float64Array.from(off),
        );
        const step = 1e-4;
        const [plus, minus] = [step, -step].map((by) => {
          const built = new Assembly(left(design)).build(Float64Array.from(off, (o) => o * by))!;
          const corner = cornerOf(wheelIn(design), built)!;
          const sweep = travelSweep({ bump: 20, droop: 20 }, 3);
          expect(runSweep(corner, sweep)).toBe(3);
          const ride = readAt(corner, 0, 0);
          if (!ride.ok) throw new Error(ride.why);
          return [
            ride.value.camber,
            ride.value.scrub!,
            valueAt(sweep, 2, 'toe'),
            valueAt(sweep, 0, 'toe'),
          ];
        });
        const wanted = [response.camber, response.scrub!, ...response.toe];
        wanted.forEach((value, i) => {
          const difference = (plus[i] - minus[i]) / (2 * step);
          expect(Math.abs(value - difference)).toBeLessThan(2e-4 * Math.max(1, Math.abs(value)));
        });
      }),
      { numRuns: 60 },
    );
  });

  it('changes nothing about bump steer when all is moved together', () => {
    const design = axleWith();
    const offsets = new Float64Array(JOINTS);
    for (let i = 1; i < JOINTS; i += 3) offsets[i] = 3;
    const built = new Assembly(left(design)).build(offsets)!;
    const travel = { bump: 50, droop: 50 };
    const sweep = travelSweep(travel, POSITIONS);
    const before = bumpSteer(prepared(design).left, travel)!;
    const after = bumpSteer(cornerOf(wheelIn(design), built)!, travel, sweep)!;
    expect(after.span.range).toBeCloseTo(before.span.range, 8);
    expect(slopeAt(sweep, 20, 'toe')).toBeCloseTo(before.slope, 8);
  });
});
