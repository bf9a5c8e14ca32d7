import { prepareAxle, rackTravelOf } from '../kinematics/axle';
import type { AxleDesign, Side, Travel } from '../model/build';
import { spanOf } from '../motion/range';
import { runSweep, travelSweep } from '../motion/sweep';

const PARTS = [-1, -0.5, -0.25, 0, 0.25, 0.5, 1];
const COUNT = 21;

/** Toe range over the travel, degrees, at rack positions (mm, + left); null where part of it is out of reach. */
export function rangesAtLock(
  design: AxleDesign,
  side: Side,
  travel: Travel,
): { rack: number; range: number | null }[] {
  const prepared = prepareAxle(design);
  const full = rackTravelOf(design);
  return PARTS.map((part) => {
    const rack = part * full;
    if (!prepared.ok) return { rack, range: null };
    const sweep = travelSweep(travel, COUNT, rack);
    runSweep(prepared.axle[side], sweep);
    return { rack, range: spanOf(sweep, 'toe')?.range ?? null };
  });
}
