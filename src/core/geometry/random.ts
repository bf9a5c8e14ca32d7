import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

export const SEED = 20260;

/** A ± is two standard deviations of a normal distribution: 19 readings in 20 lie within it. */
export const SIGMAS = 2;

/** Standard normal numbers (Box and Muller 1958), the same ones for the same seed. */
export function normalNumbers(seed = SEED): () => number {
  const random = xoroshiro128plus(seed);
  let spare: number | null = null;
  return () => {
    if (spare !== null) {
      const kept = spare;
      spare = null;
      return kept;
    }
    const size = Math.sqrt(-2 * Math.log(1 - uniformFloat64(random)));
    const angle = 2 * Math.PI * uniformFloat64(random);
    spare = size * Math.sin(angle);
    return size * Math.cos(angle);
  };
}

/** Numbers from 0 to 1, each as likely, the same ones for the same seed. */
export function chances(seed: number): () => number {
  const random = xoroshiro128plus(seed);
  for (let i = 0; i < AS_BESIDE; i++) uniformFloat64(random);
  return () => uniformFloat64(random);
}

/** How many of a seed's first numbers still look like those of the seeds beside it. */
const AS_BESIDE = 40;

/** The same for many seeds that lie close together: past the first numbers, in which these are alike. */
export function normalsApart(seed: number): () => number {
  const normal = normalNumbers(seed);
  for (let i = 0; i < AS_BESIDE; i++) normal();
  return normal;
}

/** A quantile of the first `count` of sorted numbers; NaN of none. */
export function quantile(sorted: Float64Array, count: number, part: number): number {
  if (count === 0) return NaN;
  const at = part * (count - 1);
  const below = Math.floor(at);
  const above = Math.min(count - 1, below + 1);
  return sorted[below] + (at - below) * (sorted[above] - sorted[below]);
}
