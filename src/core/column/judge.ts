import type { AxleName } from '../model/build';
import type { Column } from '../model/column';
import type { Room } from '../model/room';
import { counted } from '../model/wording';
import { judgeRoom } from '../verdict/verdicts';
import type { Judged, Verdict } from '../verdict/verdicts';
import { measureColumn, wantedOf } from './measure';

/** Up to so many times the ripple wanted is looked at again; more is reworked (a guess). */
const RIPPLE_AGAIN = 2.5;

export const judgeRipple = (ripple: number, wanted: number): Verdict =>
  ripple <= wanted / 100
    ? 'accept'
    : ripple <= (RIPPLE_AGAIN * wanted) / 100
      ? 'look again'
      : 'rework';

const JOINT_VERDICT = {
  fine: 'accept',
  'past comfort': 'look again',
  'too sharp': 'rework',
} as const;

/** The verdicts on a column: its joints, its ripple, its room, its splines and its supports. */
export function judgeColumn(column: Column, room: Room | undefined, axle: AxleName): Judged[] {
  const measured = measureColumn(column, room, axle);
  if (!measured.ok) return [{ verdict: 'rework', of: measured.why }];
  const { ripple, clear } = wantedOf(column);
  const { joints, near, misfits, lacking } = measured;
  return [
    ...joints.map(({ name, bend, state }): Judged => ({
      verdict: JOINT_VERDICT[state],
      of: `${name} ${bend.toFixed(0)}°`,
    })),
    {
      verdict: judgeRipple(measured.ripple.ripple, ripple),
      of: `ripple ${(100 * measured.ripple.ripple).toFixed(1)} %`,
    },
    ...near.slice(0, 1).map(({ what, to, clearance }): Judged => ({
      verdict: judgeRoom(clearance, clear),
      of: `${what}: ${clearance < 0 ? `${(-clearance).toFixed(0)} mm into` : `${clearance.toFixed(0)} mm from`} ${to}`,
    })),
    ...misfits.map(({ where }): Judged => ({ verdict: 'rework', of: `${where} do not fit` })),
    ...(lacking.length > 0
      ? [
          {
            verdict: 'look again' as const,
            of: `${counted(lacking.length, 'thing')} missing or too much`,
          },
        ]
      : []),
  ];
}
