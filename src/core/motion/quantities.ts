import { DEG } from '../geometry/angle';
import { U } from '../kinematics/corner';

/**
 * The quantities of one wheel, in the order of a row. Degrees and mm; signs:
 * toe + in, camber + top out, caster + top rearward, kpi + top inward, scrub + kingpin axis meets
 * the ground inboard of the contact point, trail + ahead of it, spindleLength + wheel centre
 * outboard of the kingpin axis. Instant centres: front view in the plane across the car through the
 * wheel centre (of one axle under both wheels, as it rolls), side view in the plane along it, the rack held; contactLead is how far the upright's own point at the
 * contact moves ahead per mm of bump, which makes anti-dive. Contact and wheel are [ahead, out, up] in the corner's axes.
 * Definitions follow SAE J670 and ISO 8855.
 */
export const QUANTITIES = [
  'toe',
  'camber',
  'caster',
  'kpi',
  'scrub',
  'trail',
  'contactAhead',
  'contactOut',
  'contactUp',
  'wheelAhead',
  'wheelOut',
  'wheelUp',
  'spindleLength',
  'rollCentre',
  'instantOut',
  'instantUp',
  'sideInstantAhead',
  'sideInstantUp',
  'contactLead',
] as const;
export type Quantity = (typeof QUANTITIES)[number];

/**
 * Quantities that are made of slopes by travel and carry none themselves, which a wheel without travel does not have:
 * the last of the list.
 */
export const UNSLOPED = [
  'rollCentre',
  'instantOut',
  'instantUp',
  'sideInstantAhead',
  'sideInstantUp',
  'contactLead',
] as const;
export type Unsloped = (typeof UNSLOPED)[number];

/** Number of quantities that carry exact slopes. */
export const SLOPED = QUANTITIES.length - UNSLOPED.length;

/** Quantities of the steering axis: a wheel that has none has none of them, and its rows NaN. */
export const OF_AXIS = ['caster', 'kpi', 'scrub', 'trail', 'spindleLength'] as const;
export type OfAxis = (typeof OF_AXIS)[number];
export const isOfAxis = (quantity: Quantity): quantity is OfAxis =>
  (OF_AXIS as readonly Quantity[]).includes(quantity);

/** Named quantities of a position; what does not apply is not there. */
export type Values = Record<Exclude<Quantity, OfAxis | Unsloped>, number> &
  Partial<Record<OfAxis | Unsloped, number>>;

/** A row: every quantity, then d/d travel of the sloped ones, then d/d rack of the same. */
export const ROW_SIZE = QUANTITIES.length + 2 * SLOPED;
export const PER_TRAVEL = QUANTITIES.length;
export const PER_RACK = PER_TRAVEL + SLOPED;

/** Column of a quantity within a row. */
export const COLUMN = Object.fromEntries(QUANTITIES.map((name, i) => [name, i])) as Record<
  Quantity,
  number
>;

/**
 * Writes one row of quantities and their exact slopes from an upright's pose.
 * @param u pose, ordered as in `U`
 * @param radius loaded tyre radius, mm
 * @param row receives ROW_SIZE numbers from `at` on; slopes are per mm of travel, and per mm of a rack or degree of a
 *   drop arm; all that is by travel is NaN for a wheel that has none
 */
export function writeQuantities(
  u: Float64Array,
  radius: number,
  row: Float64Array,
  at: number,
): void {
  const ax = u[U.spindle];
  const ay = u[U.spindle + 1];
  const az = u[U.spindle + 2];
  const kx = u[U.axisAlong];
  const ky = u[U.axisAlong + 1];
  const kz = u[U.axisAlong + 2];
  const lx = u[U.axisAt];
  const ly = u[U.axisAt + 1];
  const lz = u[U.axisAt + 2];
  const wx = u[U.wheelCentre];
  const wy = u[U.wheelCentre + 1];
  const wz = u[U.wheelCentre + 2];

  // Contact point: down the wheel plane from the centre by the radius.
  const h2 = ax * ax + ay * ay;
  const h = Math.sqrt(h2);
  const cx = wx + (radius * az * ax) / h;
  const cy = wy + (radius * az * ay) / h;
  const cz = wz - radius * h;
  // Kingpin axis at the contact point's height.
  const s = (cz - lz) / kz;
  const gx = cx - lx - s * kx;
  const gy = cy - ly - s * ky;
  // The wheel's outboard direction on the ground.
  const ox = ax / h;
  const oy = ay / h;
  // Front view, hub height.
  const sw = (wz - lz) / kz;
  const offset = wy - ly - sw * ky;
  const front2 = ky * ky + kz * kz;
  const front = Math.sqrt(front2);

  row[at] = Math.atan2(ax, ay) * DEG;
  row[at + 1] = -Math.asin(az) * DEG;
  row[at + 2] = Math.atan2(-kx, kz) * DEG;
  row[at + 3] = Math.atan2(-ky, kz) * DEG;
  row[at + 4] = gx * ox + gy * oy;
  row[at + 5] = gy * ox - gx * oy;
  row[at + 6] = cx;
  row[at + 7] = cy;
  row[at + 8] = cz;
  row[at + 9] = wx;
  row[at + 10] = wy;
  row[at + 11] = wz;
  row[at + 12] = (offset * kz) / front;

  for (let per = 0; per < 2; per++) {
    const turn = per === 0 ? U.turnPerTravel : U.turnPerRack;
    const tx = u[turn];
    const ty = u[turn + 1];
    const tz = u[turn + 2];
    const vx = u[turn + 3];
    const vy = u[turn + 4];
    const vz = u[turn + 5];

    const dax = ty * az - tz * ay;
    const day = tz * ax - tx * az;
    const daz = tx * ay - ty * ax;
    const axis = per === 0 ? U.axisAtPerTravel : U.axisAtPerRack;
    const dlx = u[axis];
    const dly = u[axis + 1];
    const dlz = u[axis + 2];
    const dkx = u[axis + 3];
    const dky = u[axis + 4];
    const dkz = u[axis + 5];

    const shrink = (az * daz) / h2; // −h′/h
    const dcx = vx + (radius * (daz * ax + az * dax)) / h + (radius * az * ax * shrink) / h;
    const dcy = vy + (radius * (daz * ay + az * day)) / h + (radius * az * ay * shrink) / h;
    const dcz = vz + radius * h * shrink;
    const ds = (dcz - dlz - s * dkz) / kz;
    const dgx = dcx - dlx - ds * kx - s * dkx;
    const dgy = dcy - dly - ds * ky - s * dky;
    const dox = dax / h + ox * shrink;
    const doy = day / h + oy * shrink;
    const dsw = (vz - dlz - sw * dkz) / kz;
    const dOffset = vy - dly - dsw * ky - sw * dky;
    const dFront = (ky * dky + kz * dkz) / front;

    const to = at + (per === 0 ? PER_TRAVEL : PER_RACK);
    row[to] = ((dax * ay - ax * day) / h2) * DEG;
    row[to + 1] = (-daz / h) * DEG;
    row[to + 2] = ((kx * dkz - dkx * kz) / (kx * kx + kz * kz)) * DEG;
    row[to + 3] = ((ky * dkz - dky * kz) / front2) * DEG;
    row[to + 4] = dgx * ox + gx * dox + dgy * oy + gy * doy;
    row[to + 5] = dgy * ox + gy * dox - dgx * oy - gx * doy;
    row[to + 6] = dcx;
    row[to + 7] = dcy;
    row[to + 8] = dcz;
    row[to + 9] = vx;
    row[to + 10] = vy;
    row[to + 11] = vz;
    row[to + 12] = (dOffset * kz + offset * dkz) / front - (offset * kz * dFront) / front2;

    if (per === 0) {
      // Front-view instant centre from the velocity of the upright's own point at the contact:
      // the line from the contact point to it, cut with the centre plane.
      const px = cx - wx;
      const py = cy - wy;
      const pz = cz - wz;
      const rise = vz + tx * py - ty * px;
      row[at + 16] = wx + vz / ty;
      row[at + 17] = wz - vx / ty;
      row[at + 18] = (vx + ty * pz - tz * py) / rise;
      // Of one axle under both wheels the front view is told by its roll.
      const roll = u[U.beam + 8] > 0;
      const rx = roll ? u[U.turnInRoll] : tx;
      const sy = roll ? u[U.moveInRoll + 1] : vy;
      const sz = roll ? u[U.moveInRoll + 2] : vz;
      const side = sy + (roll ? u[U.turnInRoll + 2] : tz) * px - rx * pz;
      const lift = sz + rx * py - (roll ? u[U.turnInRoll + 1] : ty) * px;
      row[at + 13] = cz + (cy * side) / lift;
      row[at + 14] = wy - sz / rx;
      row[at + 15] = wz + sy / rx;
    }
  }
}
