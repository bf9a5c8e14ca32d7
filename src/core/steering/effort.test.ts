import fc from 'fast-check';
import { toRad } from '../geometry/angle';
import { wheelOf } from '../kinematics/wheel';
import { blankBuild } from '../model/starts';
import { readAt } from '../motion/sweep';
import { anyLayout, parallelArms, prepared } from '../../test/layouts';
import { SIDEWAYS, effortOf, forRatio, handsStay } from './effort';

const LOADS = { wheelLoad: 3000, grip: 0.8 };

it('is the work of both kingpins’ moments over a small turn of the handwheel', () => {
  for (const design of fc.sample(anyLayout, { numRuns: 20, seed: 3 })) {
    const axle = prepared({ ...design, rack: { travel: 50, perTurn: 44 } });
    const effort = effortOf(axle, 44, 190, LOADS);
    if (!effort) continue;
    // Five degrees of the handwheel either way.
    const rack = (44 * 5) / 360;
    let [standing, moving] = [0, 0];
    for (const side of [axle.left, axle.right]) {
      const [on, off, at] = [readAt(side, 0, rack), readAt(side, 0, -rack), readAt(side, 0, 0)];
      if (!on.ok || !off.ok || !at.ok) throw new Error('out of reach');
      const turned = Math.abs(toRad(on.value.toe - off.value.toe)) / toRad(10);
      const moment = 0.8 * 3000 * Math.hypot(190 / Math.sqrt(8), at.value.scrub!);
      standing += (moment * turned) / 1000;
      moving += (SIDEWAYS * 3000 * at.value.trail! * turned) / 1000;
    }
    expect(effort.standing / standing).toBeCloseTo(1, 3);
    expect(effort.moving / moving).toBeCloseTo(1, 3);
    const helped = effortOf(axle, 44, 190, LOADS, 3)!;
    expect(helped.standing).toBeCloseTo(effort.standing / 3, 9);
  }
  expect(effortOf(prepared(parallelArms()), undefined, 190, LOADS)).toBeNull();
});

it('finds the rack and the arm that make a ratio: measured again by differences of the toe', () => {
  for (const design of fc.sample(anyLayout, { numRuns: 12, seed: 8 })) {
    const front = { ...design, rack: { travel: 50, perTurn: 44 } };
    const build = { ...blankBuild('r'), front };
    const wheel = wheelOf(build, 'front', 'left');
    const ratioOf = (of: typeof front, perTurn: number) => {
      const axle = prepared(of);
      const slope = (side: typeof axle.left) => {
        const [on, off] = [readAt(side, 0, 0.05), readAt(side, 0, -0.05)];
        return on.ok && off.ok ? Math.abs(on.value.toe - off.value.toe) / 0.1 : NaN;
      };
      return 360 / perTurn / ((slope(axle.left) + slope(axle.right)) / 2);
    };
    const found = forRatio(wheel, 2400, 12)!;
    expect(ratioOf(front, found.perTurn)).toBeCloseTo(12, 2);
    if (found.armFor === null) continue;
    const longer = found.armFor / found.arm;
    expect(longer).toBeGreaterThan(1 / 3);
    // The whole way out again: with an arm so long it is no other rack that is asked for.
    const again = forRatio(wheel, 2400, ratioOf(front, 44))!;
    expect(again.armFor).toBeCloseTo(again.arm, 1);
    expect(again.perTurn).toBeCloseTo(44, 1);
  }
});

it('knows how far half a turn of the hands turns the inner wheel, no further than the rack goes', () => {
  const axle = prepared({ ...parallelArms(), rack: { travel: 30 } });
  const at = (rack: number) => {
    const readings = [axle.left, axle.right].map((side) => {
      const [there, straight] = [readAt(side, 0, rack), readAt(side, 0, 0)];
      return there.ok && straight.ok ? Math.abs(there.value.toe - straight.value.toe) : NaN;
    });
    return readings[0];
  };
  expect(handsStay(axle, 2400, 40)).toBeCloseTo(at(20), 6);
  expect(handsStay(axle, 2400, 200)).toBeCloseTo(at(30), 6);
});
