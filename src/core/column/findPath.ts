import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { compass } from '../geometry/compass';
import { SEED } from '../geometry/random';
import type { Vec } from '../geometry/vec';
import type { AxleName, Build } from '../model/build';
import { isBox } from '../model/column';
import type { Column } from '../model/column';
import { carBodiesOf } from './clearance';
import type { CarBody, Near } from './clearance';
import type { Ripple } from './chain';
import { findClocking } from './clocking';
import { measureColumn, wantedOf } from './measure';
import type { JointState } from './measure';
import { missesOf, sumOf } from './pathMisses';
import { WORK, moveOfNew, movesOf, withJointIn, withoutJoint } from './pathMoves';
import type { Move } from './pathMoves';
import { jointName, lineOf } from './places';

/** A way for a column: what is done, and what it comes to as measured. */
export interface PathAnswer {
  column: Column;
  done: string[];
  work: number;
  joints: JointState[];
  ripple: Ripple;
  /** The nearest to any body; null without one. */
  nearest: Near | null;
  /** Missing bearings and collars, in words. */
  lacking: string[];
  /** Every joint within comfort; else within what it may at the most. */
  comfortable: boolean;
}

export interface PathFinding {
  /** The least work first. */
  answers: PathAnswer[];
  /** Where there is none: what the nearest way misses, and bodies without any one of which there would be a way. */
  missed: string[];
  inTheWay: string[];
  /** Ways looked at; searches that were stopped before they came to rest. */
  tried: number;
  unsettled: number;
}

/** Starts by chance of a search with everything open, and of one with less; looks from each. */
const STARTS = 14;
const FEW_STARTS = 3;
const LOOKS = 260;
const FEW_LOOKS = 140;
const STEP = 0.25;
const FINE = 0.002;
/** Answers told, and ways clocked in search of them: one takes up to a tenth of a second. */
const MOST_ANSWERS = 6;
const MOST_CLOCKED = 14;
/** More things to move than this are not tried in pairs. */
const MOST_PAIRED = 7;

/** A column as it might be, with what of it may be moved. */
interface Structure {
  column: Column;
  moves: Move[];
  /** Those that are part of it. */
  always: Move[];
  done: string[];
  work: number;
}

interface Way {
  structure: Structure;
  moves: Move[];
  at: number[];
  comfortable: boolean;
}

/**
 * Looks for a way of the column past everything: places by their freedoms, the last joint on the pinion, the rack about
 * its axis, a joint less or more. For each of these, everything open first, then as little of it as will do; each answer
 * is clocked, measured, and refused if it is not as wanted. A generator that yields the part done.
 * @param rackWay the rack's axis, of length 1
 */
export function* findPath(
  column: Column,
  room: Build['room'],
  axle: AxleName,
  rackWay: Vec,
): Generator<number, PathFinding> {
  const bodies = carBodiesOf(room?.keepOuts ?? [], axle, column);
  const random = xoroshiro128plus(SEED);
  const counts = { tried: 0, unsettled: 0 };
  const structures = structuresOf(column, rackWay);
  const ways: Way[] = [];
  let nearest: { way: Way; miss: number } | null = null;
  let done = 0;
  const total = structures.length + 1;
  for (const structure of structures) {
    for (const comfortable of [true, false]) {
      const full = search(structure, structure.moves, bodies, comfortable, STARTS, LOOKS);
      yield (done + 0.5) / total;
      if (full.miss > 0) {
        if (!comfortable && (!nearest || full.miss < nearest.miss))
          nearest = { way: full.way, miss: full.miss };
        continue;
      }
      ways.push(full.way);
      for (const part of partsOf(structure)) {
        const found = search(structure, part, bodies, comfortable, FEW_STARTS, FEW_LOOKS);
        if (found.miss === 0) ways.push(found.way);
        yield (done + 0.7) / total;
      }
      // Everything open, one thing after the other left as it is.
      let least = full.way;
      for (const move of full.way.moves) {
        const rest = least.moves.filter((one) => one !== move);
        if (structure.always.includes(move) || rest.length === 0) continue;
        const found = search(structure, rest, bodies, comfortable, FEW_STARTS, FEW_LOOKS);
        if (found.miss === 0) least = found.way;
        yield (done + 0.9) / total;
      }
      ways.push(least);
      break;
    }
    done++;
    yield done / total;
  }
  // The least ripple that was left of a way which looked as wanted until it was clocked.
  let left = Infinity;
  const answers = answersOf(ways);
  const inTheWay: string[] = [];
  const missed =
    answers.length > 0
      ? []
      : left < Infinity
        ? [`ripple ${(100 * left).toFixed(1)} % when it is clocked as well as it goes`]
        : nearest
          ? missesOf(put(nearest.way), bodies, false).map(({ words }) => words)
          : [];
  if (answers.length === 0 && nearest) {
    const near = new Set(
      missesOf(put(nearest.way), bodies, false).flatMap(({ body }) => body ?? []),
    );
    for (const body of bodies.filter(({ id }) => near.has(id))) {
      const without = bodies.filter((other) => other !== body);
      const { structure } = nearest.way;
      if (search(structure, structure.moves, without, false, STARTS, LOOKS).miss === 0)
        inTheWay.push(body.name);
      yield 1;
    }
  }
  return { answers, missed, inTheWay, ...counts };

  /** The least miss that some moves of a structure come to, and of what misses nothing the least work. */
  function search(
    structure: Structure,
    moves: readonly Move[],
    against: readonly CarBody[],
    comfortable: boolean,
    starts: number,
    looks: number,
  ): { way: Way; miss: number } {
    const all = [...new Set([...structure.always, ...moves])];
    const now = all.flatMap((move) => move.now);
    const way = (at: number[]): Way => ({ structure, moves: all, at, comfortable });
    const miss = (at: readonly number[]): number => {
      counts.tried++;
      // Outside its range nothing is moved further: that is no way down.
      const past = at.reduce((sum, t) => sum + Math.max(0, -t, t - 1), 0);
      return sumOf(missesOf(put(way([...at])), against, comfortable)) + past;
    };
    let best = { place: now, value: miss(now) };
    for (let k = 0; k <= starts && best.value > 0 && now.length > 0; k++) {
      const start = k === 0 ? now : now.map(() => uniformFloat64(random));
      const rested = compass(miss, start, { step: STEP, fine: FINE, most: looks, enough: 0 });
      if (!rested.settled) counts.unsettled++;
      if (rested.value < best.value) best = rested;
    }
    if (best.value > 0) return { way: way(best.place), miss: best.value };
    // Of what is as wanted, nearer to where it is.
    const far = (at: readonly number[]): number =>
      miss(at) > 0 ? Infinity : workOf(way([...at])).work + distanceFrom(now, at);
    const nearer = compass(far, best.place, { step: STEP, fine: FINE, most: looks });
    const halved = backToward(now, nearer.place, (at) => miss(at) === 0);
    return { way: way(halved), miss: 0 };
  }

  function answersOf(found: readonly Way[]): PathAnswer[] {
    const kept = new Map<string, { way: Way; work: number; said: string[] }>();
    for (const way of found) {
      const { work, said } = workOf(way);
      const key = `${way.structure.done.join()}|${way.moves
        .filter((m, i) => m.said(slice(way, i)) !== null)
        .map(({ name }) => name)
        .join()}`;
      const known = kept.get(key);
      if (!known || work < known.work) kept.set(key, { way, work, said });
    }
    const accepted: PathAnswer[] = [];
    const wanted = wantedOf(column);
    const sorted = [...kept.values()].sort((a, b) => a.work - b.work);
    for (const { way, work, said } of sorted.slice(0, MOST_CLOCKED)) {
      if (accepted.length === MOST_ANSWERS) break;
      const clocked = clockedBest(put(way));
      const measured = measureColumn(clocked, room, axle);
      if (!measured.ok) continue;
      const { joints, ripple, near, lacking } = measured;
      if (ripple.ripple > wanted.ripple / 100) left = Math.min(left, ripple.ripple);
      else if (missesOf(clocked, bodies, way.comfortable).length === 0)
        accepted.push({
          ...{ column: clocked, done: said, work, joints, ripple, lacking },
          nearest: near[0] ?? null,
          comfortable: way.comfortable,
        });
    }
    return accepted;
  }
}

/** The place of the i-th move of a way. */
function slice({ moves, at }: Way, i: number): number[] {
  const from = moves.slice(0, i).reduce((sum, { size }) => sum + size, 0);
  return at.slice(from, from + moves[i].size);
}

const put = (way: Way): Column =>
  way.moves.reduce((column, move, i) => move.put(column, slice(way, i)), way.structure.column);

function workOf(way: Way): { work: number; said: string[] } {
  const { structure, moves } = way;
  let work = structure.work;
  const said = [...structure.done];
  moves.forEach((move, i) => {
    const is = move.said(slice(way, i));
    if (!is) return;
    work += is.work;
    said.push(is.words);
  });
  return { work, said };
}

const distanceFrom = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((sum, x, i) => sum + Math.abs(x - b[i]), 0);

/** Of the straight way from a place that will do back to where it is, as much as will do. */
function backToward(
  now: readonly number[],
  there: readonly number[],
  does: (at: readonly number[]) => boolean,
): number[] {
  let [near, far] = [0, 1];
  const at = (t: number) => now.map((x, i) => x + t * (there[i] - x));
  for (let k = 0; k < 12; k++) {
    const middle = (near + far) / 2;
    if (does(at(middle))) far = middle;
    else near = middle;
  }
  return at(far);
}

/** The column as it is, with a joint less, with a joint more in each of its shafts. */
function structuresOf(column: Column, rackWay: Vec): Structure[] {
  const { joints, shafts } = column;
  const as = (changed: Column, always: Move[], done: string[], work: number): Structure => ({
    column: changed,
    moves: [...always, ...movesOf(changed, rackWay)],
    always,
    done,
    work,
  });
  const plain = joints.filter((joint) => !isBox(joint)).length;
  const fewer = joints.flatMap((joint, j) =>
    isBox(joint) || j === joints.length - 1 || plain < 2
      ? []
      : [as(withoutJoint(column, j), [], [`${jointName(joints, j)} left out`], WORK.lessJoint)],
  );
  const more =
    plain < wantedOf(column).joints && joints.length < 6
      ? shafts.map((_, i) => {
          const changed = withJointIn(column, i);
          return as(changed, [moveOfNew(changed, i)], [], 0);
        })
      : [];
  return [as(column, [], [], 0), ...fewer, ...more];
}

/** Every thing that may be moved alone, and every two of them. */
function partsOf({ moves, always }: Structure): Move[][] {
  const free = moves.filter((move) => !always.includes(move));
  const alone = free.map((move) => [move]);
  const none = always.length > 0 ? [[]] : [];
  if (free.length > MOST_PAIRED) return [...none, ...alone];
  return [
    ...none,
    ...alone,
    ...free.flatMap((one, i) => free.slice(i + 1).map((other) => [one, other])),
  ];
}

/** A column clocked so that its ripple is least; as it is where nothing is to be clocked. */
export function clockedBest(column: Column): Column {
  const best = findClocking(lineOf(column))?.found[0];
  return best ? clockedAs(column, best.clocks) : column;
}

/** A column with its shafts clocked, degrees, each between two joints. */
export const clockedAs = (column: Column, clocks: readonly number[]): Column => ({
  ...column,
  shafts: column.shafts.map((shaft, i) =>
    i === 0 ? shaft : { ...shaft, clock: tidy(clocks[i - 1]) },
  ),
});
const tidy = (degrees: number) => Math.round(100 * degrees) / 100;
