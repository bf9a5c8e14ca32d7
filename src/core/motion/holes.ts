import { pointNames } from '../corners/kinds';
import { distance } from '../geometry/vec';
import { placesOf } from '../freedoms/freedoms';
import type { Wheel } from '../kinematics/wheel';
import type { Build } from '../model/build';
import { toVec } from '../model/points';
import type { Coordinate, Point, PointName } from '../model/points';
import { antiPercentOf } from './anti';
import { heldCamber } from './held';
import { readAt } from './sweep';

/** What one hole of a row gives. */
export interface HoleGives {
  /** The coordinate of the hole, mm. */
  at: number;
  /** Anti-dive (front) or anti-lift (rear) under braking, and anti-squat of a driven rear, %; null without a brief's figures. */
  brake: number | null;
  drive: number | null;
  /** Camber per 25 mm of bump, degrees, and roll centre above the ground, mm, toe held straight; null out of reach. */
  gain: number | null;
  rollCentre: number | null;
  /**
   * How far the arm's own pivot goes along the car in that hole, mm, + ahead: an arm's pivots stay as far apart as
   * they are, so that one that goes up or down comes nearer. Null where the joint is no arm's pivot.
   */
  shift: number | null;
}

/**
 * What each hole of a row of bracket holes gives, the wheel drawn anew with the joint there.
 * @returns empty where the coordinate has no row of holes or flip plate
 */
export function holesOf(
  build: Build,
  wheel: Wheel,
  point: PointName,
  coordinate: Coordinate,
): HoleGives[] {
  const { points } = wheel;
  if (!pointNames(wheel.type).includes(point)) return [];
  const freedom = wheel.design.freedoms?.[point]?.[coordinate];
  if (freedom?.kind !== 'choices' && freedom?.kind !== 'flip') return [];
  return placesOf(freedom, points[point][coordinate])!.map((at): HoleGives => {
    const moved = { ...points[point], [coordinate]: at };
    const shift = shiftAlong(wheel, point, moved);
    // The pivot stands where the arm brings it.
    const place = shift === null ? moved : { ...moved, ahead: moved.ahead + shift };
    const { corner } = wheel.withPoints({ [point]: place });
    const reading = corner && readAt(corner, 0, 0);
    const held = corner && heldCamber(corner, wheel.travel);
    const percent = antiPercentOf(build, wheel.axle);
    const lead = reading?.ok ? reading.value.contactLead : undefined;
    const ahead = reading?.ok ? reading.perTravel.wheelAhead : undefined;
    return {
      at,
      brake: lead === undefined || !percent ? null : percent.brake * lead,
      drive: ahead === undefined || !percent ? null : percent.drive * ahead,
      gain: held?.gain ?? null,
      rollCentre: held?.rollCentre ?? null,
      shift,
    };
  });
}

/** How far an arm's pivot goes along its bolt, which lies along the car, when it is moved across; mm, + ahead. */
function shiftAlong({ type, points }: Wheel, point: PointName, moved: Point): number | null {
  const pivots = type.pivots.find(({ through }) => through.includes(point));
  if (!pivots) return null;
  const other = points[pivots.through.find((name) => name !== point)!];
  const long = distance(toVec(points[point]), toVec(other));
  const across = Math.hypot(moved.out - other.out, moved.up - other.up);
  if (across >= long) return null;
  const along = Math.sqrt(long ** 2 - across ** 2);
  const way = Math.sign(points[point].ahead - other.ahead) || 1;
  return other.ahead + way * along - moved.ahead;
}

/**
 * The two spacers beside a pivot that is shifted along its bolt, ahead of it and behind, mm.
 * @param room what both spacers have together, bracket's inside less the bush, mm
 */
export const spacersFor = (
  room: number,
  shift: number,
): { ahead: number; behind: number } | null =>
  Math.abs(shift) > room / 2 ? null : { ahead: room / 2 - shift, behind: room / 2 + shift };
