/** Every verdict, from the best to the worst. Words of this list alone are verdicts, on every screen. */
export const VERDICTS = ['very good', 'accept', 'look again', 'rework'] as const;
export type Verdict = (typeof VERDICTS)[number];

const rank = (verdict: Verdict): number => VERDICTS.indexOf(verdict);

/** A verdict and what it was passed on, in a few words with its figure. */
export interface Judged {
  verdict: Verdict;
  of: string;
}

/** The worst of several, the first of equals; null of none. */
export const worstOf = (list: readonly Judged[]): Judged | null =>
  list.reduce<Judged | null>(
    (worst, one) => (worst && rank(worst.verdict) >= rank(one.verdict) ? worst : one),
    null,
  );

/**
 * The verdict on a size that should be small: very good up to the first band, accepted up to the second,
 * reworked past the third, and looked at again between.
 */
export function judgeSize(size: number, bands: readonly [number, number, number]): Verdict {
  if (size <= bands[0]) return 'very good';
  if (size <= bands[1]) return 'accept';
  return size <= bands[2] ? 'look again' : 'rework';
}

/**
 * The verdict on a figure that should lie between two: accepted there, looked at again up to half the band's
 * width outside, reworked beyond (common practice).
 */
export function judgeBand(value: number, [least, most]: readonly [number, number]): Verdict {
  if (value >= least && value <= most) return 'accept';
  const out = value < least ? least - value : value - most;
  const near = Math.max((most - least) / 2, 0.05 * Math.abs(most + least));
  // Typed figures do not meet their halves exactly.
  return out <= near * (1 + 1e-9) ? 'look again' : 'rework';
}

/** The verdict on what should be at least so much: accepted, looked at again down to nine tenths, reworked below. */
export const judgeLeast = (value: number, least: number): Verdict =>
  value >= least ? 'accept' : value >= 0.9 * least ? 'look again' : 'rework';

/** The verdict on a clearance, mm: accepted where it is kept, looked at again where it is short, reworked where one is in the other. */
export const judgeRoom = (clearance: number, wanted: number): Verdict =>
  clearance >= wanted ? 'accept' : clearance >= 0 ? 'look again' : 'rework';
