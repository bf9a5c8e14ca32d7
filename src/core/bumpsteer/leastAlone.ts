import { rodEnds } from '../corners/kinds';
import { Solver } from '../find/solver';
import type { Wheel } from '../kinematics/wheel';
import type { Build } from '../model/build';
import type { BumpSteer } from '../motion/bumpSteer';
import { NullSearch } from './nullProblem';
import type { Opened } from '../freedoms/freedoms';
import type { NullFound } from './nullProblem';
import { STARTING_WANTED } from '../model/nullWanted';
import type { RodCoordinate } from './toeCurve';
import { bumpSteerOf } from './trial';

/** A build as a null is searched in where nothing but the wheel's own travel counts. */
export const ANY_BUILD = { use: 'free', wheelbase: 2500 } satisfies Partial<Build>;

/**
 * The least toe range that some coordinates of the tie rod's joints can give, each within so much of where it
 * is, whatever their freedoms say; measured by a fresh sweep.
 * @param within mm either way
 * @returns null where the travel is not reached, or the search does not come to rest
 */
export function leastAlone(
  wheel: Wheel,
  moves: RodCoordinate[],
  within: number,
): { points: NullFound['points']; steer: BumpSteer } | null {
  const opened = moves.map(({ point, coordinate }): Opened => {
    const at = wheel.points[point][coordinate];
    return {
      point,
      coordinate,
      freedom: { kind: 'range', min: at - within, max: at + within, step: 0 },
    };
  });
  const wanted = { ...STARTING_WANTED, placing: null };
  const search = new NullSearch(ANY_BUILD, wheel, wanted);
  const { variables, ...problem } = search.problem(opened);
  const found = new Solver({ variables, ...problem }).solve(
    Float64Array.from(variables, ({ now }) => now),
    variables.map((_, i) => i),
  );
  if (!found?.settled) return null;
  const moved = search.wheelAt(found.values, opened);
  const steer = bumpSteerOf(moved);
  const { inner, outer } = rodEnds(wheel.type);
  const { [inner]: from, [outer]: to } = moved.points;
  return steer && { points: { [inner]: from, [outer]: to }, steer };
}
