import { toRad } from '../geometry/angle';
import type { Vec } from '../geometry/vec';

/**
 * Unit spindle axis pointing outboard, [ahead, out, up], of a wheel at ride height.
 * @param alignment toe (+ in) and camber (+ top out), degrees
 */
export function spindleOf(alignment: { toe: number; camber: number }): Vec {
  const toe = toRad(alignment.toe);
  const camber = toRad(alignment.camber);
  return [Math.sin(toe) * Math.cos(camber), Math.cos(toe) * Math.cos(camber), -Math.sin(camber)];
}

/** Unit direction level and ahead, square to a spindle. */
export function headingOf([ahead, out]: Vec): Vec {
  const level = Math.hypot(ahead, out);
  return [out / level, -ahead / level, 0];
}
