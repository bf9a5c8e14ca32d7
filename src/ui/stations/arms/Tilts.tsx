import { memo, useMemo } from 'react';
import { TILT_LIMITS } from '@/core/model/room';
import type { WantedRoom } from '@/core/model/room';
import { jointTypeOf, tiltingOf, tiltsOf } from '@/core/clearance/tilt';
import { typeOf } from '@/core/corners/kinds';
import { isSteered } from '@/core/kinematics/axle';
import { describePosition } from '@/core/kinematics/corner';
import type { AxleDesign, Side, Travel } from '@/core/model/build';
import { pointLabel } from '@/core/model/labels';
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
  const type = typeOf(design);
  return (
    <section aria-label="Joint tilt">
      {tilts &&
        tiltingOf(type).map((name) => {
          const { tilt, travel: at, rack } = tilts[name];
          const kind = jointTypeOf(type, name, isSteered(design));
          const past = tilt > (wanted[kind] ?? TILT_LIMITS[kind]);
          return (
            <PlaceRow
              key={name}
              data-tilt={past ? 'past' : 'within'}
              what={`${pointLabel(design, name)} tilts`}
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
