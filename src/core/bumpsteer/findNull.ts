import { typeOf } from '../corners/kinds';
import { find } from '../find/find';
import { spread } from '../find/spread';
import type { Found } from '../find/problem';
import { openedOf } from '../freedoms/freedoms';
import { tightOf, tighter } from '../clearance/doubts';
import type { Wheel } from '../kinematics/wheel';
import type { AxleDesign, Build } from '../model/build';
import { adviseNull } from './advice';
import type { Advice } from './advice';
import type { BumpSteer } from '../motion/bumpSteer';
import { CarsBuilt } from './buildable';
import { NullSearch } from './nullProblem';
import type { Opened } from '../freedoms/freedoms';
import type { NullFound } from './nullProblem';
import type { NullWanted } from '../model/nullWanted';
import { swapArms } from './swapArms';
import { bumpSteerOf } from './trial';

export interface NullFinding {
  /** Toe range as it is, degrees; null where the travel is not reached. */
  before: BumpSteer | null;
  /** Those that no other beats in work, on paper and as built at once; very good ones first, the least effort first; then the nearest. */
  found: NullFound[];
  tried: number;
  all: boolean;
  /** Which of `found` is the least work of the very good ones, the least on paper, the least when it is built; −1 of none. */
  work: number;
  paper: number;
  steady: number;
  /** What would help where nothing within the freedoms is very good. */
  advice: Advice[];
}

/** Coordinates of the tie rod that a design's freedoms open. */
export function openedRod(design: AxleDesign): Opened[] {
  const { tieRod } = typeOf(design);
  return openedOf(design).filter(({ point }) => point === tieRod?.inner || point === tieRod?.outer);
}

/** How many of what is found are built and looked at closely, beside the three leasts. */
const SHOWN = 8;
/**
 * The first-order reckoning of cars built is off by less than this part (0.4 % at the most on random layouts).
 * Places of one layout are off alike: after a few, by twice what was seen and a thousandth.
 */
const FIRST_ORDER = 0.015;
const FEW = 6;

/** What one choice of the search leaves. */
interface Candidate {
  found: Found;
  opened: Opened[];
  search: NullSearch;
  wheel: Wheel;
  steer: BumpSteer;
  effort: number;
}

/**
 * Finds places for the tie rod's joints that leave the toe alone, within the freedoms. Every choice is
 * measured by a fresh sweep, and the front of work against what is left, on paper and as built, is kept: the
 * least work, the least on paper and the least when built are the least of all that was tried. Yields the
 * part done.
 */
export function* findNull(
  build: Build,
  wheel: Wheel,
  wanted: NullWanted,
): Generator<number, NullFinding> {
  const before = bumpSteerOf(wheel);
  const free = openedRod(wheel.design);
  const swappedArms = wanted.swap ? swapArms(wheel) : null;
  const searches = [
    { search: new NullSearch(build, wheel, wanted), opened: free },
    ...(swappedArms
      ? [
          {
            search: new NullSearch(build, swappedArms, wanted, true),
            // Where the joints stand ahead is what the swap decides.
            opened: free.filter(({ coordinate }) => coordinate !== 'ahead'),
          },
        ]
      : []),
  ].filter(({ opened }) => opened.length > 0);
  const candidates: Candidate[] = [];
  let tried = 0;
  let all = true;
  for (const [i, { search, opened }] of searches.entries()) {
    const finding = find(search.problem(opened));
    let step = finding.next();
    while (!step.done) {
      yield (0.6 * (i + step.value)) / searches.length;
      step = finding.next();
    }
    tried += step.value.tried;
    all &&= step.value.all;
    for (const found of step.value.found) {
      const moved = search.wheelAt(found.values, opened);
      const steer = bumpSteerOf(moved);
      // Never what makes it worse, nor what changes nothing.
      if (!steer || (before && steer.span.range >= before.span.range)) continue;
      if (!search.changesAnything(found.values, opened)) continue;
      candidates.push({
        found,
        opened,
        search,
        wheel: moved,
        steer,
        effort: search.effortOf(found),
      });
    }
  }
  const cars = wanted.placing && new CarsBuilt(wheel.travel, wanted.placing);
  const built = cars ? yield* leastBuilt(candidates, cars) : null;
  const tight = cars && tightOf(build, wheel);
  const described = new Map<Candidate, NullFound>();
  const describe = (one: Candidate): NullFound => {
    const known = described.get(one);
    if (known) return known;
    const made = one.search.describe(one.found, one.opened, one.steer);
    if (tight) made.doubts.push(...tighter(tight, tightOf(build, one.wheel)));
    described.set(one, made);
    return made;
  };
  const work = leastWork(candidates, describe);
  const paper = least(candidates, ({ steer }) => steer.span.range);
  // Who asks for swapped arms wants to see them, on the front or not.
  const swapped = least(
    candidates.filter(({ search }) => search.swapped),
    ({ steer }) => steer.span.range,
  );
  const picks = [...new Set([work, paper, built, swapped].filter((one) => one !== null))];
  const front = frontOf(candidates).filter((one) => !picks.includes(one));
  const chosen = [...picks, ...spread(front, Math.max(0, SHOWN - picks.length))];
  const shown: { one: Candidate; is: NullFound }[] = [];
  for (const one of chosen) {
    const is = describe(one);
    const ranges = cars && cars.rangesOf(one.wheel);
    if (cars && ranges) is.buildable = { ...ranges, perMm: cars.perMm(one.wheel) };
    shown.push({ one, is });
    yield 0.75 + (0.25 * shown.length) / chosen.length;
  }
  shown.sort((a, b) => better(a.is, b.is));
  const isGood = work !== null && work.search.judge(work.steer) === 'very good';
  const left = paper?.steer.span.range ?? before?.span.range;
  const advice =
    isGood || left === undefined || free.length === 0
      ? []
      : adviseNull(build, wheel, free, left, wanted.spacer);
  const at = (wantedOne: Candidate | null) => shown.findIndex(({ one }) => one === wantedOne);
  return {
    before,
    found: shown.map(({ is }) => is),
    tried,
    all,
    work: at(work),
    paper: at(paper),
    steady: at(built),
    advice,
  };
}

/** The one with the least of a figure; the less work where two have the same. */
function least(candidates: Candidate[], figure: (one: Candidate) => number): Candidate | null {
  return candidates.reduce<Candidate | null>((best, one) => {
    if (!best) return one;
    const [a, b] = [figure(one), figure(best)];
    return a < b || (a === b && one.effort < best.effort) ? one : best;
  }, null);
}

/**
 * The least work that is very good, lets the joints be and keeps the rod's room; the least work that is very good
 * where none of the first few does; where nothing is, the least that is left.
 */
function leastWork(
  candidates: Candidate[],
  describe: (one: Candidate) => NullFound,
): Candidate | null {
  const good = candidates
    .filter(({ search, steer }) => search.judge(steer) === 'very good')
    .sort((a, b) => a.effort - b.effort || a.steer.span.range - b.steer.span.range);
  return (
    good.slice(0, SHOWN).find((one) => describe(one).doubts.length === 0) ??
    good[0] ??
    least(candidates, ({ steer }) => steer.span.range)
  );
}

/**
 * The one that nine cars in ten are built best of. A range is a convex figure of errors that are as likely
 * either way, so that cars are at the median no better than on paper: what is worse on paper than the best
 * built so far is left out. Of the rest those are built whose first-order reckoning could be the least.
 */
function* leastBuilt(
  candidates: Candidate[],
  cars: CarsBuilt,
): Generator<number, Candidate | null> {
  const reckoned: { one: Candidate; ninety: number }[] = [];
  let nearest = Infinity;
  const rising = [...candidates].sort((a, b) => a.steer.span.range - b.steer.span.range);
  for (const [i, one] of rising.entries()) {
    if (one.steer.span.range > nearest * (1 + FIRST_ORDER)) break;
    const ninety = cars.ninetyToFirstOrder(one.wheel);
    if (ninety === null) continue;
    nearest = Math.min(nearest, ninety);
    reckoned.push({ one, ninety });
    if (i % 16 === 15) yield 0.6 + (0.05 * i) / rising.length;
  }
  reckoned.sort((a, b) => a.ninety - b.ninety);
  let best: { one: Candidate; ninety: number } | null = null;
  let off = 0;
  for (const [i, { one, ninety: reckon }] of reckoned.entries()) {
    const margin = i < FEW ? FIRST_ORDER : Math.min(FIRST_ORDER, 2 * off + 0.001);
    if (best && reckon > best.ninety * (1 + margin)) break;
    const ninety = cars.ninety(one.wheel);
    if (ninety !== null) off = Math.max(off, Math.abs(reckon / ninety - 1));
    if (ninety !== null && (!best || ninety < best.ninety)) best = { one, ninety };
    if (i % 4 === 3) yield 0.65 + (0.1 * i) / reckoned.length;
  }
  return best?.one ?? null;
}

/** Those that none with less work leaves less than: from the least work to the least that is left. */
function frontOf(candidates: Candidate[]): Candidate[] {
  let left = Infinity;
  return [...candidates]
    .sort((a, b) => a.effort - b.effort || a.steer.span.range - b.steer.span.range)
    .filter(({ steer }) => {
      if (steer.span.range >= left) return false;
      left = steer.span.range;
      return true;
    });
}

const better = (a: NullFound, b: NullFound): number => {
  const good = (one: NullFound) => one.verdict === 'very good' && one.doubts.length === 0;
  if (good(a) !== good(b)) return Number(good(b)) - Number(good(a));
  return good(a) ? a.effort - b.effort : a.steer.span.range - b.steer.span.range;
};
