import { SIGMAS } from '../geometry/random';
import { isNumber } from './fit';
import type { Fit } from './fit';
import type { Side } from '../model/build';
import type { MeasuredNumber } from '../takeoff/measured';

/** A number of the take-off that would explain what the readings say against the drawing. */
export interface Suspect {
  /** Which of the model's unknowns. */
  index: number;
  side: Side;
  number: MeasuredNumber;
  /** By how much it would be off, mm or degrees, were it alone beyond its ±. */
  off: number;
  /** How much of the misfit beyond what chance makes that explains, 0 to 1. */
  explains: number;
  /** How far beyond its ± it would be, standard deviations that the readings tell it by. */
  size: number;
  /** Other numbers whose errors these readings cannot tell from its own, likeliest first. */
  alike: { side: Side; number: MeasuredNumber; off: number }[];
}

/** Two numbers whose signatures are nearer than this are not told apart. */
const ALIKE = 0.97;
/** A number that the readings say less of than this is not blamed. */
const SEEN = 0.02;

/**
 * Numbers by how well each alone explains the misfit, the rest being off within their ± (data snooping, Baarda 1968, of
 * the prior): the best first. Those that read alike stand together.
 */
export function suspectsOf({
  model: { unknowns },
  estimate,
  withinPlusMinus,
  degrees,
}: Fit): Suspect[] {
  const excess = withinPlusMinus - degrees;
  const n = estimate.size;
  const { covariance: p, mean } = estimate;
  const all = unknowns.flatMap((unknown, index) => {
    if (!isNumber(unknown)) return [];
    const variance = unknown.sigma ** 2;
    const told = variance - p[index * n + index];
    if (told < SEEN * variance) return [];
    const { side, number } = unknown;
    const size = mean[index] / Math.sqrt(told);
    return [{ index, side, number, size, told, off: (mean[index] * variance) / told }];
  });
  all.sort((a, b) => Math.abs(b.size) - Math.abs(a.size));
  const taken = new Set<number>();
  return all.flatMap((one): Suspect[] => {
    if (taken.has(one.index)) return [];
    const alike = all.filter(
      (other) =>
        other.index !== one.index &&
        !taken.has(other.index) &&
        Math.abs(p[one.index * n + other.index]) > ALIKE * Math.sqrt(one.told * other.told),
    );
    for (const { index } of [one, ...alike]) taken.add(index);
    return [
      {
        index: one.index,
        side: one.side,
        number: one.number,
        off: one.off,
        size: Math.abs(one.size),
        explains: excess > 0 ? Math.min(1, one.size ** 2 / excess) : 0,
        alike: alike.map(({ side, number, off }) => ({ side, number, off })),
      },
    ];
  });
}

/** So many standard deviations an error has to stand out by to be found in four cases of five at a risk of 1 in 100. */
const STANDS_OUT = 3.4;

/**
 * Numbers whose error these readings could find were it so many times its ± (least error that can be told, Baarda 1968):
 * of the others they say too little.
 */
export function tellable(
  { model: { unknowns }, estimate }: Fit,
  times: number,
): { side: Side; number: MeasuredNumber }[] {
  const n = estimate.size;
  return unknowns.flatMap((unknown, i) => {
    if (!isNumber(unknown)) return [];
    const told = 1 - estimate.covariance[i * n + i] / unknown.sigma ** 2;
    const stands = times * SIGMAS * Math.sqrt(Math.max(0, told));
    return stands >= STANDS_OUT ? [{ side: unknown.side, number: unknown.number }] : [];
  });
}
