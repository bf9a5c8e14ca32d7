import fc from 'fast-check';
import { anyLayout, axleWith, prepared } from '../../test/layouts';
import { blankBuild } from '../model/starts';
import { lockOf, ratioOf } from './lock';
import { steeredAt } from './steered';

/** Outer joint outboard of the kingpin behind the axle: the outer wheel turns more. */
const reversed = () => {
  const build = blankBuild('x');
  const { tieRodOuter, tieRodInner } = build.front.points;
  const behind = tieRodOuter.ahead < 0;
  tieRodOuter.out += behind ? 40 : -60;
  tieRodInner.out += behind ? 40 : -60;
  return build;
};

it('knows the inner wheel by where the car turns to, whichever turns more', () => {
  const build = reversed();
  const axle = prepared(build.front);
  for (const rack of [30, -30, 60, -60]) {
    const steered = steeredAt(axle, rack)!;
    expect(steered.inner).toBe(steered.left + steered.right > 0 ? 'left' : 'right');
    const own = steered.inner === 'left' ? steered.left : steered.right;
    expect(steered.innerSteer).toBeCloseTo(Math.abs(own), 9);
    expect(steered.outerSteer).toBeGreaterThan(steered.innerSteer);
  }
});

it('takes the circle by the outer wheel where that turns more (geometry)', () => {
  const build = reversed();
  const lock = lockOf(build)!;
  expect(lock.outer).toBeGreaterThan(lock.inner);
  expect(lock.circle).toBeCloseTo(
    (2 * build.wheelbase) / Math.sin((lock.outer * Math.PI) / 180) / 1000 +
      build.front.tyre.width / 1000,
    9,
  );
});

it('mirrors, on random layouts', () => {
  fc.assert(
    fc.property(anyLayout, fc.double({ min: 2, max: 15, noNaN: true }), (design, rack) => {
      const axle = prepared(design);
      const [one, other] = [steeredAt(axle, rack), steeredAt(axle, -rack)];
      fc.pre(one !== null && other !== null);
      expect(one!.left).toBeCloseTo(-other!.right, 7);
      expect(one!.inner).not.toBe(other!.inner);
      expect(one!.innerSteer).toBeCloseTo(other!.innerSteer, 7);
    }),
    { numRuns: 25 },
  );
});

it('takes the larger circle of both locks where the sides differ', () => {
  const build = blankBuild('x');
  build.front.rightPoints = structuredClone(build.front.points);
  build.front.rightPoints.tieRodOuter.ahead *= 1.25;
  const axle = prepared(build.front);
  const { travel } = build.front.rack!;
  const outers = [travel, -travel].map((rack) => steeredAt(axle, rack)!.outerSteer);
  expect(lockOf(build)!.outer).toBeCloseTo(Math.min(...outers), 9);
});

it('has a ratio where the rack’s mm a turn are known: the limit of what the wheels turn', () => {
  const build = blankBuild('x');
  delete build.front.rack!.perTurn;
  expect(ratioOf(build)).toBeNull();
  build.front.rack!.perTurn = 44;
  const axle = prepared(axleWith(build.front.points, build.front.static));
  const small = steeredAt(axle, 0.01)!;
  const degreesOfWheel = Math.abs(small.left + small.right) / 2;
  expect(ratioOf(build)!).toBeCloseTo(((0.01 / 44) * 360) / degreesOfWheel, 2);
});
