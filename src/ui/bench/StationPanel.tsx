'use client';

import type { BumpSteer } from '@/core/bumpsteer/bumpSteer';
import type { Targets } from '@/core/model/brief';
import type { AxleDesign, AxleName, Build, Side } from '@/core/model/build';
import type { PointName, Points } from '@/core/model/points';
import type { LengthUnit } from '@/core/model/units';
import { Arms, Wheel } from '../stations/lazy';
import { PointsTable } from '../stations/rack/PointsTable';
import { ShimPanel } from '../stations/rack/ShimPanel';
import type { useShim } from './useShim';
import type { Station } from './viewStore';

interface Props {
  station: Station;
  build: Build;
  axle: AxleName;
  side: Side;
  design: AxleDesign;
  points: Points;
  targets: Targets;
  steered: boolean;
  unit: LengthUnit;
  selected: PointName | null;
  onSelect: (name: PointName) => void;
  onPoints: (change: (points: Points) => void, step?: string) => void;
  onEdit: (change: (build: Build) => void, step?: string) => void;
  /** An axle looked at beside the present one. */
  tried: AxleDesign | null;
  onTry: (design: AxleDesign | null) => void;
  onShow: (position: { travel: number; rack: number }) => void;
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
