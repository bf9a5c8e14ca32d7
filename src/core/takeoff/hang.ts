import { DEG, toRad } from '../geometry/angle';
import { scale } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { pointsOf } from '../kinematics/axle';
import type { AxleName, Build, Side } from '../model/build';
import type { BenchPoint } from '../model/parts';
import type { Points } from '../model/points';
import { benchToChassis, spinForCaster, spun, wheelFrameOf } from './bench';
import type { WheelFrame } from './bench';
import { spreadOf, toPoint } from './measured';
import type { MeasuredNumber, PlaceRead } from './measured';
import { UPRIGHT_POINTS, recordOf, takeOffOf } from './records';
import type { OnBench, TakeOff, UprightPoint } from './records';

/** The bench records of one upright, and the wheel it hangs on turned to the caster the model has. */
export interface Hung {
  frame: WheelFrame;
  spin: number;
  joints: Partial<Record<UprightPoint, BenchPoint>>;
}

export function hangUpright(build: Build, axle: AxleName, side: Side): Hung {
  const design = build[axle] ?? build.front;
  const points = pointsOf(design, side);
  const takeOff = takeOffOf(build);
  const records = UPRIGHT_POINTS.flatMap((point) => {
    const record = recordOf(takeOff, axle, side, point);
    return record?.method === 'bench' ? [record] : [];
  });
  const joints = Object.fromEntries(
    records.map((record) => [record.point, benchPointOf(record, records)]),
  ) as Hung['joints'];
  const frame = wheelFrameOf(design, points);
  return hung(frame, joints, points);
}

/** Turns an upright's joints about the spindle to the caster that the points have. */
function hung(frame: WheelFrame, joints: Hung['joints'], points: Points): Hung {
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
  const [above, ahead] = [record.above.value, record.ahead.value];
  if (record.point === 'upperOuter' && record.lean && lower)
    return {
      inboard:
        lower.inboard.value + (above - lower.above.value) * Math.tan(toRad(record.lean.value)),
      above,
      ahead,
    };
  return { inboard: record.inboard.value, above, ahead };
}

/** Where a bench record puts its joint on the car, and what an error of each of its numbers does. */
export function readBench(build: Build, takeOff: TakeOff, record: OnBench): PlaceRead {
  const { frame, joints } = hangUpright(build, record.axle, record.side);
  const joint = joints[record.point];
  if (!joint) return { ok: false, why: 'this record is not in the take-off' };
  const lower = recordOf(takeOff, record.axle, record.side, 'lowerOuter');
  const lean = record.point === 'upperOuter' ? record.lean : undefined;
  if (lean && lower?.method !== 'bench')
    return {
      ok: false,
      why: 'the angle of the ball-joint line counts from the lower ball joint: measure that on the bench too',
    };
  const point = record.point;
  const ways: Record<'inboard' | 'above' | 'ahead', Vec> = {
    inboard: scale(frame.axis, -1),
    above: frame.up,
    ahead: frame.heading,
  };
  const numbers: MeasuredNumber[] = (['inboard', 'above', 'ahead'] as const).flatMap((what) => {
    if (what === 'inboard' && lean) return [];
    const { value, tolerance } = record[what];
    return [
      {
        id: `${point}.${what}`,
        of: point,
        what: BENCH_WORDS[what],
        unit: 'mm' as const,
        value,
        tolerance,
        moves: [{ point, per: ways[what] }],
      },
    ];
  });
  if (lean && lower?.method === 'bench') {
    const slope = Math.tan(toRad(lean.value));
    const rise = record.above.value - lower.above.value;
    numbers[0].moves.push({ point, per: scale(ways.inboard, slope) });
    numbers.push({
      id: `${point}.lean`,
      of: point,
      what: 'angle of the ball-joint line',
      unit: 'deg',
      value: lean.value,
      tolerance: lean.tolerance,
      moves: [{ point, per: scale(ways.inboard, (rise * (1 + slope * slope)) / DEG) }],
    });
  }
  // With an angle, what is wrong with the lower joint is wrong with the upper one too.
  const upper = recordOf(takeOff, record.axle, record.side, 'upperOuter');
  if (point === 'lowerOuter' && upper?.method === 'bench' && upper.lean) {
    const slope = Math.tan(toRad(upper.lean.value));
    numbers[0].moves.push({ point: 'upperOuter', per: ways.inboard });
    numbers[1].moves.push({ point: 'upperOuter', per: scale(ways.inboard, -slope) });
  }
  return {
    ok: true,
    point: toPoint(benchToChassis(frame, joint)),
    spread: spreadOf(numbers, point),
    numbers,
    doubts: [],
  };
}

const BENCH_WORDS = {
  inboard: 'inboard of the hub face',
  above: 'above the spindle',
  ahead: 'ahead of the spindle',
};
