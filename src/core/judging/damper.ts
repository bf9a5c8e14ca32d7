import type { Wheel } from '../kinematics/wheel';
import type { Build } from '../model/build';
import { loadsOf } from '../loads/loads';
import { startingStrength } from '../model/loads';
import type { Judged, Verdict } from '../verdict/verdicts';
import { captiveAt } from '../damper/rideHeight';
import { DamperAt } from '../damper/sweep';
import { travelEnds } from '../damper/ends';

/** Travel is told no nearer, mm. */
const TOLD = 0.5;

const mm = (value: number): string => value.toFixed(0);

/**
 * The verdicts on a damper: whether something ends the travel before it is used up, whether the spring stays in its
 * seats. Of what nobody has said there is none; what its body is in is judged by its clearances.
 */
export function judgeDamper(build: Pick<Build, 'room'>, wheel: Wheel): Judged[] {
  const { damper } = wheel.design;
  const { corner } = wheel;
  if (!damper || !corner) return [];
  const judged: Judged[] = [];
  const ends = travelEnds(build, wheel);
  const wanted = {
    bump: damper.wanted?.bump ?? wheel.travel.bump,
    droop: damper.wanted?.droop ?? wheel.travel.droop,
  };
  for (const way of ['bump', 'droop'] as const) {
    const end = ends?.[way];
    if (!end) continue;
    const has = Math.abs(end.travel);
    judged.push(
      has < wanted[way] - TOLD
        ? { verdict: 'rework', of: `${end.what} at ${mm(has)} mm ${way} of ${mm(wanted[way])} mm` }
        : { verdict: 'accept', of: `${mm(has)} mm ${way}` },
    );
  }
  const at = new DamperAt(corner, damper);
  const captive = captiveAt(
    damper,
    at,
    -Math.min(wanted.droop, -(ends?.droop?.travel ?? -Infinity)),
  );
  if (captive && captive.pressed < 0)
    judged.push({
      verdict: 'look again',
      of: `spring ${mm(-captive.pressed)} mm loose at ${mm(-captive.travel)} mm droop`,
    });
  return judged;
}

/** The part that gives first of those that somebody described. */
export function judgeLoads(build: Build, wheel: Wheel): Judged[] {
  const { strength } = wheel.design;
  const found = strength ? loadsOf(build, wheel) : null;
  if (!found?.ok || !found.loads.first) return [];
  const { name, reserve } = found.loads.first;
  return [
    {
      verdict: judgeReserve(reserve!, strength!.reserve),
      of: `${name}, reserve ${reserve!.toFixed(1)} by estimate`,
    },
  ];
}

/** The verdict on a reserve: the builder's own is accepted, from one on looked at again, below that the part gives. */
export const judgeReserve = (reserve: number, wanted = startingStrength().reserve): Verdict =>
  reserve >= wanted ? 'accept' : reserve >= 1 ? 'look again' : 'rework';
