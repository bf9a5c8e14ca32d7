import { EVD, Matrix } from 'ml-matrix';
import type { Body, CornerType, JointOfType } from '../corners/cornerType';
import { toDeg } from '../geometry/angle';
import { cross, dot, footOnLine, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { U, UPRIGHT_SIZE } from '../kinematics/corner';
import type { DrawnCorner } from '../kinematics/corner';
import { allBodiesPoser, bodyIn } from '../kinematics/hung';
import type { AllBodies } from '../kinematics/hung';
import { turnedWith } from '../kinematics/innerWay';
import { carried, frameAt } from '../kinematics/frames';
import { placer } from '../kinematics/joints';
import type { Frame } from '../kinematics/frames';
import type { Joints } from '../kinematics/joints';
import type { Wheel } from '../kinematics/wheel';
import type { AxleDesign } from '../model/build';
import { toVec } from '../model/points';
import type { PointName } from '../model/points';
import { positionsByRack } from './positions';

/** Joints of a kind that articulate as the wheel moves. The arms' inner pivots only turn about their axes. */
export const articulatedJoints = (type: CornerType): PointName[] => type.joints.map(({ at }) => at);

/** How far a joint articulates from how it stands as drawn, degrees, and where it does so most. */
export interface Articulation {
  angle: number;
  travel: number;
  rack: number;
}
export type Articulations = Record<PointName, Articulation>;

/**
 * What kind of joint articulates: a ball in a socket, or a rod end on a bolt; a rack's own inner joint is a ball, on a
 * drop arm it is a rod end.
 */
export function jointTypeOf(
  { type, steered, steersBy }: Pick<Wheel, 'type' | 'steered' | 'steersBy'>,
  name: PointName,
): 'ball' | 'rodEnd' {
  if (steered && steersBy === 'rack' && name === type.tieRod?.inner) return 'ball';
  return type.joints.find(({ at }) => at === name)?.type ?? 'rodEnd';
}

/**
 * The most that each joint articulates over travel and lock, joints taken as set square at ride height, straight
 * ahead: a ball joint's stud, on the upright, against its arm; a ball at a member's end (the rack's inner
 * joint, a strut's top), the member against how it lies at ride height; a rod end, the member against the plane
 * its bolt is square to. A rod end turns freely about its bolt, which stands upright at the upright and lies along
 * the car at the chassis and at a damper's ends; a radius arm's ball about one across the car.
 * @param studs how studs lie on the upright as drawn where somebody measured it: these count from square to their
 * arm, for that is how its socket is set, and so may be articulated at ride height already
 * @returns null where the layout cannot be solved as drawn
 */
export function articulationsOf(
  wheel: Wheel,
  studs: Readonly<Record<PointName, Vec>> = {},
): Articulations | null {
  if (!wheel.corner) return null;
  const { corner, rackSign } = wheel.corner;
  const measures = articulationMeasures(wheel, studs);
  if (!measures) return null;
  const upright = new Float64Array(UPRIGHT_SIZE);
  const most: Articulations = Object.fromEntries(
    measures.map(({ name }) => [name, { angle: 0, travel: 0, rack: 0 }]),
  );
  const anglesAt = new Map(measures.map(({ name, at }) => [name, at]));
  for (const { fullBump: _, ...position } of positionsByRack(wheel.travel, wheel.steerRange)) {
    if (!corner.pose(position.travel, rackSign * position.rack, upright)) continue;
    for (const [name, angleAt] of anglesAt) {
      const angle = angleAt(upright);
      if (angle > most[name].angle) most[name] = { angle, ...position };
    }
  }
  return most;
}

/** How far each joint articulates in a solved pose, degrees; null where the layout cannot be solved as drawn. */
export function articulationMeasures(
  wheel: Wheel,
  studs: Readonly<Record<PointName, Vec>> = {},
): { name: PointName; at: (upright: Float64Array) => number }[] | null {
  if (!wheel.corner) return null;
  const { corner, drawn } = wheel.corner;
  const { type, design } = wheel;
  const home = new Float64Array(UPRIGHT_SIZE);
  if (!corner.pose(0, 0, home)) return null;
  const jointsAt = placer(drawn);
  const bodiesAt = type.joints.some(({ at }) => type.points[at].ofDamper)
    ? allBodiesPoser(drawn)
    : null;
  const posed = (upright: Float64Array): Posed => ({
    at: jointsAt(upright),
    upright: frameAt(upright),
    input: upright[U.rack],
    bodies: bodiesAt && bodiesAt(upright),
  });
  const asDrawn = posed(home);
  // Every joint of a pose looks at the same places.
  let last: { of: Float64Array; posed: Posed } | null = null;
  const poseOf = (upright: Float64Array): Posed => {
    if (!last || upright.some((value, i) => !Object.is(value, last!.of[i])))
      last = { of: upright.slice(), posed: posed(upright) };
    return last.posed;
  };
  return type.joints.map((joint) => {
    const kind = jointTypeOf(wheel, joint.at);
    const measure = articulationOf(drawn, joint, kind, asDrawn, design.bolts, studs);
    return { name: joint.at, at: (upright) => measure(poseOf(upright)) };
  });
}

/** A corner in one position. */
interface Posed {
  at: Joints;
  upright: Frame;
  /** The steering's, mm of a rack outward or degrees of a drop arm. */
  input: number;
  /** Every body, where a damper rides on some of them. */
  bodies: AllBodies | null;
}

/** A direction that was drawn on a body, in a position. */
function turnedOn(body: Body, v: Vec, bodies: AllBodies): Vec {
  const pose = bodyIn(bodies, body);
  return sub(pose.place(v), pose.place([0, 0, 0]));
}

/** How far a joint articulates in a position from how it stands at home, degrees. */
function articulationOf(
  { type, steering }: DrawnCorner,
  joint: JointOfType,
  kind: 'ball' | 'rodEnd',
  home: Posed,
  bolts: AxleDesign['bolts'],
  studs: Readonly<Record<PointName, Vec>>,
): (now: Posed) => number {
  if ('stud' in joint) {
    const { at, stud, arm } = joint;
    const studOf = ({ at: joints }: Posed) => unit(sub(joints[stud[1]], joints[stud[0]]));
    const armOf = ({ at: joints }: Posed): Frame => {
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
  const alongOf = ({ at }: Posed) => unit(sub(at[joint.member], at[joint.at]));
  const along0 = alongOf(home);
  if (kind === 'ball') return (now) => between(along0, alongOf(now));
  const rides = joint.at === type.tieRod?.inner;
  // The bolt that a rod end has on a drop arm lies along the shaft and turns with the arm.
  const shaft = rides && steering.by === 'drop arm' ? steering.about : null;
  const bolt = shaft && !bolts?.[joint.at] ? shaft : boltOf(type, joint.at, along0, bolts);
  const { on, ofDamper } = type.points[joint.at];
  if (ofDamper && on !== 'chassis')
    return (now) => offSquare(alongOf(now), now.bodies ? turnedOn(on, bolt, now.bodies) : bolt);
  return on === 'chassis'
    ? (now) => offSquare(alongOf(now), rides ? turnedWith(steering, bolt, now.input) : bolt)
    : (now) => offSquare(alongOf(now), carried(bolt, home.upright, now.upright));
}

/** How a rod end's bolt lies as drawn: as told, or square to the member, as near upright or along the car as that leaves it. */
export function boltOf(
  type: CornerType,
  name: PointName,
  along: Vec,
  bolts: AxleDesign['bolts'],
): Vec {
  const told = bolts?.[name];
  if (told) return unit(toVec(told));
  const { on, ofDamper } = type.points[name];
  // A damper's bolts lie along the car, as the pivots of what it rides on do.
  return square(on === 'chassis' || ofDamper ? [1, 0, 0] : [0, 0, 1], along);
}

/**
 * The direction of a rod end's bolt about which travel and lock turn it instead of articulating it: square, as nearly as
 * can be by least squares, to every way the member lies as the bolt's own body sees it.
 * @returns the direction as drawn; null for a joint that is no rod end at a member, or where nothing can be solved
 */
export function bestBolt(wheel: Wheel, name: PointName): Vec | null {
  const { type } = wheel;
  const joint = type.joints.find(({ at }) => at === name);
  if (!wheel.corner || !joint || !('member' in joint)) return null;
  if (jointTypeOf(wheel, name) !== 'rodEnd') return null;
  const { corner, drawn, rackSign } = wheel.corner;
  const upright = new Float64Array(UPRIGHT_SIZE);
  const jointsAt = placer(drawn);
  if (!corner.pose(0, 0, upright)) return null;
  const home = frameAt(upright);
  const { on, ofDamper } = type.points[name];
  const onUpright = on === 'upright';
  const bodiesAt = ofDamper ? allBodiesPoser(drawn) : null;
  const ways: Vec[] = [];
  for (const { travel: at, rack } of positionsByRack(wheel.travel, wheel.steerRange)) {
    if (!corner.pose(at, rackSign * rack, upright)) continue;
    const joints = jointsAt(upright);
    const along = unit(sub(joints[joint.member], joints[name]));
    const turned = turnedWith(
      drawn.steering,
      along,
      name === type.tieRod?.inner ? -upright[U.rack] : 0,
    );
    if (bodiesAt) {
      const bodies = bodiesAt(upright);
      const axes = AXES.map((axis) => turnedOn(on, axis, bodies));
      ways.push(axes.map((axis) => dot(along, axis)) as unknown as Vec);
      continue;
    }
    ways.push(onUpright ? carried(along, frameAt(upright), home) : turned);
  }
  const spread = Matrix.zeros(3, 3);
  for (const way of ways)
    for (let i = 0; i < 3; i++)
      for (let j = 0; j < 3; j++) spread.set(i, j, spread.get(i, j) + way[i] * way[j]);
  const { eigenvectorMatrix, realEigenvalues } = new EVD(spread, { assumeSymmetric: true });
  const least = realEigenvalues.indexOf(Math.min(...realEigenvalues));
  return unit(eigenvectorMatrix.getColumn(least) as unknown as Vec);
}

const AXES: readonly Vec[] = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
];

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
