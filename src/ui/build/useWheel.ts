import { useMemo } from 'react';
import { Wheel } from '@/core/kinematics/wheel';
import type { AxleDesign, Build } from '@/core/model/build';
import { useView } from './viewStore';

/** The wheel that is looked at: of the axle picked, or of the front where the build has no other. */
export function useWheel({ front, rear, travel }: Build): Wheel {
  const axle = useView((view) => view.axle);
  const side = useView((view) => view.side);
  const shown = (axle === 'rear' && rear) || front;
  return useMemo(
    () => new Wheel(shown === front ? 'front' : 'rear', side, shown, travel),
    [shown, front, side, travel],
  );
}

/** The same wheel of an axle drawn otherwise; none of none. */
export function useDrawnAs(wheel: Wheel, design: AxleDesign | null | undefined): Wheel | null {
  const { axle, side, travel } = wheel;
  return useMemo(
    () => (design ? new Wheel(axle, side, design, travel) : null),
    [axle, side, design, travel],
  );
}
