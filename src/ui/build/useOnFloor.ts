import { useMemo } from 'react';
import { isBeside } from '@/core/model/room';
import { jointStates } from '@/core/clearance/jointStates';
import type { Articulations } from '@/core/clearance/articulation';
import type { Wheel } from '@/core/kinematics/wheel';
import type { Build } from '@/core/model/build';
import type { CornerView } from './useCorner';

const NO_LIMITS = {};

/** What lies on the floor beside the corner: joints past their limits, the half-shaft, bodies to keep clear of. */
export function useOnFloor(
  { room }: Build,
  wheel: Wheel,
  corner: CornerView,
  articulations: Articulations | null,
) {
  const limits = room?.wanted ?? NO_LIMITS;
  const joints = useMemo(
    () => jointStates(wheel, articulations, limits),
    [wheel, articulations, limits],
  );
  const [posed] = corner.shafts?.at ?? [];
  const shaft = useMemo(() => (posed ? ([posed.inner, posed.outer] as const) : null), [posed]);
  const bodies = room?.keepOuts;
  const keepOuts = useMemo(
    () => bodies?.filter((body) => isBeside(body, wheel)) ?? [],
    [bodies, wheel],
  );
  return { joints, shaft, keepOuts };
}
