import { nearSideOf } from '../corners/kinds';
import { find } from '../find/find';
import { Solver } from '../find/solver';
import { spread } from '../find/spread';
import { wheelOf } from '../kinematics/wheel';
import type { Wheel } from '../kinematics/wheel';
import type { AckermannWanted } from '../model/ackermannWanted';
import { briefOf } from '../model/brief';
import type { Build } from '../model/build';
import { steerable } from '../steering/steerable';
import { stopsFor } from '../steering/stops';
import { Judge } from './judge';
import type { AckermannFound, Candidate, Measured } from './judge';
import { AckermannSearch, CLOSE } from './problem';

export interface AckermannFinding {
  before: Measured;
  /** Of the inner wheel, degrees: what is wanted, or what there is where that is less. */
  lock: number;
  /** Those that no other beats in Ackermann, bump steer and work at once; those that meet what is wanted first, by work. */
  found: AckermannFound[];
  tried: number;
  all: boolean;
  /** Which of `found` is the least work that meets what is wanted, the nearest to it, the least bump steer; −1 of none. */
  work: number;
  nearest: number;
  steady: number;
  /** What a wider reach would give where nothing meets what is wanted, measured. */
  advice: AckermannFound | null;
}

/** Why nothing can be looked for, in a builder's words. */
export type AckermannAnswer = { ok: true; finding: AckermannFinding } | { ok: false; why: string };

/** Ackermann against bump steer: from bump steer first to Ackermann first. */
const WEIGHTS = [0.5, 2, 8];
const SHOWN = 9;
/** Of the front so many are looked at for room and joints. */
const CLOSELY = 24;
/** Differences that nobody could measure: degrees, and of toe. */
const ALIKE = { error: 0.02, range: 0.003 };
/** Answers so near each other are one: degrees, work, mm. */
const BESIDE = { error: 0.03, effort: 1, mm: 3 };
/** How far things are let go where it is asked what would help, mm. */
const WIDE = { arm: 80, ahead: 80, height: 40, spacing: 0, length: 30, crank: 0 };

/**
 * Finds places for the rod's joints that turn the wheels as wanted and leave the toe alone over bumps, within the
 * wishes and freedoms; both sides alike. Every choice is measured by fresh sweeps. Yields the part done.
 */
export function* findAckermann(
  build: Build,
  wanted: AckermannWanted,
): Generator<number, AckermannAnswer> {
  const wheel = wheelOf(build, 'front', nearSideOf(build.front));
  const can = steerable(wheel, 0);
  if (!can.ok) return can;
  const stops = stopsFor(can.axle, build.wheelbase, briefOf(build).targets.lock);
  if (!stops || stops.some(({ cut }) => cut))
    return {
      ok: false,
      why: `the ${can.axle.steersBy} cannot go to its end: shorten how far it goes in the brief first`,
    };
  const lock = Math.min(...stops.map(({ inner }) => inner));
  const judge = new Judge(build, wheel, wanted, lock);
  const before = judge.measure(wheel.design);
  if (!before)
    return { ok: false, why: 'the front wheels cannot go through their whole travel as drawn' };
  const search = new AckermannSearch(build, wheel, wanted, lock);
  const candidates: Candidate[] = [];
  let tried = 0;
  let all = true;
  if (search.moves.length > 0)
    for (const [i, weight] of WEIGHTS.entries()) {
      const finding = find(search.problem(weight));
      let step = finding.next();
      while (!step.done) {
        yield (0.75 * (i + step.value)) / WEIGHTS.length;
        step = finding.next();
      }
      tried += step.value.tried;
      all &&= step.value.all;
      for (const { values } of step.value.found) {
        const candidate = judge.candidate(search, values);
        if (candidate && isBetter(candidate, before, judge.kept)) candidates.push(candidate);
      }
    }
  yield 0.8;
  const front = apart(frontOf(candidates));
  const looked: { one: Candidate; is: AckermannFound }[] = [];
  for (const one of spread(front, CLOSELY)) {
    looked.push({ one, is: judge.describe(search, one) });
    yield 0.8 + (0.15 * looked.length) / CLOSELY;
  }
  const free = looked.filter(({ is }) => is.doubts.length === 0);
  const pool = free.length > 0 ? free : looked;
  const met = pool.filter(({ is }) => is.meets);
  const least = (of: typeof pool, figure: (is: AckermannFound) => number) =>
    of.reduce<(typeof pool)[number] | null>(
      (best, one) => (!best || figure(one.is) < figure(best.is) ? one : best),
      null,
    );
  const work = least(met, ({ effort }) => effort);
  const nearest = least(pool, ({ ackermann }) => Math.abs(ackermann.worst));
  const steady = least(pool, ({ steer }) => steer.span.range);
  const picks = [...new Set([work, nearest, steady].filter((one) => one !== null))];
  const rest = [...pool, ...looked].filter((one) => !picks.includes(one));
  const shown = [...picks, ...spread([...new Set(rest)], SHOWN - picks.length)].map(({ is }) => is);
  shown.sort(
    (a, b) =>
      Number(b.meets) - Number(a.meets) ||
      a.doubts.length - b.doubts.length ||
      (a.meets ? a.effort - b.effort : Math.abs(a.ackermann.worst) - Math.abs(b.ackermann.worst)),
  );
  const advice = work ? null : advise(build, wheel, wanted, judge, nearest?.is ?? null, before);
  return {
    ok: true,
    finding: {
      ...{ before, lock, found: shown, tried, all, advice },
      work: work ? shown.indexOf(work.is) : -1,
      nearest: nearest ? shown.indexOf(nearest.is) : -1,
      steady: steady ? shown.indexOf(steady.is) : -1,
    },
  };
}

/** Nearer to what is wanted, the lock kept, and bump steer no worse than it was or very good. */
const isBetter = (
  { steer, ackermann }: Candidate,
  before: Measured,
  { lock, good }: Judge['kept'],
): boolean =>
  Math.abs(ackermann.worst) < Math.abs(before.ackermann.worst) - ALIKE.error &&
  steer.worst <= Math.max(before.steer.worst + ALIKE.range, good) &&
  ackermann.lock >= lock - CLOSE.lock;

/** The best of a wider reach, measured; null where it is no better than what was found. */
function advise(
  build: Build,
  wheel: Wheel,
  wanted: AckermannWanted,
  judge: Judge,
  nearest: AckermannFound | null,
  before: Measured,
): AckermannFound | null {
  const wider = { ...wanted };
  for (const name of ['arm', 'ahead', 'height'] as const)
    wider[name] = Math.max(wanted[name], WIDE[name]);
  const search = new AckermannSearch(build, wheel, wider, judge.kept.lock);
  const problem = search.problem(WEIGHTS[1]);
  const { variables } = problem;
  const found = new Solver(problem).solve(
    Float64Array.from(variables, ({ now }) => now),
    variables.flatMap(({ places }, i) => (places ? [] : [i])),
  );
  const candidate = found?.settled ? judge.candidate(search, found.values) : null;
  if (!candidate || !isBetter(candidate, before, judge.kept)) return null;
  const is = judge.describe(search, candidate);
  const left = Math.abs((nearest ?? before).ackermann.worst);
  return Math.abs(is.ackermann.worst) < 0.8 * left && is.doubts.length === 0 ? is : null;
}

/** Those that no other is as good as in everything and better in something, by what is left of Ackermann. */
function frontOf(candidates: Candidate[]): Candidate[] {
  const figures = ({ ackermann, steer, effort }: Candidate) => [
    Math.abs(ackermann.worst) / ALIKE.error,
    steer.span.range / ALIKE.range,
    effort,
  ];
  const sorted = [...candidates].sort(
    (a, b) =>
      Math.abs(a.ackermann.worst) - Math.abs(b.ackermann.worst) ||
      a.effort - b.effort ||
      a.steer.span.range - b.steer.span.range,
  );
  const front: { one: Candidate; is: number[] }[] = [];
  for (const one of sorted) {
    const is = figures(one);
    // What is not better by as much as could be measured is no other answer.
    const beaten = front.some(({ is: known }) =>
      known.every((figure, i) => figure <= is[i] + (i < 2 ? 1 : 1e-9)),
    );
    if (!beaten) front.push({ one, is });
  }
  return front.map(({ one }) => one);
}

/** Without those that a builder could not tell from one with less bump steer: as good, and every joint as near. */
function apart(front: Candidate[]): Candidate[] {
  const kept: Candidate[] = [];
  for (const one of [...front].sort((a, b) => a.steer.span.range - b.steer.span.range)) {
    const alike = kept.some(
      (known) =>
        Math.abs(Math.abs(known.ackermann.worst) - Math.abs(one.ackermann.worst)) < BESIDE.error &&
        known.effort < one.effort + BESIDE.effort &&
        known.values.every((value, i) => Math.abs(value - one.values[i]) < BESIDE.mm),
    );
    if (!alike) kept.push(one);
  }
  return front.filter((one) => kept.includes(one));
}
