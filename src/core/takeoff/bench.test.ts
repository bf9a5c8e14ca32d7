import fc from 'fast-check';
import { distance } from '../geometry/vec';

import { anyLayout } from '../../test/layouts';
import {
  benchToChassis,
  chassisToBench,
  spinForCaster,
  spun,
  turnedRound,
  wheelFrame,
  wheelFrameOf,
} from './bench';
import { toVec } from '../model/points';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('the bench, off the hub face', () => {
  it('goes to the chassis and back without loss', () => {
    fc.assert(
      fc.property(
        anyLayout,
        number(-30, 30),
        fc.record({ inboard: number(0, 150), above: number(-200, 250), ahead: number(-150, 150) }),
        (design, spin, bench) => {
          const frame = spun(wheelFrameOf(design, design.points), spin);
          const back = chassisToBench(frame, benchToChassis(frame, bench));
          for (const c of ['inboard', 'above', 'ahead'] as const)
            expect(back[c]).toBeCloseTo(bench[c], 9);
        },
      ),
    );
  });

  it('stands square on a wheel without toe and camber: numbers are the chassis’ own', () => {
    const centre = { ahead: 10, out: 700, up: 300 };
    const frame = wheelFrame(centre, { toe: 0, camber: 0 }, 40);
    expect(benchToChassis(frame, { inboard: 85, above: -110, ahead: 6 })).toEqual([16, 655, 190]);
  });

  it('leans for any caster, and keeps the part’s shape', () => {
    fc.assert(
      fc.property(anyLayout, number(-5, 15), (design, caster) => {
        const frame = wheelFrameOf(design, design.points);
        const lower = chassisToBench(frame, toVec(design.points['lowerOuter']));
        const upper = chassisToBench(frame, toVec(design.points['upperOuter']));
        const spin = spinForCaster(frame, lower, upper, caster);
        const turned = spun(frame, spin!);
        const [l, u] = [benchToChassis(turned, lower), benchToChassis(turned, upper)];
        expect((Math.atan2(l[0] - u[0], u[2] - l[2]) * 180) / Math.PI).toBeCloseTo(caster, 8);
        expect(distance(l, u)).toBeCloseTo(
          distance(toVec(design.points['lowerOuter']), toVec(design.points['upperOuter'])),
          8,
        );
      }),
    );
  });

  it('puts what was ahead behind when a left part is used on the right', () => {
    expect(turnedRound({ inboard: 60, above: 20, ahead: -110 })).toEqual({
      inboard: 60,
      above: 20,
      ahead: 110,
    });
  });
});
