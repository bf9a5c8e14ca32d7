import { armJointOf } from '../corners/kinds';
import { articulationMeasures } from '../clearance/articulation';
import { poseCorner } from '../kinematics/axle';
import { placer } from '../kinematics/joints';
import type { Wheel } from '../kinematics/wheel';
import { spanOf } from '../motion/range';
import { runSweep, travelSweep } from '../motion/sweep';
import { levelAngle, nearestTube } from './rodTube';

/** What one wheel's rod and joints do at a position, and what bumps steer there. */
export interface AtLock {
  /** Between the rod and the arm's tube nearest to it, from above, degrees; null of a kind without one. */
  toTube: number | null;
  /** How far the rod's joints articulate, degrees. */
  inner: number | null;
  outer: number | null;
  /** Toe range over the whole travel with the rack held there, degrees; null where part of it is out of reach. */
  range: number | null;
}

const COUNT = 21;

/** @returns null where the wheel cannot stand there */
export function atLock(wheel: Wheel, travel: number, rack: number): AtLock | null {
  const { corner, drawn, type } = wheel;
  if (!corner || armJointOf(type) === null) return null;
  const pose = poseCorner(corner, travel, rack);
  if (!pose.ok) return null;
  const tube = nearestTube(wheel);
  const at = placer(drawn)(pose.upright);
  const measures = articulationMeasures(wheel) ?? [];
  const angleOf = (name: string) =>
    measures.find((one) => one.name === name)?.at(pose.upright) ?? null;
  const sweep = travelSweep(wheel.travel, COUNT, rack);
  runSweep(corner, sweep);
  return {
    toTube:
      tube && type.tieRod
        ? levelAngle(at[type.tieRod.inner], at[type.tieRod.outer], at[tube.inner], at[tube.outer])
        : null,
    inner: type.tieRod && angleOf(type.tieRod.inner),
    outer: type.tieRod && angleOf(type.tieRod.outer),
    range: spanOf(sweep, 'toe')?.range ?? null,
  };
}
