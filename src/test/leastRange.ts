import { bumpSteerOf } from '../core/bumpsteer/trial';
import type { AxleDesign, Travel } from '../core/model/build';
import { wheelIn } from './layouts';

/** Numbers from 0 to 1, the same ones for the same seed (Park and Miller 1988, from memory). */
export function seeded(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 16807) % 2147483647) / 2147483647;
}

/**
 * The least toe range, degrees, that the inner joint's out and up within ±`by` mm can give: many places by
 * chance, the best of them followed down by chance. Slow, and no search of ours.
 */
export function leastRangeByChance(
  design: AxleDesign,
  travel: Travel,
  by: number,
  seed: number,
): number {
  const wheel = wheelIn(design, 'left', travel);
  const { tieRodInner: inner } = wheel.points;
  const random = seeded(seed);
  const at = ([out, up]: number[]): number =>
    bumpSteerOf(
      wheel.withPoints({ tieRodInner: { ...inner, out: inner.out + out, up: inner.up + up } }),
    )?.span.range ?? Infinity;
  const within = (x: number) => Math.min(by, Math.max(-by, x));
  const places = Array.from({ length: 150 }, () => {
    const x = [by * (2 * random() - 1), by * (2 * random() - 1)];
    return { x, range: at(x) };
  }).sort((a, b) => a.range - b.range);
  return Math.min(
    ...places.slice(0, 3).map((place) => {
      let { x, range } = place;
      for (let size = by / 4; size > 1e-3;) {
        let gained = false;
        for (let i = 0; i < 12; i++) {
          const y = x.map((value) => within(value + size * (2 * random() - 1)));
          const next = at(y);
          if (next < range) [x, range, gained] = [y, next, true];
        }
        if (!gained) size /= 2;
      }
      return range;
    }),
  );
}
