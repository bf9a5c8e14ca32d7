import { kingpinOf, typeOf, uprightPoints } from '../corners/kinds';
import { DEG } from '../geometry/angle';
import { add, cross, dot, length, rotate, scale, sub, turnBetween, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { placesOf } from '../freedoms/freedoms';
import { pointsOf } from '../kinematics/axle';
import { spindleOf } from '../kinematics/spindle';
import type { AxleDesign, Side } from '../model/build';
import { COORDINATES, toPoint, toVec } from '../model/points';
import type { Coordinate, PointName } from '../model/points';
import { staticQuantities } from './staticQuantities';
import { turnForToe } from './place';

/** A stub axle as it is made: the spindle against the kingpin's bore. */
export interface Stub {
  /** Between spindle and kingpin, outward end against upper end, degrees: 90 is square, more droops. */
  between: number;
  /** What the hole or boss is drilled off square by, degrees: + tips the kingpin's top inboard of square to the spindle. */
  offSquare: number;
  /** From the kingpin's line to the wheel's centre along the spindle, mm. */
  length: number;
  /** The spindle passes the kingpin's line by so much, mm, + ahead of it. */
  lead: number;
  /** Where it does so, up the kingpin from its lower end, mm. */
  height: number;
}

/** @returns null where a kind has no kingpin between two points, or the spindle lies along it */
export function stubOf(design: AxleDesign, side: Side): Stub | null {
  const kingpin = kingpinOf(typeOf(design));
  if (!kingpin) return null;
  const points = pointsOf(design, side);
  const [lower, upper] = kingpin.map((name) => toVec(points[name]));
  const k = unit(sub(upper, lower));
  const a = spindleOf(design.static);
  const across = cross(a, k);
  const size = dot(across, across);
  if (!(size > 1e-6)) return null;
  const off = sub(toVec(points.wheelCentre), lower);
  const angle = Math.acos(Math.min(1, Math.max(-1, dot(a, k)))) * DEG;
  // The two lines' common perpendicular: out along the spindle, up along the kingpin.
  return {
    between: angle,
    offSquare: angle - 90,
    length: dot(cross(off, k), across) / size,
    height: -dot(cross(off, a), across) / size,
    // Outward × upward points ahead.
    lead: dot(off, across) / Math.sqrt(size),
  };
}

/** How a kingpin's bosses are set up to be welded to the frame; alike on both sides, mirrored. */
export interface BossFixture {
  /** From upright, seen from the front and from the side, degrees: what the two wedges of a fixture are cut to. */
  kpi: number;
  caster: number;
  /** From upright as it leans, and which way its top leans in plan from straight inboard, + towards the rear, degrees. */
  lean: number;
  towards: number;
  /** Between both kingpins' lower ends and between their upper ends, mm, and the length of a kingpin. */
  lower: number;
  upper: number;
  kingpin: number;
}

export function bossFixture(design: AxleDesign): BossFixture | null {
  const kingpin = kingpinOf(typeOf(design));
  const { kpi, caster } = staticQuantities(design, 'left');
  if (!kingpin || kpi === undefined || caster === undefined) return null;
  const between = (name: PointName) =>
    pointsOf(design, 'left')[name].out + pointsOf(design, 'right')[name].out;
  const [inward, back] = [Math.tan(kpi / DEG), Math.tan(caster / DEG)];
  const { points } = design;
  return {
    kpi,
    caster,
    lean: Math.atan(Math.hypot(inward, back)) * DEG,
    towards: Math.atan2(back, inward) * DEG,
    lower: between(kingpin[0]),
    upper: between(kingpin[1]),
    kingpin: length(sub(toVec(points[kingpin[1]]), toVec(points[kingpin[0]]))),
  };
}

/** What spacers of a mm on each stub do, mm: the scrub radius grows by so much, and so does the width over the tyres. */
export interface SpacerGives {
  scrub: number;
  width: number;
}
export function spacerGives(design: AxleDesign): SpacerGives {
  const [ahead, out, up] = spindleOf(design.static);
  const level = Math.hypot(ahead, out);
  // Contact and wheel go along together; up the kingpin's line by what the contact rises.
  const kingpin = kingpinOf(typeOf(design));
  if (!kingpin) return { scrub: level, width: 2 * out };
  const k = sub(toVec(design.points[kingpin[1]]), toVec(design.points[kingpin[0]]));
  const rise = up / k[2];
  const along = ((ahead - rise * k[0]) * ahead + (out - rise * k[1]) * out) / level;
  return { scrub: along, width: 2 * out };
}

/** What a place of an end of the kingpin gives: an eccentric, a row of holes. */
export interface BossGives {
  at: number;
  caster: number;
  kpi: number;
  camber: number;
  scrub: number;
}

/**
 * What each place of a kingpin's end gives, the stub solid with the kingpin: it turns about the kingpin's other end,
 * and toe is set again by the tie rod.
 * @returns empty where that end has no row of places
 */
export function bossPlaces(
  design: AxleDesign,
  side: Side,
  end: PointName,
  coordinate: Coordinate,
): BossGives[] {
  const kingpin = kingpinOf(typeOf(design));
  const freedom = design.freedoms?.[end]?.[coordinate];
  if (!kingpin?.includes(end) || !freedom) return [];
  const now = pointsOf(design, side)[end][coordinate];
  const places =
    freedom.kind === 'eccentric'
      ? [freedom.base - freedom.throw, freedom.base, freedom.base + freedom.throw]
      : placesOf(freedom, now);
  return (places ?? []).flatMap((at): BossGives[] => {
    const moved = withBossAt(design, side, end, coordinate, at);
    if (!moved) return [];
    const { caster, kpi, camber, scrub } = staticQuantities(moved, side);
    return caster === undefined || kpi === undefined || scrub === undefined
      ? []
      : [{ at, caster, kpi, camber, scrub }];
  });
}

/** An axle with an end of a side's kingpin elsewhere, stub and wheel gone along with it; null where nothing is left to turn. */
export function withBossAt(
  design: AxleDesign,
  side: Side,
  end: PointName,
  coordinate: Coordinate,
  at: number,
): AxleDesign | null {
  const type = typeOf(design);
  const kingpin = kingpinOf(type)!;
  const points = pointsOf(design, side);
  const other = toVec(points[kingpin[0] === end ? kingpin[1] : kingpin[0]]);
  const from = toVec(points[end]);
  const to = from.map((x, i) => (COORDINATES[i] === coordinate ? at : x)) as unknown as Vec;
  const turn = turnBetween(unit(sub(from, other)), unit(sub(to, other)));
  if (!turn) return null;
  // Up the kingpin, whichever end is moved.
  const along = unit(end === kingpin[1] ? sub(to, other) : sub(other, to));
  const spindle = rotate(spindleOf(design.static), turn);
  const back = scale(along, turnForToe(spindle, along, design.static.toe));
  const carried = (name: PointName) =>
    toPoint(add(other, rotate(rotate(sub(toVec(points[name]), other), turn), back)));
  const [, , up] = rotate(spindle, back);
  const names = [...uprightPoints(type), 'wheelCentre'].filter((name) => !kingpin.includes(name));
  const next = {
    ...points,
    ...Object.fromEntries(names.map((name) => [name, carried(name)])),
    [end]: toPoint(to),
  };
  return {
    ...design,
    static: { ...design.static, camber: -Math.asin(up) * DEG },
    ...(side === 'right' && design.rightPoints ? { rightPoints: next } : { points: next }),
  };
}
