import fc from 'fast-check';
import { distance } from '../geometry/vec';
import { pointsOf } from '../kinematics/axle';
import type { AxleDesign } from '../model/build';
import { blankBuild } from '../model/starts';
import { readAt } from '../motion/sweep';
import {
  anyLayout,
  axleWith,
  parallelArms,
  planeMechanism,
  prepared,
  wheelIn,
} from '../../test/layouts';
import { referencePose } from '../../test/referenceSolver';
import { bumpMap, leastOf } from './bumpMap';
import type { BumpMap } from './bumpMap';
import { holdStraight, inChassis, inUpright, pathOfOuter, toeFromPath } from './heldStraight';
import { crossing, nullOfInner, nullOfOuter } from './nullLine';
import { rulesOfThumb } from './rules';
import { bumpSteerOf, bumpSteerWith } from './trial';
import { toVec } from '../model/points';

const travel = { bump: 60, droop: 60 };
const short = { bump: 25, droop: 25 };
const jointsOf = (design: AxleDesign) => {
  const points = pointsOf(design, 'left');
  return { inner: toVec(points['tieRodInner']), outer: toVec(points['tieRodOuter']) };
};
const rangeOf = (values: number[]) => Math.max(...values) - Math.min(...values);
const nullAt = (design: AxleDesign, over = travel) => {
  const held = holdStraight(prepared(design).left, over);
  if (!held) throw new Error('out of reach');
  const { inner, outer } = jointsOf(design);
  return { held, inner, outer, line: nullOfInner(held, inner, outer)! };
};

const parallel = (rod: { inner: number; up: number }) =>
  parallelArms({ tieRodInner: { ahead: 100, out: rod.inner, up: rod.up } });

describe('a corner whose steering is held straight', () => {
  it('keeps its toe at every travel, and its joints their places on the upright', () => {
    fc.assert(
      fc.property(anyLayout, (design) => {
        const corner = prepared(design).left;
        const held = holdStraight(corner, short, 7);
        fc.pre(held !== null);
        const { outer } = jointsOf(design);
        const local = inUpright(held!.drawn, outer);
        expect(distance(inChassis(held!.drawn, local), outer)).toBeLessThan(1e-9);
        const ride = readAt(corner, 0, 0);
        if (!ride.ok) throw new Error(ride.why);
        // Its spindle, carried along, toes as it does at ride height.
        const hub = toVec(pointsOf(design, 'left').wheelCentre);
        const tip = inUpright(held!.drawn, [
          hub[0] +
            Math.sin((ride.value.toe * Math.PI) / 180) *
              Math.cos((ride.value.camber * Math.PI) / 180),
          hub[1] +
            Math.cos((ride.value.toe * Math.PI) / 180) *
              Math.cos((ride.value.camber * Math.PI) / 180),
          hub[2] - Math.sin((ride.value.camber * Math.PI) / 180),
        ]);
        for (const pose of held!.poses) {
          const [a, b] = [inChassis(pose, tip), inChassis(pose, inUpright(held!.drawn, hub))];
          expect((Math.atan2(a[0] - b[0], a[1] - b[1]) * 180) / Math.PI).toBeCloseTo(
            ride.value.toe,
            6,
          );
        }
      }),
      { numRuns: 30 },
    );
  });

  it('leads its outer joint on a circle of the arms’ own in a parallelogram (geometry)', () => {
    const { held, line } = nullAt(parallel({ inner: 260, up: 290 }));
    for (const [ahead, out, up] of pathOfOuter(held, [100, 600, 300]))
      expect([ahead, Math.hypot(out - 300, up - 300)]).toEqual([
        expect.closeTo(100, 8),
        expect.closeTo(300, 8),
      ]);
    expect(line.radius).toBeCloseTo(300, 6);
    expect(line.offRim + line.offPlane).toBeLessThan(1e-7);
    expect(line.nearest[1]).toBeCloseTo(300, 5);
    expect(line.nearest[2]).toBeCloseTo(300, 5);
    expect(line.away).toBeCloseTo(Math.hypot(40, 10), 5);
    const level = crossing(line, 0, 100)!;
    expect(
      bumpSteerWith(
        wheelIn(parallel({ inner: 260, up: 290 }), 'left', travel),
        'tieRodInner',
        level,
      )!.span.range,
    ).toBeLessThan(1e-6);
  });
});

describe('the null line', () => {
  it('leaves what the path’s misfit to a sphere predicts, on random layouts', () => {
    fc.assert(
      fc.property(anyLayout, (design) => {
        const held = holdStraight(prepared(design).left, short);
        fc.pre(held !== null);
        const { inner, outer } = jointsOf(design);
        const line = nullOfInner(held!, inner, outer)!;
        fc.pre(line.radius > 60 && line.radius < 3000);
        const at = crossing(line, 0, inner[0]);
        fc.pre(at !== null);
        const exact = bumpSteerWith(wheelIn(design, 'left', short), 'tieRodInner', at!);
        fc.pre(exact !== null);
        const predicted = rangeOf(toeFromPath(held!, at!, outer));
        expect(Math.abs(exact!.span.range - predicted)).toBeLessThan(0.002 + 0.1 * predicted);
      }),
      { numRuns: 60 },
    );
  });

  it('of outer joints is the same the other way round: the upright sees the inner joint run a circle', () => {
    const { front } = blankBuild('x');
    const { held, inner, outer } = nullAt(front);
    const before = bumpSteerOf(wheelIn(front, 'left', travel))!.span.range;
    const line = nullOfOuter(held, inner, outer)!;
    const at = crossing(line, 0, outer[0])!;
    const after = bumpSteerWith(wheelIn(front, 'left', travel), 'tieRodOuter', at)!.span.range;
    expect(after).toBeLessThan(Math.min(0.03, before / 5));
    expect(line.away).toBeGreaterThan(1);
  });

  it('predicts the toe curve itself to first order', () => {
    const design = axleWith();
    const { held, inner, outer } = nullAt(design);
    const corner = prepared(design).left;
    const toe = (at: number) => {
      const reading = readAt(corner, at, 0);
      if (!reading.ok) throw new Error(reading.why);
      return reading.value.toe;
    };
    toeFromPath(held, inner, outer).forEach((predicted, i) => {
      const exact = toe(held.travel[i]) - toe(0);
      expect(Math.abs(predicted - exact)).toBeLessThan(0.002 + 0.06 * Math.abs(exact));
    });
  });
});

describe('the map', () => {
  const finish = (design: AxleDesign, size: number, n: number) => {
    const looking = bumpMap(wheelIn(design, 'left', travel), 'inner-out-up', size, n);
    const grains: number[] = [];
    for (;;) {
      const step = looking.next();
      if (step.done) return { map: step.value, grains };
      if (step.value.map.grain && grains.at(-1) !== step.value.map.grain)
        grains.push(step.value.map.grain);
    }
  };
  const placeOf = (map: BumpMap) => leastOf(map)!;

  it('comes from coarse to fine, and holds what a fresh sweep measures at every place', () => {
    const { front } = blankBuild('x');
    const { map, grains } = finish(front, 20, 9);
    expect(grains).toEqual([8, 4, 2, 1]);
    const { inner } = jointsOf(front);
    for (const [i, j] of [
      [0, 0],
      [4, 4],
      [8, 2],
    ]) {
      const at = [inner[0], inner[1] + 5 * (i - 4), inner[2] + 5 * (j - 4)] as const;
      const exact = bumpSteerWith(wheelIn(front, 'left', travel), 'tieRodInner', at)!.span.range;
      expect(Math.abs(map.range[j * 9 + i] - exact)).toBeLessThan(0.001 + 0.002 * exact);
    }
  });

  it('is least where the null line crosses it', () => {
    const { front } = blankBuild('x');
    const { line, inner } = nullAt(front);
    const at = crossing(line, 0, inner[0])!;
    const { map } = finish(front, 40, 41);
    const least = placeOf(map);
    // Along the tie rod the valley is long and flat: places 2 mm apart, and as little left in both.
    expect(Math.abs(least.across - at[1])).toBeLessThanOrEqual(6);
    expect(Math.abs(least.up - at[2])).toBeLessThanOrEqual(4);
    const there = bumpSteerWith(wheelIn(front, 'left', travel), 'tieRodInner', at)!.span.range;
    expect(there).toBeLessThan(0.01);
    // A millimetre in height, half of the map's step, costs a tenth of a degree here.
    expect(least.range).toBeLessThan(there + 0.11);
  });

  it('has no figure where the wheel cannot go through its travel', () => {
    const { map } = finish(parallel({ inner: 300, up: 300 }), 290, 3);
    expect(map.range.some(Number.isNaN)).toBe(true);
    expect(map.range[4]).toBeLessThan(1e-6);
  });
});

describe('the rules of thumb', () => {
  const says = (design: AxleDesign, rule: string) =>
    rulesOfThumb(wheelIn(design, 'left', travel)).find((one) => one.rule === rule)!;

  it('equal and parallel leaves nothing where the arms are equal and parallel too (geometry)', () => {
    const { at, steer } = says(parallel({ inner: 250, up: 280 }), 'parallel');
    expect(at).toEqual([100, 300, 300]);
    expect(steer!.span.range).toBeLessThan(1e-6);
  });

  it('lines leaves no slope at ride height in a plane mechanism (instant centre)', () => {
    const design = planeMechanism({
      tieRodInner: { ahead: -110, out: 240, up: 240 },
      tieRodOuter: { ahead: -110, out: 605, up: 240 },
    });
    const { at, steer } = says(design, 'lines');
    // On the line through the inner pivots, which stand at 250/180 and 310/370.
    expect((at[1] - 250) / 60).toBeCloseTo((at[2] - 180) / 190, 9);
    expect(Math.abs(steer!.slope)).toBeLessThan(3e-4);
    expect(steer!.span.range).toBeLessThan(
      bumpSteerOf(wheelIn(design, 'left', travel))!.span.range / 3,
    );
  });

  it('are judged by the exact curve, the shim among them', () => {
    const { front } = blankBuild('x');
    for (const { rule, point, at, steer } of rulesOfThumb(wheelIn(front, 'left', travel))) {
      const [ahead, out, up] = at;
      const design = { ...front, points: { ...front.points, [point]: { ahead, out, up } } };
      // Position by position by another solver, a least-squares one.
      const toe = Array.from({ length: 13 }, (_, i) => {
        const [x, y] = referencePose(design, 10 * i - 60, 0).spindle;
        return (Math.atan2(x, y) * 180) / Math.PI;
      });
      expect([
        rule,
        Math.abs(steer!.span.range - rangeOf(toe)) < 0.004 + 0.02 * rangeOf(toe),
      ]).toEqual([rule, true]);
    }
    expect(says(front, 'shim').point).toBe('tieRodOuter');
  });
});
