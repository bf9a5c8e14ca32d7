import type { Axle } from '../kinematics/axle';
import { lockToLock, rackPositions } from '../steering/lockToLock';
import { stopsFor } from '../steering/stops';
import { towardsTurn } from '../steering/steered';
import type { AckermannWanted } from '../model/ackermannWanted';
import { percentAt, wantedInner } from './overLock';

/** How near an axle's Ackermann comes to what is wanted, from the centre to the lock both ways. */
export interface AckermannMeasured {
  /** Greatest difference of the inner wheel's angle from the one wanted, degrees, + turned too far; and the rack there, mm. */
  worst: number;
  at: number;
  /** Ackermann at half the lock and at it, %, the side that is worse; null where a wheel hardly steers. */
  half: number | null;
  full: number | null;
  /** Of the inner wheel where the lock or the rack ends, the lesser side, degrees. */
  lock: number;
}

/** Positions each way, the centre among them. */
const EACH_WAY = 41;

/**
 * Measured by a fresh sweep at ride height.
 * @param lock of the inner wheel, degrees: beyond it nothing counts
 * @returns null where the axle is not steered or gives out before the lock and the rack's end
 */
export function measureAckermann(
  axle: Axle,
  wheelbase: number,
  wanted: Pick<AckermannWanted, 'small' | 'full'>,
  lock: number,
): AckermannMeasured | null {
  const stops = stopsFor(axle, wheelbase, lock);
  if (!stops || stops.some(({ cut }) => cut)) return null;
  const ways = stops.map(({ rack, inner }) => {
    const racks = rackPositions(0, rack, EACH_WAY);
    const over = lockToLock(axle, wheelbase, 0, racks);
    if (!over) return null;
    let [worst, at] = [0, 0];
    for (let i = 1; i < EACH_WAY; i++) {
      if (over.reachable[i] === 0) return null;
      const { innerSteer, outerSteer } = towardsTurn(over.left.steer[i], over.right.steer[i]);
      const percent = percentAt(wanted, i / (EACH_WAY - 1));
      const { angle } = wantedInner(outerSteer, percent, over.between, wheelbase);
      const off = innerSteer - angle;
      if (Math.abs(off) > Math.abs(worst)) [worst, at] = [off, racks[i]];
    }
    const last = EACH_WAY - 1;
    return { worst, at, half: over.percent[last / 2], full: over.percent[last], lock: inner };
  });
  const [one, other] = ways;
  if (!one || !other) return null;
  const worse = Math.abs(one.worst) >= Math.abs(other.worst) ? one : other;
  const told = (percent: number) => (Number.isFinite(percent) ? percent : null);
  return {
    ...worse,
    half: told(worse.half),
    full: told(worse.full),
    lock: Math.min(one.lock, other.lock),
  };
}
