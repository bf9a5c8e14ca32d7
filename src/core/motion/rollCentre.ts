import type { Axle } from '../kinematics/axle';
import { UPRIGHT_SIZE } from '../kinematics/corner';
import { COLUMN, ROW_SIZE, writeQuantities } from './quantities';

/** Where the lines from both contacts to their instant centres meet, seen from the front, mm. */
export interface RollCentre {
  /** Square above the line between the contact points. */
  height: number;
  /** Along that line from its middle, + to the left. */
  left: number;
}

const upright = new Float64Array(UPRIGHT_SIZE);
const row = new Float64Array(ROW_SIZE);

/**
 * The roll centre of an axle whose wheels stand at travels of their own: the two lines from contact to
 * instant centre cut with each other, not with the centre plane (Milliken & Milliken 1995, from memory).
 * In roll it wanders sideways; where the wheels stand alike it is the one of either wheel.
 * @param travel mm of each wheel, + bump
 * @param rack mm, + left
 * @returns null out of reach, or where the lines run parallel
 */
export function rollCentreOf(
  axle: Axle,
  travel: { left: number; right: number },
  rack: number,
): RollCentre | null {
  const [left, right] = [
    lineOf(axle, 'left', travel.left, rack, travel.right),
    lineOf(axle, 'right', travel.right, rack, travel.left),
  ];
  if (!left || !right) return null;
  // Both in axes y to the left, z up: contact and direction.
  const [p, q] = [left, { ...right, y: -right.y, dy: -right.dy }];
  const across = p.dy * q.dz - p.dz * q.dy;
  if (Math.abs(across) < 1e-9 * Math.hypot(p.dy, p.dz) * Math.hypot(q.dy, q.dz)) return null;
  const s = ((q.y - p.y) * q.dz - (q.z - p.z) * q.dy) / across;
  const [y, z] = [p.y + s * p.dy, p.z + s * p.dz];
  const [gy, gz] = [p.y - q.y, p.z - q.z];
  const long = Math.hypot(gy, gz);
  const [oy, oz] = [y - (p.y + q.y) / 2, z - (p.z + q.z) / 2];
  return { height: (gy * oz - gz * oy) / long, left: (gy * oy + gz * oz) / long };
}

/** A side's line from its contact point on to the instant centre: the contact's velocity turned square. */
function lineOf(axle: Axle, side: 'left' | 'right', travel: number, rack: number, other: number) {
  const { corner, radius, rackSign } = axle[side];
  if (!corner.pose(travel, rackSign * rack, upright, other, -1)) return null;
  writeQuantities(upright, radius, row, 0);
  const [y, z] = [row[COLUMN.contactOut], row[COLUMN.contactUp]];
  // The line goes through the centre plane at `rollCentre`, which holds where arms are parallel too.
  return { y, z, dy: y, dz: z - row[COLUMN.rollCentre] };
}
