import fc from 'fast-check';
import { cross, dot, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { PINION_AT } from '../model/build';
import type { PinionAt } from '../model/build';
import { briefOf } from '../model/brief';
import { blankBuild } from '../model/starts';
import { readAt } from '../motion/sweep';
import { anyLayout, prepared } from '../../test/layouts';
import { judgeSteering, steeringOf } from './steering';
import { handOf, otherSide, rackPerHandwheel } from './hand';

/** From the pinion to the bar, [ahead, left, up]. */
const TO_BAR: Record<PinionAt, Vec> = {
  above: [0, 0, -1],
  below: [0, 0, 1],
  ahead: [-1, 0, 0],
  behind: [1, 0, 0],
};

it('knows the way of the rack by the teeth’s velocity, ω × r, whatever the column’s rake', () => {
  for (const pinion of PINION_AT)
    for (let rake = 5; rake < 90; rake += 10) {
      const angle = (rake * Math.PI) / 180;
      // Along the shaft to the driver, behind and above; counter-clockwise as he sees it is along it.
      const turn = unit([-Math.cos(angle), 0, Math.sin(angle)]);
      const left = dot(cross(turn, TO_BAR[pinion]), [0, 1, 0]);
      expect(Math.sign(left)).toBe(rackPerHandwheel(pinion));
      expect(rackPerHandwheel(otherSide(pinion))).toBe(-rackPerHandwheel(pinion));
      expect(otherSide(otherSide(pinion))).toBe(pinion);
    }
});

it('tells whether the wheels follow the hands, by readings a little off the middle', () => {
  let left = 0;
  fc.assert(
    fc.property(anyLayout, fc.constantFrom(...PINION_AT), (design, pinion) => {
      const axle = prepared({ ...design, rack: { travel: 50 } });
      const [on, off] = [readAt(axle.left, 0, 0.5), readAt(axle.left, 0, -0.5)];
      fc.pre(on.ok && off.ok);
      // A left wheel that toes in points right.
      const rackLeft = on.ok && off.ok && on.value.toe < off.value.toe;
      const hand = handOf(axle, 2400, rackPerHandwheel(pinion))!;
      expect(hand.rackLeft).toBe(rackLeft);
      expect(hand.wheelLeft).toBe(rackLeft === rackPerHandwheel(pinion) > 0);
      if (hand.wheelLeft) left++;
      expect(handOf(axle, 2400, null)).toEqual({ rackLeft, wheelLeft: null });
    }),
    { seed: 4, numRuns: 60 },
  );
  expect(left).toBeGreaterThan(10);
});

it('says nothing of an axle that cannot be posed', () => {
  const { front } = blankBuild('x');
  const axle = prepared(front);
  axle.left = { ...axle.left, corner: { pose: () => false, why: () => null } };
  expect(handOf(axle, 2400, -1)).toBeNull();
});

it('is loud about it in how the station stands', () => {
  const build = blankBuild('x');
  const { targets } = briefOf(build);
  const of = (pinionAt: PinionAt | undefined) => {
    if (pinionAt) build.front.rack!.pinionAt = pinionAt;
    return judgeSteering(steeringOf(build), targets).filter(({ of }) =>
      of.includes('wheels right'),
    );
  };
  expect(of(undefined)).toEqual([]);
  const both = [of('above'), of('below')];
  expect(both.flat()).toEqual([{ verdict: 'rework', of: 'handwheel left, wheels right' }]);
});
