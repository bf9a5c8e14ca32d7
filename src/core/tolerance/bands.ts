/** Quantities that carry a band. */
export const BANDED = ['toe', 'camber', 'caster', 'kpi', 'scrub', 'trail'] as const;
export type Banded = (typeof BANDED)[number];

/** Nine cars in ten built from the same measurements lie between these, as deviations from as drawn. */
export interface Bands {
  travel: Float64Array;
  /** Least and greatest deviation at each travel; NaN where as drawn is out of reach. */
  low: Record<Banded, Float64Array>;
  high: Record<Banded, Float64Array>;
  /** Toe range over the travel, degrees: half of the cars stay under the first, nine in ten under the second. */
  toeRange: { median: number; ninety: number } | null;
  samples: number;
  /** Samples that cannot be put together or do not reach the whole travel. */
  failed: number;
}

/** Cars built for a band. */
export const SAMPLES = 10_000;

/** A band at any travel, straight between its positions: deviations from as drawn. */
export function bandAt(
  bands: Bands,
  quantity: Banded,
  travel: number,
): { low: number; high: number } | null {
  const { travel: at } = bands;
  const part = ((travel - at[0]) / (at[at.length - 1] - at[0])) * (at.length - 1);
  if (!(part >= -1e-9 && part <= at.length - 1 + 1e-9)) return null;
  const i = Math.min(at.length - 2, Math.max(0, Math.floor(part)));
  const mix = (list: Float64Array) => list[i] + (part - i) * (list[i + 1] - list[i]);
  const band = { low: mix(bands.low[quantity]), high: mix(bands.high[quantity]) };
  return Number.isNaN(band.low + band.high) ? null : band;
}
