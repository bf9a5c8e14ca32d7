import type { Closest } from '../clearance/room';
import type { Wheel } from '../kinematics/wheel';
import type { Build } from '../model/build';
import { startingStrength } from '../model/loads';
import { judgeRoom } from '../verdict/verdicts';
import type { Judged, Verdict } from '../verdict/verdicts';
import { captiveAt } from './rideHeight';
import { DamperAt } from './sweep';
import { travelEnds } from './ends';

/** Travel is told no nearer, mm. */
const TOLD = 0.5;

const mm = (value: number): string => value.toFixed(0);

/**
 * The verdicts on a damper: whether something ends the travel before it is used up, whether the spring stays in its
 * seats, what its body is in. Of what nobody has said there is none.
 */
export function judgeDamper(
  build: Pick<Build, 'room'>,
  wheel: Wheel,
  clearances: readonly Closest[] | null | undefined,
): Judged[] {
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
        ? { verdict: 'rework', of: `${end.what} at ${mm(has)} mm ${way} of ${mm(wanted[way])}` }
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
  for (const { ofDamper, what, to, clearance, wanted: by } of clearances ?? [])
    if (ofDamper)
      judged.push({
        verdict: judgeRoom(clearance, by),
        of: `${what} ${clearance < 0 ? `${mm(-clearance)} mm into` : `${mm(clearance)} mm from`} ${to}`,
      });
  return judged;
}

/** The verdict on a reserve: the builder's own is accepted, from one on looked at again, below that the part gives. */
export const judgeReserve = (reserve: number, wanted = startingStrength().reserve): Verdict =>
  reserve >= wanted ? 'accept' : reserve >= 1 ? 'look again' : 'rework';
