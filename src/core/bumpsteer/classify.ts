import { factor, solveFactored } from '../geometry/linear';
import type { AxleDesign, Side, Travel } from '../model/build';
import { pointsOf, prepareAxle } from '../kinematics/axle';
import { runSweep, makeSweep, travelSweep, valueAt } from '../motion/sweep';
import { withPoints } from './trial';

/**
 * What a toe curve is made of, about ride height: a tilt (toe goes one way in bump and the other in droop), a
 * bow (the same way in both) and what is left. Each as the toe range it alone would make, degrees.
 */
export interface ErrorShape {
  /** Degrees of toe per mm of travel, and per mm squared, of the cubic nearest to the curve. */
  slope: number;
  curvature: number;
  tilt: number;
  bow: number;
  rest: number;
  kind: 'nothing' | 'tilt' | 'bow' | 'both';
  /** What alone takes the tilt away: the outer joint up by so much, mm; null where height does nothing to it. */
  raiseOuter: number | null;
  /** What alone takes the bow away: the inner joint out by so much, mm: another length of tie rod. */
  moveInnerOut: number | null;
}

/** Under this a part is nothing, degrees; and a part is alone when the other is less than this much of it. */
const NOTHING = 0.02;
const ALONE = 0.25;
/** Movement by which the cures are measured, mm. */
const STEP = 0.5;

/**
 * Tells what kind of bump steer a wheel has and what cures each part of it, to first order.
 * @returns null where part of the travel is out of reach
 */
export function classify(design: AxleDesign, side: Side, travel: Travel): ErrorShape | null {
  const now = cubicOf(design, side, travel);
  if (!now) return null;
  const { tieRodOuter: outer, tieRodInner: inner } = pointsOf(design, side);
  const raised = cubicOf(
    withPoints(design, side, { tieRodOuter: { ...outer, up: outer.up + STEP } }),
    side,
    travel,
  );
  const moved = cubicOf(
    withPoints(design, side, { tieRodInner: { ...inner, out: inner.out + STEP } }),
    side,
    travel,
  );
  const cure = (from: number, to: number | undefined): number | null => {
    const per = to === undefined ? 0 : (to - from) / STEP;
    return Math.abs(per) < 1e-12 ? null : -from / per;
  };
  const { bump, droop } = travel;
  const tilt = Math.abs(now.slope) * (bump + droop);
  const bow = Math.abs(now.curvature) * Math.max(bump, droop) ** 2;
  return {
    ...now,
    tilt,
    bow,
    kind:
      tilt < NOTHING && bow < NOTHING
        ? 'nothing'
        : bow < ALONE * tilt
          ? 'tilt'
          : tilt < ALONE * bow
            ? 'bow'
            : 'both',
    raiseOuter: cure(now.slope, raised?.slope),
    moveInnerOut: cure(now.curvature, moved?.curvature),
  };
}

/** Positions that the cubic is laid through. */
const COUNT = 25;

/** The cubic through ride height nearest to the toe change, by least squares, and what it leaves over. */
function cubicOf(
  design: AxleDesign,
  side: Side,
  travel: Travel,
): Pick<ErrorShape, 'slope' | 'curvature' | 'rest'> | null {
  const prepared = prepareAxle(design);
  if (!prepared.ok) return null;
  const corner = prepared.axle[side];
  const sweep = travelSweep(travel, COUNT);
  const ride = makeSweep(1);
  if (runSweep(corner, sweep) < COUNT || runSweep(corner, ride) < 1) return null;
  const toe = Array.from(
    sweep.travel,
    (_, i) => valueAt(sweep, i, 'toe') - valueAt(ride, 0, 'toe'),
  );
  // Normal equations of a z + b z² + c z³, z in parts of the longest travel.
  const long = Math.max(travel.bump, travel.droop);
  const z = Array.from(sweep.travel, (at) => at / long);
  const moment = (power: number) => z.reduce((sum, at) => sum + at ** power, 0);
  const right = Float64Array.from([1, 2, 3], (power) =>
    z.reduce((sum, at, i) => sum + at ** power * toe[i], 0),
  );
  const matrix = Float64Array.from([2, 3, 4, 3, 4, 5, 4, 5, 6], moment);
  const order = new Int32Array(3);
  if (!factor(matrix, 3, order)) return null;
  const cubic = new Float64Array(3);
  solveFactored(matrix, 3, order, right, cubic);
  const [a, b] = cubic;
  const left = z.map((at, i) => toe[i] - a * at - b * at * at);
  return {
    slope: a / long,
    curvature: b / long ** 2,
    rest: Math.max(...left) - Math.min(...left),
  };
}
