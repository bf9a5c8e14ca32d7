import { nearSideOf, rodEnds, typeOf, typeOn } from '../corners/kinds';
import { toRad } from '../geometry/angle';
import { sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { AxleDesign, DropArm, Rack, Side } from '../model/build';
import type { CarPlace } from '../model/place';
import type { Coordinate, Points } from '../model/points';
import { UPRIGHT_SIZE, explain } from './corner';
import { rodWord } from '../model/labels';
import type { RodWord } from '../model/labels';
import type { Corner, DrawnCorner, LayoutFault, OutOfReach, Prepared, SteerUnit } from './corner';
import { ACROSS } from './innerWay';
import type { InnerWay } from './innerWay';
import { prepareCoupled } from './coupledCorner';
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
  rod: RodWord;
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

/**
 * The drop arm of an axle whose drag link's joints go elsewhere: the box on the chassis goes along with its arm's hole,
 * but not into another hole of the same arm.
 * @param change joints of one side
 */
export function boxAlong(
  design: AxleDesign,
  side: Side,
  change: Partial<Points>,
): DropArm | undefined {
  const { dropArm } = design;
  const { coupled, tieRod } = typeOf(design);
  const to = tieRod && change[tieRod.inner];
  if (!dropArm || !coupled || !to || side !== nearSideOf(design)) return dropArm;
  const from = pointsOf(design, side)[tieRod.inner];
  const freedoms = design.freedoms?.[tieRod.inner];
  const by = (coordinate: Coordinate): number =>
    (freedoms?.[coordinate]?.kind ?? 'range') === 'range' ? to[coordinate] - from[coordinate] : 0;
  const out = side === 'left' ? by('out') : -by('out');
  const along = ({ ahead, left, up }: CarPlace): CarPlace => ({
    ahead: ahead + by('ahead'),
    left: left + out,
    up: up + by('up'),
  });
  return { ...dropArm, lower: along(dropArm.lower), upper: along(dropArm.upper) };
}

/** A design with its rod's joints moved as a null moves them: a drag link's inner one with the box that it hangs on. */
export function withRod<T extends AxleDesign>(design: T, side: Side, change: Partial<Points>): T {
  const dropArm = boxAlong(design, side, change);
  return { ...withPoints(design, side, change), ...(dropArm && { dropArm }) };
}

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

/** How the steering unit moves a side's inner joint; where nothing does, which way it would set toe. */
function innerWayOf(
  { kind, rack, dropArm }: Steered & Pick<AxleDesign, 'kind'>,
  side: Side,
): InnerWay {
  if (dropArm) return dropArmWay(dropArm, side);
  // A drag link lies along the car.
  if (typeOf({ kind }).coupled) return { by: 'rack', along: [side === 'left' ? 1 : -1, 0, 0] };
  return rack?.rise || rack?.sweep ? { by: 'rack', along: rackWay(rack, side) } : ACROSS;
}

/** Whether both sides of an axle mirror each other at every place of the steering. */
export function isAlike({
  kind,
  rightPoints,
  rack,
  dropArm,
}: Steered & Pick<AxleDesign, 'kind' | 'rightPoints'>): boolean {
  if (typeOf({ kind }).coupled) return false;
  const inMiddle = !dropArm || (dropArm.lower.left === 0 && dropArm.upper.left === 0);
  return !rightPoints && !rack?.rise && !rack?.sweep && inMiddle;
}

/** What of an axle says how one of its sides is drawn. */
type Drawable = Pick<
  AxleDesign,
  'kind' | 'points' | 'rightPoints' | 'static' | 'rack' | 'dropArm' | 'dragLinkTo' | 'leafLead'
>;

/** One side of an axle as it is drawn. */
export const drawnCorner = (design: Drawable, side: Side): DrawnCorner => ({
  type: typeOn(design, side),
  points: pointsOf(design, side),
  static: design.static,
  steering: innerWayOf(design, side),
  ...(typeOf(design).coupled && {
    coupled: {
      side,
      other: pointsOf(design, side === 'left' ? 'right' : 'left'),
      to: nearSideOf(design),
      // The left side's outward axes are the car's.
      steering: innerWayOf(design, 'left'),
      lead: design.leafLead,
    },
  }),
});

/** Makes both corners, or says which points make the layout as drawn unusable. */
export function prepareAxle(design: AxleDesign): PreparedAxle {
  const drawn = { left: drawnCorner(design, 'left'), right: drawnCorner(design, 'right') };
  const rod = rodWord(design);
  const { left, right } = prepareBoth(design, drawn);
  if (!left.ok || !right.ok) {
    const faults: AxleFault[] = [];
    const named = (side: Side) => (fault: LayoutFault) => ({
      ...fault,
      message: rod === 'toe link' ? fault.message.replaceAll('tie rod', rod) : fault.message,
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

function prepareBoth(
  design: AxleDesign,
  drawn: Record<Side, DrawnCorner>,
): Record<Side, Prepared<Corner>> {
  if (drawn.left.coupled) return prepareCoupled(drawn);
  const left = prepareCorner(drawn.left);
  return { left, right: isAlike(design) ? left : prepareCorner(drawn.right) };
}

/** Takes a drag link with its drop arm over to a side of the car, as their mirror image. Changes what it is given. */
export function moveDragLink(design: AxleDesign, side: Side): void {
  if (nearSideOf(design) === side) return;
  const from = pointsOf(design, nearSideOf(design));
  design.dragLinkTo = side;
  const to = pointsOf(design, side);
  const { inner, outer } = rodEnds(typeOf(design));
  if (to !== from) for (const name of [inner, outer]) to[name] = { ...from[name] };
  if (!design.dropArm) return;
  const { lower, upper } = design.dropArm;
  // Its mirror image turned the other way round steers the same way.
  design.dropArm = {
    ...design.dropArm,
    lower: { ...lower, left: -lower.left },
    upper: { ...upper, left: -upper.left },
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
    left: poseCorner(axle.left, travel.left, rack, travel.right),
    right: poseCorner(axle.right, travel.right, rack, travel.left),
  };
}

/** @param other where the axle's other wheel stands, mm; as high as this one where nothing is said */
export function poseCorner(
  side: AxleCorner,
  travel: number,
  rack: number,
  other = travel,
): UprightPose {
  const upright = new Float64Array(UPRIGHT_SIZE);
  if (side.corner.pose(travel, side.rackSign * rack, upright, other)) return { ok: true, upright };
  return { ok: false, why: whyNot(side, travel, rack, other) };
}

/** One sentence on why a position cannot be reached; empty when it can. */
export function whyNot(side: AxleCorner, travel: number, rack: number, other = travel): string {
  const reach = side.corner.why(travel, side.rackSign * rack, other);
  return reach ? explain(inWords(reach, side.rod), side.rackSign, side.steersBy) : '';
}

const inWords = (reach: OutOfReach, rod: RodWord): OutOfReach =>
  rod === 'toe link' && reach.part === 'tie rod' ? { ...reach, part: rod } : reach;

/** Wheel travels for the three ways an axle moves. */
export const alike = (travel: number) => ({ left: travel, right: travel });
export const roll = (travel: number) => ({ left: travel, right: -travel });
