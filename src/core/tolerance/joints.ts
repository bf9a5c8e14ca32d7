import { pointNames } from '../corners/kinds';
import type { CornerType } from '../corners/cornerType';
import type { PointName } from '../model/points';
import type { ConditionRows } from '../kinematics/conditionRows';

/** Offsets of a kind's points in one array: [ahead, out, up] of each in the order of its table, mm. */
export const offsetCount = (type: CornerType): number => 3 * pointNames(type).length;

/** Where a point's three numbers begin; −1 for a point that the kind does not have. */
export const offsetOf = (type: CornerType, name: PointName): number => {
  const index = pointNames(type).indexOf(name);
  return index < 0 ? -1 : 3 * index;
};

/** How the steering is held while a corner is put together: toe set again, or the rod as long as drawn. */
export type Steering = 'toe set' | 'rod as drawn';

/**
 * Puts the wish that toe is as it was in the place of the rod's length, where there is a rod: across the wheel's
 * heading the spindle keeps still.
 */
export function writeToeRow(rows: ConditionRows, spindle: readonly number[], toeRad: number): void {
  const { rodRow } = rows;
  if (rodRow < 0) return;
  const nx = Math.cos(toeRad);
  const ny = -Math.sin(toeRad);
  rows.missing[rodRow] = -(spindle[0] * nx + spindle[1] * ny);
  const at = 6 * rodRow;
  rows.rows.fill(0, at, at + 6);
  // n·(ω × a) = ω·(a × n).
  rows.rows[at + 3] = -spindle[2] * ny;
  rows.rows[at + 4] = spindle[2] * nx;
  rows.rows[at + 5] = spindle[0] * ny - spindle[1] * nx;
}
