import type { Wheel } from '../kinematics/wheel';
import type { Build } from '../model/build';
import { COORDINATES } from '../model/points';
import { recordOf, takeOffOf } from '../model/takeOff';
import { readerOf } from '../takeoff/places';
import { mountPoints } from './mountProblem';
import { Linkage } from './linkage';

/** What the ± of where a damper's mounts are makes of it, either way. */
export interface PlacedDamper {
  ratio: number;
  /** Its length at ride height, mm. */
  length: number;
  /** Whether every mount was measured; those that were not count as placed to within the take-off's own ±. */
  measured: boolean;
}

/** By how much a mount is moved to see what that does, mm. */
const BY = 0.5;

/**
 * What the mounts' ± does to motion ratio and length: each coordinate's own part, by differences either way, all as root
 * of their squares, for one mount is off whatever the other is.
 * @returns null where there are no mounts of its own, or the corner cannot be moved
 */
export function placedDamper(build: Build, wheel: Wheel): PlacedDamper | null {
  const { damper } = wheel.design;
  const names = mountPoints(wheel);
  if (!damper || names.length === 0) return null;
  const takeOff = takeOffOf(build);
  const reader = readerOf(build);
  let [ratio, length] = [0, 0];
  let measured = true;
  for (const name of names) {
    const record =
      recordOf(takeOff, wheel.axle, wheel.side, name) ??
      recordOf(takeOff, wheel.axle, wheel.side === 'left' ? 'right' : 'left', name);
    const read = record && reader.read(record);
    measured &&= read?.ok === true;
    for (const coordinate of COORDINATES) {
      const spread = read?.ok ? read.spread[coordinate] : takeOff.placing;
      const at = (by: number) => {
        const point = { ...wheel.points[name], [coordinate]: wheel.points[name][coordinate] + by };
        const { corner } = wheel.withPoints({ [name]: point });
        return corner && new Linkage(corner, damper).at(0)?.damper;
      };
      const [less, more] = [at(-BY), at(BY)];
      if (!less || !more) return null;
      ratio += (((more.ratio - less.ratio) / (2 * BY)) * spread) ** 2;
      length += (((more.length - less.length) / (2 * BY)) * spread) ** 2;
    }
  }
  return { ratio: Math.sqrt(ratio), length: Math.sqrt(length), measured };
}
