import type { Effect } from '../tolerance/adjusters';
import { lengthEffect } from '../tolerance/adjusters';
import type { Wheel } from '../kinematics/wheel';
import type { RodEndMade } from '../model/made';
import { engagedOf } from '../model/shop';
import type { Shop } from '../model/shop';
import { minorDiameter, threadOf } from '../model/threads';
import type { ShopMember } from './parts';

/** One threaded end, mm. */
export interface ThreadedEnd {
  at: 'from' | 'to';
  made: RodEndMade;
  drill: number;
  drillName: string | null;
  minor: number;
  /** Engaged at the least, as drawn, at the most: the nut against both faces. */
  least: number;
  engaged: number;
  most: number;
  /** The hole is tapped at least so deep, so that the rod end, fully in, does not bottom. */
  deep: number;
  /** Middle of a hole through which the thread shows while enough of it is in, from the face. */
  witness: number;
}

/** How far a member can be set, and what that is worth. */
export interface Adjustment {
  ends: ThreadedEnd[];
  /** One turn of its middle makes it longer by so much, mm; null where its ends have to be taken off to be turned. */
  perTurn: number | null;
  /** From the length as drawn, mm; below 0 there is not enough thread as drawn. */
  shorter: number;
  longer: number;
  /** What the wheel does at either end of that; null where nothing is set by it alone or it does not go there. */
  atShortest: Effect | null;
  atLongest: Effect | null;
  /** What was wanted lies inside; by how much longer its tube is to be cut for that, the ends screwed further in; null where nothing was wanted. */
  wanted: { inside: boolean; possible: boolean; tubeBy: number } | null;
  faults: string[];
}

/** Runout of a tap, in turns. */
const RUNOUT = 2;
/** Left over when a length is said to lie inside, mm. */
const CLOSE = 1e-9;

/** What the threads of a member let it be set by; null where it has none. */
export function adjustmentOf(
  wheel: Wheel,
  member: ShopMember,
  shop: Shop | undefined,
): Adjustment | null {
  const { made, name } = member;
  const rule = engagedOf(shop);
  const ends = (['from', 'to'] as const).flatMap((at): ThreadedEnd[] => {
    const end = made[at];
    if (end.as !== 'rodEnd') return [];
    const thread = threadOf(end.thread);
    const least = rule[end.tappedIn] * thread.diameter;
    const most = Math.min(end.shank - end.nut, end.depth);
    return [
      {
        ...{ at, made: end, least, most, engaged: end.engaged },
        drill: thread.drill,
        drillName: thread.drillName ?? null,
        minor: minorDiameter(thread),
        deep: end.shank - end.nut + RUNOUT * thread.pitch,
        witness: least,
      },
    ];
  });
  if (ends.length === 0) return null;
  const pitches = ends.map((end) => threadOf(end.made.thread).pitch);
  const [one, other] = ends;
  const turns = ends.length === 2 && one.made.hand !== other.made.hand;
  const longer = ends.reduce((sum, { engaged, least }) => sum + engaged - least, 0);
  const shorter = ends.reduce((sum, { engaged, most }) => sum + most - engaged, 0);
  const effect = (by: number) => lengthEffect(wheel, member.from, member.to, by);
  const faults: string[] = [];
  if (ends.length === 2 && !turns)
    faults.push(
      `${name}: both threads are ${one.made.hand}-hand; turning its middle moves it along and sets nothing, make one of them ${one.made.hand === 'right' ? 'left' : 'right'}-hand`,
    );
  ends.forEach((end, i) => {
    const which = ends.length === 2 ? `, ${i === 0 ? 'inner' : 'outer'} end` : '';
    if (end.engaged < end.least - CLOSE)
      faults.push(
        `${name}${which}: ${end.engaged.toFixed(1)} mm of thread engaged, ${end.least.toFixed(1)} wanted; engage ${(end.least - end.engaged).toFixed(1)} mm more and the tube is cut longer by as much`,
      );
    if (end.engaged > end.most + CLOSE)
      faults.push(
        `${name}${which}: ${end.engaged.toFixed(1)} mm engaged, ${end.most.toFixed(1)} fit`,
      );
    if (end.made.depth < end.deep - CLOSE)
      faults.push(
        `${name}${which}: tapped ${end.made.depth} mm deep, the rod end bottoms before its nut is home; tap ${end.deep.toFixed(1)} mm`,
      );
  });
  return {
    ...{ ends, shorter, longer, faults },
    perTurn: turns ? pitches[0] + pitches[1] : null,
    atShortest: shorter > 0 ? effect(-shorter) : null,
    atLongest: longer > 0 ? effect(longer) : null,
    wanted: made.wanted ? startOf(made.wanted, shorter, longer) : null,
  };
}

/**
 * What is engaged at each end where a tube is cut longer by so much: shared alike, and what one end has no room for goes to
 * the other. mm, in the order of `ends`; null where all of them have no room for it.
 */
export function engagedFor(ends: readonly ThreadedEnd[], by: number): number[] | null {
  const room = ends.map(({ engaged, least, most }) =>
    by > 0 ? Math.max(0, most - engaged) : Math.max(0, engaged - least),
  );
  const wanted = Math.abs(by);
  if (room.reduce((sum, one) => sum + one, 0) < wanted - CLOSE) return null;
  const half = wanted / ends.length;
  const short = room.map((one) => Math.max(0, half - one));
  const over = short.reduce((sum, one) => sum + one, 0);
  return ends.map(({ engaged }, i) => {
    const share = short[i] > 0 ? room[i] : half + over;
    return engaged + Math.sign(by) * share;
  });
}

/** Whether a range lies inside another, and how much longer the tube has to be for it, to the middle of what is left over. */
function startOf(
  { shorter, longer }: { shorter: number; longer: number },
  hasShorter: number,
  hasLonger: number,
) {
  const inside = shorter <= hasShorter + CLOSE && longer <= hasLonger + CLOSE;
  // In a longer tube the ends are further in as drawn: more is left to the long side, less to the short one.
  const tubeBy = inside ? 0 : (longer - hasLonger - (shorter - hasShorter)) / 2;
  return { inside, possible: shorter + longer <= hasShorter + hasLonger + CLOSE, tubeBy };
}
