import type { AxleCorner } from '../kinematics/axle';
import { whyNot } from '../kinematics/axle';
import { UPRIGHT_SIZE } from '../kinematics/corner';
import {
  COLUMN,
  PER_RACK,
  PER_TRAVEL,
  QUANTITIES,
  ROW_SIZE,
  SLOPED,
  writeQuantities,
} from './quantities';
import type { OfAxis, Quantity, Unsloped, Values } from './quantities';

/**
 * Positions of one wheel: travel (mm, + bump) and the steering's input (mm of a rack or degrees of a drop arm, + left)
 * of each, and its quantities.
 */
export interface Sweep {
  readonly count: number;
  readonly travel: Float64Array;
  readonly rack: Float64Array;
  /** 1 where the position can be reached. Rows out of reach are not to be read. */
  readonly reachable: Uint8Array;
  /** `count` rows of ROW_SIZE. */
  readonly rows: Float64Array;
}

/** Room for a sweep of `count` positions; fill `travel` and `rack`, then `runSweep`. */
export function makeSweep(count: number): Sweep {
  return {
    count,
    travel: new Float64Array(count),
    rack: new Float64Array(count),
    reachable: new Uint8Array(count),
    rows: new Float64Array(count * ROW_SIZE),
  };
}

/** A sweep over evenly spaced travel from droop to bump at one rack position. */
export function travelSweep(
  travel: { bump: number; droop: number },
  count: number,
  rack = 0,
): Sweep {
  const sweep = makeSweep(count);
  for (let i = 0; i < count; i++)
    sweep.travel[i] = -travel.droop + ((travel.bump + travel.droop) * i) / (count - 1);
  sweep.rack.fill(rack);
  return sweep;
}

const upright = new Float64Array(UPRIGHT_SIZE);

/**
 * Solves every position in place. Returns how many can be reached.
 * @param goes how the axle's other wheel goes: with this one, or against it as in roll; only coupled wheels heed it
 */
export function runSweep(side: AxleCorner, sweep: Sweep, goes: 1 | -1 = 1): number {
  let reached = 0;
  const { count, travel, rack, reachable, rows } = sweep;
  for (let i = 0; i < count; i++) {
    if (side.corner.pose(travel[i], side.rackSign * rack[i], upright, goes * travel[i], goes)) {
      writeQuantities(upright, side.radius, rows, i * ROW_SIZE);
      reachable[i] = 1;
      reached++;
    } else reachable[i] = 0;
  }
  return reached;
}

/** A quantity of position `i`. */
export const valueAt = (sweep: Sweep, i: number, quantity: Quantity): number =>
  sweep.rows[i * ROW_SIZE + COLUMN[quantity]];

export type Sloped = Exclude<Quantity, Unsloped>;
/** Slopes by name; a wheel without travel has none by it, one without a steering axis none of that. */
type Slopes = Record<Exclude<Sloped, OfAxis>, number> & Partial<Record<OfAxis, number>>;

/** Exact slope of a quantity at position `i`, per mm of travel. */
export const slopeAt = (sweep: Sweep, i: number, quantity: Sloped): number =>
  sweep.rows[i * ROW_SIZE + PER_TRAVEL + COLUMN[quantity]];

/** One position as named values, or why it cannot be reached. */
export type Reading =
  | {
      ok: true;
      value: Values;
      /** Per mm of travel; a wheel without travel has none. */
      perTravel: Partial<Slopes>;
      /** Per mm of a rack or degree of a drop arm, + left. */
      perRack: Slopes;
      trackChange: number;
    }
  | { ok: false; why: string };

const row = new Float64Array(ROW_SIZE);

/**
 * Reads one position of one wheel by name. `trackChange` is the contact point's outward movement, mm.
 * @param goes how the axle's other wheel goes, as in `runSweep`
 */
export function readAt(side: AxleCorner, travel: number, rack: number, goes: 1 | -1 = 1): Reading {
  if (!side.corner.pose(travel, side.rackSign * rack, upright, goes * travel, goes))
    return { ok: false, why: whyNot(side, travel, rack, goes * travel) };
  writeQuantities(upright, side.radius, row, 0);
  const pick = (offset: number, sign: number, names: readonly Quantity[]) =>
    Object.fromEntries(
      names.flatMap((name) => {
        const value = sign * row[offset + COLUMN[name]];
        return Number.isNaN(value) ? [] : [[name, value]];
      }),
    );
  const sloped = QUANTITIES.slice(0, SLOPED);
  const value = pick(0, 1, QUANTITIES) as Values;
  const perTravel = pick(PER_TRAVEL, 1, sloped) as Slopes;
  const perRack = pick(PER_RACK, side.rackSign, sloped) as Slopes;
  side.corner.pose(0, 0, upright);
  writeQuantities(upright, side.radius, row, 0);
  return {
    ok: true,
    value,
    perTravel,
    perRack,
    trackChange: value.contactOut - row[COLUMN.contactOut],
  };
}
