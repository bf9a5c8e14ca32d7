import type { Vec } from '../geometry/vec';
import type { Wheel } from '../kinematics/wheel';
import type { PointName } from '../model/points';
import { toPoint } from '../model/points';
import { POSITIONS, bumpSteer } from '../motion/bumpSteer';
import type { BumpSteer } from '../motion/bumpSteer';
import { travelSweep } from '../motion/sweep';
import type { Sweep } from '../motion/sweep';

/** Bump steer of a wheel; null where part of the travel is out of reach. */
export function bumpSteerOf(
  { corner, travel }: Wheel,
  sweep: Sweep = travelSweep(travel, POSITIONS),
): BumpSteer | null {
  return corner && bumpSteer(corner, travel, sweep);
}

/** The same with a joint somewhere else: the tie rod is set to length again, so toe at ride height stays. */
export const bumpSteerWith = (
  wheel: Wheel,
  joint: PointName,
  at: Vec,
  sweep?: Sweep,
): BumpSteer | null => bumpSteerOf(wheel.withRod({ [joint]: toPoint(at) }), sweep);
