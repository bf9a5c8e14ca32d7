import { Wheel } from '../kinematics/wheel';
import type { AxleDesign, Travel } from '../model/build';

/** A wheel drawn as its parts came together, both sides of its axle alike. @param travel mm, its own where nothing is said */
export function drawnAsBuilt(
  { axle, side, design, travel: own }: Wheel,
  built: Pick<AxleDesign, 'points' | 'static'>,
  travel: Travel = own,
): Wheel {
  const { rightPoints: _, ...mirrored } = design;
  return new Wheel(axle, side, { ...mirrored, ...built }, travel);
}
