import { UPRIGHT_SIZE, U } from '../kinematics/corner';
import { spindleOf } from '../kinematics/spindle';
import type { AxleDesign } from '../model/build';
import type { Points } from '../model/points';
import { QUANTITIES, ROW_SIZE, SLOPED, writeQuantities } from '../motion/quantities';
import type { Quantity, Unsloped } from '../motion/quantities';

/** Quantities that need no motion. */
export type Standing = Record<Exclude<Quantity, Unsloped>, number>;

const upright = new Float64Array(UPRIGHT_SIZE);
const row = new Float64Array(ROW_SIZE);

/**
 * A wheel's quantities at ride height from where its joints are, without solving anything: they hold
 * even where the arms do not yet work. Degrees and mm, signs as in `QUANTITIES`.
 */
export function standing(
  points: Points,
  alignment: AxleDesign['static'],
  radius: number,
): Standing {
  const { wheelCentre: w, lowerOuter: l, upperOuter: u } = points;
  upright.set([w.ahead, w.out, w.up], U.wheelCentre);
  upright.set(spindleOf(alignment), U.spindle);
  upright.set([l.ahead, l.out, l.up], U.lowerOuter);
  upright.set([u.ahead - l.ahead, u.out - l.out, u.up - l.up], U.kingpin);
  writeQuantities(upright, radius, row, 0);
  return Object.fromEntries(
    QUANTITIES.slice(0, SLOPED).map((name, i) => [name, row[i]]),
  ) as Standing;
}
