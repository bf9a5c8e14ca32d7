import { goldenLeast } from '../geometry/golden';
import type { Freedom } from '../model/freedoms';
import { limitsOf, placesOf, stepOf } from './freedoms';
import { nearest } from './stacks';

/** Between looks at a whole range, as a part of it. */
const LOOKS = 10;

/**
 * The move of one coordinate within its freedom that leaves the least: looked for over the whole of it, closed by golden
 * section about the best, and taken to the nearest places either way that the freedom has. Between two looks the least is
 * taken to have one dip.
 * @param now where it stands, mm
 * @param worst what a move leaves, Infinity where it does not go
 * @param reach no further than this from where it stands, mm
 * @param looks at the whole of it
 * @returns mm; null where it has no place within reach
 */
export function bestPlace(
  freedom: Freedom | null,
  now: number,
  worst: (by: number) => number,
  reach: number,
  looks = LOOKS,
): number | null {
  const [min, max] = freedom ? limitsOf(freedom, now) : [now - reach, now + reach];
  const [from, to] = [Math.max(min - now, -reach), Math.min(max - now, reach)];
  if (!(from <= to)) return null;
  const apart = (to - from) / looks;
  const at = Array.from({ length: looks + 1 }, (_, i) => from + i * apart);
  const values = at.map(worst);
  const least = values.indexOf(Math.min(...values));
  const step = freedom ? stepOf(freedom) : 0;
  const open = goldenLeast(
    worst,
    at[Math.max(0, least - 1)],
    at[Math.min(looks, least + 1)],
    step > 0 ? step / 4 : 5e-3,
  );
  const places = freedom && placesOf(freedom, now);
  const tried = places
    ? about(places, now + open).map((place) => place - now)
    : step > 0
      ? [-1, 0, 1, 2].flatMap((k) => {
          const place = min + (Math.floor((now + open - min) / step) + k) * step;
          return place >= min - 1e-9 && place <= max + 1e-9 ? [place - now] : [];
        })
      : [open, at[least]];
  return (
    tried.reduce<{ by: number; left: number } | null>((best, by) => {
      const left = worst(by);
      return best && best.left <= left ? best : { by, left };
    }, null)?.by ?? null
  );
}

/** Places of a rising list about one that is wanted. */
function about(rising: readonly number[], wanted: number): number[] {
  const at = nearest(rising, wanted);
  return rising.slice(Math.max(0, at - 2), at + 3);
}
