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

/**
 * Arms level and parallel, 300 long, in one plane across the car; a rod stands upright on the lower one, 200 out, and lifts
 * a rocker's 60 mm arm, whose other arm of 90 mm, square to it, pushes a level damper.
 */
export function planePushRod(): AxleDesign {
  const at = (ahead: number, out: number, up: number) => ({ ahead, out, up });
  return {
    ...blankBuild('x').front,
    static: { toe: 0, camber: 0 },
    tyre: { radius: 300, width: 200 },
    damper: aDamper({ by: 'rocker', on: 'lowerArm' }),
    points: {
      lowerFrontInner: at(100, 300, 200),
      lowerRearInner: at(-100, 300, 200),
      lowerOuter: at(0, 600, 200),
      upperFrontInner: at(100, 300, 400),
      upperRearInner: at(-100, 300, 400),
      upperOuter: at(0, 600, 400),
      tieRodInner: at(-100, 300, 300),
      tieRodOuter: at(-100, 600, 300),
      wheelCentre: at(0, 700, 300),
      rockerRodOuter: at(0, 500, 200),
      rockerRodInner: at(0, 500, 500),
      rockerPivot: at(0, 440, 500),
      rockerAxis: at(50, 440, 500),
      damperOuter: at(0, 440, 590),
      damperInner: at(0, 100, 590),
    },
  };
}
