import { find } from '../find/find';
import type { Found } from '../find/problem';
import type { AxleName, Build } from '../model/build';
import { ArmsProblem, openedArms } from './armsProblem';
import type { ArmsFound, Opening } from './armsProblem';
import type { ArmsWanted } from '../model/armsWanted';

export interface ArmsFinding {
  found: ArmsFound[];
  tried: number;
  all: boolean;
  /** Where nothing reaches it: the one coordinate that would have to give, and by how much. */
  opening: Opening | null;
}

/**
 * Finds arms from the camber they are to give, within the freedoms. Yields the part done.
 * @returns nothing found where no freedom is open or nothing can be solved
 */
export function* armsFromCamber(
  build: Build,
  axle: AxleName,
  wanted: ArmsWanted,
): Generator<number, ArmsFinding> {
  const design = build[axle];
  if (!design) return { found: [], tried: 0, all: true, opening: null };
  const opened = openedArms(design, wanted.together);
  const search = new ArmsProblem(build, axle, design, wanted, opened);
  const finding = yield* find(search.problem);
  const reached = finding.found.filter((one) => one.reached);
  const nearest = [...finding.found].sort((a, b) => a.miss - b.miss);
  // Those that reach it in the order of work; short of it the nearest, then others near it with less work.
  const shown = reached.length > 0 ? reached : onFront(nearest);
  const found = shown.slice(0, SHOWN).flatMap((one) => search.describe(one) ?? []);
  return {
    found,
    tried: finding.tried,
    all: finding.all,
    opening: reached.length > 0 ? null : yield* search.opening(nearest[0]),
  };
}

const SHOWN = 12;

/** Those that none is both nearer and less work than; the list comes nearest first. */
function onFront(nearest: Found[]): Found[] {
  let least = Infinity;
  return nearest.filter(({ effort }) => {
    if (effort >= least) return false;
    least = effort;
    return true;
  });
}
