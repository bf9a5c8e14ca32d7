import { useMemo } from 'react';
import { measuredTilts } from '@/core/clearance/studs';
import { isSteered } from '@/core/kinematics/axle';
import { briefOf } from '@/core/model/brief';
import type { AxleDesign, AxleName, Build, Side } from '@/core/model/build';
import { heldCamber } from '@/core/motion/held';
import { steeringOf } from '@/core/steering/steering';
import { useClearances } from '../stations/arms/useClearances';
import { stationStates } from '../../core/judging/stationStates';
import type { CornerView } from './useCorner';

/** How the stations stand for the wheel shown, and what of that other parts of the bench show too. */
export function useStanding(
  build: Build,
  axle: AxleName,
  side: Side,
  design: AxleDesign,
  corner: CornerView | null,
) {
  const { travel } = build;
  const { targets } = briefOf(build);
  const bumpSteer = corner?.bumpSteer ?? null;
  const solved = corner?.axle ?? null;
  const gain = useMemo(
    () => (solved ? (heldCamber(solved[side], travel)?.gain ?? null) : null),
    [solved, side, travel],
  );
  const clearances = useClearances(build, axle, side);
  const { list } = clearances;
  const tilts = useMemo(() => measuredTilts(build, axle, side), [build, axle, side]);
  const steering = useMemo(
    () => (axle === 'front' && isSteered(build.front) ? steeringOf(build) : null),
    [axle, build],
  );
  const states = useMemo(() => {
    const known = { bumpSteer, gain, clearances: list, tilts, steering };
    return stationStates(build, axle, side, design, targets, known);
  }, [build, axle, side, design, targets, bumpSteer, gain, list, tilts, steering]);
  return { clearances, steering, states, tilts };
}
