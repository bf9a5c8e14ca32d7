import { leastSquares } from '../geometry/linear';
import { around, reachOf } from './adjusters';
import type { Adjuster } from './adjusters';
import { AS_DRAWN } from './learned';
import type { Did } from './learned';
import { SET } from './setting';
import type { SetBy, Setting, Stands } from './setting';

/** What is wanted, degrees; toe stays as it is where nothing is said of it, camber and caster go as they go. */
export type Wish = Partial<Record<SetBy, number>>;

/** One adjuster from where it is, mm. */
export interface SetMove {
  adjuster: Adjuster;
  by: number;
}

/** What cannot be had, and what would have to give. */
export interface Short {
  of: SetBy;
  /** Wanted less had, degrees. */
  by: number;
  /** The adjuster that would do most about it, by how much further it would have to go, mm, and whether it is at its end. */
  cure: { adjuster: Adjuster; more: number; atEnd: boolean } | null;
}

/** Turns and washers from what was measured to what is wanted, in the order they are made in. */
export interface SetupPlan {
  moves: SetMove[];
  /** As the car reads now and should read then. */
  before: Stands;
  after: Stands;
  /** What whole flats and real washers leave of each: nothing nearer was found with these adjusters, degrees. */
  grain: Record<SetBy, number>;
  reached: boolean;
  short: Short[];
  /** Largest change of toe over the travel, degrees; null without travel. */
  bump: { before: number; after: number } | null;
  work: number;
  /** Ways that were worked out on the exact wheel. */
  tried: number;
}

/** A step for slopes, mm. */
const STEP = 0.2;
/** Combinations that are worked out exactly: those the slopes like best. */
const LOOKED = 10;
const MOST_STEPS = 20;
/** A solution is at rest when nothing moves more, mm. */
const CLOSE = 1e-5;
/** How a degree of each counts against the others where not all can be had. */
const WEIGHT: Readonly<Record<SetBy, number>> = { camber: 1, caster: 0.4, toe: 3 };
/** More work for more of the same. */
const PER_UNIT = 0.05;

/**
 * The moves that bring a wheel from what was measured to what is wanted: the least work of all that reach it, else the
 * least left over. Worked out on the wheel put together again, never on slopes alone; one or two adjusters at a time for
 * camber and caster, the rod behind them for toe.
 * @param measured as the car was read; what was not read is taken to be as drawn
 * @returns null where the drawing cannot be put together, or nothing of it can be told
 */
export function setUp(
  setting: Setting,
  wish: Wish,
  measured: Partial<Stands> = {},
  did: Did = AS_DRAWN,
): SetupPlan | null {
  const { adjusters, still } = setting;
  const model = setting.stands(still);
  if (!model) return null;
  const before: Stands = { ...model, ...definedOf(measured) };
  const rod = adjusters.findIndex(({ setsToe }) => setsToe);
  const wanted: Wish = { ...(rod >= 0 && { toe: before.toe }), ...definedOf(wish) };
  const targets = SET.filter((of) => wanted[of] !== undefined && model[of] !== null);
  // The car differs from the drawing by what was read now; what a move does of what it should is known by the moves before.
  const goal = Object.fromEntries(
    targets.map((of) => [of, model[of]! + (wanted[of]! - before[of]!) / did.gain]),
  ) as Record<SetBy, number>;
  const asRead = (stands: Stands): Stands => {
    const read = (of: SetBy) => before[of]! + did.gain * (stands[of]! - model[of]!);
    return {
      camber: read('camber'),
      toe: read('toe'),
      caster: model.caster === null ? null : read('caster'),
    };
  };
  const slopes = slopesOf(setting, targets);
  if (!slopes) return null;
  const free = adjusters.flatMap(({ setsToe, setsBump }, i) => (setsToe || setsBump ? [] : [i]));
  // Without a rod toe is sought as camber and caster are.
  const others = targets.filter((of) => of !== 'toe' || rod < 0);
  const sets = subsetsOf(free, others.length);
  const liked = sets
    .map((set) => ({ set, ...bySlopes(set, others, goal, model, slopes, adjusters) }))
    .sort((a, b) => a.missed - b.missed || a.work - b.work)
    .slice(0, LOOKED)
    .map(({ set }) => set);
  if (!liked.some((set) => set.length === 0)) liked.push([]);
  const ways = liked.flatMap((set) =>
    waysBy(setting, set, others, rod, goal, slopes).flatMap((moves) => {
      const stands = setting.stands(moves);
      return stands ? [judged(moves, stands, goal, targets, slopes, adjusters, set, rod)] : [];
    }),
  );
  const best = bestOf(ways);
  if (!best) return null;
  const { moves, stands, grain, reached, work } = best;
  const [bumpNow, bumpThen] = [setting.bumpSteer(still), setting.bumpSteer(moves)];
  return {
    moves: inOrder(
      adjusters.flatMap((adjuster, i) => (moves[i] ? [{ adjuster, by: moves[i] }] : [])),
    ),
    ...{ before, after: asRead(stands), grain, reached, work, tried: ways.length },
    short: shortOf(setting, targets, goal, best, slopes, did),
    bump: bumpNow && bumpThen ? { before: bumpNow.worst, after: bumpThen.worst } : null,
  };
}

const definedOf = <T extends object>(all: T): T =>
  Object.fromEntries(
    Object.entries(all).filter(([, value]) => value !== undefined && value !== null),
  ) as T;

type Slopes = Record<SetBy, Float64Array>;

/** Degrees per mm of each adjuster; null where the wheel does not go together beside where it is. */
function slopesOf(setting: Setting, targets: readonly SetBy[]): Slopes | null {
  const { adjusters, still } = setting;
  const slopes = Object.fromEntries(
    targets.map((of) => [of, new Float64Array(adjusters.length)]),
  ) as Slopes;
  for (let i = 0; i < adjusters.length; i++) {
    const [plus, minus] = [STEP, -STEP].map((by) => {
      const moves = [...still];
      moves[i] = by;
      return setting.stands(moves);
    });
    if (!plus || !minus) return null;
    for (const of of targets) slopes[of][i] = (plus[of]! - minus[of]!) / (2 * STEP);
  }
  return slopes;
}

/** Nothing, each one, and each two of some adjusters: as many as there is to be set. */
function subsetsOf(free: readonly number[], most: number): number[][] {
  const sets: number[][] = [[]];
  if (most >= 1) for (const i of free) sets.push([i]);
  if (most >= 1)
    for (const [k, i] of free.entries()) for (const j of free.slice(k + 1)) sets.push([i, j]);
  return sets;
}

/** What slopes alone say that the nearest places of a combination leave, beyond what is near enough, and what they cost. */
function bySlopes(
  set: readonly number[],
  others: readonly SetBy[],
  goal: Record<SetBy, number>,
  model: Stands,
  slopes: Slopes,
  adjusters: readonly Adjuster[],
): { missed: number; work: number } {
  const wanted = others.map((of) => goal[of] - model[of]!);
  const by = solved(set, others, wanted, slopes) ?? set.map(() => 0);
  const near = others.map((of) => nearEnough(of, set, slopes, adjusters));
  const places = placesAbout(set, by, adjusters);
  return places
    .map((at) => ({
      missed: others.reduce((sum, of, q) => {
        const left = wanted[q] - set.reduce((all, i, k) => all + slopes[of][i] * at[k], 0);
        return sum + (WEIGHT[of] * Math.max(0, Math.abs(left) - near[q])) ** 2;
      }, 0),
      work: set.reduce((sum, i, k) => sum + workOf(adjusters[i], at[k]), 0),
    }))
    .reduce((best, one) =>
      one.missed < best.missed || (one.missed === best.missed && one.work < best.work) ? one : best,
    );
}

/** How much work one move is: nothing is none. */
const workOf = ({ work, per }: Adjuster, by: number): number =>
  by === 0 ? 0 : work + (PER_UNIT * Math.abs(by)) / Math.abs(per);

/** Every way of putting a combination to places next to where it should be. */
const placesAbout = (
  set: readonly number[],
  open: readonly number[],
  adjusters: readonly Adjuster[],
): number[][] =>
  set.reduce<number[][]>(
    (ways, i, k) => ways.flatMap((way) => around(adjusters[i], open[k]).map((at) => [...way, at])),
    [[]],
  );

/** Nearer than this is as good as reached, degrees: what is read on a car, common practice; half a step of what sets it. */
const NEAR: Readonly<Record<SetBy, number>> = { camber: 0.05, caster: 0.1, toe: 0.02 };
const nearEnough = (
  of: SetBy,
  set: readonly number[],
  slopes: Slopes,
  adjusters: readonly Adjuster[],
): number => Math.max(NEAR[of], halfSteps(of, set, slopes, adjusters));

/** What half a step of each of some adjusters does together, degrees; places of their own are not to be excused. */
const halfSteps = (
  of: SetBy,
  set: readonly number[],
  slopes: Slopes,
  adjusters: readonly Adjuster[],
): number =>
  set.reduce((sum, i) => {
    const { places } = adjusters[i];
    return places.kind === 'steps' ? sum + (Math.abs(slopes[of][i]) * places.step) / 2 : sum;
  }, 0);

/** By how much the adjusters of a set would be moved for some changes; the least of them where several do. */
function solved(
  set: readonly number[],
  others: readonly SetBy[],
  wanted: readonly number[],
  slopes: Slopes,
): number[] | null {
  if (set.length === 0 || others.length === 0) return set.map(() => 0);
  const rows = others.map((of) => set.map((i) => WEIGHT[of] * slopes[of][i]));
  const right = others.map((of, q) => WEIGHT[of] * wanted[q]);
  // More adjusters than there is to be set: the smallest moves that do it.
  if (set.length > others.length) {
    const size = rows[0].reduce((sum, one) => sum + one * one, 0);
    return size > 1e-18 ? rows[0].map((one) => (one * right[0]) / size) : null;
  }
  return leastSquares(rows, right);
}

const clamp = (value: number, [from, to]: readonly [number, number]): number =>
  Math.min(to, Math.max(from, value));

/** Whole steps about the exact solution of a combination, the rod set behind each of them. */
function waysBy(
  setting: Setting,
  set: readonly number[],
  others: readonly SetBy[],
  rod: number,
  goal: Record<SetBy, number>,
  slopes: Slopes,
): number[][] {
  const { adjusters, still } = setting;
  const open = solvedExactly(setting, set, others, rod, goal, slopes);
  if (!open) return [];
  const combinations = placesAbout(
    set,
    set.map((i) => open[i]),
    adjusters,
  );
  return combinations.flatMap((whole) => {
    const moves = [...still];
    set.forEach((i, k) => (moves[i] = whole[k]));
    if (rod < 0) return [moves];
    moves[rod] = open[rod];
    const reach = reachOf(adjusters[rod]);
    const long = alone(setting, moves, rod, goal.toe, slopes.toe[rod], ({ toe }) => toe, reach);
    if (long === null) return [];
    return around(adjusters[rod], long).map((at) => {
      const way = [...moves];
      way[rod] = at;
      return way;
    });
  });
}

/** Newton's steps by the slopes at the start, on the exact wheel, within every limit; null where they do not come to rest. */
function solvedExactly(
  setting: Setting,
  set: readonly number[],
  others: readonly SetBy[],
  rod: number,
  goal: Record<SetBy, number>,
  slopes: Slopes,
): number[] | null {
  const { adjusters } = setting;
  const moves = [...setting.still];
  for (let step = 0; step < MOST_STEPS; step++) {
    const stands = setting.stands(moves);
    if (!stands) return null;
    const by = solved(
      set,
      others,
      others.map((of) => goal[of] - stands[of]!),
      slopes,
    );
    if (!by) return null;
    let largest = 0;
    const go = (i: number, mm: number) => {
      const to = clamp(moves[i] + mm, reachOf(adjusters[i]));
      largest = Math.max(largest, Math.abs(to - moves[i]));
      moves[i] = to;
    };
    set.forEach((i, k) => go(i, by[k]));
    if (rod >= 0) {
      const others = set.reduce((sum, i, k) => sum + slopes.toe[i] * by[k], 0);
      go(rod, (goal.toe - stands.toe - others) / slopes.toe[rod]);
    }
    if (largest < CLOSE) return moves;
  }
  return null;
}

/** Where one adjuster has to be for one figure, the rest as it is: mm; null where that does not come to rest. */
function alone(
  setting: Setting,
  from: readonly number[],
  i: number,
  wanted: number,
  slope: number,
  figure: (stands: Stands) => number,
  reach: readonly [number, number],
): number | null {
  const moves = [...from];
  for (let step = 0; step < MOST_STEPS; step++) {
    const stands = setting.stands(moves);
    if (!stands) return null;
    const to = clamp(moves[i] + (wanted - figure(stands)) / slope, reach);
    const gone = Math.abs(to - moves[i]);
    moves[i] = to;
    if (gone < CLOSE) return to;
  }
  return null;
}

interface Way {
  moves: readonly number[];
  stands: Stands;
  grain: Record<SetBy, number>;
  reached: boolean;
  missed: number;
  work: number;
}

function judged(
  moves: readonly number[],
  stands: Stands,
  goal: Record<SetBy, number>,
  targets: readonly SetBy[],
  slopes: Slopes,
  adjusters: readonly Adjuster[],
  set: readonly number[],
  rod: number,
): Way {
  // Toe is set last, by the rod alone; the rest is as near as its own steps let it be.
  const grain = Object.fromEntries(
    targets.map((of) => [
      of,
      halfSteps(of, of === 'toe' && rod >= 0 ? [rod] : set, slopes, adjusters),
    ]),
  ) as Record<SetBy, number>;
  const off = (of: SetBy) => Math.abs(stands[of]! - goal[of]);
  return {
    ...{ moves, stands, grain },
    // A tenth more than by slopes: the wheel is not straight.
    reached: targets.every((of) => off(of) <= 1.1 * Math.max(grain[of], NEAR[of])),
    missed: targets.reduce((sum, of) => sum + (WEIGHT[of] * off(of)) ** 2, 0),
    work: moves.reduce((sum, by, i) => sum + workOf(adjusters[i], by), 0),
  };
}

/** So much more work is as much: what is left over decides. */
const AS_MUCH = 0.5;

/** Of those that reach it the least work, of these the least left over; where none does, the least left over of all. */
function bestOf(ways: readonly Way[]): Way | null {
  const reached = ways.filter((way) => way.reached);
  const least = Math.min(...reached.map(({ work }) => work));
  const among = reached.length > 0 ? reached.filter(({ work }) => work <= least + AS_MUCH) : ways;
  return among.reduce<Way | null>(
    (best, way) => (best && best.missed <= way.missed ? best : way),
    null,
  );
}

/** What shifts everything first, tubes behind it, the rod last. */
const ORDER: readonly Adjuster['unit'][] = [
  'flip',
  'hole',
  'washer',
  'slot',
  'throw',
  'half turn',
  'turn',
];
const inOrder = (moves: SetMove[]): SetMove[] =>
  moves.sort(
    (a, b) =>
      Number(a.adjuster.setsToe) - Number(b.adjuster.setsToe) ||
      ORDER.indexOf(a.adjuster.unit) - ORDER.indexOf(b.adjuster.unit),
  );

/** What is left of each that was not reached, and how far one adjuster would have to go for it: found on the exact wheel. */
function shortOf(
  setting: Setting,
  targets: readonly SetBy[],
  goal: Record<SetBy, number>,
  { moves, stands, grain, reached }: Way,
  slopes: Slopes,
  did: Did,
): Short[] {
  if (reached) return [];
  const { adjusters } = setting;
  return targets.flatMap((of): Short[] => {
    const left = goal[of] - stands[of]!;
    if (Math.abs(left) <= 1.1 * Math.max(grain[of], NEAR[of])) return [];
    const by = did.gain * left;
    const usable = adjusters.flatMap(({ setsBump }, i) =>
      setsBump || Math.abs(slopes[of][i]) < 1e-4 ? [] : [i],
    );
    // Those that were moved first: they are what came to its end.
    const [most] = [...usable].sort(
      (a, b) =>
        Number(moves[b] !== 0) - Number(moves[a] !== 0) ||
        Math.abs(slopes[of][b]) - Math.abs(slopes[of][a]),
    );
    if (most === undefined) return [{ of, by, cure: null }];
    const to = alone(setting, moves, most, goal[of], slopes[of][most], (at) => at[of]!, NO_LIMIT);
    if (to === null) return [{ of, by, cure: null }];
    const [from, last] = reachOf(adjusters[most]);
    return [
      {
        ...{ of, by },
        cure: {
          adjuster: adjusters[most],
          more: to - moves[most],
          atEnd: to < from || to > last,
        },
      },
    ];
  });
}

/** How far a thing may be thought to go that has come to its end, mm: beyond that it is another car. */
const NO_LIMIT = [-100, 100] as const;
