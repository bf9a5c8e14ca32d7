import type { Wheel } from '../kinematics/wheel';
import { spanOf } from '../motion/range';
import { runSweep, travelSweep } from '../motion/sweep';

const PARTS = [-1, -0.5, -0.25, 0, 0.25, 0.5, 1];
const COUNT = 21;

/** Toe range over the travel, degrees, at rack positions (mm, + left); null where part of it is out of reach. */
export function rangesAtLock({
  corner,
  travel,
  steerRange,
}: Wheel): { rack: number; range: number | null }[] {
  return PARTS.map((part) => {
    const rack = part * steerRange;
    if (!corner) return { rack, range: null };
    const sweep = travelSweep(travel, COUNT, rack);
    runSweep(corner, sweep);
    return { rack, range: spanOf(sweep, 'toe')?.range ?? null };
  });
}
