import { typeOf } from '../corners/kinds';
import { toRad } from '../geometry/angle';
import { sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { AxleDesign, CarPlace, DropArm, Rack, Side } from '../model/build';
import type { Points } from '../model/points';
import { UPRIGHT_SIZE, explain } from './corner';
import { rodWord } from '../model/labels';
import type { Corner, DrawnCorner, LayoutFault, OutOfReach, SteerUnit } from './corner';
import { ACROSS } from './innerWay';
import type { InnerWay } from './innerWay';
import { prepareCorner } from './prepare';

/** Two corners and what steers them. Each corner works in its own outward axes. */
export interface Axle {
  left: AxleCorner;
  right: AxleCorner;
  /** The steering's input each way from centre: mm of a rack, degrees of a drop arm; 0 where the inner joints are fixed. */
  steerRange: number;
  /** What is moved by it. */
  steersBy: SteerUnit;
}

export interface AxleCorner {
  corner: Corner;
  /** What it was made of. */
  drawn: DrawnCorner;
  radius: number;
  /** The steering's input (+ left) to the corner's own outward axes: +1 left, −1 right. */
  rackSign: 1 | -1;
  /** What its rod is called: a toe link where nothing is steered. */
  rod: 'tie rod' | 'toe link';
  steersBy: SteerUnit;
}

export type PreparedAxle = { ok: true; axle: Axle } | { ok: false; faults: AxleFault[] };
export interface AxleFault extends LayoutFault {
  side: Side;
}

/** The points of one side: the right mirrors the left unless it has its own. */
export const pointsOf = (design: Pick<AxleDesign, 'points' | 'rightPoints'>, side: Side): Points =>
  side === 'right' && design.rightPoints ? design.rightPoints : design.points;

/** The key in an axle's document that holds a side's points. */
export const pointsKey = (design: AxleDesign, side: Side): 'points' | 'rightPoints' =>
  side === 'right' && design.rightPoints ? 'rightPoints' : 'points';

/** A design with some points of one side moved. */
export const withPoints = <T extends AxleDesign>(
  design: T,
  side: Side,
  change: Partial<Points>,
): T => ({
  ...design,
  [pointsKey(design, side)]: { ...pointsOf(design, side), ...change },
});

/** What of an axle says how it is steered. */
type Steered = Pick<AxleDesign, 'rack' | 'dropArm'>;

/**
 * How far the steering goes each way from centre: mm of a rack, collars on it counted, or degrees of a drop arm; 0 on
 * an unsteered axle.
 */
export const steerRangeOf = ({ rack, dropArm }: Steered): number =>
  dropArm?.lock ?? (rack ? Math.max(LEAST_TRAVEL, rack.travel - (rack.stop ?? 0)) : 0);

/** What an axle's steering moves; a rack where it is not steered. */
export const steerUnitOf = ({ dropArm }: Steered): SteerUnit => (dropArm ? 'drop arm' : 'rack');

/** Collars that are longer than a rack's travel hold it all but fast, mm. */
const LEAST_TRAVEL = 1;

/** Whether an axle's wheels are steered. */
export const isSteered = ({ rack, dropArm }: Steered): boolean =>
  rack !== undefined || dropArm !== undefined;

/**
 * The way of a side's inner joint per mm of rack outward, [ahead, out, up]: straight across unless the rack's
 * axis is told to lie otherwise.
 */
export function rackWay(rack: Rack | undefined, side: Side): Vec {
  if (!rack?.rise && !rack?.sweep) return [0, 1, 0];
  const [rise, sweep] = [toRad(rack.rise ?? 0), toRad(rack.sweep ?? 0)];
  // + rack is to the left, where the axis' left end is; for the right side outward is the other way.
  const way = side === 'left' ? 1 : -1;
  const level = Math.cos(rise);
  return [way * level * Math.sin(sweep), level * Math.cos(sweep), way * Math.sin(rise)];
}

/** A drop arm's shaft in a side's outward axes, + right-handed from its lower point to its upper. */
export function dropArmWay(
  { lower, upper }: DropArm,
  side: Side,
): Extract<InnerWay, { by: 'drop arm' }> {
  const at = ({ ahead, left, up }: CarPlace): Vec => [ahead, side === 'left' ? left : -left, up];
  return { by: 'drop arm', through: at(lower), about: unit(sub(at(upper), at(lower))) };
}

/** How the steering unit moves a side's inner joint. */
function innerWayOf({ rack, dropArm }: Steered, side: Side): InnerWay {
  if (dropArm) return dropArmWay(dropArm, side);
  return rack?.rise || rack?.sweep ? { by: 'rack', along: rackWay(rack, side) } : ACROSS;
}

/** Whether both sides of an axle mirror each other at every place of the steering. */
export function isAlike({ rightPoints, rack, dropArm }: Steered & Pick<AxleDesign, 'rightPoints'>) {
  const inMiddle = !dropArm || (dropArm.lower.left === 0 && dropArm.upper.left === 0);
  return !rightPoints && !rack?.rise && !rack?.sweep && inMiddle;
}

/** One side of an axle as it is drawn. */
export const drawnCorner = (
  design: Pick<AxleDesign, 'kind' | 'points' | 'rightPoints' | 'static' | 'rack' | 'dropArm'>,
  side: Side,
): DrawnCorner => ({
  type: typeOf(design),
  points: pointsOf(design, side),
  static: design.static,
  steering: innerWayOf(design, side),
});

/** Makes both corners, or says which points make the layout as drawn unusable. */
export function prepareAxle(design: AxleDesign): PreparedAxle {
  const drawn = { left: drawnCorner(design, 'left'), right: drawnCorner(design, 'right') };
  const prepareSide = (side: Side) => prepareCorner(drawn[side]);
  const left = prepareSide('left');
  const rod = rodWord(design);
  const right = isAlike(design) ? left : prepareSide('right');
  if (!left.ok || !right.ok) {
    const faults: AxleFault[] = [];
    const named = (side: Side) => (fault: LayoutFault) => ({
      ...fault,
      message: fault.message.replaceAll('tie rod', rod),
      side,
    });
    if (!left.ok) faults.push(...left.faults.map(named('left')));
    if (!right.ok && right !== left) faults.push(...right.faults.map(named('right')));
    return { ok: false, faults };
  }
  const both = { radius: design.tyre.radius, rod, steersBy: steerUnitOf(design) };
  return {
    ok: true,
    axle: {
      left: { corner: left.corner, drawn: drawn.left, rackSign: 1, ...both },
      right: { corner: right.corner, drawn: drawn.right, rackSign: -1, ...both },
      steerRange: steerRangeOf(design),
      steersBy: both.steersBy,
    },
  };
}

/** Both uprights of an axle in one position; a side out of reach says why. */
export interface AxlePose {
  left: UprightPose;
  right: UprightPose;
}
export type UprightPose = { ok: true; upright: Float64Array } | { ok: false; why: string };

/**
 * Poses both sides.
 * @param travel mm of each wheel, + bump: alike, opposite (roll) or each its own
 * @param rack the steering's input, + left: mm of a rack or degrees of a drop arm
 */
export function poseAxle(
  axle: Axle,
  travel: { left: number; right: number },
  rack: number,
): AxlePose {
  return {
    left: poseCorner(axle.left, travel.left, rack),
    right: poseCorner(axle.right, travel.right, rack),
  };
}

export function poseCorner(side: AxleCorner, travel: number, rack: number): UprightPose {
  const upright = new Float64Array(UPRIGHT_SIZE);
  if (side.corner.pose(travel, side.rackSign * rack, upright)) return { ok: true, upright };
  return { ok: false, why: whyNot(side, travel, rack) };
}

/** One sentence on why a position cannot be reached; empty when it can. */
export function whyNot(side: AxleCorner, travel: number, rack: number): string {
  const reach = side.corner.why(travel, side.rackSign * rack);
  return reach ? explain(inWords(reach, side.rod), side.rackSign, side.steersBy) : '';
}

const inWords = (reach: OutOfReach, rod: string): OutOfReach =>
  reach.part === 'tie rod' ? { ...reach, part: rod } : reach;

/** Wheel travels for the three ways an axle moves. */
export const alike = (travel: number) => ({ left: travel, right: travel });
export const roll = (travel: number) => ({ left: travel, right: -travel });
