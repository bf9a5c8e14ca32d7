import { rodEnds } from '../corners/kinds';
import { distance } from '../geometry/vec';
import { leastSquares } from '../geometry/linear';
import type { Wheel } from '../kinematics/wheel';
import { runSweep, makeSweep, travelSweep, valueAt } from '../motion/sweep';
import { toVec } from '../model/points';
import type { Coordinate } from '../model/points';
import type { BumpSteer } from '../motion/bumpSteer';
import { leastAlone } from './leastAlone';
import type { RodCoordinate } from './toeCurve';
import { bumpSteerOf } from './trial';

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
  /** What cures it; null where nothing near does. */
  cure: Cure | null;
}

/**
 * Moves that belong together: the outer joint up for a tilt, the inner joint along the rod (another length of it) for a
 * bow, mm; and what a fresh sweep measures with them.
 */
export interface Cure {
  raiseOuter: number;
  moveInner: number;
  /** Which way the inner joint goes. */
  along: Coordinate;
  /** That makes the rod longer. */
  longer: boolean;
  after: BumpSteer;
}

/** Under this a part is nothing, degrees; and a part is alone when the other is less than this much of it. */
const NOTHING = 0.02;
const ALONE = 0.25;
/** A cure farther off than this is none, mm; nor is one that leaves more than this part. */
const FAR = 80;
const WORTH = 0.7;

/** What each shape is cured by: the outer joint's height, and the rod's length by the inner joint's place. */
function curesOf({ type }: Wheel): { raise: RodCoordinate; lengthen: RodCoordinate } {
  const { inner, outer } = rodEnds(type);
  return {
    raise: { point: outer, coordinate: 'up' },
    // A drag link lies along the car.
    lengthen: { point: inner, coordinate: type.coupled ? 'ahead' : 'out' },
  };
}

/**
 * Tells what kind of bump steer a wheel has, and what cures it: all its parts together, measured by a sweep.
 * @returns null where part of the travel is out of reach
 */
export function classify(wheel: Wheel): ErrorShape | null {
  const now = cubicOf(wheel);
  if (!now) return null;
  const { bump, droop } = wheel.travel;
  const tilt = Math.abs(now.slope) * (bump + droop);
  const bow = Math.abs(now.curvature) * Math.max(bump, droop) ** 2;
  const kind =
    tilt < NOTHING && bow < NOTHING
      ? 'nothing'
      : bow < ALONE * tilt
        ? 'tilt'
        : tilt < ALONE * bow
          ? 'bow'
          : 'both';
  return { ...now, tilt, bow, kind, cure: cureOf(wheel, kind) };
}

function cureOf(wheel: Wheel, kind: ErrorShape['kind']): Cure | null {
  const { raise, lengthen } = curesOf(wheel);
  const moves = [
    ...(kind === 'tilt' || kind === 'both' ? [raise] : []),
    ...(kind === 'bow' || kind === 'both' ? [lengthen] : []),
  ];
  const before = moves.length > 0 ? bumpSteerOf(wheel) : null;
  const best = before && leastAlone(wheel, moves, FAR);
  if (!best || best.steer.span.range > WORTH * before.span.range) return null;
  const by = ({ point, coordinate }: RodCoordinate) =>
    best.points[point][coordinate] - wheel.points[point][coordinate];
  return {
    raiseOuter: by(raise),
    moveInner: by(lengthen),
    along: lengthen.coordinate,
    longer: rodLength(wheel.withPoints(best.points)) > rodLength(wheel),
    after: best.steer,
  };
}

function rodLength({ type, points }: Wheel): number {
  const { inner, outer } = rodEnds(type);
  return distance(toVec(points[inner]), toVec(points[outer]));
}

/** Positions that the cubic is laid through. */
const COUNT = 25;

/** The cubic through ride height nearest to the toe change, by least squares, and what it leaves over. */
function cubicOf({
  corner,
  travel,
}: Wheel): Pick<ErrorShape, 'slope' | 'curvature' | 'rest'> | null {
  if (!corner) return null;
  const sweep = travelSweep(travel, COUNT);
  const ride = makeSweep(1);
  if (runSweep(corner, sweep) < COUNT || runSweep(corner, ride) < 1) return null;
  const toe = Array.from(
    sweep.travel,
    (_, i) => valueAt(sweep, i, 'toe') - valueAt(ride, 0, 'toe'),
  );
  // a z + b z² + c z³, z in parts of the longest travel.
  const long = Math.max(travel.bump, travel.droop);
  const z = Array.from(sweep.travel, (at) => at / long);
  const cubic = leastSquares(
    z.map((at) => [at, at ** 2, at ** 3]),
    toe,
  );
  if (!cubic) return null;
  const [a, b] = cubic;
  const left = z.map((at, i) => toe[i] - a * at - b * at * at);
  return {
    slope: a / long,
    curvature: b / long ** 2,
    rest: Math.max(...left) - Math.min(...left),
  };
}
