import fc from 'fast-check';
import { measureAckermann } from '../core/ackermann/measure';
import { toDeg, toRad } from '../core/geometry/angle';
import type { Axle } from '../core/kinematics/axle';
import type { AckermannWanted } from '../core/model/ackermannWanted';
import { startingTargets } from '../core/model/brief';
import type { AxleDesign, Build } from '../core/model/build';
import { blankBuild } from '../core/model/starts';
import { readAt } from '../core/motion/sweep';
import { anyLayout, prepared } from './layouts';

export const WHEELBASE = 2400;
export const STAYS: AckermannWanted = {
  small: 80,
  full: 80,
  arm: 0,
  ahead: 0,
  height: 0,
  spacing: 0,
};
export const LOCK = 22;

export const buildOf = (front: AxleDesign, lock = LOCK): Build => ({
  ...blankBuild('random'),
  wheelbase: WHEELBASE,
  travel: { bump: 25, droop: 25 },
  front: { ...front, rack: { travel: 55 } },
  brief: { targets: { ...startingTargets({ use: 'road' }), lock }, rule: 'lines', limits: {} },
});

/** Steer of both wheels into the turn, degrees, from readings of the toe alone. */
function turned(axle: Axle, rack: number): { inner: number; outer: number } | null {
  const steer = (side: 'left' | 'right') => {
    const [at, straight] = [readAt(axle[side], 0, rack), readAt(axle[side], 0, 0)];
    const sign = side === 'left' ? -1 : 1;
    return at.ok && straight.ok ? sign * (at.value.toe - straight.value.toe) : NaN;
  };
  const [left, right] = [steer('left'), steer('right')];
  if (Number.isNaN(left + right)) return null;
  return left + right > 0 ? { inner: left, outer: right } : { inner: -right, outer: -left };
}

/** The greatest error of the inner wheel, degrees, on the way to the lock, by cot δo − cot δi = K / L on both sides. */
export function errorByCotangents(
  axle: Axle,
  wanted: AckermannWanted,
  lock: number,
): number | null {
  const k = ['left', 'right'].reduce((sum, side) => {
    const reading = readAt(axle[side as 'left'], 0, 0);
    return reading.ok ? sum + reading.value.contactOut - reading.value.scrub! : NaN;
  }, 0);
  let worst = 0;
  for (const way of [-1, 1]) {
    // The end of the way: in steps of the rack, then halved.
    let [low, high] = [0, axle.steerRange];
    const full = turned(axle, way * high);
    if (!full || full.inner > lock)
      for (let i = 0; i < 60; i++) {
        const middle = (low + high) / 2;
        const there = turned(axle, way * middle);
        if (there && there.inner < lock) low = middle;
        else high = middle;
      }
    else low = high;
    for (let i = 1; i <= 40; i++) {
      const there = turned(axle, (way * low * i) / 40);
      if (!there) return null;
      const { inner, outer } = there;
      const ideal = toDeg(Math.atan(1 / (1 / Math.tan(toRad(outer)) - k / WHEELBASE)));
      const percent = wanted.small + ((wanted.full - wanted.small) * i) / 40;
      const aim = outer > 0 ? outer + (percent / 100) * (ideal - outer) : outer;
      worst = Math.max(worst, Math.abs(inner - aim));
    }
  }
  return worst;
}

/** Layouts that steer, and go to their lock or their rack's end. */
export const steering = (seed: number, count: number): AxleDesign[] =>
  fc
    .sample(anyLayout, { numRuns: 4 * count, seed })
    .filter((design) => {
      const { front } = buildOf(design);
      return measureAckermann(prepared(front), WHEELBASE, STAYS, LOCK) !== null;
    })
    .slice(0, count);
