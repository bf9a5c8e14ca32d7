import { SWAP_EFFORT } from '../bumpsteer/swapArms';
import { bumpSteerOf } from '../bumpsteer/trial';
import { bindingOf, tightOf, tighter } from '../clearance/doubts';
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
import { stopsFor } from '../steering/stops';
import type { Verdict } from '../verdict/verdicts';
import { measureAckermann } from './measure';
import type { AckermannMeasured } from './measure';
import { isAlike } from '../kinematics/axle';
import { CLOSE, startOf } from './problem';
import type { AckermannSearch, Move } from './problem';

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
  /**
   * Length of the collars that it needs, each side, mm, or degrees that a drop arm is to be stopped earlier: past them
   * something gives out, binds or touches; 0 of none.
   */
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

/** What is measured of a layout: bump steer of the worse wheel, and Ackermann. */
export interface Measured {
  steer: BumpSteer;
  ackermann: AckermannMeasured;
}

/** What one choice of the search comes to. */
export interface Candidate extends Measured {
  values: number[];
  design: AxleDesign;
  collar: number;
  effort: number;
}

/** Work of a pair of collars on a rack. */
const COLLARS = 2;
/** Less than this is no move, mm. */
const LEAST_MOVE = 0.005;

/** Measures layouts of one wheel, and says what they are. */
export class Judge {
  readonly kept: { lock: number; good: number };
  private readonly bands;
  private readonly tight;
  /** How near a rod may come to its arm, from straight, degrees; null where the axle as it is does not reach its ends. */
  private readonly rodLeast: number | null;

  constructor(
    private readonly build: Build,
    private readonly wheel: Wheel,
    private readonly wanted: AckermannWanted,
    lock: number,
  ) {
    this.bands = briefOf(build).targets.bumpSteer;
    this.kept = { lock, good: this.bands[0] };
    this.tight = tightOf(build, wheel);
    // What is near over centre now, or out of reach, is no fault of an answer.
    const now = this.rodAtEnds(wheel.design);
    this.rodLeast = now === null ? null : Math.min(ROD_LEAST, Math.floor(now));
  }

  measure(design: AxleDesign): Measured | null {
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
    const { design } = this.wheel;
    const marked = search.moves.map((move, i) => {
      const { freedom } = move;
      const now = startOf(design, move);
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
    const { rack, dropArm } = design;
    if (!stops) return null;
    // Both ways keep the lock: where one gets there sooner, the other says how far it goes.
    const most = Math.max(...stops.map((stop) => Math.abs(stop.rack)));
    if (dropArm) {
      const lock = Math.ceil(10 * most - 1e-6) / 10;
      return lock < dropArm.lock
        ? { design: { ...design, dropArm: { ...dropArm, lock } }, collar: dropArm.lock - lock }
        : null;
    }
    if (!rack) return null;
    // Rounded so that no lock is lost by it.
    const stop = Math.floor(10 * (rack.travel - most) + 1e-6) / 10;
    return stop > (rack.stop ?? 0)
      ? { design: { ...design, rack: { ...rack, stop } }, collar: stop }
      : null;
  }

  /** Whether the rack's ends are reached at every travel, no rod too near straight with its arm; kept where it is so now. */
  private isFree(design: AxleDesign): boolean {
    if (this.rodLeast === null) return true;
    const angle = this.rodAtEnds(design);
    return angle !== null && angle >= this.rodLeast;
  }

  /**
   * Least angle from straight between a rod and its arm with the rack at its ends, at droop, ride height and bump,
   * degrees; null where a wheel does not reach one of them.
   */
  private rodAtEnds(design: AxleDesign): number | null {
    const {
      solved,
      steerRange,
      travel: { bump, droop },
    } = this.wheel.drawnAs(design);
    if (!solved.ok) return null;
    const ends = Float64Array.of(-steerRange, steerRange);
    let least = 90;
    for (const travel of [-droop, 0, bump]) {
      const over = lockToLock(solved.axle, this.build.wheelbase, travel, ends);
      if (!over?.reachable.every((there) => there === 1)) return null;
      for (const { tieAngle } of [over.left, over.right])
        for (const angle of tieAngle)
          // A wheel that steers about nothing has no arm to be straight with.
          if (!Number.isNaN(angle)) least = Math.min(least, angle, 180 - angle);
    }
    return least;
  }

  /** An arm is made once, a bracket too, whichever way it goes. */
  private effortOf({ moves }: AckermannSearch, values: readonly number[]): number {
    const { design } = this.wheel;
    const made = { arm: 0, dropArm: 0, bracket: 0, spacing: 0 };
    let effort = 0;
    moves.forEach((move, i) => {
      const { freedom, by } = move;
      const from = startOf(design, move);
      if (Math.abs(values[i] - from) < LEAST_MOVE) return;
      const own = effortOf(freedom, from, values[i]);
      if (by === 'own') effort += own;
      else {
        // A new drop arm is made once, however it is longer, wider or cranked.
        const what = by === 'arm' ? by : ofDropArm(design, by);
        const once = what === 'arm' || what === 'dropArm' ? SWAP_EFFORT : effortOf(AS[what], 0, 1);
        made[what] = Math.max(made[what], once);
        effort += Math.abs(values[i] - from) / 100;
      }
    });
    return effort + made.arm + made.dropArm + made.bracket + made.spacing;
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
    const moved = search.moves.flatMap((move, i): Moved[] => {
      const { point, coordinate, freedom, by } = move;
      const [from, to] = [startOf(this.wheel.design, move), one.values[i]];
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
}

/** What a move of the inner joint makes new. */
const ofDropArm = ({ dropArm }: AxleDesign, by: Move['by']): 'dropArm' | 'bracket' | 'spacing' =>
  dropArm ? 'dropArm' : by === 'bracket' ? by : 'spacing';

/** What is made new, as the freedom whose work it is. */
const AS = {
  bracket: { kind: 'range', min: 0, max: 1, step: 0 },
  spacing: { kind: 'plate', min: 0, max: 1 },
} as const;
