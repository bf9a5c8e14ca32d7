import fc from 'fast-check';
import { anyLayout, axleWith, parallelArms, prepared, wheelIn } from '../../test/layouts';
import { blankBuild } from '../model/starts';
import { armSide, ontoString } from './armSide';
import { lockToLock } from './lockToLock';
import { stopsFor } from './stops';

const WHEELBASE = 2400;
/** Kingpins upright at 600 mm, an arm in plan. */
const armAt = (ahead: number, out: number) =>
  wheelIn(
    parallelArms({
      tieRodOuter: { ahead, out: 600 + out, up: 300 },
      tieRodInner: { ahead, out: 300, up: 300 },
    }),
  );
/** Ackermann at a middling lock, by the true curve. */
const percent = (wheel: ReturnType<typeof armAt>) =>
  lockToLock(prepared(wheel.design), WHEELBASE, 0, Float64Array.of(30))!.percent[0];

describe('the side that an outer joint stands on', () => {
  it.each([
    [-120, -30, 'inboard', false],
    [-120, 25, 'inboard', true],
    [110, 28, 'outboard', false],
    [110, -28, 'outboard', true],
  ] as const)('%d ahead and %d out belongs %s; backwards: %s', (ahead, out, belongs, backwards) => {
    const wheel = armAt(ahead, out);
    expect(armSide(wheel, WHEELBASE)).toMatchObject({ belongs, backwards });
    expect(armSide(wheel, WHEELBASE)!.ahead).toBeCloseTo(ahead, 9);
    expect(armSide(wheel, WHEELBASE)!.out).toBeCloseTo(out, 9);
    // What it is called is what the curve does: the outer wheel turns more.
    if (backwards) expect(percent(wheel)).toBeLessThan(0);
    else expect(percent(wheel)).toBeGreaterThan(0);
  });

  it('is on the string where the string goes through it (construction)', () => {
    // From 600 mm out to nothing over the wheelbase: a quarter of a mm a mm.
    for (const ahead of [-120, 100]) {
      const { offString } = armSide(armAt(ahead, (ahead * 600) / WHEELBASE), WHEELBASE)!;
      expect(offString).toBeCloseTo(0, 9);
      const beside = armSide(armAt(ahead, (ahead * 600) / WHEELBASE + 10), WHEELBASE)!;
      expect(beside.offString).toBeCloseTo(10 * Math.cos(Math.atan(600 / WHEELBASE)), 9);
      expect(beside.acrossString).toBeCloseTo(10, 9);
    }
  });

  it('is moved onto the string, of leaning axes too: measured again it is on it', () => {
    fc.assert(
      fc.property(anyLayout, (design) => {
        const wheel = wheelIn(design);
        const place = armSide(wheel, WHEELBASE)!;
        const again = armSide(ontoString(wheel, place), WHEELBASE);
        fc.pre(again !== null);
        expect(again!.offString).toBeCloseTo(0, 8);
      }),
      { numRuns: 30 },
    );
  });

  it('counts from a leaning axis at the joint’s height', () => {
    const design = parallelArms({
      upperOuter: { ahead: -20, out: 560, up: 400 },
      tieRodOuter: { ahead: -120, out: 570, up: 250 },
    });
    // A quarter of the way up from the lower joint.
    expect(armSide(wheelIn(design), WHEELBASE)).toMatchObject({
      ahead: expect.closeTo(-115, 9),
      out: expect.closeTo(-20, 9),
    });
  });
});

describe('stops', () => {
  const build = blankBuild('x');
  const axle = prepared(build.front);

  it.each([12, 20, 28])('let the inner wheel turn %d° and no further', (lock) => {
    const stops = stopsFor(axle, WHEELBASE, lock)!;
    expect(stops.map(({ turn }) => turn).sort()).toEqual(['left', 'right']);
    for (const { rack, collar, inner, outer, reached, turn } of stops) {
      expect(reached).toBe(true);
      expect(inner).toBeCloseTo(lock, 9);
      expect(collar + Math.abs(rack)).toBeCloseTo(65, 9);
      const [found] = [lockToLock(axle, WHEELBASE, 0, Float64Array.of(rack))!];
      const [i, o] = turn === 'left' ? [found.left, found.right] : [found.right, found.left];
      expect(Math.abs(i.steer[0])).toBeCloseTo(inner, 9);
      expect(Math.abs(o.steer[0])).toBeCloseTo(outer, 9);
      // By brute force: nowhere nearer to the centre has it turned so far.
      const nearer = Float64Array.from({ length: 400 }, (_, k) => (rack * k) / 400);
      const before = lockToLock(axle, WHEELBASE, 0, nearer)!;
      const wheel = turn === 'left' ? before.left : before.right;
      expect(Math.max(...wheel.steer.map(Math.abs))).toBeLessThan(lock);
    }
  });

  it('are the rack’s own ends where the lock is not reached before', () => {
    for (const stop of stopsFor(axle, WHEELBASE, 80)!) {
      expect(stop).toMatchObject({ collar: 0, reached: false, cut: false });
      expect(Math.abs(stop.rack)).toBe(65);
    }
  });

  it('lie before a position that cannot be reached', () => {
    const long = prepared({ ...build.front, rack: { travel: 200 } });
    for (const { rack, cut, reached } of stopsFor(long, WHEELBASE, 89)!) {
      expect([cut, reached]).toEqual([true, false]);
      expect(lockToLock(long, WHEELBASE, 0, Float64Array.of(rack))!.reachable[0]).toBe(1);
    }
  });

  it('differ from side to side where the sides do, and are none without a rack', () => {
    const design = axleWith(build.front.points);
    design.rightPoints = structuredClone(design.points);
    design.rightPoints['tieRodOuter'].ahead *= 1.2;
    const [one, other] = stopsFor(prepared(design), WHEELBASE, 20)!;
    expect(Math.abs(Math.abs(one.rack) - Math.abs(other.rack))).toBeGreaterThan(2);
    delete design.rack;
    expect(stopsFor(prepared(design), WHEELBASE, 20)).toBeNull();
  });
});
