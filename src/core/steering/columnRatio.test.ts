import fc from 'fast-check';
import { aColumn, aJoint } from '../../test/columns';
import { blankBuild } from '../model/starts';
import type { AxleDesign, PinionAt } from '../model/build';
import type { Column } from '../model/column';
import { PINION_AT } from '../model/build';
import { readAt } from '../motion/sweep';
import { prepared } from '../../test/layouts';
import { chainOf, placesOf } from '../column/places';
import { handwheelFor, ratiosThroughColumn } from './columnRatio';
import { handwheelOf, rackPerHandwheel, rackPerPinion } from './hand';
import { lockToLock, rackPositions } from './lockToLock';
import { forRatio } from './effort';
import { wheelOf } from '../kinematics/wheel';
import { ratioOf } from './lock';

const boxed = (ratio: number, reverses: boolean): Column =>
  aColumn({
    joints: [
      aJoint(-560, 310, 560),
      {
        ...aJoint(-430, 300, 500),
        kind: 'box',
        out: { ahead: -430, left: 250, up: 480 },
        ratio,
        reverses,
      } as never,
      aColumn().joints[1],
    ],
    shafts: [{ outside: 19 }, { outside: 19 }, { outside: 19 }],
  });
const steered = (column: Column | undefined, pinionAt?: PinionAt): AxleDesign => ({
  ...blankBuild('x').front,
  rack: { travel: 60, perTurn: 42, ...(pinionAt && { pinionAt }) },
  ...(column && { column }),
});

it('turns the pinion back into the handwheel', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(aColumn({ start: 30 }), boxed(1.5, false), boxed(0.7, true)),
      fc.double({ min: -900, max: 900, noNaN: true }),
      (column, pinion) => {
        const ready = chainOf(column);
        if (!ready.ok) throw new Error(ready.fault.message);
        const at = handwheelFor(ready.chain, pinion)!;
        expect(ready.chain.turn(at).pinion).toBeCloseTo(pinion, 7);
      },
    ),
    { numRuns: 120 },
  );
});

it('is the handwheel’s turn for the wheels’, by differences of rack, readings and chain', () => {
  for (const column of [aColumn({ start: 20 }), boxed(1.5, false), boxed(1, true)])
    for (const pinionAt of ['above', 'below'] as const) {
      const design = steered(column, pinionAt);
      const axle = prepared(design);
      const curve = lockToLock(axle, 2400, 0, rackPositions(-50, 50, 41))!;
      const { handwheel, ratio } = ratiosThroughColumn(curve, design)!;
      const mean = (rack: number) => {
        const [left, right] = (['left', 'right'] as const).map((side) => {
          const at = readAt(axle[side], 0, rack);
          return at.ok ? (side === 'left' ? -1 : 1) * at.value.toe : NaN;
        });
        return (left + right) / 2;
      };
      const h = 0.01;
      const near = lockToLock(axle, 2400, 0, rackPositions(-50 - h, 50 - h, 41))!;
      const far = lockToLock(axle, 2400, 0, rackPositions(-50 + h, 50 + h, 41))!;
      const [a, b] = [near, far].map((one) => ratiosThroughColumn(one, design)!.handwheel);
      for (let i = 0; i < 41; i += 5) {
        const wheels = mean(curve.rack[i] + h) - mean(curve.rack[i] - h);
        expect(ratio[i]).toBeCloseTo(Math.abs((b[i] - a[i]) / wheels), 2);
      }
      // Its mean is the boxes' and the rack's, which the hands' way goes with.
      const { perTurn, way } = handwheelOf(design);
      const turned = handwheel[40] - handwheel[0];
      expect(Math.abs(turned - (way! * 100 * 360) / perTurn!)).toBeLessThan(12);
    }
});

it('goes by the pinion’s own line, and turns round with a box that does', () => {
  for (const pinion of PINION_AT) {
    // A pinion that points to the driver, behind and above: the rule.
    expect(rackPerPinion(pinion, [-0.7, 0, 0.714])).toBe(rackPerHandwheel(pinion));
    const column = aColumn();
    const { axis } = placesOf(column);
    expect(axis[0]).toBeLessThan(0);
    expect(handwheelOf(steered(column, pinion)).way).toBe(rackPerHandwheel(pinion));
    expect(handwheelOf(steered(boxed(1, true), pinion)).way).toBe(-rackPerHandwheel(pinion));
  }
  // One that points ahead turns the teeth the other way; one along its offset moves nothing.
  expect(rackPerPinion('above', [0.9, 0, 0.43])).toBe(1);
  expect(rackPerPinion('above', [0, 0, 1])).toBeNull();
  expect(handwheelOf(steered(boxed(1.5, false))).perTurn).toBeCloseTo(63, 9);
  expect(handwheelOf(steered(undefined)).perTurn).toBe(42);
  expect(handwheelOf(steered(aColumn())).way).toBeNull();
  expect(
    handwheelOf({
      dropArm: {
        lower: { ahead: 0, left: 0, up: 100 },
        upper: { ahead: -200, left: 0, up: 400 },
        lock: 60,
        ratio: 12,
      },
      column: boxed(2, true),
    }),
  ).toEqual({ perTurn: 60, way: -1 });
});

it('asks a quickener’s part of the ratio less of the rack', () => {
  const build = { ...blankBuild('x'), front: steered(boxed(1.5, false)) };
  const wheel = wheelOf(build, 'front', 'left');
  const { perTurn } = forRatio(wheel, 2400, 12)!;
  const made = { ...build.front, rack: { ...build.front.rack!, perTurn } };
  expect(ratioOf({ front: made })).toBeCloseTo(12, 3);
});
