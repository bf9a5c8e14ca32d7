import { SET } from './setting';
import type { Stands } from './setting';

/** What moves did of what they should have, and how well that is known: one standard deviation. */
export interface Did {
  gain: number;
  sigma: number;
}
export const AS_DRAWN: Did = { gain: 1, sigma: 0.1 };

/**
 * What moves did of what they should have, by what was read after them: the car's own share, better known with every move
 * (recursive least squares, what was thought before as a reading of its own).
 * @param plusMinus ± of a reading, degrees, two standard deviations
 */
export function learned(
  before: Did,
  { before: was, after: should }: { before: Stands; after: Stands },
  read: Partial<Stands>,
  plusMinus: number,
): Did {
  let { gain } = before;
  let variance = before.sigma ** 2;
  // Two readings make a difference.
  const noise = 2 * (plusMinus / 2) ** 2;
  for (const of of SET) {
    const [now, then, saw] = [was[of], should[of], read[of]];
    if (now === null || then === null || saw === undefined || saw === null) continue;
    // What it would have done had it done all.
    const whole = (then - now) / before.gain;
    const weight = (variance * whole) / (variance * whole ** 2 + noise);
    gain += weight * (saw - now - gain * whole);
    variance *= 1 - weight * whole;
  }
  return { gain, sigma: Math.sqrt(variance) };
}
