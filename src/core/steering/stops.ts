import type { Axle } from '../kinematics/axle';
import type { Side } from '../model/build';
import { lockToLock, rackPositions } from './lockToLock';
import type { LockToLock } from './lockToLock';
import { towardsTurn } from './steered';

/** Where the rack is to be stopped for a lock wanted, the wheels turned to one side. */
export interface Stop {
  /** The side that the wheels turn to. */
  turn: Side;
  /** mm, + left; the rack's own end where the lock is not reached before it. */
  rack: number;
  /** Length of the collar that stops it there, mm; 0 where the lock wanted is not reached. */
  collar: number;
  /** Both wheels there, degrees towards the turn. */
  inner: number;
  outer: number;
  /** The inner wheel turns as far as it is wanted to. */
  reached: boolean;
  /** The rack cannot go to its own end: something gives out first. */
  cut: boolean;
}

const POSITIONS = 81;
/** A step of the rack is halved down to this, mm. */
const FINE = 1e-10;
/** A wheel so near to the lock is at it; one that stays further off has met a gap on its way, degrees. */
const SETTLED = 1e-6;

/**
 * The rack's stops for a lock of the inner wheel, at ride height: where going out from the centre the inner wheel
 * first turns so far. No stop lies past a position that cannot be reached.
 * @param wheelbase mm
 * @param lock degrees
 * @returns one for each way of the rack; null where the axle is not steered or out of reach with the rack centred
 */
export function stopsFor(axle: Axle, wheelbase: number, lock: number): Stop[] | null {
  const { steerRange } = axle;
  if (steerRange <= 0) return null;
  const over = (racks: Float64Array) => lockToLock(axle, wheelbase, 0, racks);
  const at = ({ reachable, left, right }: LockToLock, i: number) => {
    if (reachable[i] === 0) return null;
    const {
      turn,
      innerSteer: inner,
      outerSteer: outer,
    } = towardsTurn(left.steer[i], right.steer[i]);
    return { turn, inner, outer };
  };
  const stops: Stop[] = [];
  for (const way of [-1, 1]) {
    const racks = rackPositions(0, way * steerRange, POSITIONS);
    const scan = over(racks);
    const centred = scan && at(scan, 0);
    if (!scan || !centred) return null;
    let [last, now] = [0, centred];
    let stop: Stop | null = null;
    for (let i = 1; i < POSITIONS && !stop; i++) {
      const next = at(scan, i);
      if (!next) stop = { ...now, rack: last, collar: 0, reached: false, cut: true };
      else if (next.inner >= lock) {
        // Between the last position and this one the wheel comes to the lock, or something gives out before it does.
        let [low, high] = [last, racks[i]];
        while (Math.abs(high - low) > FINE) {
          const middle = (low + high) / 2;
          const there = at(over(Float64Array.of(middle))!, 0);
          if (there && there.inner < lock) [low, now] = [middle, there];
          else high = middle;
        }
        const reached = lock - now.inner < SETTLED;
        const collar = reached ? steerRange - Math.abs(low) : 0;
        stop = { ...now, rack: low, collar, reached, cut: !reached };
      } else [last, now] = [racks[i], next];
    }
    stops.push(stop ?? { ...now, rack: last, collar: 0, reached: false, cut: false });
  }
  return stops;
}
