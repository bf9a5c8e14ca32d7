import { compass, waysOf } from '../geometry/compass';
import type { Column } from '../model/column';
import { prepareColumn } from './chain';
import type { ColumnLine, Ripple } from './chain';

/** One way of clocking a column's shafts, measured. */
export interface Clocked {
  /** Degrees, 0 to 180, of each shaft between two joints. */
  clocks: number[];
  ripple: Ripple;
}

export interface Clocking {
  /** As it is drawn. */
  before: Clocked;
  /** Where a little either way makes the ripple more, of all that the first look in steps of `COARSE` sees; the least first. */
  found: Clocked[];
  tried: number;
}

/** Yokes half a turn on are the same. */
const TURN = 180;
/** Of the first look, degrees; of half a turn of the handwheel so many places are looked at. */
const COARSE = 15;
const LOOKED = 45;
/** Where a box keeps the speed from coming again: so far either way, degrees, and in so many places a half turn. */
const RANGE = 360;
const ROUGHLY = 24;
/** A clocking is told to this, degrees: finer than anybody welds. */
const FINE = 5e-3;
/** Looks from one place of the first look before it counts as not coming to rest. */
const MOST = 20_000;
/** Answers nearer than this are one, degrees. */
const BESIDE = 2;

/**
 * How each shaft's yokes are turned against each other for the least ripple over a turn of the handwheel: every
 * combination in steps of `COARSE`, and from each that no neighbour beats on by ever smaller steps.
 * @returns null where the column does not turn, or has no shaft between two joints
 */
export function findClocking(line: ColumnLine): Clocking | null {
  const ready = prepareColumn(line);
  if (!ready.ok) return null;
  const { chain } = ready;
  const which = chain.clockable;
  const shafts = which.length;
  if (shafts < 1) return null;
  let tried = 0;
  // The others stay as they are.
  const all = [...line.clocks];
  const put = (clocks: readonly number[]) => {
    which.forEach((joint, s) => (all[joint] = clocks[s]));
    chain.clockTo(all);
  };
  const rough = (clocks: readonly number[]): number => {
    tried++;
    put(clocks);
    return chain.period === null ? chain.ripple(RANGE, ROUGHLY).ripple : chain.spread(LOOKED);
  };
  const measured = (clocks: readonly number[]): Clocked => {
    put(clocks);
    return { clocks: [...all], ripple: chain.ripple() };
  };
  const before = measured(which.map((joint) => line.clocks[joint] ?? 0));
  const steps = TURN / COARSE;
  const count = steps ** shafts;
  const grid = new Float64Array(count);
  const at = (index: number): number[] =>
    Array.from({ length: shafts }, (_, s) => COARSE * (Math.floor(index / steps ** s) % steps));
  for (let i = 0; i < count; i++) grid[i] = rough(at(i));
  const neighbour = (index: number, shaft: number, by: 1 | -1): number => {
    const unit = steps ** shaft;
    const own = Math.floor(index / unit) % steps;
    return index + (((own + by + steps) % steps) - own) * unit;
  };
  const starts = Array.from(grid.keys()).filter((index) =>
    Array.from({ length: shafts }, (_, s) => s).every(
      (s) =>
        grid[index] <= grid[neighbour(index, s, 1)] && grid[index] <= grid[neighbour(index, s, -1)],
    ),
  );
  const found: Clocked[] = [];
  const ways = waysOf(shafts);
  for (const start of starts) {
    const rested = compass(rough, at(start), { step: COARSE / 2, fine: FINE, most: MOST }, ways);
    if (!rested.settled) continue;
    const closed = measured(rested.place.map(wrapped));
    if (!found.some((one) => isBeside(one.clocks, closed.clocks))) found.push(closed);
  }
  found.sort((a, b) => a.ripple.ripple - b.ripple.ripple);
  return { before, found, tried };
}

const wrapped = (degrees: number): number => ((degrees % TURN) + TURN) % TURN;
const isBeside = (a: readonly number[], b: readonly number[]): boolean =>
  a.every((x, i) => {
    const off = Math.abs(x - b[i]) % TURN;
    return Math.min(off, TURN - off) < BESIDE;
  });

/** A clocking in teeth of a spline: the nearest tooth, and what that leaves over, degrees. */
export function inTeeth(degrees: number, teeth: number): { teeth: number; left: number } {
  const pitch = 360 / teeth;
  const nearest = Math.round(degrees / pitch);
  return { teeth: nearest, left: degrees - nearest * pitch };
}

/**
 * How many teeth a shaft between two joints can be clocked by: of the spline at either of its ends, the finer, as the
 * shaft or the joint there says.
 * @param joint the one above it, from 0
 * @returns null where no spline is said: it is clocked by a mark
 */
export function clockTeeth({ joints, shafts }: Column, joint: number): number | null {
  const shaft = shafts[joint + 1];
  const ends = [
    [shaft.above, joints[joint].below],
    [shaft.below, joints[joint + 1].above],
  ] as const;
  const teeth = ends.flatMap(([own, other]) => (own ?? other)?.teeth ?? other?.teeth ?? []);
  return teeth.length > 0 ? Math.max(...teeth) : null;
}

/** As near as its splines let a column come to a clocking, degrees; shafts without are clocked as wanted. */
export const toTeeth = (
  column: Column,
  which: readonly number[],
  clocks: readonly number[],
): number[] =>
  clocks.map((degrees, joint) => {
    const teeth = which.includes(joint) ? clockTeeth(column, joint) : null;
    return teeth === null ? degrees : (360 / teeth) * inTeeth(degrees, teeth).teeth;
  });

/** A mark so far round a shaft's outside is its clocking, mm. */
export const clockMark = (outside: number, degrees: number): number =>
  (Math.PI * outside * degrees) / 360;
