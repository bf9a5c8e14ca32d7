import { beamPoints, chassisPoints, kingpinOf, typeOf, uprightPoints } from '../corners/kinds';
import { toRad } from '../geometry/angle';
import { add, rotate, scale, sub, turnBetween, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { pointsOf } from '../kinematics/axle';
import { spindleOf } from '../kinematics/spindle';
import type { AxleDesign, Build } from '../model/build';
import type { Point, PointName, Points } from '../model/points';
import { isSketched } from '../model/sketch';
import { staticQuantities } from './staticQuantities';
import { toVec } from '../model/points';

/**
 * Placing a wheel and what hangs on it. Every function changes the design it is given (a draft of it);
 * both sides alike, each in its own outward axes. Lengths mm, angles degrees.
 */

const sides = (design: AxleDesign): Points[] =>
  design.rightPoints ? [design.points, design.rightPoints] : [design.points];

const put = (p: Point, [ahead, out, up]: Vec): void => {
  Object.assign(p, { ahead: tidy(ahead), out: tidy(out), up: tidy(up) });
};
/** To a ten-thousandth of a mm: no figure worth typing is finer. */
const tidy = (mm: number): number => Math.round(mm * 1e4) / 1e4;

/** Moves points by the same amount. */
function shift(points: Points, names: readonly PointName[], by: Vec): void {
  for (const name of names) put(points[name], add(toVec(points[name]), by));
}

/** Points that the upright carries, and those with the wheel's centre. */
const onUpright = (design: AxleDesign): PointName[] => uprightPoints(typeOf(design));
const withWheel = (design: AxleDesign): PointName[] => [...onUpright(design), 'wheelCentre'];

/** Distance between the contact points. */
export function trackOf(design: AxleDesign): number {
  const at = (side: 'left' | 'right') => staticQuantities(design, side).contactOut;
  return at('left') + at('right');
}

/** Sets the track; wheel and upright move out or in together, half on each side. */
export const setTrack = (design: AxleDesign, track: number): void =>
  moveOut(design, (track - trackOf(design)) / 2);

/** Moves wheel and upright outward on both sides. */
export function moveOut(design: AxleDesign, by: number): void {
  const names = withWheel(design);
  for (const points of sides(design)) shift(points, names, [0, by, 0]);
}

/** Moves the wheel outward along its spindle on both sides, the upright staying: spacers on a stub. */
export function moveWheel(design: AxleDesign, by: number): void {
  for (const points of sides(design))
    shift(points, ['wheelCentre'], scale(spindleOf(design.static), by));
}

/** Moves what stands on the wheels up: wheel and upright, and with them a beam or a frame that holds their kingpins. */
function raise(design: AxleDesign, side: Points, by: number, withFrame: boolean): void {
  const type = typeOf(design);
  const frame = withFrame && type.noTravel ? chassisPoints(type) : [];
  shift(side, [...withWheel(design), ...beamPoints(type), ...frame], [0, 0, by]);
}

/** A drop arm's shaft goes up with the frame. */
function raiseShaft({ dropArm }: AxleDesign, by: number): void {
  for (const at of dropArm ? [dropArm.lower, dropArm.upper] : []) at.up = tidy(at.up + by);
}

/**
 * Sets the loaded radius; wheel and upright come up or down with it, so the tyre stands as it stood, and so does a frame
 * that holds their kingpins. Where nobody had said a radius the frame stays where it was said to be.
 */
export function setLoadedRadius(design: AxleDesign, radius: number): void {
  const by = radius - design.tyre.radius;
  const withFrame = !isSketched(design, 'tyre.radius');
  design.tyre.radius = radius;
  for (const points of sides(design)) raise(design, points, by, withFrame);
  if (withFrame && typeOf(design).noTravel) raiseShaft(design, by);
}

/** Puts wheel and upright on the ground: the contact point at up = 0. */
export function standOnGround(design: AxleDesign): void {
  const own = (['left', 'right'] as const).slice(0, sides(design).length);
  const ups = own.map((side) => -staticQuantities(design, side).contactUp);
  own.forEach((side, i) => raise(design, pointsOf(design, side), ups[i], true));
  if (typeOf(design).noTravel) raiseShaft(design, ups[0]);
}

/** What stays where it is while the rim's offset changes. */
export type Kept = 'track' | 'upright';

/** Sets how far the hub face is outboard of the rim's middle. */
export function setRimOffset(design: AxleDesign, offset: number, kept: Kept): void {
  if (!design.rim) return;
  const by = offset - design.rim.offset;
  design.rim.offset = offset;
  const axis = spindleOf(design.static);
  for (const points of sides(design)) {
    if (kept === 'upright') shift(points, ['wheelCentre'], scale(axis, -by));
    else shift(points, onUpright(design), scale(axis, by));
  }
}

/** Sets toe and camber of the wheel, the upright turning with it about the wheel centre, or staying. */
export function setAlignment(
  design: AxleDesign,
  alignment: AxleDesign['static'],
  withUpright: boolean,
): void {
  const turn = turnBetween(spindleOf(design.static), spindleOf(alignment));
  design.static = alignment;
  if (!withUpright || !turn) return;
  const names = onUpright(design);
  for (const points of sides(design)) turnAbout(points, names, points.wheelCentre, turn);
}

function turnAbout(points: Points, names: readonly PointName[], about: Point, turn: Vec): void {
  const pivot = toVec(about);
  for (const name of names)
    put(points[name], add(pivot, rotate(sub(toVec(points[name]), pivot), turn)));
}

/** What an upright is leaned about: the wheel's centre, or the lower end of what it steers about. */
export type Pivot = 'wheelCentre' | 'lower';

export interface Lean {
  kpi: number;
  caster: number;
  /** What stays where it is. */
  about: Pivot;
  /** One solid part: the spindle goes with it, and so does camber; toe is kept by the tie rod. */
  solid: boolean;
}

/**
 * Leans an upright until its kingpin line has this KPI and caster. An end of that line on the chassis (a strut's
 * top) goes along. Nothing is done where a kind has no such line.
 */
export function leanUpright(design: AxleDesign, { kpi, caster, about, solid }: Lean): void {
  const kingpin = kingpinOf(typeOf(design));
  if (!kingpin) return;
  const wanted = unit([-Math.tan(toRad(caster)), -Math.tan(toRad(kpi)), 1]);
  const spindle = spindleOf(design.static);
  const joints = [...new Set([...onUpright(design), ...kingpin])];
  const pivotName = about === 'lower' ? kingpin[0] : about;
  let alignment = design.static;
  for (const points of sides(design)) {
    const line = unit(sub(toVec(points[kingpin[1]]), toVec(points[kingpin[0]])));
    const turn = turnBetween(line, wanted);
    if (!turn) continue;
    const pivot = { ...points[pivotName] };
    if (!solid) {
      turnAbout(points, joints, pivot, turn);
      continue;
    }
    const all = [...joints, 'wheelCentre'];
    turnAbout(points, all, pivot, turn);
    const turned = rotate(spindle, turn);
    const back = turnForToe(turned, wanted, design.static.toe);
    turnAbout(points, all, pivot, scale(wanted, back));
    const [, , up] = rotate(turned, scale(wanted, back));
    alignment = { toe: design.static.toe, camber: (-Math.asin(up) * 180) / Math.PI };
  }
  design.static = alignment;
}

/** Turn about the kingpin, rad, that brings a spindle back to a toe: of the two, the smaller. */
export function turnForToe(spindle: Vec, kingpin: Vec, toe: number): number {
  // The spindle is A + B cos ψ + C sin ψ; its toe is right when it is square to n.
  const n: Vec = [Math.cos(toRad(toe)), -Math.sin(toRad(toe)), 0];
  const dotN = (v: Vec) => v[0] * n[0] + v[1] * n[1];
  const along = kingpin[0] * spindle[0] + kingpin[1] * spindle[1] + kingpin[2] * spindle[2];
  const a = dotN(scale(kingpin, along));
  const b = dotN(spindle) - a;
  const c = dotN([
    kingpin[1] * spindle[2] - kingpin[2] * spindle[1],
    kingpin[2] * spindle[0] - kingpin[0] * spindle[2],
    0,
  ]);
  const size = Math.hypot(b, c);
  if (size <= Math.abs(a)) return 0;
  const middle = Math.atan2(c, b);
  const away = Math.acos(-a / size);
  const wrapped = [middle + away, middle - away].map((psi) =>
    Math.atan2(Math.sin(psi), Math.cos(psi)),
  );
  return Math.abs(wrapped[0]) < Math.abs(wrapped[1]) ? wrapped[0] : wrapped[1];
}

/**
 * Raises the chassis on its wheels: pivots, rack, datum marks and the car's own planes move up; the
 * floor (a plane at 0) and the wheels stay. A frame that holds its kingpins stands as high as they do.
 */
export function raiseChassis(build: Build, by: number): void {
  for (const design of [build.front, build.rear])
    if (design && !typeOf(design).noTravel) {
      for (const points of sides(design)) shift(points, chassisPoints(typeOf(design)), [0, 0, by]);
      raiseShaft(design, by);
    }
  for (const mark of build.takeOff?.marks ?? []) mark.up = tidy(mark.up + by);
  for (const plane of build.takeOff?.planes ?? [])
    if (plane.axis === 'up' && plane.at !== 0) plane.at = tidy(plane.at + by);
}

/**
 * Toe of both wheels of an axle together: degrees, and mm by which the tyres stand nearer together in front than
 * behind at the height of the hubs; + in.
 * @param toe of each wheel, degrees
 * @param radius of the tyres, mm
 */
export const totalToe = (toe: number, radius: number): { degrees: number; across: number } => ({
  degrees: 2 * toe,
  across: 4 * radius * Math.sin(toRad(toe)),
});
