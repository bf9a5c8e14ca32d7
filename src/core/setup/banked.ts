import { Wheel } from '../kinematics/wheel';
import type { AxleName, Build, Side } from '../model/build';
import type { KeptSet, Moved } from '../model/setups';
import type { Adjuster } from './adjusters';
import { fromDrawn, setFrom, setNow, turnedOf } from './book';
import type { Stands } from './setting';

/** Which way a track turns that is banked one way alone. */
export type Bank = 'left' | 'right';

/** A wheel's plates as they lean it into the turn, from how it is set now. */
export interface BankedWheel {
  axle: AxleName;
  side: Side;
  moves: { adjuster: Adjuster; by: number }[];
  before: Stands;
  after: Stands;
  /** Plates past the eighth: they stay as they are. */
  untried: number;
}

/** Plates of one wheel that are tried together at most: every way of eight. */
const MOST = 8;
/** Less camber is none, degrees. */
const WORTH = 0.005;

/**
 * How plates that can be turned over go for a track that turns one way: every wheel's so that its top leans into the turn
 * as far as they have it (common practice). Every way of turning them is tried on the exact wheel.
 * @returns wheels that have such plates, the front left first
 */
export function bankedPlates(build: Build, bank: Bank): BankedWheel[] {
  return (['front', 'rear'] as const).flatMap((axle) =>
    (['left', 'right'] as const).flatMap((side) => {
      const design = build[axle];
      const wheel = design && new Wheel(axle, side, design, build.travel);
      return (wheel && platesOf(build, wheel, bank)) ?? [];
    }),
  );
}

function platesOf(build: Build, wheel: Wheel, bank: Bank): BankedWheel | null {
  const { setting } = setNow(build, wheel);
  const { adjusters, still } = setting;
  // A plate of the rod's joints is bump steer's, and stays.
  const all = adjusters.flatMap(({ unit, places, setsBump }, i) =>
    unit === 'flip' && places.kind === 'own' && !setsBump ? [{ i, at: places.at }] : [],
  );
  const plates = all.slice(0, MOST);
  const before = setting.stands(still);
  if (plates.length === 0 || !before) return null;
  // A top leans in to the left where the left wheel's goes out and the right one's in.
  const sign = wheel.side === bank ? 1 : -1;
  const ways = plates.reduce<number[][]>(
    (so, { at }) => so.flatMap((way) => at.map((by) => [...way, by])),
    [[]],
  );
  let best = { way: plates.map(() => 0), after: before };
  for (const way of ways) {
    const moves = [...still];
    plates.forEach(({ i }, k) => (moves[i] = way[k]));
    const after = setting.stands(moves);
    if (after && sign * (after.camber - best.after.camber) > WORTH) best = { way, after };
  }
  return {
    ...{ axle: wheel.axle, side: wheel.side, before, after: best.after },
    untried: all.length - plates.length,
    moves: plates.flatMap(({ i }, k) =>
      best.way[k] === 0 ? [] : [{ adjuster: adjusters[i], by: best.way[k] }],
    ),
  };
}

/** What the car is set to now, its plates turned for a bank, as a set for the book. Its wheels were not read so. */
export function bankedSet(
  build: Build,
  bank: Bank,
  said: Parameters<typeof setFrom>[2],
  id: string,
  at: string,
): KeptSet {
  const set = setFrom(build, id, said, at);
  for (const { axle, side, moves } of bankedPlates(build, bank)) {
    if (moves.length === 0) continue;
    const turned: Moved[] = moves.map(({ adjuster, by }) => ({ id: adjuster.id, by }));
    const from = fromDrawn([
      ...turnedOf(build, { axle, side }),
      { at, read: {}, wanted: {}, moved: turned },
    ]);
    const has = set.wheels.find((one) => one.axle === axle && one.side === side);
    if (has) Object.assign(has, { from, read: {} });
    else set.wheels.push({ axle, side, from, read: {} });
  }
  return set;
}
