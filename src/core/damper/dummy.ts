import type { Wheel } from '../kinematics/wheel';
import { DamperAt } from './sweep';

/** A bar in the damper's place with a hole for every height at which the corner is to be held. */
export interface Dummy {
  /** Hole to hole, mm, from the one at its other end; longest first. */
  holes: { name: string; travel: number; length: number }[];
  /** Heights that the corner does not reach. */
  missed: string[];
  /** Between the holes that lie nearest together, mm. */
  closest: number | null;
}

/** A height at which a wheel is to be held. */
interface HeldAt {
  name: string;
  travel: number;
}

/** The dummy of a wheel's damper: its length, eye to eye, at every height. */
export function dummyOf(wheel: Wheel, heights: readonly HeldAt[]): Dummy | null {
  const { corner, design } = wheel;
  if (!corner || !design.damper) return null;
  const { linkage } = new DamperAt(corner, design.damper);
  const holes: Dummy['holes'] = [];
  const missed: string[] = [];
  for (const { name, travel } of heights) {
    const at = linkage.at(travel);
    if (at) holes.push({ name, travel, length: at.damper.length });
    else missed.push(name);
  }
  holes.sort((a, b) => b.length - a.length);
  const gaps = holes.slice(1).map(({ length }, i) => holes[i].length - length);
  return { holes, missed, closest: gaps.length > 0 ? Math.min(...gaps) : null };
}

/** Found to so many mm of travel. */
const CLOSE = 1e-4;

/**
 * The travel at which something that grows as the wheel droops reaches a value: by halving between ride height and as
 * far down as asked.
 * @returns null where it is not reached, or stands past it at ride height already
 */
function droopWhere(
  lengthAt: (travel: number) => number | null,
  value: number,
  farthest: number,
): number | null {
  const home = lengthAt(0);
  if (home === null || home > value) return null;
  let [good, bad] = [0, -farthest];
  const last = lengthAt(bad);
  if (last !== null && last < value) return null;
  while (good - bad > CLOSE) {
    const middle = (good + bad) / 2;
    const here = lengthAt(middle);
    if (here !== null && here < value) good = middle;
    else bad = middle;
  }
  return (good + bad) / 2;
}

/** What spacers in a damper do to the droop of its wheel. */
interface SpacerDroop {
  /** Droop without them and with them, mm of travel below ride height, and how much they take out. */
  without: number;
  with: number;
  takes: number;
}

/** How far it is looked for a droop, mm. */
const FARTHEST = 400;

const lengthOf = (at: DamperAt) => (travel: number) => at.linkage.at(travel)?.damper.length ?? null;

/** What spacers of so many mm take out of the droop that the damper's own open length lets; null where nothing is said of it or that length is not reached. */
export function spacerDroop(wheel: Wheel, spacer: number): SpacerDroop | null {
  const { corner, design } = wheel;
  const unit = design.damper?.unit;
  if (!corner || !design.damper || !unit) return null;
  const lengthAt = lengthOf(new DamperAt(corner, design.damper));
  const without = droopWhere(lengthAt, unit.open, FARTHEST);
  const held = droopWhere(lengthAt, unit.open - spacer, FARTHEST);
  if (without === null || held === null) return null;
  return { without: -without, with: -held, takes: held - without };
}

/** The spacer, mm, and the strap's length, mm, at which the wheel droops so far and no further; null where it is not reached. */
export function heldAtDroop(
  wheel: Wheel,
  droop: number,
): { spacer: number | null; strap: number | null } | null {
  const { corner, design } = wheel;
  if (!corner || !design.damper) return null;
  const at = new DamperAt(corner, design.damper).linkage.at(-droop);
  if (!at) return null;
  const open = design.damper.unit?.open;
  return {
    spacer: open === undefined ? null : open - at.damper.length,
    strap: at.strap?.length ?? null,
  };
}
