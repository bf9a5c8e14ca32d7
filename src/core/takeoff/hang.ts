import { DEG, toRad } from '../geometry/angle';
import { length, scale, sub } from '../geometry/vec';
import { pointsOf } from '../kinematics/axle';
import type { AxleName, Build, Side } from '../model/build';
import type { BenchPoint } from '../model/parts';
import type { Points } from '../model/points';
import { benchToChassis, spinForCaster, spun, wheelFrameOf } from './bench';
import type { WheelFrame } from './bench';
import { spreadOf } from './measured';
import type { MeasuredNumber, PlaceRead } from './measured';
import { UPRIGHT_POINTS, isMeasured, recordOf, takeOffOf } from './records';
import type { OnBench, TakeOff, UprightPoint } from './records';
import { toPoint } from '../model/points';

/** The bench records of one upright, and the wheel it hangs on turned to the caster the model has. */
export interface Hung {
  frame: WheelFrame;
  spin: number;
  joints: Partial<Record<UprightPoint, BenchPoint>>;
}

export function hangUpright(build: Build, axle: AxleName, side: Side): Hung {
  const design = build[axle] ?? build.front;
  const points = pointsOf(design, side);
  return hangRecords(
    wheelFrameOf(design, points),
    points,
    benchRecords(takeOffOf(build), axle, side),
  );
}

const benchRecords = (takeOff: TakeOff, axle: AxleName, side: Side): OnBench[] =>
  UPRIGHT_POINTS.flatMap((point) => {
    const record = recordOf(takeOff, axle, side, point);
    return record?.method === 'bench' && isMeasured(record) ? [record] : [];
  });

/** Hangs what the records say on a wheel, turned about the spindle to the caster that the points have. */
function hangRecords(frame: WheelFrame, points: Points, records: OnBench[]): Hung {
  const joints: Hung['joints'] = {};
  for (const record of records) joints[record.point] = benchPointOf(record, records);
  const { lowerOuter, upperOuter } = points;
  const caster =
    Math.atan2(lowerOuter.ahead - upperOuter.ahead, upperOuter.up - lowerOuter.up) * DEG;
  const spin =
    joints.lowerOuter && joints.upperOuter
      ? (spinForCaster(frame, joints.lowerOuter, joints.upperOuter, caster) ?? 0)
      : 0;
  return { frame: spun(frame, spin), spin, joints };
}

/** A record's numbers as a place on the upright; a lean puts the upper joint where it says. */
function benchPointOf(record: OnBench, all: OnBench[]): BenchPoint {
  const lower = all.find(({ point }) => point === 'lowerOuter');
  const [above, ahead] = [record.above.value ?? 0, record.ahead.value ?? 0];
  if (record.point === 'upperOuter' && record.lean && lower)
    return {
      inboard:
        (lower.inboard.value ?? 0) +
        (above - (lower.above.value ?? 0)) * Math.tan(toRad(record.lean.value ?? 0)),
      above,
      ahead,
    };
  return { inboard: record.inboard.value ?? 0, above, ahead };
}

type BenchNumber = 'inboard' | 'above' | 'ahead' | 'lean';

/** By how much a number is moved to see what it does, mm or degrees. */
const STEP = 0.05;

/**
 * What an error of each number of an upright's records does to all its joints: by hanging it again, for a joint
 * that was measured wrong turns the whole upright to keep the caster.
 */
function benchNumbers(frame: WheelFrame, points: Points, records: OnBench[]): MeasuredNumber[] {
  const placed = (changed: OnBench[]) => {
    const { frame: turned, joints } = hangRecords(frame, points, changed);
    return records.map(({ point }) => benchToChassis(turned, joints[point]!));
  };
  return records.flatMap((record) => {
    const asked: BenchNumber[] =
      record.point === 'upperOuter' && record.lean
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
  const design = build[axle] ?? build.front;
  const points = pointsOf(design, side);
  const records = benchRecords(takeOff, axle, side);
  const frame = wheelFrameOf(design, points);
  const hung = hangRecords(frame, points, records);
  const joint = hung.joints[point];
  if (!joint) return { ok: false, why: 'this record is not in the take-off' };
  if (point === 'upperOuter' && record.lean && !hung.joints.lowerOuter)
    return {
      ok: false,
      why: 'the angle of the ball-joint line counts from the lower ball joint: measure that on the bench too',
    };
  const all = benchNumbers(frame, points, records);
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
