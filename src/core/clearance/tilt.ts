import { EVD, Matrix } from 'ml-matrix';
import { typeOf } from '../corners/kinds';
import type { CornerType, JointOfType } from '../corners/cornerType';
import { toDeg } from '../geometry/angle';
import { cross, dot, footOnLine, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { isSteered, prepareAxle, rackTravelOf } from '../kinematics/axle';
import { UPRIGHT_SIZE } from '../kinematics/corner';
import { carried, frameAt, placer } from '../kinematics/joints';
import type { Frame, Joints } from '../kinematics/joints';
import type { AxleDesign, Side, Travel } from '../model/build';
import { toVec } from '../model/points';
import type { PointName } from '../model/points';
import { positionsByRack } from './positions';

/** Joints of a kind that tilt as the wheel moves. The arms' inner pivots only turn about their axes. */
export const tiltingOf = (type: CornerType): PointName[] => type.joints.map(({ at }) => at);

/** How far a joint tilts from how it stands as drawn, degrees, and where it does so most. */
export interface Tilt {
  tilt: number;
  travel: number;
  rack: number;
}
export type Tilts = Record<PointName, Tilt>;

/** What kind of joint tilts: a ball in a socket, or a rod end on a bolt; a rack's own inner joint is a ball. */
export function jointTypeOf(
  type: CornerType,
  name: PointName,
  steered: boolean,
): 'ball' | 'rodEnd' {
  if (steered && name === type.tieRod?.inner) return 'ball';
  return type.joints.find(({ at }) => at === name)?.type ?? 'rodEnd';
}

/**
 * The most that each joint tilts over travel and lock, joints taken as set square at ride height, straight
 * ahead: a ball joint's stud, on the upright, against its arm; a ball at a member's end (the rack's inner
 * joint, a strut's top), the member against how it lies at ride height; a rod end, the member against the plane
 * its bolt is square to. A rod end turns freely about its bolt, which stands upright at the upright and lies along
 * the car at the chassis; a radius arm's ball about one across the car.
 * @param studs how studs lie on the upright as drawn where somebody measured it: these count from square to their
 * arm, for that is how its socket is set, and so may be tilted at ride height already
 * @returns null where the layout cannot be solved as drawn
 */
export function tiltsOf(
  design: AxleDesign,
  side: Side,
  travel: Travel,
  studs: Readonly<Record<PointName, Vec>> = {},
): Tilts | null {
  const prepared = prepareAxle(design);
  if (!prepared.ok) return null;
  const { corner, drawn, rackSign } = prepared.axle[side];
  const type = typeOf(design);
  const upright = new Float64Array(UPRIGHT_SIZE);
  if (!corner.pose(0, 0, upright)) return null;
  const jointsAt = placer(drawn);
  const home: Standing = { at: jointsAt(upright), upright: frameAt(upright) };
  const steered = isSteered(design);
  const measures = type.joints.map((joint) => ({
    name: joint.at,
    measure: tiltOf(type, joint, jointTypeOf(type, joint.at, steered), home, design.bolts, studs),
  }));
  const most: Tilts = Object.fromEntries(
    measures.map(({ name }) => [name, { tilt: 0, travel: 0, rack: 0 }]),
  );
  for (const { fullBump: _, ...position } of positionsByRack(travel, rackTravelOf(design))) {
    if (!corner.pose(position.travel, rackSign * position.rack, upright)) continue;
    const now: Standing = { at: jointsAt(upright), upright: frameAt(upright) };
    for (const { name, measure } of measures) {
      const tilt = measure(now);
      if (tilt > most[name].tilt) most[name] = { tilt, ...position };
    }
  }
  return most;
}

/** A corner in one position. */
interface Standing {
  at: Joints;
  upright: Frame;
}

/** How far a joint tilts in a position from how it stands at home, degrees. */
function tiltOf(
  type: CornerType,
  joint: JointOfType,
  kind: 'ball' | 'rodEnd',
  home: Standing,
  bolts: AxleDesign['bolts'],
  studs: Readonly<Record<PointName, Vec>>,
): (now: Standing) => number {
  if ('stud' in joint) {
    const { at, stud, arm } = joint;
    const studOf = ({ at: joints }: Standing) => unit(sub(joints[stud[1]], joints[stud[0]]));
    const armOf = ({ at: joints }: Standing): Frame => {
      const [front, rear] = arm.map((name) => joints[name]);
      const axis = unit(sub(front, rear));
      return frame(axis, sub(joints[at], footOnLine(joints[at], rear, axis)));
    };
    const measured = studs[at];
    if (measured)
      return (now) => {
        const [, , square] = armOf(now);
        const stud0 = carried(measured, home.upright, now.upright);
        return between(stud0, dot(stud0, square) < 0 ? scale(square, -1) : square);
      };
    const [stud0, arm0] = [studOf(home), armOf(home)];
    return (now) => between(studOf(now), carried(stud0, arm0, armOf(now)));
  }
  if ('swings' in joint) {
    const across: Vec = [0, 1, 0];
    return (now) => between(across, carried(across, home.upright, now.upright));
  }
  const alongOf = ({ at }: Standing) => unit(sub(at[joint.member], at[joint.at]));
  const along0 = alongOf(home);
  if (kind === 'ball') return (now) => between(along0, alongOf(now));
  const bolt = boltOf(type, joint.at, along0, bolts);
  return type.points[joint.at].on === 'chassis'
    ? (now) => offSquare(alongOf(now), bolt)
    : (now) => offSquare(alongOf(now), carried(bolt, home.upright, now.upright));
}

/** How a rod end's bolt lies as drawn: as told, or square to the member, as near upright or along the car as that leaves it. */
function boltOf(type: CornerType, name: PointName, along: Vec, bolts: AxleDesign['bolts']): Vec {
  const told = bolts?.[name];
  if (told) return unit(toVec(told));
  return square(type.points[name].on === 'chassis' ? [1, 0, 0] : [0, 0, 1], along);
}

/**
 * The direction of a rod end's bolt about which travel and lock turn it instead of tilting it: square, as nearly as
 * can be by least squares, to every way the member lies as the bolt's own body sees it.
 * @returns the direction as drawn; null for a joint that is no rod end at a member, or where nothing can be solved
 */
export function bestBolt(
  design: AxleDesign,
  side: Side,
  travel: Travel,
  name: PointName,
): Vec | null {
  const prepared = prepareAxle(design);
  const type = typeOf(design);
  const joint = type.joints.find(({ at }) => at === name);
  if (!prepared.ok || !joint || !('member' in joint)) return null;
  if (jointTypeOf(type, name, isSteered(design)) !== 'rodEnd') return null;
  const { corner, drawn, rackSign } = prepared.axle[side];
  const upright = new Float64Array(UPRIGHT_SIZE);
  const jointsAt = placer(drawn);
  if (!corner.pose(0, 0, upright)) return null;
  const home = frameAt(upright);
  const onUpright = type.points[name].on === 'upright';
  const ways: Vec[] = [];
  for (const { travel: at, rack } of positionsByRack(travel, rackTravelOf(design))) {
    if (!corner.pose(at, rackSign * rack, upright)) continue;
    const joints = jointsAt(upright);
    const along = unit(sub(joints[joint.member], joints[name]));
    ways.push(onUpright ? carried(along, frameAt(upright), home) : along);
  }
  const spread = Matrix.zeros(3, 3);
  for (const way of ways)
    for (let i = 0; i < 3; i++)
      for (let j = 0; j < 3; j++) spread.set(i, j, spread.get(i, j) + way[i] * way[j]);
  const { eigenvectorMatrix, realEigenvalues } = new EVD(spread, { assumeSymmetric: true });
  const least = realEigenvalues.indexOf(Math.min(...realEigenvalues));
  return unit(eigenvectorMatrix.getColumn(least) as unknown as Vec);
}

function frame(first: Vec, towards: Vec): Frame {
  const second = square(towards, first);
  return [first, second, cross(first, second)];
}

/** The unit vector square to `axis` that is nearest to `wanted`; where they are one, to the next axis of the car. */
function square(wanted: Vec, axis: Vec): Vec {
  const rest = sub(wanted, scale(axis, dot(wanted, axis)));
  return Math.hypot(...rest) > 1e-6 ? unit(rest) : square([wanted[2], wanted[0], wanted[1]], axis);
}

const between = (a: Vec, b: Vec): number => toDeg(Math.acos(Math.min(1, Math.max(-1, dot(a, b)))));
const offSquare = (rod: Vec, bolt: Vec): number =>
  toDeg(Math.asin(Math.min(1, Math.abs(dot(rod, bolt)))));
