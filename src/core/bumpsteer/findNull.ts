import { find } from '../find/find';
import type { Found } from '../find/find';
import { openedOf } from '../freedoms/freedoms';
import type { FreedomKind } from '../freedoms/freedoms';
import { clearancesOf } from '../clearance/room';
import type { AxleDesign, AxleName, Build, Side } from '../model/build';
import type { BumpSteer } from './bumpSteer';
import { buildableOf } from './buildable';
import { NullSearch, ROD_POINTS } from './nullProblem';
import type { NullFound, NullWanted, Opened } from './nullProblem';
import { swapArms } from './swapArms';
import { bumpSteerOf, withPoints } from './trial';

/** Common practice: brackets are tacked to a millimetre and a half, a rod end sits to half of one. */
export const STARTING_WANTED = {
  lock: false,
  ackermann: false,
  swap: false,
  spacer: 20,
  placing: { inner: 1.5, outer: 0.5 },
} satisfies NullWanted;

export interface NullFinding {
  /** Toe range as it is, degrees; null where the travel is not reached. */
  before: BumpSteer | null;
  /** Very good ones first, the least effort first; then the nearest. */
  found: NullFound[];
  tried: number;
  all: boolean;
  /** Which of `found` is best on paper, and which stays best when it is built; −1 of none. */
  paper: number;
  steady: number;
}

/** Coordinates of the tie rod that a design's freedoms open. */
export const openedRod = (design: AxleDesign): Opened[] =>
  openedOf(design.freedoms).filter(({ point }) => ROD_POINTS.includes(point));

/** From the least work to the most. */
const STAGES: FreedomKind[] = ['shims', 'thread', 'choices', 'range'];
/** How many of what is found are built and looked at closely. */
const SHOWN = 8;

/**
 * Finds places for the tie rod's joints that leave the toe alone, within the freedoms: first with washers
 * alone, then with what takes more work too, so that the least work that does it is among the answers.
 * Yields the part done.
 */
export function* findNull(
  build: Build,
  axle: AxleName,
  side: Side,
  wanted: NullWanted,
): Generator<number, NullFinding> {
  const design = build[axle] ?? build.front;
  const before = bumpSteerOf(design, side, build.travel);
  const searches = [
    ...stagesOf(openedRod(design), new NullSearch(build, design, side, wanted)),
    ...(wanted.swap
      ? stagesOf(
          // Where the joints stand ahead is what the swap decides.
          openedRod(design).filter(({ coordinate }) => coordinate !== 'ahead'),
          new NullSearch(build, swapArms(design, side), side, wanted, true),
        )
      : []),
  ];
  const candidates: { found: Found; opened: Opened[]; search: NullSearch }[] = [];
  let tried = 0;
  let all = true;
  for (const [i, { search, opened }] of searches.entries()) {
    const finding = find(search.problem(opened), SHOWN);
    let step = finding.next();
    while (!step.done) {
      yield (0.7 * (i + step.value)) / searches.length;
      step = finding.next();
    }
    tried += step.value.tried;
    all &&= step.value.all;
    candidates.push(...step.value.found.map((one) => ({ found: one, opened, search })));
  }
  const found: NullFound[] = [];
  for (const { found: one, opened, search } of candidates) {
    const described = search.describe(one, opened);
    // Never what makes it worse, and nothing twice.
    if (!described || (described.changes.length === 0 && !described.swapped)) continue;
    if (before && described.steer.span.range > before.span.range) continue;
    if (!found.some((other) => sameChanges(other, described))) found.push(described);
  }
  const shown = fewOfEach(found.sort(better)).slice(0, SHOWN);
  const tight = wanted.placing ? tightOf(build, axle, side, design) : null;
  for (const [i, one] of wanted.placing ? shown.entries() : []) {
    const built = withPoints(design, side, one.points);
    one.doubts.push(...tighter(tight, tightOf(build, axle, side, built)));
    yield 0.7 + (0.3 * (i + 0.5)) / shown.length;
    one.buildable = buildableOf(built, side, build.travel, wanted.placing!);
    yield 0.7 + (0.3 * (i + 1)) / shown.length;
  }
  const least = (value: (one: NullFound) => number) =>
    shown.reduce((best, one, i) => (best < 0 || value(one) < value(shown[best]) ? i : best), -1);
  return {
    before,
    found: shown,
    tried,
    all,
    paper: least(({ steer }) => steer.span.range),
    steady: least(({ buildable }) => buildable?.ninety ?? Infinity),
  };
}

/** A search with washers alone, then with what takes more work too; no stage twice. */
const stagesOf = (opened: Opened[], search: NullSearch) =>
  STAGES.map((_, i) => opened.filter(({ freedom }) => STAGES.indexOf(freedom.kind) <= i))
    .filter((stage, i, all) => stage.length > 0 && stage.length !== all[i - 1]?.length)
    .map((stage) => ({ search, opened: stage }));

/** Places where the tie rod or its joints come too close, by what to what; clearance in mm. */
function tightOf(
  build: Build,
  axle: AxleName,
  side: Side,
  design: AxleDesign,
): Map<string, number> {
  const close = clearancesOf({ ...build, [axle]: design }, axle, side) ?? [];
  return new Map(
    close
      .filter(({ what, clearance, wanted }) => what.startsWith('tie rod') && clearance < wanted)
      .map(({ what, to, clearance }) => [`the ${what} to the ${to}`, clearance]),
  );
}

/** What comes too close that did not before, or closer than it did. */
const tighter = (before: Map<string, number> | null, after: Map<string, number>): string[] =>
  [...after]
    .filter(([pair, clearance]) => clearance < (before?.get(pair) ?? Infinity) - 0.5)
    .map(([pair, clearance]) =>
      clearance < 0
        ? `${pair}: ${(-clearance).toFixed(0)} mm into it`
        : `${pair}: ${clearance.toFixed(0)} mm are left`,
    );

const better = (a: NullFound, b: NullFound): number => {
  const good = (one: NullFound) => one.verdict === 'very good' && one.doubts.length === 0;
  if (good(a) !== good(b)) return Number(good(b)) - Number(good(a));
  return good(a) ? a.effort - b.effort : a.steer.span.range - b.steer.span.range;
};

/** Of those that move the same coordinates: the one with the least work, and the one that leaves least. */
function fewOfEach(found: NullFound[]): NullFound[] {
  const alike = new Map<string, NullFound[]>();
  for (const one of found) {
    const moved = one.changes.map(({ point, coordinate }) => `${point} ${coordinate}`);
    const key = `${one.swapped} ${moved.join()}`;
    alike.set(key, [...(alike.get(key) ?? []), one]);
  }
  const kept = new Set(
    [...alike.values()].flatMap((group) => [
      group[0],
      group.reduce((a, b) => (b.steer.span.range < a.steer.span.range ? b : a)),
    ]),
  );
  return found.filter((one) => kept.has(one));
}

const sameChanges = (a: NullFound, b: NullFound): boolean =>
  ROD_POINTS.every((point) => {
    const [p, q] = [a.points[point as 'tieRodInner'], b.points[point as 'tieRodInner']];
    return (['ahead', 'out', 'up'] as const).every((c) => Math.abs(p[c] - q[c]) < 0.02);
  });
