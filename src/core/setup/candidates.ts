import { leastSquares } from '../geometry/linear';
import { around } from './adjusters';
import type { Adjuster } from './adjusters';
import type { SetBy, Setting, Stands } from './setting';

/** A step for slopes, mm. */
const STEP = 0.2;
/** How a degree of each counts against the others where not all can be had. */
export const WEIGHT: Readonly<Record<SetBy, number>> = { camber: 1, caster: 0.4, toe: 3 };
/** More work for more of the same. */
const PER_UNIT = 0.05;

/** Degrees per mm of each adjuster. */
export type Slopes = Record<SetBy, Float64Array>;

/** Degrees per mm of each adjuster; null where the wheel does not go together beside where it is. */
export function slopesOf(setting: Setting, targets: readonly SetBy[]): Slopes | null {
  const { adjusters, still } = setting;
  const slopes = Object.fromEntries(
    targets.map((of) => [of, new Float64Array(adjusters.length)]),
  ) as Slopes;
  for (let i = 0; i < adjusters.length; i++) {
    const [plus, minus] = [STEP, -STEP].map((by) => {
      const moves = [...still];
      moves[i] = by;
      return setting.stands(moves);
    });
    if (!plus || !minus) return null;
    for (const of of targets) slopes[of][i] = (plus[of]! - minus[of]!) / (2 * STEP);
  }
  return slopes;
}

/** Nothing, each one, and each two of some adjusters: as many as there is to be set. */
export function subsetsOf(free: readonly number[], most: number): number[][] {
  const sets: number[][] = [[]];
  if (most >= 1) for (const i of free) sets.push([i]);
  if (most >= 1)
    for (const [k, i] of free.entries()) for (const j of free.slice(k + 1)) sets.push([i, j]);
  return sets;
}

/** What slopes alone say that the nearest places of a combination leave, beyond what is near enough, and what they cost. */
export function bySlopes(
  set: readonly number[],
  others: readonly SetBy[],
  goal: Record<SetBy, number>,
  model: Stands,
  slopes: Slopes,
  adjusters: readonly Adjuster[],
): { missed: number; work: number } {
  const wanted = others.map((of) => goal[of] - model[of]!);
  const by = solved(set, others, wanted, slopes) ?? set.map(() => 0);
  const near = others.map((of) => nearEnough(of, set, slopes, adjusters));
  const places = placesAbout(set, by, adjusters);
  return places
    .map((at) => ({
      missed: others.reduce((sum, of, q) => {
        const left = wanted[q] - set.reduce((all, i, k) => all + slopes[of][i] * at[k], 0);
        return sum + (WEIGHT[of] * Math.max(0, Math.abs(left) - near[q])) ** 2;
      }, 0),
      work: set.reduce((sum, i, k) => sum + workOf(adjusters[i], at[k]), 0),
    }))
    .reduce((best, one) =>
      one.missed < best.missed || (one.missed === best.missed && one.work < best.work) ? one : best,
    );
}

/** How much work one move is: nothing is none. */
export const workOf = ({ work, per }: Adjuster, by: number): number =>
  by === 0 ? 0 : work + (PER_UNIT * Math.abs(by)) / Math.abs(per);

/** Every way of putting a combination to places next to where it should be. */
export const placesAbout = (
  set: readonly number[],
  open: readonly number[],
  adjusters: readonly Adjuster[],
): number[][] =>
  set.reduce<number[][]>(
    (ways, i, k) => ways.flatMap((way) => around(adjusters[i], open[k]).map((at) => [...way, at])),
    [[]],
  );

/** Nearer than this is as good as reached, degrees: what is read on a car, common practice; half a step of what sets it. */
export const NEAR: Readonly<Record<SetBy, number>> = { camber: 0.05, caster: 0.1, toe: 0.02 };
const nearEnough = (
  of: SetBy,
  set: readonly number[],
  slopes: Slopes,
  adjusters: readonly Adjuster[],
): number => Math.max(NEAR[of], halfSteps(of, set, slopes, adjusters));

/** What half a step of each of some adjusters does together, degrees; places of their own are not to be excused. */
export const halfSteps = (
  of: SetBy,
  set: readonly number[],
  slopes: Slopes,
  adjusters: readonly Adjuster[],
): number =>
  set.reduce((sum, i) => {
    const { places } = adjusters[i];
    return places.kind === 'steps' ? sum + (Math.abs(slopes[of][i]) * places.step) / 2 : sum;
  }, 0);

/** By how much the adjusters of a set would be moved for some changes; the least of them where several do. */
export function solved(
  set: readonly number[],
  others: readonly SetBy[],
  wanted: readonly number[],
  slopes: Slopes,
): number[] | null {
  if (set.length === 0 || others.length === 0) return set.map(() => 0);
  const rows = others.map((of) => set.map((i) => WEIGHT[of] * slopes[of][i]));
  const right = others.map((of, q) => WEIGHT[of] * wanted[q]);
  // More adjusters than there is to be set: the smallest moves that do it.
  if (set.length > others.length) {
    const size = rows[0].reduce((sum, one) => sum + one * one, 0);
    return size > 1e-18 ? rows[0].map((one) => (one * right[0]) / size) : null;
  }
  return leastSquares(rows, right);
}
