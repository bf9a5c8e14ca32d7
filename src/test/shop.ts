import fc from 'fast-check';
import { Wheel } from '../core/kinematics/wheel';
import type { AxleDesign } from '../core/model/build';
import { toPoint, toVec } from '../core/model/points';
import type { Points } from '../core/model/points';
import { blankBuild } from '../core/model/starts';

export const wheelOn = (design: AxleDesign): Wheel =>
  new Wheel('front', 'left', design, { bump: 50, droop: 50 });

/** An axle of a kind as it is begun with, every point moved a little. */
export const anyAxle = (kind: string, by = 15) =>
  fc
    .array(fc.double({ min: -by, max: by, noNaN: true }), { minLength: 60, maxLength: 60 })
    .map((off): AxleDesign => {
      const { front } = blankBuild('x', kind);
      const design = structuredClone(front);
      delete design.sketch;
      const points = Object.fromEntries(
        Object.entries(design.points).map(([name, point], i) => {
          const [a, o, u] = toVec(point);
          const at = (k: number) => off[(3 * i + k) % off.length];
          return [name, toPoint([a + at(0), o + at(1), u + at(2)])];
        }),
      ) as unknown as Points;
      return { ...design, points };
    });
