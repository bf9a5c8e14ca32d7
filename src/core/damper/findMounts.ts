import { clearancesAt } from '../clearance/room';
import type { Closest } from '../clearance/room';
import { positionsOf } from '../clearance/positions';
import { find } from '../find/find';
import { Solver } from '../find/solver';
import type { Found } from '../find/problem';
import type { Opened } from '../freedoms/freedoms';
import type { Wheel } from '../kinematics/wheel';
import type { Build } from '../model/build';
import type { Damper, DamperUnit, DamperWanted } from '../model/damper';
import { COORDINATES } from '../model/points';
import type { Coordinate, PointName } from '../model/points';
import { travelEnds } from './ends';
import type { TravelEnd } from './ends';
import { CLOSE, MountProblem, goalOf, mountPoints, openedMounts, variableOf } from './mountProblem';
import type { MountGoal } from './mountProblem';
import { DamperAt } from './sweep';

/** A damper that may be mounted: one of the shelf, or the one that is drawn. */
export interface DamperChoice {
  name: string;
  unit: DamperUnit;
}

/** Where a damper could be mounted, measured again once it is there. */
export interface Mounts {
  damper: string;
  unit: DamperUnit;
  /** It is another damper than is drawn. */
  other: boolean;
  changes: { point: PointName; coordinate: Coordinate; from: number; to: number }[];
  /** What was asked is met, measured again: the damper neither closes nor opens too far, ratio and rise as wanted. */
  reached: boolean;
  effort: number;
  ratio: number;
  /** By how much more at full bump, %. */
  rise: number | null;
  /** Eye to eye at full bump and at full droop, mm. */
  shortest: number;
  longest: number;
  /** What ends bump and droop first with it. */
  bumpEnd: TravelEnd | null;
  droopEnd: TravelEnd | null;
  /** What its body comes too close to. */
  fouls: Closest[];
}

export interface MountsFound {
  found: Mounts[];
  /** Choices tried, and whether that was all of them, every search at rest. */
  tried: number;
  all: boolean;
  dampers: number;
  /** Where nothing reaches it: the one coordinate that would have to give, and how far. */
  opening: { point: PointName; coordinate: Coordinate; by: number; damper: string } | null;
  /** Why nothing was looked for. */
  why?: string;
}

/** Changing to another damper counts like moving a bracket (common practice). */
const OTHER_DAMPER = 10;
const SHOWN = 10;
/** Answers of each damper that are measured again. */
const MEASURED = 4;

/**
 * Finds where a damper's ends, its lug on an arm or its rocker go, within their freedoms, for every damper there is.
 * Yields the part done.
 * @param choices the dampers to try; where none is given the one that is drawn
 */
export function* findMounts(
  build: Pick<Build, 'room' | 'rod'>,
  wheel: Wheel,
  wanted: DamperWanted | undefined,
  choices: readonly DamperChoice[],
): Generator<number, MountsFound> {
  const nothing = (why: string): MountsFound => ({
    ...{ found: [], tried: 0, all: true, dampers: 0, opening: null, why },
  });
  const { damper } = wheel.design;
  if (!wheel.corner || !damper)
    return nothing('there is no damper, or the layout cannot be solved');
  const own: DamperChoice[] = damper.unit
    ? [{ name: damper.unit.part ?? 'the damper as drawn', unit: damper.unit }]
    : [];
  const all = [...own, ...choices.filter(({ unit }) => !isSame(unit, damper.unit))];
  if (all.length === 0)
    return nothing('no damper to try: say its lengths, or put one on the shelf');
  const opened = openedMounts(wheel);
  const goal = goalOf(wheel, wanted);
  const problem = new MountProblem(build, wheel, goal, opened);
  if (!problem.reaches)
    return nothing('the corner itself does not reach the travel that is wanted');
  // Answers are measured in finer steps than they were looked for.
  const finely = new MountProblem(build, wheel, goal, opened, FINELY);
  const answers: Mounts[] = [];
  let [tried, complete] = [0, true];
  let nearest: { found: Found; choice: DamperChoice } | null = null;
  for (const [i, choice] of all.entries()) {
    const search = find(problem.problem(choice.unit, problem.variables()));
    let step = search.next();
    for (; !step.done; step = search.next()) yield (i + step.value) / all.length;
    const finding = step.value;
    tried += finding.tried;
    complete &&= finding.all;
    const best = finding.found.reduce<Found | null>(
      (a, b) => (a && a.miss <= b.miss ? a : b),
      null,
    );
    if (best && (!nearest || best.miss < nearest.found.miss)) nearest = { found: best, choice };
    const reached = finding.found.filter((one) => one.reached);
    const worth = reached.length > 0 ? reached.slice(0, MEASURED) : best ? [best] : [];
    for (const one of worth) {
      const measured = measure(build, finely, one, choice, damper, goal);
      if (measured) answers.push(measured);
    }
    yield (i + 1) / all.length;
  }
  const reached = answers.some((one) => one.reached);
  answers.sort(
    (a, b) =>
      Number(b.reached) - Number(a.reached) ||
      Number(a.fouls.length > 0) - Number(b.fouls.length > 0) ||
      a.effort - b.effort,
  );
  return {
    found: (reached ? answers.filter((one) => one.reached) : answers).slice(0, SHOWN),
    tried,
    all: complete,
    dampers: all.length,
    opening: reached ? null : openingOf(build, wheel, goal, opened, nearest),
  };
}

const isSame = (a: DamperUnit, b: DamperUnit | undefined): boolean =>
  b !== undefined && a.closed === b.closed && a.open === b.open && (a.stop ?? 0) === (b.stop ?? 0);

/** An answer put in and measured by what measures every damper; null where it does not move. */
function measure(
  build: Pick<Build, 'room' | 'rod'>,
  problem: MountProblem,
  { values, effort }: Found,
  { name, unit }: DamperChoice,
  damper: Damper,
  goal: MountGoal,
): Mounts | null {
  const moved = problem.wheelAt(values);
  const other = !isSame(unit, damper.unit);
  const design = { ...moved.design, damper: { ...damper, unit } };
  const wheel = moved.drawnAs(design);
  if (!wheel.corner) return null;
  const at = new DamperAt(wheel.corner, design.damper);
  const lengths: number[] = [];
  for (let i = 0; i <= LOOKS; i++) {
    const here = at.linkage.at(-goal.droop + ((goal.bump + goal.droop) * i) / LOOKS);
    if (!here) return null;
    lengths.push(here.damper.length);
  }
  const [home, full] = [at.home, at.linkage.at(goal.bump)];
  if (!home || !full) return null;
  const [shortest, longest] = [Math.min(...lengths), Math.max(...lengths)];
  const rise = 100 * (full.damper.ratio / home.damper.ratio - 1);
  const ends = travelEnds(build, wheel);
  const fits =
    shortest >= unit.closed + (unit.stop ?? 0) + goal.keep - NEAR &&
    longest <= unit.open - (unit.spacer ?? 0) - goal.keep + NEAR;
  const asked =
    (goal.ratio === undefined ||
      Math.abs(home.damper.ratio - goal.ratio) <= ROUNDED * CLOSE.ratio) &&
    (goal.rise === undefined || Math.abs(rise - goal.rise) <= ROUNDED * CLOSE.rise);
  const clear = !goal.clear || (problem.roomAt(values, unit) ?? -Infinity) > -ROOM_NEAR;
  return {
    damper: name,
    unit,
    other,
    changes: changesOf(problem, wheel, values),
    reached: fits && asked && clear,
    effort: effort + (other ? OTHER_DAMPER : 0),
    ratio: home.damper.ratio,
    rise,
    shortest,
    longest,
    bumpEnd: ends?.bump ?? null,
    droopEnd: ends?.droop ?? null,
    fouls: (
      clearancesAt(build, wheel, positionsOf(wheel.travel, wheel.steerRange), false, true) ?? []
    ).filter(({ ofDamper, clearance, wanted }) => ofDamper && clearance < wanted),
  };
}
/** Travels at which an answer is measured, and how nearly it has to fit, mm. */
const LOOKS = 20;
const NEAR = 0.15;
const ROOM_NEAR = 1;
/** What the search calls good enough, with room for its own rounding. */
const ROUNDED = 1 + 1e-6;
const FINELY = Array.from({ length: LOOKS + 1 }, (_, i) => (2 * i) / LOOKS - 1);

function changesOf(problem: MountProblem, wheel: Wheel, values: readonly number[]) {
  const { points } = wheel;
  const before = problem.drawn;
  return Object.keys(problem.placed(values)).flatMap((point) =>
    COORDINATES.flatMap((coordinate) => {
      const [from, to] = [before[point][coordinate], points[point][coordinate]];
      return Math.abs(to - from) < 0.005 ? [] : [{ point, coordinate, from, to }];
    }),
  );
}

/** How far a coordinate is let out when it is asked what would help, mm. */
const REACH = 150;

/**
 * Which one coordinate of the mounts would reach it if it went further than it may, everything without steps moving
 * along, and by how little, to half a millimetre.
 */
function openingOf(
  build: Pick<Build, 'room' | 'rod'>,
  wheel: Wheel,
  goal: MountGoal,
  opened: readonly Opened[],
  nearest: { found: Found; choice: DamperChoice } | null,
): MountsFound['opening'] {
  if (!nearest) return null;
  const { points } = wheel;
  let best: MountsFound['opening'] = null;
  for (const point of mountPoints(wheel))
    for (const coordinate of COORDINATES) {
      const has = opened.findIndex((one) => one.point === point && one.coordinate === coordinate);
      const now = points[point][coordinate];
      const own = has < 0 ? null : opened[has].freedom;
      const [min, max] = own ? variableLimits(own, now) : [now, now];
      const rest = opened.filter((_, i) => i !== has);
      const all: Opened[] = [
        ...rest,
        { point, coordinate, freedom: { kind: 'range', min, max, step: 0 } },
      ];
      const problem = new MountProblem(build, wheel, goal, all);
      const beyond = (by: number): number | null => {
        const variables = all.map(({ point: p, coordinate: c, freedom }, i) => {
          const at = points[p][c];
          const variable = variableOf(freedom, at);
          if (i === rest.length)
            return { ...variable, places: null, min: min - by, max: max + by, effort: () => 0 };
          if (!variable.places) return variable;
          const value = nearest.found.values[opened.indexOf(rest[i])] ?? at;
          return { ...variable, places: [value] };
        });
        const start = Float64Array.from(variables, (one) => one.places?.[0] ?? one.now);
        const free = variables.flatMap(({ places }, i) => (places ? [] : [i]));
        const answer = new Solver(problem.problem(nearest.choice.unit, variables)).solve(
          start,
          free,
        );
        if (!answer?.reached) return null;
        const value = answer.values[rest.length];
        return value > max ? value - max : value < min ? value - min : 0;
      };
      let found = beyond(best ? Math.abs(best.by) : REACH);
      if (found === null) continue;
      let [enough, little] = [Math.abs(found), 0];
      while (enough - little > 0.5) {
        const middle = (enough + little) / 2;
        const nearer = beyond(middle);
        if (nearer === null) little = middle;
        else [found, enough] = [nearer, Math.min(middle, Math.abs(nearer))];
      }
      if (Math.abs(found) > 1e-6 && (!best || Math.abs(found) < Math.abs(best.by)))
        best = { point, coordinate, by: found, damper: nearest.choice.name };
    }
  return best;
}

const variableLimits = (freedom: Opened['freedom'], now: number): [number, number] => {
  const { min, max } = variableOf(freedom, now);
  return [min, max];
};
