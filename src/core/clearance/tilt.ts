import { toDeg } from '../geometry/angle';
import { add, cross, dot, footOnLine, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { pointsOf, prepareAxle, rackTravelOf } from '../kinematics/axle';
import { UPRIGHT_SIZE } from '../kinematics/corner';
import { jointsAt, spindleAt } from '../kinematics/joints';
import type { Joints } from '../kinematics/joints';
import type { AxleDesign, Side, Travel } from '../model/build';
import { positionsByRack } from './positions';

/** Joints that tilt as the wheel moves. The arms' inner pivots only turn about their axes. */
export const TILTING = ['lowerOuter', 'upperOuter', 'tieRodInner', 'tieRodOuter'] as const;
export type Tilting = (typeof TILTING)[number];

/** How far a joint tilts from how it stands as drawn, degrees, and where it does so most. */
export interface Tilt {
  tilt: number;
  travel: number;
  rack: number;
}

/**
 * The most that each joint tilts over travel and lock, joints taken as set square at ride height, straight
 * ahead: a ball joint's stud (along the kingpin axis, on the upright) against its arm; the rack's inner
 * joint, the rod against how it lies at ride height; a rod end, the rod against the plane its bolt is
 * square to. A rod end turns freely about its bolt, which stands upright at the outer end and lies along
 * the car at a toe link's inner end.
 * @returns null where the layout cannot be solved as drawn
 */
export function tiltsOf(
  design: AxleDesign,
  side: Side,
  travel: Travel,
): Record<Tilting, Tilt> | null {
  const prepared = prepareAxle(design);
  if (!prepared.ok) return null;
  const corner = prepared.axle[side];
  const points = pointsOf(design, side);
  const upright = new Float64Array(UPRIGHT_SIZE);
  if (!corner.corner.pose(0, 0, upright)) return null;
  const drawn = axesOf(jointsAt(points, upright), spindleAt(upright));
  const steered = rackTravelOf(design) > 0;
  // Bolts square to the rod as drawn, as near upright or along the car as that leaves them.
  const outerBolt = square([0, 0, 1], drawn.rod);
  const innerBolt = square([1, 0, 0], drawn.rod);
  const most = Object.fromEntries(
    TILTING.map((name) => [name, { tilt: 0, travel: 0, rack: 0 }]),
  ) as Record<Tilting, Tilt>;
  for (const { fullBump: _, ...position } of positionsByRack(travel, rackTravelOf(design))) {
    if (!corner.corner.pose(position.travel, corner.rackSign * position.rack, upright)) continue;
    const now = axesOf(jointsAt(points, upright), spindleAt(upright));
    const stud = unit(sub(now.joints.upperOuter, now.joints.lowerOuter));
    const drawnStud = unit(sub(drawn.joints.upperOuter, drawn.joints.lowerOuter));
    const tilts: Record<Tilting, number> = {
      lowerOuter: between(stud, carry(drawnStud, drawn.lowerArm, now.lowerArm)),
      upperOuter: between(stud, carry(drawnStud, drawn.upperArm, now.upperArm)),
      tieRodInner: steered ? between(drawn.rod, now.rod) : offSquare(now.rod, innerBolt),
      tieRodOuter: offSquare(now.rod, carry(outerBolt, drawn.upright, now.upright)),
    };
    for (const name of TILTING)
      if (tilts[name] > most[name].tilt) most[name] = { tilt: tilts[name], ...position };
  }
  return most;
}

/** Three unit vectors, square to each other, fixed in a body. */
type Frame = [Vec, Vec, Vec];

function axesOf(joints: Joints, spindle: Vec) {
  const arm = (front: Vec, rear: Vec, outer: Vec): Frame => {
    const axis = unit(sub(front, rear));
    return frame(axis, sub(outer, footOnLine(outer, rear, axis)));
  };
  return {
    joints,
    rod: unit(sub(joints.tieRodOuter, joints.tieRodInner)),
    lowerArm: arm(joints.lowerFrontInner, joints.lowerRearInner, joints.lowerOuter),
    upperArm: arm(joints.upperFrontInner, joints.upperRearInner, joints.upperOuter),
    upright: frame(unit(sub(joints.upperOuter, joints.lowerOuter)), spindle),
  };
}

function frame(first: Vec, towards: Vec): Frame {
  const second = square(towards, first);
  return [first, second, cross(first, second)];
}

/** The unit vector square to `axis` that is nearest to `wanted`. */
const square = (wanted: Vec, axis: Vec): Vec => unit(sub(wanted, scale(axis, dot(wanted, axis))));

/** A direction fixed in a body, from where the body was to where it is. */
const carry = (v: Vec, from: Frame, to: Frame): Vec =>
  from.reduce<Vec>((sum, axis, i) => add(sum, scale(to[i], dot(v, axis))), [0, 0, 0]);

const between = (a: Vec, b: Vec): number => toDeg(Math.acos(Math.min(1, Math.max(-1, dot(a, b)))));
const offSquare = (rod: Vec, bolt: Vec): number =>
  toDeg(Math.asin(Math.min(1, Math.abs(dot(rod, bolt)))));
