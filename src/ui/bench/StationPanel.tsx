'use client';

import type { BumpSteer } from '@/core/bumpsteer/bumpSteer';
import { Arms, Wheel } from '../stations/lazy';
import { PointsTable } from '../stations/rack/PointsTable';
import { ShimPanel } from '../stations/rack/ShimPanel';
import type { useShim } from './useShim';
import type { Station } from './viewStore';
import type { FloorStation } from '../stations/floorStation';

interface Props extends FloorStation {
  station: Station;
  bumpSteer: BumpSteer | null;
  shim: ReturnType<typeof useShim>;
  onFind: () => void;
}

/** The open station's own part under the floor. */
export function StationPanel({ station, bumpSteer, shim, onFind, ...props }: Props) {
  if (station === 'wheel') return <Wheel {...props} />;
  if (station === 'arms') return <Arms {...props} />;
  const { steered, unit, targets } = props;
  return (
    <>
      <PointsTable {...props} onEdit={props.onPoints} />
      <ShimPanel
        bumpSteer={bumpSteer}
        found={shim.proposal}
        hopeless={shim.hopeless}
        bands={targets.bumpSteer}
        unit={unit}
        joint={steered ? 'tie rod outer joint' : 'toe link outer joint'}
        onFind={onFind}
        onTake={shim.take}
        onLeave={shim.leave}
      />
    </>
  );
}
