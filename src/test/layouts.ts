import fc from 'fast-check';
import type { AxleDesign, Side } from '../core/model/build';
import { prepareAxle } from '../core/kinematics/axle';
import type { Axle } from '../core/kinematics/axle';
import { Wheel } from '../core/kinematics/wheel';
import { doubleWishbone } from '../core/corners/doubleWishbone';
import { pointNames } from '../core/corners/kinds';
import type { Point, Points } from '../core/model/points';
import { blankBuild } from '../core/model/starts';

/** A steered axle made of the points that a test cares about, over the blank layout. */
export function axleWith(
  points: Partial<Points> = {},
  alignment = { toe: 0, camber: 0 },
): AxleDesign {
  const { front } = blankBuild('test');
  return { ...front, static: alignment, points: { ...front.points, ...points } as Points };
}

/**
 * Level parallel arms of 300 mm straight across, pivots' axes along the car, the tie rod like them: all swing
 * alike, so that camber, toe and kingpin keep (geometry).
 */
export const parallelArms = (points: Partial<Points> = {}): AxleDesign =>
  axleWith({
    lowerFrontInner: { ahead: 150, out: 300, up: 200 },
    lowerRearInner: { ahead: -150, out: 300, up: 200 },
    lowerOuter: { ahead: 0, out: 600, up: 200 },
    upperFrontInner: { ahead: 150, out: 300, up: 400 },
    upperRearInner: { ahead: -150, out: 300, up: 400 },
    upperOuter: { ahead: 0, out: 600, up: 400 },
    tieRodInner: { ahead: 100, out: 300, up: 300 },
    tieRodOuter: { ahead: 100, out: 600, up: 300 },
    wheelCentre: { ahead: 0, out: 700, up: 300 },
    ...points,
  });

/**
 * A plane mechanism: pivots' axes along the car, ball joints in one plane across it, the tie rod the lower
 * arm's image, so that the upright moves in that plane.
 */
export const planeMechanism = (points: Partial<Points> = {}): AxleDesign =>
  axleWith({
    lowerFrontInner: { ahead: 150, out: 250, up: 180 },
    lowerRearInner: { ahead: -150, out: 250, up: 180 },
    lowerOuter: { ahead: 0, out: 620, up: 165 },
    upperFrontInner: { ahead: 150, out: 310, up: 370 },
    upperRearInner: { ahead: -150, out: 310, up: 370 },
    upperOuter: { ahead: 0, out: 590, up: 410 },
    tieRodInner: { ahead: -110, out: 250, up: 180 },
    tieRodOuter: { ahead: -110, out: 620, up: 165 },
    wheelCentre: { ahead: 0, out: 690, up: 290 },
    ...points,
  });

/** Names of a double wishbone's points. */
export const WISHBONE_POINTS = pointNames(doubleWishbone);

/** A front wheel of a design by itself. */
export const wheelIn = (
  design: AxleDesign,
  side: Side = 'left',
  travel = { bump: 60, droop: 60 },
): Wheel => new Wheel('front', side, design, travel);

export function prepared(design: AxleDesign): Axle {
  const result = prepareAxle(design);
  if (!result.ok) throw new Error(result.faults.map((fault) => fault.message).join('; '));
  return result.axle;
}

const between = (min: number, max: number) =>
  fc.double({ min, max, noNaN: true, noDefaultInfinity: true });
const near = (p: Point, ahead: number, out: number, up: number): fc.Arbitrary<Point> =>
  fc.record({
    ahead: between(p.ahead - ahead, p.ahead + ahead),
    out: between(p.out - out, p.out + out),
    up: between(p.up - up, p.up + up),
  });

/**
 * Layouts a person might draw: pivot axes skewed in both planes, anti-dive, the rack ahead or
 * behind, high or low, upper arms longer than lower ones, any toe and camber. All are sound as drawn
 * and reach ±25 mm.
 */
export const anyLayout: fc.Arbitrary<AxleDesign> = fc
  .record({
    lowerFrontInner: near({ ahead: 150, out: 250, up: 190 }, 60, 70, 40),
    lowerRearInner: near({ ahead: -150, out: 250, up: 190 }, 60, 70, 40),
    lowerOuter: near({ ahead: 0, out: 640, up: 185 }, 25, 40, 40),
    upperFrontInner: near({ ahead: 110, out: 300, up: 400 }, 60, 90, 40),
    upperRearInner: near({ ahead: -130, out: 300, up: 400 }, 60, 90, 40),
    upperOuter: near({ ahead: -10, out: 610, up: 430 }, 25, 50, 40),
    tieRodInner: near({ ahead: 100, out: 270, up: 240 }, 30, 60, 60),
    tieRodOuter: near({ ahead: 110, out: 620, up: 240 }, 30, 25, 60),
    wheelCentre: near({ ahead: 0, out: 700, up: 300 }, 10, 30, 20),
    behind: fc.boolean(),
    toe: between(-1, 1),
    camber: between(-4, 4),
  })
  .map(({ behind, toe, camber, ...points }) => {
    const flip = (p: Point): Point => (behind ? { ...p, ahead: -p.ahead } : p);
    const all = {
      ...points,
      tieRodInner: flip(points.tieRodInner),
      tieRodOuter: flip(points.tieRodOuter),
    };
    return axleWith(all, { toe, camber });
  })
  .filter((design) => {
    const result = prepareAxle(design);
    if (!result.ok) return false;
    const { corner } = result.axle.left;
    return !corner.why(25, 0) && !corner.why(-25, 0);
  });

/** Tuples [ahead, out, up] by point name, as the reference file has them. */
export const pointsFromTuples = (tuples: Record<string, number[]>): Points =>
  Object.fromEntries(
    pointNames(doubleWishbone).map((name) => {
      const [ahead, out, up] = tuples[name];
      return [name, { ahead, out, up }];
    }),
  ) as unknown as Points;
