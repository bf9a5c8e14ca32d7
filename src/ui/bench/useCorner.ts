import { useMemo } from 'react';
import { POSITIONS, bumpSteer } from '@/core/bumpsteer/bumpSteer';
import type { BumpSteer } from '@/core/bumpsteer/bumpSteer';
import { pointsOf, poseCorner, prepareAxle } from '@/core/kinematics/axle';
import type { AxleCorner } from '@/core/kinematics/axle';
import type { AxleDesign, Side, Travel } from '@/core/model/build';
import { readAt, runSweep, travelSweep } from '@/core/motion/sweep';
import type { Reading, Sweep } from '@/core/motion/sweep';
import { drawnAsTyped, drawnAt } from '../floor/drawing';
import type { Drawn } from '../floor/drawing';

/** Everything the bench shows of one wheel in one position. */
export interface CornerView {
  reading: Reading;
  drawn: Drawn;
  /** Over the travel at the rack position shown. */
  sweep: Sweep;
  /** Toe at ride height at that rack position. */
  rideToe: number;
  /** With the steering straight ahead. */
  bumpSteer: BumpSteer | null;
}

/** Solves one wheel for the bench: the layout's part once an edit, the position's once a move. */
export function useCorner(
  design: AxleDesign,
  side: Side,
  travel: Travel,
  position: { travel: number; rack: number },
): CornerView {
  const prepared = useMemo(() => prepareAxle(design), [design]);
  const corner = prepared.ok ? prepared.axle[side] : null;
  const fault = prepared.ok
    ? ''
    : (prepared.faults.find((f) => f.side === side) ?? prepared.faults[0]).message;
  const points = pointsOf(design, side);

  const { sweep, rideToe } = useMemo(
    () => sweepAtRack(corner, travel, position.rack),
    [corner, travel, position.rack],
  );
  const found = useMemo(() => corner && bumpSteer(corner, travel), [corner, travel]);
  const { reading, drawn } = useMemo(() => {
    if (!corner)
      return {
        reading: { ok: false, why: fault } as Reading,
        drawn: drawnAsTyped(points, design.static),
      };
    const pose = poseCorner(corner, position.travel, position.rack);
    return {
      reading: readAt(corner, position.travel, position.rack),
      drawn: pose.ok ? drawnAt(points, pose.upright) : drawnAsTyped(points, design.static),
    };
  }, [corner, fault, points, design.static, position.travel, position.rack]);

  return { reading, drawn, sweep, rideToe, bumpSteer: found };
}

function sweepAtRack(corner: AxleCorner | null, travel: Travel, rack: number) {
  const sweep = travelSweep(travel, POSITIONS, rack);
  if (!corner) return { sweep, rideToe: 0 };
  runSweep(corner, sweep);
  const ride = readAt(corner, 0, rack);
  return { sweep, rideToe: ride.ok ? ride.value.toe : 0 };
}
