import type { CornerType } from '../corners/cornerType';
import { uprightPoints } from '../corners/kinds';
import { DEG, toRad } from '../geometry/angle';
import { length, scale, sub } from '../geometry/vec';
import { wheelOf } from '../kinematics/wheel';
import type { Wheel } from '../kinematics/wheel';
import type { Build } from '../model/build';
import type { BenchPoint } from '../model/parts';
import type { PointName, Points } from '../model/points';
import { benchToChassis, spinForCaster, spun, wheelFrameOf } from './bench';
import type { WheelFrame } from './bench';
import { spreadOf } from './measured';
import type { MeasuredNumber, PlaceRead } from './measured';
import { isMeasured, recordOf, takeOffOf } from '../model/takeOff';
import type { OnBench, TakeOff } from '../model/takeOff';
import { toPoint } from '../model/points';

/** The bench records of one upright, and the wheel it hangs on turned to the caster the model has. */
export interface Hung {
  frame: WheelFrame;
  spin: number;
  joints: Partial<Record<PointName, BenchPoint>>;
}

export function hangUpright(build: Build, wheel: Wheel): Hung {
  const { type, design, points } = wheel;
  return hangRecords(
    type,
    wheelFrameOf(design, points),
    points,
    benchRecords(takeOffOf(build), wheel),
  );
}

const benchRecords = (takeOff: TakeOff, { type, axle, side }: Wheel): OnBench[] =>
  uprightPoints(type).flatMap((point) => {
    const record = recordOf(takeOff, axle, side, point);
    return record?.method === 'bench' && isMeasured(record) ? [record] : [];
  });

/** Both ends of a kingpin that is measured on the bench with its upright, the lower first; null where there is none. */
export function benchKingpin({
  steersAbout,
  points,
}: CornerType): readonly [string, string] | null {
  if (steersAbout === null || steersAbout === 'screw') return null;
  return steersAbout.every((name) => points[name].on === 'upright') ? steersAbout : null;
}

/** Hangs what the records say on a wheel, turned about the spindle to the caster that the points have. */
function hangRecords(
  type: CornerType,
  frame: WheelFrame,
  points: Points,
  records: OnBench[],
): Hung {
  const joints: Hung['joints'] = {};
  for (const record of records) joints[record.point] = benchPointOf(type, record, records);
  const kingpin = benchKingpin(type);
  if (!kingpin) return { frame, spin: 0, joints };
  const [lower, upper] = kingpin.map((name) => points[name]);
  const [lowerJoint, upperJoint] = kingpin.map((name) => joints[name]);
  const caster = Math.atan2(lower.ahead - upper.ahead, upper.up - lower.up) * DEG;
  const spin =
    lowerJoint && upperJoint ? (spinForCaster(frame, lowerJoint, upperJoint, caster) ?? 0) : 0;
  return { frame: spun(frame, spin), spin, joints };
}

/** A record's numbers as a place on the upright; a lean puts the kingpin's upper end where it says. */
function benchPointOf(type: CornerType, record: OnBench, all: OnBench[]): BenchPoint {
  const kingpin = benchKingpin(type);
  const lower = kingpin && all.find(({ point }) => point === kingpin[0]);
  const [above, ahead] = [record.above.value ?? 0, record.ahead.value ?? 0];
  if (leans(type, record) && lower)
    return {
      inboard:
        (lower.inboard.value ?? 0) +
        (above - (lower.above.value ?? 0)) * Math.tan(toRad(record.lean?.value ?? 0)),
      above,
      ahead,
    };
  return { inboard: record.inboard.value ?? 0, above, ahead };
}

/** Whether a record gives the kingpin's upper end by the angle of the line to it. */
const leans = (type: CornerType, { point, lean }: OnBench): boolean =>
  lean !== undefined && point === benchKingpin(type)?.[1];

type BenchNumber = 'inboard' | 'above' | 'ahead' | 'lean';

/** By how much a number is moved to see what it does, mm or degrees. */
const STEP = 0.05;

/**
 * What an error of each number of an upright's records does to all its joints: by hanging it again, for a joint
 * that was measured wrong turns the whole upright to keep the caster.
 */
function benchNumbers(
  type: CornerType,
  frame: WheelFrame,
  points: Points,
  records: OnBench[],
): MeasuredNumber[] {
  const placed = (changed: OnBench[]) => {
    const { frame: turned, joints } = hangRecords(type, frame, points, changed);
    return records.map(({ point }) => benchToChassis(turned, joints[point]!));
  };
  return records.flatMap((record) => {
    const asked: BenchNumber[] = leans(type, record)
      ? ['above', 'ahead', 'lean']
      : ['inboard', 'above', 'ahead'];
    return asked.map((what): MeasuredNumber => {
      const { value = 0, tolerance } = record[what]!;
      const off = (by: number) =>
        placed(
          records.map((one) =>
            one === record ? { ...one, [what]: { tolerance, value: value + by } } : one,
          ),
        );
      const [up, down] = [off(STEP), off(-STEP)];
      return {
        id: `${record.point}.${what}`,
        of: record.point,
        what: BENCH_WORDS[what],
        unit: what === 'lean' ? 'deg' : 'mm',
        value,
        tolerance,
        moves: records.flatMap(({ point }, i) => {
          const per = scale(sub(up[i], down[i]), 1 / (2 * STEP));
          return length(per) > 1e-9 ? [{ point, per }] : [];
        }),
      };
    });
  });
}

/** Where a bench record puts its joint on the car, and what an error of each of its numbers does. */
export function readBench(build: Build, takeOff: TakeOff, record: OnBench): PlaceRead {
  const { axle, side, point } = record;
  const wheel = wheelOf(build, axle, side);
  if (!wheel) return { ok: false, why: `the build has no ${axle} axle` };
  const { type, design, points } = wheel;
  const records = benchRecords(takeOff, wheel);
  const frame = wheelFrameOf(design, points);
  const hung = hangRecords(type, frame, points, records);
  const joint = hung.joints[point];
  if (!joint) return { ok: false, why: 'this record is not in the take-off' };
  const lower = benchKingpin(type)?.[0] ?? '';
  if (leans(type, record) && !hung.joints[lower])
    return {
      ok: false,
      why: `the angle of the line through both joints counts from the ${type.points[lower].label}: measure that on the bench too`,
    };
  const all = benchNumbers(type, frame, points, records);
  return {
    ok: true,
    point: toPoint(benchToChassis(hung.frame, joint)),
    spread: spreadOf(all, point),
    numbers: all.filter(({ of }) => of === point),
    doubts: [],
  };
}

const BENCH_WORDS = {
  inboard: 'inboard of the hub face',
  above: 'above the spindle',
  ahead: 'ahead of the spindle',
  lean: 'angle of the ball-joint line',
} as const;
