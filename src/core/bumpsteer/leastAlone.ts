import { Solver } from '../find/solver';
import { pointsOf } from '../kinematics/axle';
import type { AxleDesign, Build, Side } from '../model/build';
import type { BumpSteer } from '../motion/bumpSteer';
import { NullSearch } from './nullProblem';
import type { Opened } from '../freedoms/freedoms';
import type { NullFound } from './nullProblem';
import { STARTING_WANTED } from '../model/nullWanted';
import type { RodCoordinate } from './toeCurve';
import { bumpSteerOf } from './trial';

/** The parts of a build that bump steer alone hangs on. */
export type Cycled = Pick<Build, 'travel'>;

/** A build as a null is searched in where only its travel counts. */
export const cycledBuild = ({ travel }: Cycled) => ({
  travel,
  use: 'free' as const,
  wheelbase: 2500,
});

/**
 * The least toe range that some coordinates of the tie rod's joints can give, each within so much of where it
 * is, whatever their freedoms say; measured by a fresh sweep.
 * @param within mm either way
 * @returns null where the travel is not reached, or the search does not come to rest
 */
export function leastAlone(
  build: Cycled,
  design: AxleDesign,
  side: Side,
  moves: RodCoordinate[],
  within: number,
): { points: NullFound['points']; steer: BumpSteer } | null {
  const drawn = pointsOf(design, side);
  const opened = moves.map(({ point, coordinate }): Opened => {
    const at = drawn[point][coordinate];
    return {
      point,
      coordinate,
      freedom: { kind: 'range', min: at - within, max: at + within, step: 0 },
    };
  });
  const wanted = { ...STARTING_WANTED, placing: null };
  const search = new NullSearch(cycledBuild(build), design, side, wanted);
  const { variables, ...problem } = search.problem(opened);
  const found = new Solver({ variables, ...problem }).solve(
    Float64Array.from(variables, ({ now }) => now),
    variables.map((_, i) => i),
  );
  if (!found?.settled) return null;
  const moved = search.designAt(found.values, opened);
  const steer = bumpSteerOf(moved, side, build.travel);
  const { tieRodInner, tieRodOuter } = pointsOf(moved, side);
  return steer && { points: { tieRodInner, tieRodOuter }, steer };
}
