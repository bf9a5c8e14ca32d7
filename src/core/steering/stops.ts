import type { Axle } from '../kinematics/axle';
import type { Side } from '../model/build';
import { lockToLock, rackPositions } from './lockToLock';

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

/**
 * The rack's stops for a lock of the inner wheel, at ride height: where going out from the centre the inner wheel
 * first turns so far. No stop lies past a position that cannot be reached.
 * @param wheelbase mm
 * @param lock degrees
 * @returns one for each way of the rack; null where the axle is not steered or out of reach with the rack centred
 */
export function stopsFor(axle: Axle, wheelbase: number, lock: number): Stop[] | null {
  const { rackTravel } = axle;
  if (rackTravel <= 0) return null;
  const at = (rack: number) => {
    const found = lockToLock(axle, wheelbase, 0, Float64Array.of(rack));
    return found?.reachable[0] === 1 ? turned(found.left.steer[0], found.right.steer[0]) : null;
  };
  if (!at(0)) return null;
  return [-1, 1].map((way): Stop => {
    const positions = rackPositions(0, way * rackTravel, POSITIONS);
    let [last, now] = [0, at(0)!];
    for (const rack of positions.subarray(1)) {
      const next = at(rack);
      if (!next) return { ...now, rack: last, collar: 0, reached: false, cut: true };
      if (next.inner >= lock) {
        // Between the last position and this one the wheel comes to the lock.
        let [low, high] = [last, rack];
        for (let i = 0; i < 60; i++) {
          const middle = (low + high) / 2;
          const there = at(middle);
          if (there && there.inner < lock) low = middle;
          else high = middle;
        }
        const there = at(low) ?? now;
        return {
          ...there,
          rack: low,
          collar: rackTravel - Math.abs(low),
          reached: true,
          cut: false,
        };
      }
      [last, now] = [rack, next];
    }
    return { ...now, rack: last, collar: 0, reached: false, cut: false };
  });
}

const turned = (left: number, right: number) => {
  const toLeft = left + right > 0;
  return toLeft
    ? { turn: 'left' as const, inner: left, outer: right }
    : { turn: 'right' as const, inner: -right, outer: -left };
};
