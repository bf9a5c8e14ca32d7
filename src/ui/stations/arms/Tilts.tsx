import { memo, useMemo } from 'react';
import { kindOf } from '@/core/clearance/jointStates';
import { TILT_LIMITS } from '@/core/clearance/roomSchema';
import type { WantedRoom } from '@/core/clearance/roomSchema';
import { TILTING, tiltsOf } from '@/core/clearance/tilt';
import { rackTravelOf } from '@/core/kinematics/axle';
import { describePosition } from '@/core/kinematics/corner';
import type { AxleDesign, Side, Travel } from '@/core/model/build';
import { pointLabel } from '@/core/model/points';
import { VERDICT } from '../../theme';
import type { FloorStation } from '../floorStation';
import { PlaceRow } from './PlaceRow';

/** How far the joints tilt over travel and lock, against what they may. */
export const Tilts = memo(function Tilts({
  design,
  side,
  travel,
  wanted,
  onShow,
}: {
  design: AxleDesign;
  side: Side;
  travel: Travel;
  wanted: WantedRoom;
  onShow: FloorStation['onShow'];
}) {
  const tilts = useMemo(() => tiltsOf(design, side, travel), [design, side, travel]);
  const steered = rackTravelOf(design) > 0;
  return (
    <section aria-label="Joint tilt">
      {tilts &&
        TILTING.map((name) => {
          const { tilt, travel: at, rack } = tilts[name];
          const kind = kindOf(name, steered);
          const past = tilt > (wanted[kind] ?? TILT_LIMITS[kind]);
          return (
            <PlaceRow
              key={name}
              data-tilt={past ? 'past' : 'within'}
              what={`${pointLabel(name, steered)} tilts`}
              where={describePosition(at, rack)}
              colour={past ? VERDICT.bad : VERDICT.good}
              figure={`${past ? '✕' : '✓'} ${tilt.toFixed(1)}°`}
              onClick={() => onShow({ travel: at, rack })}
            />
          );
        })}
    </section>
  );
});
