import { rodEnds } from '../corners/kinds';
import { cross, dot, length, scale, sub, unit } from '../geometry/vec';
import { poseCorner } from '../kinematics/axle';
import { innerRate } from '../kinematics/innerWay';
import { rodPlacer } from '../kinematics/rods';
import type { Wheel } from '../kinematics/wheel';
import type { Build } from '../model/build';
import { toVec } from '../model/points';
import { STARTING_LOADS } from '../model/rod';
import { rodAsBuilt } from '../strength/rodParts';
import { rodStrength } from '../strength/rodStrength';

/** What a rack's end carries where its joint is offset by spacers instead of the rack being moved. */
export interface RackEnd {
  /** Force along the rod over a kerb, N. */
  force: number;
  /** Of it square to the rack's axis, N, at the worse of centre and both ends: what pushes the bar against its bushes. */
  side: number;
  /** Bending at the bar's end by the offset itself, force along the rack × offset, N·mm. */
  bending: number;
}

/**
 * @param offset of the joint's centre from the bar's axis, square to it, mm
 * @returns null where the wheel has no rod or steers about nothing
 */
export function rackEnd(build: Pick<Build, 'rod'>, wheel: Wheel, offset: number): RackEnd | null {
  const { corner, drawn, steerRange } = wheel;
  const rodAt = rodPlacer(drawn);
  const { parts } = rodAsBuilt(build, wheel);
  const strength = rodStrength(wheel, { ...STARTING_LOADS, ...build.rod, ...parts });
  if (!corner || !rodAt || !strength) return null;
  const force = strength.kerbForce;
  const way = unit(innerRate(drawn.steering, toVec(drawn.points[rodEnds(drawn.type).inner]), 0));
  let [side, along] = [0, 0];
  for (const rack of [0, steerRange, -steerRange]) {
    const pose = poseCorner(corner, 0, rack);
    if (!pose.ok) continue;
    const { inner, outer } = rodAt(pose.upright);
    const pull = scale(unit(sub(outer, inner)), force);
    side = Math.max(side, length(cross(pull, way)));
    along = Math.max(along, Math.abs(dot(pull, way)));
  }
  return { force, side, bending: along * Math.abs(offset) };
}
