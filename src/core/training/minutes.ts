import type { CheckReading, MethodId, Round, TrainingAct } from '../model/checks';

/** Shop minutes, common practice (a guess): what each act takes one person. */
export const MINUTES = {
  /** Car on stands, wheel chocks, springs out, steering locked. */
  stands: 25,
  /** An instrument put up and set to nought. */
  rig: { tape: 3, wall: 8, walls: 10, dials: 12, strings: 10, level: 2, sweep: 15 } as Readonly<
    Record<MethodId, number>
  >,
  /** The wheel brought to another height. */
  height: 2,
  /** One instrument read and written down. */
  read: 0.5,
  /** A joint apart, washers, together, to its torque. */
  fit: 15,
  /** A joint levered by hand, nipped up where it wants it. */
  look: 5,
  /** One number of the take-off measured again. */
  measure: 12,
} as const;

/** Heights nearer than this are one, mm. */
const SAME_HEIGHT = 1;

/** What was done to a car on its stands. */
export interface Done {
  readings: readonly Pick<CheckReading, 'at' | 'method' | 'height'>[];
  rounds: readonly Pick<Round, 'at' | 'fitted'>[];
  acts: readonly Pick<TrainingAct, 'at' | 'did'>[];
}

/** Shop minutes of what was done, in the order it was done in: an instrument is put up once, a height counts as it changes. */
export function shopMinutes({ readings, rounds, acts }: Done): number {
  let height: number | null = null;
  const rigged = new Set<MethodId>();
  let minutes: number = MINUTES.stands;
  for (const one of [...readings].sort((a, b) => a.at.localeCompare(b.at))) {
    if (!rigged.has(one.method)) minutes += MINUTES.rig[one.method];
    rigged.add(one.method);
    if (height === null || Math.abs(one.height - height) > SAME_HEIGHT) minutes += MINUTES.height;
    height = one.height;
    minutes += MINUTES.read;
  }
  // A joint that was only nipped up is counted where it was looked at.
  minutes += MINUTES.fit * rounds.filter(({ fitted }) => fitted.length > 0).length;
  for (const { did } of acts) minutes += did === 'looked' ? MINUTES.look : MINUTES.measure;
  return minutes;
}
