import { kingpinOf, nearSideOf, typeOf, uprightPoints } from '../corners/kinds';
import { DEG, toRad } from '../geometry/angle';
import { secantRoot } from '../geometry/secant';
import { add, rotate, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { pointsOf } from '../kinematics/axle';
import { spindleOf } from '../kinematics/spindle';
import type { AxleDesign, Side } from '../model/build';
import { toPoint, toVec } from '../model/points';
import { turnForToe } from './place';
import { staticQuantities } from './staticQuantities';

/** A beam tilted in its clamps, put in and measured. */
export interface Tilted {
  /** Of the wedge between pad and spring, degrees: + tips the kingpins' tops rearward. */
  by: number;
  design: AxleDesign;
  caster: number;
  kpi: number;
  camber: number;
  trail: number;
}

/** No wedge is steeper, degrees (common practice). */
const STEEPEST = 12;
/** Caster is met to this, degrees. */
const MET = 1e-4;

/**
 * A beam with all that is on it turned about the line across its pads; toe is set again by the rod from arm to arm.
 * The drag link's joint on the arm goes along, that on the drop arm stays: the link is to be set to length again.
 * @param by degrees, + tips the kingpins' tops rearward
 */
export function tiltInClamps(design: AxleDesign, by: number): AxleDesign {
  const type = typeOf(design);
  const pad = type.coupled?.spring?.pad;
  const kingpin = kingpinOf(type);
  if (!pad || !kingpin) return design;
  // About the line to the left: tops go back.
  const turn: Vec = [0, -toRad(by), 0];
  const next: AxleDesign = { ...design };
  let camber = design.static.camber;
  const sides: readonly Side[] = design.rightPoints ? ['left', 'right'] : ['left'];
  for (const side of sides) {
    const points = pointsOf(design, side);
    const middle = toVec(points[pad]);
    const place = (name: string): Vec =>
      add(middle, rotate(sub(toVec(points[name]), middle), turn));
    const [lower, upper] = kingpin.map(place);
    const along = unit(sub(upper, lower));
    const spindle = rotate(spindleOf(design.static), turn);
    const back = scale(along, turnForToe(spindle, along, design.static.toe));
    const names = [...uprightPoints(type), 'wheelCentre'];
    const moved = Object.fromEntries(
      names.map((name) => [name, toPoint(add(lower, rotate(sub(place(name), lower), back)))]),
    );
    camber = -Math.asin(rotate(spindle, back)[2]) * DEG;
    const changed = { ...points, ...moved };
    if (side === 'right' && design.rightPoints) next.rightPoints = changed;
    else next.points = changed;
  }
  next.static = { ...design.static, camber };
  return next;
}

/**
 * How far a beam is tilted in its clamps for a caster, measured as it then stands.
 * @param caster degrees
 * @returns null where a kind has no clamps, or no wedge of up to `STEEPEST` gives it
 */
export function tiltForCaster(design: AxleDesign, caster: number): Tilted | null {
  const side = nearSideOf(design);
  const measured = (by: number) => {
    const tilted = tiltInClamps(design, by);
    return { tilted, is: staticQuantities(tilted, side) };
  };
  if (!typeOf(design).coupled?.spring) return null;
  const off = (by: number) => (measured(by).is.caster ?? NaN) - caster;
  const start = off(0);
  const by =
    Math.abs(start) < MET ? 0 : secantRoot(off, 0, start > 0 ? -0.1 : 0.1, -STEEPEST, STEEPEST);
  if (by === null) return null;
  const { tilted, is } = measured(by);
  if (is.caster === undefined || !(Math.abs(is.caster - caster) < MET)) return null;
  return {
    by,
    design: tilted,
    caster: is.caster,
    kpi: is.kpi!,
    camber: is.camber,
    trail: is.trail!,
  };
}

/** A beam as it is made: a straight middle, ends bent up or down to the bosses. */
export interface BeamMade {
  /** From pad to pad, mm: between the clamps' middles, where the springs' locating pins stand. */
  clamps: number;
  /** From boss to boss, along a straight line, at the kingpins' middles, mm. */
  straight: number;
  /** How much higher the bosses stand than the pads, mm: what the car comes down by. */
  drop: number;
  /** How far the bosses stand ahead of the pads, mm. */
  lead: number;
  /** Between the bends: room for the frame, mm. */
  between: number;
  /** Of each end from the middle's line, degrees, seen from the front: what it is bent or cut to. */
  bend: number;
  /** From the bend to the boss along the end, and the whole bar before it is bent, mm. */
  end: number;
  bar: number;
  /** The clamps lie on the straight middle. */
  fits: boolean;
}

/**
 * @param bends from the car's middle to where an end is bent, mm
 * @param clamp length of a spring's clamp along the beam, mm
 * @returns null where a kind has no beam, or the bends are not between the middle and the bosses
 */
export function beamMade(design: AxleDesign, bends: number, clamp: number): BeamMade | null {
  const type = typeOf(design);
  const pad = type.coupled?.spring?.pad;
  const kingpin = kingpinOf(type);
  if (!pad || !kingpin) return null;
  const of = (side: Side) => {
    const points = pointsOf(design, side);
    const [lower, upper] = kingpin.map((name) => toVec(points[name]));
    return { boss: scale(add(lower, upper), 0.5), pad: toVec(points[pad]) };
  };
  const [left, right] = [of('left'), of('right')];
  const nearest = Math.min(left.boss[1], right.boss[1]);
  if (!(bends > 0 && bends < nearest)) return null;
  const [lead, , drop] = sub(left.boss, left.pad);
  const out = left.boss[1] - bends;
  const end = Math.hypot(out, drop);
  const far = Math.hypot(right.boss[1] - bends, right.boss[2] - right.pad[2]);
  return {
    clamps: left.pad[1] + right.pad[1],
    straight: left.boss[1] + right.boss[1],
    drop,
    lead,
    between: 2 * bends,
    bend: Math.atan2(drop, out) * DEG,
    end,
    bar: 2 * bends + end + far,
    fits: Math.max(left.pad[1], right.pad[1]) + clamp / 2 <= bends,
  };
}
