import { useMemo } from 'react';
import { POSITIONS, bumpSteer } from '@/core/bumpsteer/bumpSteer';
import type { BumpSteer } from '@/core/bumpsteer/bumpSteer';
import { pointsOf, poseCorner, prepareAxle } from '@/core/kinematics/axle';
import type { AxleCorner } from '@/core/kinematics/axle';
import type { AxleDesign, Side, Travel } from '@/core/model/build';
import type { Points } from '@/core/model/points';
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
  /** Toe and camber at ride height at that rack position. */
  ride: { toe: number; camber: number };
  /** With the steering straight ahead. */
  bumpSteer: BumpSteer | null;
}

/** Solves one wheel for the bench: the layout's part once an edit, the position's once a move. No design, no wheel. */
export function useCorner(
  design: AxleDesign | null,
  side: Side,
  travel: Travel,
  position: { travel: number; rack: number },
): CornerView | null {
  const layout = useMemo(() => design && solveLayout(design, side, travel), [design, side, travel]);
  const curve = useMemo(
    () => layout && sweepAtRack(layout.corner, travel, position.rack),
    [layout, travel, position.rack],
  );
  const posed = useMemo(
    () => layout && poseAt(layout, position.travel, position.rack),
    [layout, position.travel, position.rack],
  );
  return layout && curve && posed && { ...posed, ...curve, bumpSteer: layout.bumpSteer };
}

interface Layout {
  corner: AxleCorner | null;
  /** Why there is no corner. */
  fault: string;
  points: Points;
  alignment: AxleDesign['static'];
  bumpSteer: BumpSteer | null;
}

function solveLayout(design: AxleDesign, side: Side, travel: Travel): Layout {
  const prepared = prepareAxle(design);
  const corner = prepared.ok ? prepared.axle[side] : null;
  return {
    corner,
    fault: prepared.ok
      ? ''
      : (prepared.faults.find((f) => f.side === side) ?? prepared.faults[0]).message,
    points: pointsOf(design, side),
    alignment: design.static,
    bumpSteer: corner && bumpSteer(corner, travel),
  };
}

function poseAt({ corner, fault, points, alignment }: Layout, travel: number, rack: number) {
  if (!corner)
    return {
      reading: { ok: false, why: fault } as Reading,
      drawn: drawnAsTyped(points, alignment),
    };
  const pose = poseCorner(corner, travel, rack);
  return {
    reading: readAt(corner, travel, rack),
    drawn: pose.ok ? drawnAt(points, pose.upright) : drawnAsTyped(points, alignment),
  };
}

function sweepAtRack(corner: AxleCorner | null, travel: Travel, rack: number) {
  const sweep = travelSweep(travel, POSITIONS, rack);
  if (!corner) return { sweep, ride: { toe: 0, camber: 0 } };
  runSweep(corner, sweep);
  const ride = readAt(corner, 0, rack);
  return {
    sweep,
    ride: ride.ok ? { toe: ride.value.toe, camber: ride.value.camber } : { toe: 0, camber: 0 },
  };
}
