import fc from 'fast-check';
import { CORNER_TYPES, typeOf } from '../core/corners/kinds';
import type { AxleDesign } from '../core/model/build';
import type { Damper } from '../core/model/damper';
import { mountingsOf, setDamper } from '../core/model/damperStart';
import { toPoint, toVec } from '../core/model/points';
import type { Points } from '../core/model/points';
import { blankBuild } from '../core/model/starts';

/** Every kind that travels with every way to mount a damper on it. */
export const MOUNTINGS = CORNER_TYPES.filter(({ noTravel }) => !noTravel).flatMap(({ kind }) =>
  mountingsOf(blankBuild('x', kind).front).map((mounting) => ({ kind, ...mounting })),
);

/** A coil-over and what else a damper may have, of no particular maker. */
export const aDamper = (
  mounting: Pick<Damper, 'by' | 'on'>,
  more: Partial<Damper> = {},
): Damper => ({
  ...mounting,
  unit: { closed: 250, open: 380, outside: 60, stop: 12 },
  spring: { rate: 30, free: 250, bind: 120, preload: 10 },
  ...more,
});

/** An axle of a kind with a damper, its points as they are begun with. */
export function damped(kind: string, damper: Damper): AxleDesign {
  const { front } = blankBuild('x', kind);
  const design = structuredClone(front);
  setDamper(design, damper);
  delete design.sketch;
  return design;
}

/** The same with every point moved a little; a rocker's axis any way near along the car. */
export const anyDamped = (kind: string, damper: Damper, by = 8) =>
  fc
    .array(fc.double({ min: -by, max: by, noNaN: true }), { minLength: 60, maxLength: 60 })
    .map((off): AxleDesign => {
      const design = damped(kind, damper);
      const names = Object.keys(design.points);
      const points = Object.fromEntries(
        names.map((name, i) => [
          name,
          toPoint(
            toVec(design.points[name]).map((x, j) => x + off[(3 * i + j) % 60]) as [
              number,
              number,
              number,
            ],
          ),
        ]),
      ) as unknown as Points;
      return { ...design, points };
    });

/** What of a damper rides on what, for tests that walk through a table. */
export const typeWith = (kind: string, damper: Damper) => typeOf({ kind, damper });
