import { around, reachOf } from './adjusters';
import type { Adjuster } from './adjusters';
import {
  NEAR,
  WEIGHT,
  bySlopes,
  halfSteps,
  placesAbout,
  slopesOf,
  solved,
  subsetsOf,
  workOf,
} from './candidates';
import type { Slopes } from './candidates';
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

/** Combinations that are worked out exactly: those the slopes like best. */
const LOOKED = 10;
const MOST_STEPS = 20;
/** A solution is at rest when nothing moves more, mm. */
const CLOSE = 1e-5;
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
