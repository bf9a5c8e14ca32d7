import type { Vec } from '../geometry/vec';
import { pointsKey, pointsOf, prepareAxle } from '../kinematics/axle';
import type { AxleDesign, Side, Travel } from '../model/build';
import type { PointName, Points } from '../model/points';
import { travelSweep } from '../motion/sweep';
import type { Sweep } from '../motion/sweep';
import { POSITIONS, bumpSteer } from '../motion/bumpSteer';
import type { BumpSteer } from '../motion/bumpSteer';
import { toPoint } from '../model/points';

/** A design with some points of one side moved. */
export const withPoints = <T extends AxleDesign>(
  design: T,
  side: Side,
  change: Partial<Points>,
): T => ({
  ...design,
  [pointsKey(design, side)]: { ...pointsOf(design, side), ...change },
});

/** Bump steer of one side of a design; null where part of the travel is out of reach. */
export function bumpSteerOf(
  design: AxleDesign,
  side: Side,
  travel: Travel,
  sweep: Sweep = travelSweep(travel, POSITIONS),
): BumpSteer | null {
  const prepared = prepareAxle(design);
  return prepared.ok ? bumpSteer(prepared.axle[side], travel, sweep) : null;
}

/** The same with a joint somewhere else: the tie rod is set to length again, so toe at ride height stays. */
export const bumpSteerWith = (
  design: AxleDesign,
  side: Side,
  travel: Travel,
  joint: PointName,
  at: Vec,
  sweep?: Sweep,
): BumpSteer | null =>
  bumpSteerOf(withPoints(design, side, { [joint]: toPoint(at) }), side, travel, sweep);
