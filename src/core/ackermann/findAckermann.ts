import { bindingOf, tightOf, tighter } from '../clearance/doubts';
import { bumpSteerOf } from '../bumpsteer/trial';
import { SWAP_EFFORT } from '../bumpsteer/swapArms';
import { find } from '../find/find';
import { spread } from '../find/spread';
import { Solver } from '../find/solver';
import { effortOf, limitsOf, stepOf, washersFor } from '../freedoms/freedoms';
import { wheelOf } from '../kinematics/wheel';
import type { Wheel } from '../kinematics/wheel';
import type { AckermannWanted } from '../model/ackermannWanted';
import { briefOf } from '../model/brief';
import type { AxleDesign, Build } from '../model/build';
import type { Coordinate } from '../model/points';
import { judgeBumpSteer } from '../motion/bumpSteer';
import type { BumpSteer } from '../motion/bumpSteer';
import { ROD_LEAST } from '../steering/lockLimits';
import { lockToLock } from '../steering/lockToLock';
import { steerable } from '../steering/steerable';
import { stopsFor } from '../steering/stops';
import type { Verdict } from '../verdict/verdicts';
import { measureAckermann } from './measure';
import type { AckermannMeasured } from './measure';
import { AckermannSearch, CLOSE, isAlike } from './problem';
import type { Move } from './problem';

/** One coordinate as it was and as it is to be, and what makes it so. */
export interface Moved extends Pick<Move, 'by'> {
  point: Move['point'];
  coordinate: Coordinate;
  kind: Move['freedom']['kind'];
  from: number;
  to: number;
  /** Washers that make it, mm each, where it is made of washers. */
  washers: number[] | null;
}

/** One way to the Ackermann wanted, as a fresh sweep measures it. */
export interface AckermannFound {
  /** The front axle so, collars on the rack included. */
  design: AxleDesign;
  /** Length of the collars that it needs, each side, mm: past them something gives out, binds or touches; 0 of none. */
  collar: number;
  moved: Moved[];
  effort: number;
  /** Of the worse wheel. */
  steer: BumpSteer;
  verdict: Verdict;
  ackermann: AckermannMeasured;
  /** As near as is good enough, and bump steer very good. */
  meets: boolean;
  /** What speaks against it. */
  doubts: string[];
}

export interface AckermannFinding {
  before: { steer: BumpSteer; ackermann: AckermannMeasured };
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
/** Less than this is no move, mm. */
const LEAST_MOVE = 0.005;
/** How far things are let go where it is asked what would help, mm. */
const WIDE = { arm: 80, ahead: 80, height: 40, spacing: 0 };

interface Candidate {
  values: number[];
  design: AxleDesign;
  collar: number;
  effort: number;
  steer: BumpSteer;
  ackermann: AckermannMeasured;
}

/**
 * Finds places for the rod's joints that turn the wheels as wanted and leave the toe alone over bumps, within the
 * wishes and freedoms; both sides alike. Every choice is measured by fresh sweeps. Yields the part done.
 */
export function* findAckermann(
  build: Build,
  wanted: AckermannWanted,
): Generator<number, AckermannAnswer> {
  const wheel = wheelOf(build, 'front', 'left');
  const can = steerable(wheel, 0);
  if (!can.ok) return can;
  const stops = stopsFor(can.axle, build.wheelbase, briefOf(build).targets.lock);
  if (!stops || stops.some(({ cut }) => cut))
    return {
      ok: false,
      why: 'the rack cannot go to its end: shorten its travel in the brief first',
    };
  const lock = Math.min(...stops.map(({ inner }) => inner));
  const eye = new Eye(build, wheel, wanted, lock);
  const before = eye.measure(wheel.design);
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
        const candidate = eye.candidate(search, values);
        if (candidate && isBetter(candidate, before, eye.kept)) candidates.push(candidate);
      }
    }
  yield 0.8;
  const front = apart(frontOf(candidates));
  const looked: { one: Candidate; is: AckermannFound }[] = [];
  for (const one of spread(front, CLOSELY)) {
    looked.push({ one, is: eye.describe(search, one) });
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
  const advice = work ? null : eye.advise(build, wheel, wanted, lock, nearest?.is ?? null, before);
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
  before: AckermannFinding['before'],
  { lock, good }: Eye['kept'],
): boolean =>
  Math.abs(ackermann.worst) < Math.abs(before.ackermann.worst) - ALIKE.error &&
  steer.worst <= Math.max(before.steer.worst, good) &&
  ackermann.lock >= lock - CLOSE.lock;

/** Measures layouts of one wheel, and says what they are. */
class Eye {
  readonly kept: { lock: number; good: number };
  private readonly bands;
  private readonly tight;
  private rodLeast: number;
  /** The axle as it is reaches every travel with the rack at its ends: answers are to as well. */
  private keepsEnds = true;

  constructor(
    private readonly build: Build,
    private readonly wheel: Wheel,
    private readonly wanted: AckermannWanted,
    lock: number,
  ) {
    this.bands = briefOf(build).targets.bumpSteer;
    this.kept = { lock, good: this.bands[0] };
    this.tight = tightOf(build, wheel);
    // What is near over centre now is no fault of an answer.
    this.rodLeast = ROD_LEAST;
    while (this.rodLeast > 0 && !this.isFree(wheel.design)) this.rodLeast -= 1;
    this.keepsEnds = this.isFree(wheel.design);
  }

  measure(design: AxleDesign): AckermannFinding['before'] | null {
    const { build, wanted, kept } = this;
    const wheels = this.wheelsOf(design);
    const steers = wheels.map((wheel) => bumpSteerOf(wheel));
    const { solved } = wheels[0];
    if (!solved.ok || steers.some((one) => one === null)) return null;
    const ackermann = measureAckermann(solved.axle, build.wheelbase, wanted, kept.lock);
    const steer = steers.reduce((a, b) => (b!.worst > a!.worst ? b : a))!;
    return ackermann && { steer, ackermann };
  }

  private wheelsOf(design: AxleDesign): Wheel[] {
    const own = { front: design, travel: this.build.travel };
    const left = wheelOf(own, 'front', 'left');
    return isAlike(design) ? [left] : [left, wheelOf(own, 'front', 'right')];
  }

  /** What has no steps goes to a tenth of a millimetre, as it can be marked out. */
  candidate(search: AckermannSearch, values: readonly number[]): Candidate | null {
    const { points } = this.wheel.design;
    const marked = search.moves.map(({ point, coordinate, freedom }, i) => {
      const now = points[point][coordinate];
      if (Math.abs(values[i] - now) < LEAST_MOVE) return now;
      if (stepOf(freedom) > 0 || !('min' in freedom)) return values[i];
      const [min, max] = limitsOf(freedom, now);
      return Math.min(max, Math.max(min, Math.round(values[i] * 10) / 10));
    });
    const moved = search.designAt(marked);
    const collared = this.measure(moved) && this.collared(moved);
    // Collars come in tenths too: what they leave of the lock is measured.
    const measured = collared && this.measure(collared.design);
    if (!measured) return null;
    const effort = this.effortOf(search, marked) + (collared.collar > 0 ? COLLARS : 0);
    return { ...measured, ...collared, values: marked, effort };
  }

  /**
   * The axle with collars where it needs them: the rack's way to its end is out of reach at some travel, or takes a rod
   * nearer to its arm than it was and than is to be kept. Null where collars for the lock do not do.
   */
  private collared(design: AxleDesign): Pick<Candidate, 'design' | 'collar'> | null {
    if (this.isFree(design)) return { design, collar: 0 };
    const stopped = this.stopped(design);
    return stopped && this.isFree(stopped.design) ? stopped : null;
  }

  /** The axle with collars for the lock that is kept; null where the rack ends before it. */
  private stopped(design: AxleDesign): Pick<Candidate, 'design' | 'collar'> | null {
    const { solved } = this.wheel.drawnAs(design);
    const stops = solved.ok ? stopsFor(solved.axle, this.build.wheelbase, this.kept.lock) : null;
    const { rack } = design;
    if (!stops || !rack) return null;
    const least = Math.min(...stops.map((stop) => Math.abs(stop.rack)));
    // Rounded so that no lock is lost by it.
    const stop = Math.floor(10 * (rack.travel - least) + 1e-6) / 10;
    return stop > (rack.stop ?? 0)
      ? { design: { ...design, rack: { ...rack, stop } }, collar: stop }
      : null;
  }

  /** Whether both wheels reach every travel with the rack at its ends, no rod too near straight with its arm. */
  private isFree(design: AxleDesign): boolean {
    if (!this.keepsEnds) return true;
    const { bump, droop } = this.build.travel;
    const { solved, rackTravel } = this.wheel.drawnAs(design);
    if (!solved.ok) return false;
    return [-droop, 0, bump].every((travel) => {
      const over = lockToLock(
        solved.axle,
        this.build.wheelbase,
        travel,
        Float64Array.of(-rackTravel, rackTravel),
      );
      return over?.reachable.every(
        (there, i) =>
          there === 1 &&
          [over.left, over.right].every(
            ({ tieAngle }) => Math.min(tieAngle[i], 180 - tieAngle[i]) >= this.rodLeast,
          ),
      );
    });
  }

  /** An arm is made once, a bracket too, whichever way it goes. */
  private effortOf({ moves }: AckermannSearch, values: readonly number[]): number {
    const { points } = this.wheel.design;
    const made = { arm: 0, bracket: 0, spacing: 0 };
    let effort = 0;
    moves.forEach(({ point, coordinate, freedom, by }, i) => {
      const from = points[point][coordinate];
      if (Math.abs(values[i] - from) < LEAST_MOVE) return;
      const own = effortOf(freedom, from, values[i]);
      if (by === 'own') effort += own;
      else {
        const once = by === 'arm' ? SWAP_EFFORT : effortOf(AS[by], 0, 1);
        made[by] = Math.max(made[by], once);
        effort += Math.abs(values[i] - from) / 100;
      }
    });
    return effort + made.arm + made.bracket + made.spacing;
  }

  /** What comes too near past the lock that is kept gets collars, where they clear it. */
  describe(search: AckermannSearch, found: Candidate): AckermannFound {
    let one = found;
    let doubts = this.doubtsOf(one.design);
    const stopped = doubts.length > 0 ? this.stopped(one.design) : null;
    const measured = stopped && this.measure(stopped.design);
    if (stopped && measured) {
      const left = this.doubtsOf(stopped.design);
      if (left.length < doubts.length) {
        const effort = one.effort + (one.collar > 0 ? 0 : COLLARS);
        one = { ...one, ...stopped, ...measured, effort };
        doubts = left;
      }
    }
    const { design, collar, effort, steer, ackermann } = one;
    const drawn = this.wheel.design.points;
    const moved = search.moves.flatMap(({ point, coordinate, freedom, by }, i): Moved[] => {
      const [from, to] = [drawn[point][coordinate], one.values[i]];
      if (Math.abs(to - from) < LEAST_MOVE) return [];
      const washers = freedom.kind === 'shims' ? washersFor(freedom, to) : null;
      return [{ point, coordinate, by, kind: freedom.kind, from, to, washers }];
    });
    const verdict = judgeBumpSteer(steer.worst, this.bands);
    const meets = verdict === 'very good' && Math.abs(ackermann.worst) <= CLOSE.ackermann;
    return {
      design,
      collar,
      moved,
      effort,
      steer,
      verdict,
      ackermann,
      meets,
      doubts,
    };
  }

  private doubtsOf(design: AxleDesign): string[] {
    const all = this.wheelsOf(design).flatMap((wheel) => [
      ...bindingOf(this.build, wheel),
      ...tighter(this.tight, tightOf(this.build, wheel)),
    ]);
    return [...new Set(all)];
  }

  /** The best of a wider reach, measured; null where it is no better than what was found. */
  advise(
    build: Build,
    wheel: Wheel,
    wanted: AckermannWanted,
    lock: number,
    nearest: AckermannFound | null,
    before: AckermannFinding['before'],
  ): AckermannFound | null {
    const wider = { ...wanted };
    for (const name of ['arm', 'ahead', 'height'] as const)
      wider[name] = Math.max(wanted[name], WIDE[name]);
    const search = new AckermannSearch(build, wheel, wider, lock);
    const problem = search.problem(WEIGHTS[1]);
    const { variables } = problem;
    const found = new Solver(problem).solve(
      Float64Array.from(variables, ({ now }) => now),
      variables.flatMap(({ places }, i) => (places ? [] : [i])),
    );
    const candidate = found?.settled ? this.candidate(search, found.values) : null;
    if (!candidate || !isBetter(candidate, before, this.kept)) return null;
    const is = this.describe(search, candidate);
    const left = Math.abs((nearest ?? before).ackermann.worst);
    return Math.abs(is.ackermann.worst) < 0.8 * left && is.doubts.length === 0 ? is : null;
  }
}

/** Work of a pair of collars on a rack. */
const COLLARS = 2;

/** What is made new, as the freedom whose work it is. */
const AS = {
  bracket: { kind: 'range', min: 0, max: 1, step: 0 },
  spacing: { kind: 'plate', min: 0, max: 1 },
} as const;

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
