import { rodEnds } from '../corners/kinds';
import { findAll } from '../find/find';
import type { Freedom } from '../model/freedoms';
import type { Wheel } from '../kinematics/wheel';
import type { Build } from '../model/build';
import { COORDINATES } from '../model/points';
import type { BumpSteer } from '../motion/bumpSteer';
import { briefOf } from '../model/brief';
import { mayMove } from '../takeoff/solid';
import { NullSearch } from './nullProblem';
import type { Opened } from '../freedoms/freedoms';
import type { NullFound } from './nullProblem';
import { STARTING_WANTED } from '../model/nullWanted';
import type { NullWanted } from '../model/nullWanted';
import { bumpSteerOf } from './trial';

/** What would help where the freedoms do not, each put in and measured by a fresh sweep. */
export interface Advice {
  /** Washers on the joint's other side, or what is moved that no freedom opens. */
  kind: 'other side' | 'opened';
  found: NullFound;
}

/** How far a coordinate is let out when it is asked what would help, mm. */
const REACH = 40;
/** Advice leaves less than this part of what there is at best. */
const WORTH = 0.7;

/**
 * What to open where nothing within the freedoms is good enough: the washers on the other side, or one
 * coordinate of the tie rod's joints alone, or where its inner joint stands. What is welded is not asked, nor the
 * joints of an upright measured as one solid part (its washers are: they go between). The least work that is good
 * first, then the least that is left.
 * @param best toe range of the best within the freedoms, degrees
 * @param spacer no stack of washers is longer, mm
 */
export function adviseNull(
  build: Build,
  wheel: Wheel,
  opened: Opened[],
  best: number,
  spacer: number,
): Advice[] {
  const wanted: NullWanted = { ...STARTING_WANTED, spacer, placing: null };
  const [good] = briefOf(build).targets.bumpSteer;
  const search = new NullSearch(build, wheel, wanted);
  const tried: Advice[] = [];
  const look = (kind: Advice['kind'], free: Opened[]) => {
    const measured = findAll(search.problem(free)).found.flatMap((found) => {
      const steer = bumpSteerOf(search.wheelAt(found.values, free));
      return steer && steer.span.range < WORTH * best ? [{ found, steer }] : [];
    });
    // The least work that is good, or the least that is left.
    const [least] = measured.sort((a, b) =>
      inOrder(a.steer, b.steer, a.found.effort - b.found.effort, good),
    );
    if (least) tried.push({ kind, found: search.describe(least.found, free, least.steer) });
  };
  for (const one of opened)
    if (one.freedom.kind === 'shims')
      look('other side', [
        { ...one, freedom: { ...one.freedom, way: one.freedom.way === 1 ? -1 : 1 } },
      ]);
  const { axle, points, type } = wheel;
  const ends = rodEnds(type);
  const openable = [ends.inner, ends.outer].flatMap((point) =>
    COORDINATES.flatMap((coordinate): Opened[] => {
      if (opened.some((one) => one.point === point && one.coordinate === coordinate)) return [];
      // Along which way the arm points is the steering's own business: ahead, or across of a drag link's.
      if (
        coordinate === (type.coupled ? 'out' : 'ahead') ||
        !mayMove(build, axle, point, coordinate)
      )
        return [];
      const at = points[point][coordinate];
      const freedom: Freedom = { kind: 'range', min: at - REACH, max: at + REACH, step: 0 };
      return [{ point, coordinate, freedom }];
    }),
  );
  for (const one of openable) look('opened', [one]);
  // Where none alone is good, height and distance of the inner joint together.
  if (!tried.some(({ found }) => found.steer.worst <= good)) {
    const inner = openable.filter(({ point }) => point === ends.inner);
    if (inner.length > 1) look('opened', inner);
  }
  return tried
    .sort(({ found: a }, { found: b }) => inOrder(a.steer, b.steer, a.effort - b.effort, good))
    .slice(0, MOST);
}

const MOST = 3;

/** Good ones first, by work; then by what is left. */
const inOrder = (a: BumpSteer, b: BumpSteer, work: number, good: number): number => {
  const [first, second] = [a.worst <= good, b.worst <= good];
  if (first !== second) return Number(second) - Number(first);
  return first ? work : a.span.range - b.span.range;
};
