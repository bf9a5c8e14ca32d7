import { kingpinOf } from '../corners/kinds';
import { sub } from '../geometry/vec';
import { drawnCorner } from '../kinematics/axle';
import { UPRIGHT_SIZE, U } from '../kinematics/corner';
import type { DrawnCorner } from '../kinematics/corner';
import { steeringAxisAt } from '../kinematics/joints';
import type { SteeringAxis } from '../kinematics/joints';
import { prepareCorner } from '../kinematics/prepare';
import { headingOf, spindleOf } from '../kinematics/spindle';
import type { AxleDesign, Side } from '../model/build';
import { toVec } from '../model/points';
import type { Point } from '../model/points';
import { QUANTITIES, ROW_SIZE, SLOPED, writeQuantities } from '../motion/quantities';
import type { Unsloped, Values } from '../motion/quantities';

/** Quantities that need no motion; those of a steering axis only where there is one. */
export type StaticQuantities = Omit<Values, Unsloped>;

const upright = new Float64Array(UPRIGHT_SIZE);
const row = new Float64Array(ROW_SIZE);

/** A wheel as it is drawn, ordered as in `U`: nothing is solved but an axis that is the upright's own. */
function writeDrawn(drawn: DrawnCorner): void {
  const { type, points } = drawn;
  const put = (at: number, { ahead, out, up }: Point) => upright.set([ahead, out, up], at);
  upright.fill(NaN);
  if (type.steersAbout === 'screw') {
    const prepared = prepareCorner(drawn);
    if (prepared.ok) prepared.corner.pose(0, 0, upright);
  }
  const spindle = spindleOf(drawn.static);
  put(U.wheelCentre, points.wheelCentre);
  upright.set(spindle, U.spindle);
  upright.set(headingOf(spindle), U.heading);
  const kingpin = kingpinOf(type);
  if (!kingpin) return;
  const [lower, upper] = kingpin.map((name) => points[name]);
  put(U.axisAt, lower);
  upright.set(sub(toVec(upper), toVec(lower)), U.axisAlong);
}

/** What a wheel steers about at ride height, as it is drawn; null where there is nothing. */
export function staticAxis(design: AxleDesign, side: Side): SteeringAxis | null {
  writeDrawn(drawnCorner(design, side));
  return steeringAxisAt(upright);
}

/**
 * A wheel's quantities at ride height from where its joints are, without solving anything: they hold
 * even where the arms do not yet work. Degrees and mm, signs as in `QUANTITIES`. An axis that is the upright's
 * own instantaneous one is there only where the corner can be solved.
 */
export function staticQuantities(design: AxleDesign, side: Side): StaticQuantities {
  writeDrawn(drawnCorner(design, side));
  writeQuantities(upright, design.tyre.radius, row, 0);
  return Object.fromEntries(
    QUANTITIES.slice(0, SLOPED).flatMap((name, i) =>
      Number.isNaN(row[i]) ? [] : [[name, row[i]]],
    ),
  ) as StaticQuantities;
}
