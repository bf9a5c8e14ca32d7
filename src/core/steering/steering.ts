import { prepareAxle, steerRangeOf, steerUnitOf } from '../kinematics/axle';
import type { SteerUnit } from '../kinematics/corner';
import type { Build } from '../model/build';
import type { Targets } from '../model/brief';
import { judgeBand, judgeLeast } from '../verdict/verdicts';
import type { Judged } from '../verdict/verdicts';
import { ackermannAt } from './ackermann';
import { handOf, handwheelOf } from './hand';
import { lockOf, ratioOf } from './lock';
import type { Lock } from './lock';

/** What the front axle's steering comes to at ride height. */
export interface SteeringFigures {
  /** What it is steered by. */
  by: SteerUnit;
  /** Half way to the left lock, %; null out of reach or where the wheels hardly steer. */
  ackermann: number | null;
  /** About straight ahead, to 1; null where the rack's mm a turn are not known. */
  ratio: number | null;
  /** Null where the steering's end is not reached. */
  lock: Lock | null;
  /** The wheels follow the handwheel; null where it is not known on which side of the rack's bar the pinion lies. */
  follows: boolean | null;
}

export function steeringOf(build: Build): SteeringFigures {
  const prepared = prepareAxle(build.front);
  const half = steerRangeOf(build.front) / 2;
  return {
    by: steerUnitOf(build.front),
    ackermann: prepared.ok
      ? (ackermannAt(prepared.axle, build.wheelbase, half)?.percent ?? null)
      : null,
    ratio: ratioOf(build),
    lock: lockOf(build),
    follows: prepared.ok
      ? (handOf(prepared.axle, build.wheelbase, handwheelOf(build.front).way)?.wheelLeft ?? null)
      : null,
  };
}

/** Half way to the steering's end, and there, in words. */
export const HALF_WAY: Record<SteerUnit, string> = {
  rack: 'at half rack',
  'drop arm': 'half way to lock',
};
export const FULL: Record<SteerUnit, string> = {
  rack: 'full rack',
  'drop arm': 'the drop arm’s end',
};

/** The verdicts on them, of what is known. */
export function judgeSteering(
  { by, ackermann, ratio, lock, follows }: SteeringFigures,
  targets: Targets,
): Judged[] {
  return [
    ...(follows === false
      ? [{ verdict: 'rework' as const, of: 'handwheel left, wheels right' }]
      : []),
    ...(ackermann === null
      ? []
      : [
          {
            verdict: judgeBand(ackermann, targets.ackermann),
            of: `Ackermann ${ackermann.toFixed(0)} % ${HALF_WAY[by]}`.replace('-', '−'),
          },
        ]),
    ...(ratio === null
      ? []
      : [{ verdict: judgeBand(ratio, targets.ratio), of: `ratio ${ratio.toFixed(1)} to 1` }]),
    lock === null
      ? { verdict: 'rework' as const, of: `${FULL[by]} out of reach` }
      : {
          verdict: judgeLeast(lock.inner, targets.lock),
          of: `inner lock ${lock.inner.toFixed(1)}°`,
        },
  ];
}
