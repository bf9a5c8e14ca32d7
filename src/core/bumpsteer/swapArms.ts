import { pointsOf } from '../kinematics/axle';
import type { AxleDesign, Side } from '../model/build';
import { withPoints } from './trial';

/**
 * A corner with its bolted steering arm swapped for the other side's: turned round, it points the other way
 * along the car from the kingpin and reaches as far across as before. The rack goes along to the same side, so
 * both joints are mirrored ahead about the kingpin at the outer joint's height.
 */
export function swapArms<T extends AxleDesign>(design: T, side: Side): T {
  const { lowerOuter, upperOuter, tieRodOuter, tieRodInner } = pointsOf(design, side);
  const part = (tieRodOuter.up - lowerOuter.up) / (upperOuter.up - lowerOuter.up);
  const kingpin = lowerOuter.ahead + part * (upperOuter.ahead - lowerOuter.ahead);
  const mirrored = (ahead: number) => Math.round(100 * (2 * kingpin - ahead)) / 100;
  return withPoints(design, side, {
    tieRodOuter: { ...tieRodOuter, ahead: mirrored(tieRodOuter.ahead) },
    tieRodInner: { ...tieRodInner, ahead: mirrored(tieRodInner.ahead) },
  });
}

/** Work of swapping them and moving the rack: as much as a remade part. */
export const SWAP_EFFORT = 40;
