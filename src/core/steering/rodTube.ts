import { betweenLines } from '../clearance/shapes';
import { toDeg } from '../geometry/angle';
import { cross, dot, length, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Wheel } from '../kinematics/wheel';
import { toVec } from '../model/points';
import type { PointName } from '../model/points';

/** A tube of an arm, by its ends: on the chassis and on the upright; its radius, mm. */
export interface ArmTube {
  name: string;
  inner: PointName;
  outer: PointName;
  radius: number;
}

/** The arm's tube that the tie rod comes nearest to as drawn; null where there is none. */
export function nearestTube({ type, points }: Wheel): ArmTube | null {
  if (!type.tieRod) return null;
  const at = (name: PointName): Vec => toVec(points[name]);
  const [inner, outer] = [at(type.tieRod.inner), at(type.tieRod.outer)];
  const tubes = type.members.flatMap(({ from, to, role, name, diameter }) => {
    if (role === 'rod' || name === undefined) return [];
    const ends = type.points[to].on === 'upright' ? [from, to] : [to, from];
    const away = betweenLines(at(from), at(to), inner, outer).distance;
    return [{ name, inner: ends[0], outer: ends[1], radius: diameter / 2, away }];
  });
  return tubes.length === 0 ? null : tubes.reduce((a, b) => (b.away < a.away ? b : a));
}

/** The sharp angle between two lines, degrees. */
export const sharpAngle = (a: Vec, b: Vec): number =>
  toDeg(Math.atan2(length(cross(a, b)), Math.abs(dot(a, b))));

/** The same seen from above, each line by two places on it. */
export const levelAngle = (a: Vec, b: Vec, c: Vec, d: Vec): number =>
  sharpAngle(level(sub(b, a)), level(sub(d, c)));

const level = ([ahead, out]: Vec): Vec => [ahead, out, 0];
