import fc from 'fast-check';
import { wheelOf } from '../kinematics/wheel';
import type { Build } from '../model/build';
import { blankBuild } from '../model/starts';
import { readAt } from '../motion/sweep';
import { rimClearances } from '../upright/rim';
import { anyLayout } from '../../test/layouts';
import { armRemedies } from './armRemedies';
import { armSide } from './armSide';
import { stringSheet } from './stringSheet';
import { staticAxis } from '../upright/staticQuantities';
import { axisAtHeight } from '../kinematics/joints';

const car = (front: Build['front'], change: Partial<Build> = {}): Build => ({
  ...blankBuild('arms'),
  travel: { bump: 20, droop: 20 },
  front: { ...front, rack: { travel: 40 } },
  ...change,
});
const layouts = fc.sample(anyLayout, { numRuns: 25, seed: 11 });

it('swaps arms so that twice changes nothing, and puts the joint on the other side of the kingpin', () => {
  for (const design of layouts) {
    const build = car(design);
    const wheel = wheelOf(build, 'front', 'left');
    const find = (of: typeof wheel, kind: string) =>
      armRemedies(build, of).find((one) => one.kind === kind)!;
    const before = armSide(wheel, build.wheelbase)!;
    for (const kind of ['swapped', 'swapped round']) {
      const once = find(wheel, kind).wheel;
      const after = armSide(once, build.wheelbase)!;
      const twice = find(once, kind).wheel;
      for (const name of ['tieRodInner', 'tieRodOuter'])
        for (const c of ['ahead', 'out', 'up'] as const)
          expect(twice.points[name][c]).toBeCloseTo(wheel.points[name][c], 1);
      if (kind === 'swapped round') {
        expect(after.ahead).toBeCloseTo(-before.ahead, 1);
        expect(after.out).toBeCloseTo(before.out, 1);
      } else {
        expect(after.ahead).toBeCloseTo(before.ahead, 1);
        expect(after.out).toBeCloseTo(-before.out, 1);
        expect(after.backwards).toBe(!before.backwards);
      }
    }
    expect(find(wheel, 'swapped').taper).toBe(true);
    expect(find(wheel, 'swapped round').taper).toBe(false);
    expect(find(wheel, 'swapped round').rackToo).toBe(true);
  }
});

it('measures each by the wheels’ own angles at half rack and their toe over the travel', () => {
  for (const design of layouts.slice(0, 8)) {
    const build = car(design);
    for (const { wheel, percent, steer } of armRemedies(build, wheelOf(build, 'front', 'left'))) {
      if (!wheel.solved.ok) {
        expect([percent, steer]).toEqual([null, null]);
        continue;
      }
      const { left, right } = wheel.solved.axle;
      const toe = (side: typeof left, travel: number, rack: number) => {
        const reading = readAt(side, travel, rack);
        return reading.ok ? reading.value.toe : NaN;
      };
      const [a, b] = [toe(left, 0, 20) - toe(left, 0, 0), toe(right, 0, 20) - toe(right, 0, 0)];
      if (percent !== null && Math.abs(a) > 1)
        // More than parallel where the wheel that toes out on the inside turns more.
        expect(Math.sign(percent)).toBe(Math.sign(a < 0 === -a + b > 0 ? -a - b : a + b));
      if (steer === null) continue;
      const off = Array.from({ length: 41 }, (_, i) =>
        Math.abs(toe(left, i - 20, 0) - toe(left, 0, 0)),
      );
      expect(steer).toBeCloseTo(Math.max(...off), 2);
    }
  }
});

it('shortens an arm on the string just as far as the rim asks for', () => {
  const build = car(blankBuild('x').front);
  const { front } = build;
  front.static = { toe: 0, camber: 0 };
  front.rim = { diameter: 13 * 25.4, width: 160, offset: 20 };
  // A long arm ahead of the axle: its string leads out into the rim.
  front.points['tieRodOuter'] = { ahead: 128, out: front.points.wheelCentre.out - 70, up: 250 };
  const remedies = armRemedies(build, wheelOf(build, 'front', 'left'));
  const string = remedies.find(({ kind }) => kind === 'onto the string')!;
  const shorter = remedies.find(({ kind }) => kind === 'shorter');
  expect(string.fits).toBe(false);
  expect(shorter?.fits).toBe(true);
  const [before, after] = [string, shorter!].map(({ wheel }) => armSide(wheel, build.wheelbase)!);
  expect(after.offString).toBeCloseTo(0, 6);
  expect(Math.abs(after.ahead)).toBeLessThan(Math.abs(before.ahead));
  // By the clearance that the wheel's own station tells, to within the ring's corner.
  const clear = rimClearances(shorter!.wheel.design, shorter!.wheel.points).find(
    ({ joint }) => joint === 'tieRodOuter',
  )!;
  expect(clear.clearance ?? clear.inboard - 18).toBeGreaterThan(9);
});

it('lays the string out so that square and tape come back to the hole', () => {
  for (const design of layouts)
    for (const side of ['left', 'right'] as const) {
      const build = car(design);
      const wheel = wheelOf(build, 'front', side);
      const sheet = stringSheet(wheel, build.wheelbase)!;
      const { kingpin, rear, string, along, off, arm } = sheet;
      const joint = wheel.points['tieRodOuter'];
      const way = [(rear.ahead - kingpin.ahead) / string, (rear.out - kingpin.out) / string];
      // Square to the string: outboard.
      const square = [way[1], -way[0]];
      expect(square[1]).toBeGreaterThan(0);
      expect(kingpin.ahead + along * way[0] + off * square[0]).toBeCloseTo(joint.ahead, 9);
      expect(kingpin.out + along * way[1] + off * square[1]).toBeCloseTo(joint.out, 9);
      expect(arm).toBeCloseTo(Math.hypot(along, off), 9);
      const foot = axisAtHeight(staticAxis(wheel.design, side), joint.up)!;
      expect([kingpin.ahead, kingpin.out]).toEqual([foot[0], foot[1]]);
      expect(sheet.overLower).toBeCloseTo(joint.up - wheel.points['lowerOuter']!.up, 9);
    }
});
