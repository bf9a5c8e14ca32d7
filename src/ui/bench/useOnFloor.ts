import { useMemo } from 'react';
import { jointStates } from '@/core/clearance/jointStates';
import type { Tilts } from '@/core/clearance/tilt';
import { pointsOf } from '@/core/kinematics/axle';
import type { AxleDesign, AxleName, Build, Side } from '@/core/model/build';
import type { CornerView } from './useCorner';

const NO_LIMITS = {};

/** What lies on the floor beside the corner: joints past their limits, the half-shaft, bodies to keep clear of. */
export function useOnFloor(
  { room }: Build,
  axle: AxleName,
  design: AxleDesign,
  side: Side,
  corner: CornerView | null,
  tilts: Tilts | null,
) {
  const limits = room?.wanted ?? NO_LIMITS;
  const joints = useMemo(
    () => jointStates(design, pointsOf(design, side), tilts, limits),
    [design, side, tilts, limits],
  );
  const [posed] = corner?.shafts?.at ?? [];
  const shaft = useMemo(() => (posed ? ([posed.inner, posed.outer] as const) : null), [posed]);
  const bodies = room?.keepOuts;
  const keepOuts = useMemo(
    () => bodies?.filter((body) => body.axle === axle) ?? [],
    [bodies, axle],
  );
  return { joints, shaft, keepOuts };
}
