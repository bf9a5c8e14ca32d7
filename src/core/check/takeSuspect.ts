import { typeOf, wheelPoints } from '../corners/kinds';
import type { AxleDesign, Side, Travel } from '../model/build';
import { Wheel } from '../kinematics/wheel';
import { COORDINATES } from '../model/points';
import type { Point } from '../model/points';
import type { MeasuredNumber } from '../takeoff/measured';
import { Assembly } from '../tolerance/assembly';
import { offsetCount } from '../tolerance/joints';
import { offsetsOf } from '../tolerance/sensitivity';

/** Coordinates are written to so much, mm. */
const GRAIN = 1e-3;

/**
 * An axle as it is with one number of its take-off off by so much: its joints moved, and put together again with arms as
 * long as they were and toe set. Both sides go by it where they are drawn alike.
 * @returns null where such a car cannot be put together
 */
export function takeNumber(
  design: AxleDesign,
  side: Side,
  number: MeasuredNumber,
  off: number,
  travel: Travel,
): AxleDesign | null {
  const wheel = new Wheel('front', side, design, travel);
  const offsets = new Float64Array(offsetCount(wheel.type));
  offsetsOf(wheel.type, number, off, offsets);
  const built = new Assembly(wheel.drawn).build(offsets);
  if (!built) return null;
  const key = side === 'right' && design.rightPoints ? 'rightPoints' : 'points';
  const rounded = (point: Point): Point => {
    const to = { ...point };
    for (const coordinate of COORDINATES)
      to[coordinate] = Math.round(point[coordinate] / GRAIN) * GRAIN;
    return to;
  };
  return {
    ...design,
    [key]: Object.fromEntries(
      Object.entries(built.points).map(([name, point]) => [name, rounded(point)]),
    ),
    static: {
      toe: design.static.toe,
      camber: Math.round(built.static.camber * 1e4) / 1e4,
    },
  };
}

/**
 * Takes what a number changes of a checked axle into an axle as it is now: the wheel's own joints and its alignment; a
 * damper that was drawn since stays. Changes the axle it is given.
 * @returns whether it did: an axle of another kind has no such joints
 */
export function putInto(target: AxleDesign, taken: AxleDesign): boolean {
  if (target.kind !== taken.kind) return false;
  for (const key of ['points', 'rightPoints'] as const) {
    const [to, from] = [target[key], taken[key]];
    if (to && from) for (const name of wheelPoints(typeOf(taken))) to[name] = { ...from[name] };
  }
  target.static = { ...taken.static };
  return true;
}
