import { rodEnds } from '../corners/kinds';
import type { Found, Problem, Spread, Variable } from '../find/problem';
import { effortOf, limitsOf, placesOf, stepOf, washersFor } from '../freedoms/freedoms';
import type { Opened } from '../freedoms/freedoms';
import type { FreedomKind } from '../model/freedoms';
import { bindingOf } from '../clearance/doubts';
import type { Axle } from '../kinematics/axle';
import type { Wheel } from '../kinematics/wheel';
import { UPRIGHT_SIZE } from '../kinematics/corner';
import { briefOf } from '../model/brief';
import type { Build, Travel } from '../model/build';
import type { Coordinate, Point, PointName } from '../model/points';
import { runSweep, travelSweep, valueAt } from '../motion/sweep';
import { ackermannAt } from '../steering/ackermann';
import { judgeBumpSteer } from '../motion/bumpSteer';
import type { Verdict } from '../verdict/verdicts';
import type { BumpSteer } from '../motion/bumpSteer';
import type { Buildable } from './buildable';
import type { NullWanted } from '../model/nullWanted';
import { SWAP_EFFORT } from './swapArms';
import { ToeCurve, toeOf } from './toeCurve';
import type { RodCoordinate } from './toeCurve';

export interface NullChange {
  point: PointName;
  coordinate: Coordinate;
  from: number;
  to: number;
  kind: FreedomKind;
  /** Washers that make it, mm each, where it is made of washers. */
  washers: number[] | null;
}

/** One way to less bump steer that a builder can carry out. */
export interface NullFound {
  /** The steering arms swapped; `changes` are from there. */
  swapped: boolean;
  changes: NullChange[];
  /** Both ends of the rod. */
  points: Record<PointName, Point>;
  effort: number;
  steer: BumpSteer;
  verdict: Verdict;
  /** Toe range over the travel with the rack half way and at its end, the worse side, degrees; null out of reach. */
  atLock: { half: number | null; full: number | null } | null;
  /** Ackermann at half rack, %; null where nothing steers. */
  ackermann: number | null;
  buildable: Buildable | null;
  /** What speaks against it. */
  doubts: string[];
}

/** Positions over the travel whose toe counts, straight ahead and at each part of the lock. */
const STRAIGHT = 9;
const LOCKED = 7;
/** Over which a row's toe at part lock is told. */
const TOLD = 9;
const PARTS = [-0.5, 0.5];
/** Good enough: degrees of toe at part lock; per cent of Ackermann out of the band. */
const CLOSE = { lock: 0.3, ackermann: 5 };
/** Ackermann out of its band outweighs what bump steer could gain by it. */
const HELD = 4;

/** What of a build a search goes by beside the wheel. */
export type Searched = Pick<Build, 'use' | 'wheelbase' | 'brief' | 'room'>;

/** The tie rod's places as a problem for the general finder, and its answers as things a builder does. */
export class NullSearch {
  private readonly travel: Travel;
  private readonly points: Record<PointName, Point>;
  private readonly straight;
  private readonly locked;
  private readonly ride = new Float64Array(UPRIGHT_SIZE);
  private readonly targets;
  private readonly rack: number;

  constructor(
    private readonly build: Searched,
    private readonly wheel: Wheel,
    private readonly wanted: NullWanted,
    readonly swapped = false,
  ) {
    this.travel = wheel.travel;
    this.points = rodOf(wheel);
    this.rack = wheel.steerRange;
    this.straight = new ToeCurve(this.travel, STRAIGHT);
    this.locked =
      wanted.lock && this.rack > 0
        ? PARTS.map((part) => new ToeCurve(this.travel, LOCKED, part * this.rack))
        : [];
    this.targets = briefOf(build).targets;
  }

  /**
   * Toe about ride height over the travel, straight ahead and if wanted at part lock; what is to be least is
   * the toe range, turning points between positions included.
   */
  problem(opened: Opened[]): Problem {
    const { straight, locked, wanted, targets, ride } = this;
    const steers = wanted.ackermann && this.rack > 0;
    const [good] = targets.bumpSteer;
    const spreads: Spread[] = [{ from: 0, to: straight.size, weight: 1 }];
    let count = straight.size;
    for (const { size } of locked) {
      spreads.push({ from: count, to: count + size, weight: 1 });
      count += size;
    }
    if (steers) spreads.push({ from: count, to: ++count, weight: HELD });
    const solved = new Float64Array(opened.length).fill(NaN);
    const residuals: Problem['residuals'] = (values, into) => {
      solved.fill(NaN);
      const axle = this.axleAt(values, opened);
      if (!axle) return false;
      const side = axle[this.wheel.side];
      if (!side.corner.pose(0, 0, ride) || !straight.solve(side)) return false;
      straight.write(toeOf(ride), good, into, 0);
      for (const [i, curve] of locked.entries()) {
        if (!curve.solve(side)) return false;
        curve.write(curve.middle(), CLOSE.lock, into, spreads[i + 1].from);
      }
      if (steers) {
        const percent = ackermannAt(axle, this.build.wheelbase, this.rack / 2)?.percent;
        if (percent === undefined) return false;
        const [least, most] = targets.ackermann;
        into[count - 1] =
          (Math.max(0, percent - most) + Math.min(0, percent - least)) / CLOSE.ackermann;
      }
      solved.set(values);
      return true;
    };
    const room = new Float64Array(count);
    return {
      variables: opened.map((one) => this.variable(one)),
      count,
      spreads,
      residuals,
      // Ackermann has no slopes of its own.
      ...(!steers && {
        slopes: (values, free, into) => {
          if (!values.every((value, i) => value === solved[i]) && !residuals(values, room)) return;
          free.forEach((i, k) => {
            const { point, coordinate } = opened[i];
            const by: RodCoordinate = { point, coordinate };
            straight.writeSlopes(by, ride, good, into, k * count, false);
            for (const [l, curve] of locked.entries())
              curve.writeSlopes(by, ride, CLOSE.lock, into, k * count + spreads[l + 1].from, true);
          });
        },
      }),
    };
  }

  private variable({ point, coordinate, freedom }: Opened): Variable {
    const now = this.wheel.points[point][coordinate];
    const [min, max] = limitsOf(freedom, now);
    const { spacer } = this.wanted;
    const places =
      freedom.kind === 'shims'
        ? placesOf(freedom, now)!.filter((place) => Math.abs(place - freedom.base) <= spacer)
        : placesOf(freedom, now);
    return {
      now,
      places,
      min,
      max,
      step: stepOf(freedom),
      effort: (value) => effortOf(freedom, now, value),
    };
  }

  private axleAt(values: ArrayLike<number>, opened: Opened[]): Axle | null {
    const { points } = this;
    const drawn = this.wheel.points;
    for (const name of Object.keys(points)) Object.assign(points[name], drawn[name]);
    opened.forEach(({ point, coordinate }, i) => {
      points[point][coordinate] = values[i];
    });
    const { solved } = this.wheel.withRod(points);
    return solved.ok ? solved.axle : null;
  }

  /** The wheel with the joints at the values. */
  wheelAt(values: ArrayLike<number>, opened: Opened[]): Wheel {
    return this.wheel.withRod(this.rodAt(values, opened));
  }

  private rodAt(values: ArrayLike<number>, opened: Opened[]): NullFound['points'] {
    const points = rodOf(this.wheel);
    opened.forEach(({ point, coordinate }, i) => {
      points[point][coordinate] = values[i];
    });
    return points;
  }

  changesAnything(values: ArrayLike<number>, opened: Opened[]): boolean {
    const drawn = this.wheel.points;
    return (
      this.swapped ||
      opened.some(({ point, coordinate }, i) => isMove(drawn[point][coordinate], values[i]))
    );
  }

  effortOf = (found: Found): number => found.effort + (this.swapped ? SWAP_EFFORT : 0);

  judge = (steer: BumpSteer): Verdict => judgeBumpSteer(steer.worst, this.targets.bumpSteer);

  describe(found: Found, opened: Opened[], steer: BumpSteer): NullFound {
    const axle = this.axleAt(found.values, opened);
    if (!axle) throw new Error('an answer that cannot be solved');
    const points = this.rodAt(found.values, opened);
    const drawn = this.wheel.points;
    const changes = opened.flatMap(({ point, coordinate, freedom }): NullChange[] => {
      const from = drawn[point][coordinate];
      const to = points[point][coordinate];
      if (!isMove(from, to)) return [];
      const washers = freedom.kind === 'shims' ? washersFor(freedom, to) : null;
      return [{ point, coordinate, from, to, kind: freedom.kind, washers }];
    });
    const rangeAt = (part: number) => {
      const spans = [-part, part].map((at) => {
        const sweep = travelSweep(this.travel, TOLD, at * this.rack);
        if (runSweep(axle[this.wheel.side], sweep) < TOLD) return null;
        const toe = Array.from(sweep.travel, (_, i) => valueAt(sweep, i, 'toe'));
        return Math.max(...toe) - Math.min(...toe);
      });
      return spans[0] === null || spans[1] === null ? null : Math.max(spans[0], spans[1]);
    };
    return {
      swapped: this.swapped,
      changes,
      points,
      effort: this.effortOf(found),
      steer,
      verdict: this.judge(steer),
      atLock: this.rack > 0 ? { half: rangeAt(0.5), full: rangeAt(1) } : null,
      ackermann:
        this.rack > 0
          ? (ackermannAt(axle, this.build.wheelbase, this.rack / 2)?.percent ?? null)
          : null,
      buildable: null,
      doubts: bindingOf(this.build, this.wheel.withRod(points)),
    };
  }
}

/** The ends of a wheel's rod, to be moved. */
function rodOf({ type, points }: Wheel): Record<PointName, Point> {
  const { inner, outer } = rodEnds(type);
  return { [inner]: { ...points[inner] }, [outer]: { ...points[outer] } };
}

/** Less than this is no move, mm. */
const isMove = (from: number, to: number): boolean => Math.abs(to - from) >= 0.005;
