import { toDeg } from '../geometry/angle';
import { dot, length, scale, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { U } from '../kinematics/corner';
import { spindleAt } from '../kinematics/frames';
import type { HalfShaft } from '../model/build';

/** A half-shaft in one position: both joints' centres, mm; their distance, mm; their bends, degrees. */
export interface ShaftPose {
  inner: Vec;
  outer: Vec;
  /** Between the joints' centres: what its change has to be found in the plunge of a joint. */
  length: number;
  /** Bend at the inner joint, whose output lies across the car, and at the outer one, on the spindle. */
  innerBend: number;
  outerBend: number;
}

/** The half-shaft of a driven wheel at a solved pose (ordered as in `U`). */
export function shaftAt(shaft: HalfShaft, upright: Float64Array): ShaftPose {
  const spindle = spindleAt(upright);
  const inner: Vec = [shaft.inner.ahead, shaft.inner.out, shaft.inner.up];
  const centre: Vec = [
    upright[U.wheelCentre],
    upright[U.wheelCentre + 1],
    upright[U.wheelCentre + 2],
  ];
  const outer = sub(centre, scale(spindle, shaft.outer));
  const along = sub(outer, inner);
  const long = length(along);
  const bend = (axis: Vec) => toDeg(Math.acos(Math.min(1, Math.abs(dot(along, axis)) / long)));
  return { inner, outer, length: long, innerBend: bend([0, 1, 0]), outerBend: bend(spindle) };
}
