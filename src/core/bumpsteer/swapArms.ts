import { rodEnds } from '../corners/kinds';
import type { Wheel } from '../kinematics/wheel';
import { staticAxis } from '../upright/staticQuantities';

/**
 * A wheel with its bolted steering arm swapped for the other side's: turned round, it points the other way
 * along the car from the kingpin and reaches as far across as before. The rack goes along to the same side, so
 * both joints are mirrored ahead about the kingpin at the outer joint's height.
 * @returns null where the wheel steers about nothing, or a drag link moves it
 */
export function swapArms(wheel: Wheel): Wheel | null {
  const axis = staticAxis(wheel.design, wheel.side);
  // A drag link's arm is one of its own, and the drop arm stays where it is.
  if (!axis || wheel.type.coupled) return null;
  const { inner, outer } = rodEnds(wheel.type);
  const { [outer]: joint, [inner]: from } = wheel.points;
  const [ahead, , up] = axis.at;
  const kingpin = ahead + ((joint.up - up) * axis.along[0]) / axis.along[2];
  const mirrored = (at: number) => Math.round(100 * (2 * kingpin - at)) / 100;
  return wheel.withPoints({
    [outer]: { ...joint, ahead: mirrored(joint.ahead) },
    [inner]: { ...from, ahead: mirrored(from.ahead) },
  });
}

/** Work of swapping them and moving the rack: as much as a remade part. */
export const SWAP_EFFORT = 40;
