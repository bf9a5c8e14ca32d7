import type { Wheel } from '../kinematics/wheel';
import { staticAxis } from '../upright/staticQuantities';

/**
 * A wheel with its bolted steering arm swapped for the other side's: turned round, it points the other way
 * along the car from the kingpin and reaches as far across as before. The rack goes along to the same side, so
 * both joints are mirrored ahead about the kingpin at the outer joint's height.
 * @returns null where the wheel steers about nothing
 */
export function swapArms(wheel: Wheel): Wheel | null {
  const axis = staticAxis(wheel.design, wheel.side);
  if (!axis) return null;
  const { tieRodOuter, tieRodInner } = wheel.points;
  const [ahead, , up] = axis.at;
  const kingpin = ahead + ((tieRodOuter.up - up) * axis.along[0]) / axis.along[2];
  const mirrored = (from: number) => Math.round(100 * (2 * kingpin - from)) / 100;
  return wheel.withPoints({
    tieRodOuter: { ...tieRodOuter, ahead: mirrored(tieRodOuter.ahead) },
    tieRodInner: { ...tieRodInner, ahead: mirrored(tieRodInner.ahead) },
  });
}

/** Work of swapping them and moving the rack: as much as a remade part. */
export const SWAP_EFFORT = 40;
