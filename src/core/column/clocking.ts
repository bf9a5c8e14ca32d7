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
/** A clocking is told to this, degrees: finer than anybody welds. */
const FINE = 1e-3;
/** Answers nearer than this are one, degrees. */
const BESIDE = 2;

/**
 * How each shaft's yokes are turned against each other for the least ripple over a turn of the handwheel: every
 * combination in steps of `COARSE`, and from each that no neighbour beats on by ever smaller steps.
 * @returns null where the column does not turn, or has no shaft between two joints
 */
export function findClocking(line: ColumnLine): Clocking | null {
  const shafts = line.kinds.length - 1;
  if (shafts < 1) return null;
  const ready = prepareColumn(line);
  if (!ready.ok) return null;
  let tried = 0;
  const rough = (clocks: readonly number[]): number => {
    tried++;
    ready.chain.clockTo(clocks);
    return ready.chain.spread(LOOKED);
  };
  const measured = (clocks: number[]): Clocked => {
    ready.chain.clockTo(clocks);
    return { clocks, ripple: ready.chain.ripple() };
  };
  const before = measured([...line.clocks]);
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
  for (const start of starts) {
    const closed = measured(closeIn(rough, at(start)).map(wrapped));
    if (!found.some((one) => isBeside(one.clocks, closed.clocks))) found.push(closed);
  }
  found.sort((a, b) => a.ripple.ripple - b.ripple.ripple);
  return { before, found, tried };
}

/**
 * Goes downhill from a place: along each shaft and along each pair of them both ways, for the ripple has edges, by steps
 * that are halved where none helps.
 */
function closeIn(value: (clocks: readonly number[]) => number, start: number[]): number[] {
  const n = start.length;
  const ways: number[][] = [];
  for (let i = 0; i < n; i++) {
    ways.push(Array.from({ length: n }, (_, k) => (k === i ? 1 : 0)));
    for (let j = 0; j < i; j++)
      for (const by of [1, -1])
        ways.push(Array.from({ length: n }, (_, k) => (k === i ? 1 : k === j ? by : 0)));
  }
  let here = start;
  let least = value(here);
  for (let step = COARSE / 2; step > FINE;) {
    let moved = false;
    for (const way of ways)
      for (const by of [step, -step]) {
        const trial = here.map((x, i) => x + by * way[i]);
        const is = value(trial);
        if (is < least) [here, least, moved] = [trial, is, true];
      }
    if (!moved) step /= 2;
  }
  return here;
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
