import { useMemo, useState } from 'react';
import { shim, withShim } from '@/core/bumpsteer/shim';
import type { Shim } from '@/core/bumpsteer/shim';
import { pointsKey } from '@/core/kinematics/axle';
import type { AxleDesign, AxleName, Side, Travel } from '@/core/model/build';
import { useStable } from '../useStable';
import { useBuild } from './useBuildStore';

/** A raise smaller than this is no shim, mm. */
export const THINNEST = 0.05;

/**
 * The shim that is being looked at: found on request, put away by any edit, by looking at another
 * wheel, or by leaving it.
 */
export function useShim(design: AxleDesign, axle: AxleName, side: Side, travel: Travel) {
  const edit = useBuild((state) => state.edit);
  const [found, setFound] = useState<{ design: AxleDesign; side: Side; shim: Shim | null } | null>(
    null,
  );
  const current = found?.design === design && found.side === side ? found : null;
  const proposal = current?.shim ?? null;
  const proposed = useMemo(
    () => proposal && withShim(design, proposal.raise, side),
    [design, proposal, side],
  );
  return {
    proposal,
    /** The axle with the shim in; null when none is being looked at. */
    proposed,
    /** No height of the joint reaches the whole travel. */
    hopeless: current !== null && proposal === null,
    find: useStable(() => setFound({ design, side, shim: shim(design, travel, side) })),
    leave: useStable(() => setFound(null)),
    take: useStable((raise: number) => {
      edit((draft) => {
        const target = draft[axle]!;
        target[pointsKey(target, side)]!.tieRodOuter.up += raise;
      });
      setFound(null);
    }),
  };
}
