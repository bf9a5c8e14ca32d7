import fc from 'fast-check';
import { anyLayout, axleWith, prepared } from '../../test/layouts';
import type { Axle } from '../kinematics/axle';
import { blankBuild } from '../model/starts';
import { readAt } from '../motion/sweep';
import { ackermannAt } from './ackermann';
import { lockOf, ratioOf } from './lock';
import { towardsTurn } from './steered';

const WHEELBASE = 2400;

/** Outer joint outboard of the kingpin behind the axle: the outer wheel turns more. */
const reversed = () => {
  const build = blankBuild('x');
  const { tieRodOuter, tieRodInner } = build.front.points;
  const behind = tieRodOuter.ahead < 0;
  tieRodOuter.out += behind ? 40 : -60;
  tieRodInner.out += behind ? 40 : -60;
  return build;
};

/** Both wheels from straight ahead, + left, read one by one. */
const read = (axle: Axle, rack: number) => {
  const of = (side: 'left' | 'right') => {
    const [at, straight] = [readAt(axle[side], 0, rack), readAt(axle[side], 0, 0)];
    if (!at.ok || !straight.ok) return NaN;
    return (side === 'left' ? -1 : 1) * (at.value.toe - straight.value.toe);
  };
  return { left: of('left'), right: of('right') };
};

it('knows the inner wheel by where the car turns to, whichever turns more', () => {
  const build = reversed();
  const axle = prepared(build.front);
  for (const rack of [30, -30, 60, -60]) {
    const { left, right } = read(axle, rack);
    const steered = towardsTurn(left, right);
    expect(steered.turn).toBe(left + right > 0 ? 'left' : 'right');
    expect(steered.innerSteer).toBeCloseTo(Math.abs(steered.turn === 'left' ? left : right), 9);
    expect(steered.outerSteer).toBeGreaterThan(steered.innerSteer);
    const ackermann = ackermannAt(axle, WHEELBASE, rack)!;
    expect(ackermann.inner).toBeCloseTo(steered.innerSteer, 9);
    expect(ackermann.percent).toBeLessThan(0);
  }
});

it('mirrors, on random layouts', () => {
  fc.assert(
    fc.property(anyLayout, fc.double({ min: 2, max: 15, noNaN: true }), (design, rack) => {
      const axle = prepared(design);
      const [one, other] = [
        ackermannAt(axle, WHEELBASE, rack),
        ackermannAt(axle, WHEELBASE, -rack),
      ];
      fc.pre(one !== null && other !== null);
      const [left, right] = [read(axle, rack), read(axle, -rack)];
      expect(left.left).toBeCloseTo(-right.right, 7);
      expect(one!.inner).toBeCloseTo(other!.inner, 7);
      expect(one!.percent).toBeCloseTo(other!.percent, 5);
    }),
    { numRuns: 25 },
  );
});

it('takes the larger circle of both locks where the sides differ', () => {
  const build = blankBuild('x');
  build.front.rightPoints = structuredClone(build.front.points);
  build.front.rightPoints['tieRodOuter'].ahead *= 1.25;
  const axle = prepared(build.front);
  const { travel } = build.front.rack!;
  // The less the wheels turn together, the larger the circle.
  const ways = [travel, -travel].map((rack) => read(axle, rack));
  const [less] = ways.sort((a, b) => Math.abs(a.left + a.right) - Math.abs(b.left + b.right));
  const { innerSteer, outerSteer } = towardsTurn(less.left, less.right);
  expect(lockOf(build)!.inner).toBeCloseTo(innerSteer, 9);
  expect(lockOf(build)!.outer).toBeCloseTo(outerSteer, 9);
});

it('has a lock where the wheels steer about what moves with them, and no Ackermann to tell', () => {
  const build = blankBuild('x', 'strut-links');
  const lock = lockOf(build)!;
  const { left, right } = read(prepared(build.front), build.front.rack!.travel);
  expect(lock.inner).toBeCloseTo(towardsTurn(left, right).innerSteer, 9);
  expect(ackermannAt(prepared(build.front), WHEELBASE, 20)).toBeNull();
});

it('has a ratio where the rack’s mm a turn are known: the limit of what the wheels turn', () => {
  const build = blankBuild('x');
  delete build.front.rack!.perTurn;
  expect(ratioOf(build)).toBeNull();
  build.front.rack!.perTurn = 44;
  const axle = prepared(axleWith(build.front.points, build.front.static));
  const small = read(axle, 0.01);
  const degreesOfWheel = Math.abs(small.left + small.right) / 2;
  expect(ratioOf(build)!).toBeCloseTo(((0.01 / 44) * 360) / degreesOfWheel, 2);
});
