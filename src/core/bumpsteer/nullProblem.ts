import type { Found, Problem, Variable } from '../find/find';
import { effortOf, limitsOf, placesOf, stepOf, washersFor } from '../freedoms/freedoms';
import type { Freedom, FreedomKind } from '../freedoms/freedoms';
import { kindOf } from '../clearance/jointStates';
import { TILT_LIMITS } from '../clearance/roomSchema';
import { tiltsOf } from '../clearance/tilt';
import { pointsOf, prepareAxle, rackTravelOf } from '../kinematics/axle';
import type { Axle } from '../kinematics/axle';
import { briefOf } from '../model/brief';
import type { AxleDesign, Build, Side, Travel } from '../model/build';
import type { Coordinate, PointName, Points } from '../model/points';
import { makeSweep, runSweep, travelSweep, valueAt } from '../motion/sweep';
import { ackermannAt } from '../steering/ackermann';
import { judgeBumpSteer } from './bumpSteer';
import type { BumpSteer, Verdict } from './bumpSteer';
import type { Buildable, Placing } from './buildable';
import { SWAP_EFFORT } from './swapArms';
import { bumpSteerOf, withPoints } from './trial';

/** What the tie rod is to do besides leaving the toe alone. */
export interface NullWanted {
  /** Bump steer at part lock counts too. */
  lock: boolean;
  /** Ackermann stays within the brief's band. */
  ackermann: boolean;
  /** The steering arms may be swapped side to side, the rack going to the other side of the kingpins. */
  swap: boolean;
  /** No stack of washers is longer, mm. */
  spacer: number;
  /** How exactly joints are placed; null where no cars are to be built. */
  placing: Placing | null;
}

/** Joints that a null may move. */
export const ROD_POINTS: PointName[] = ['tieRodInner', 'tieRodOuter'];

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
  points: Pick<Points, 'tieRodInner' | 'tieRodOuter'>;
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

/** A coordinate that may move. */
export interface Opened {
  point: PointName;
  coordinate: Coordinate;
  freedom: Freedom;
}

/** Positions over the travel whose toe counts, straight ahead and at each part of the lock. */
const STRAIGHT = 9;
const LOCKED = 5;
const PARTS = [-0.5, 0.5];
/** The outer parts of the travel are seldom used and count less. */
const SELDOM = 0.6;
/** Good enough: degrees of toe at part lock; per cent of Ackermann out of the band. */
const CLOSE = { lock: 0.3, ackermann: 5 };

/** The tie rod's places as a problem for the general finder, and its answers as things a builder does. */
export class NullSearch {
  private readonly travel: Travel;
  private readonly points;
  private readonly straight;
  private readonly locked;
  private readonly ride = makeSweep(1);
  private readonly targets;
  private readonly rack: number;

  constructor(
    private readonly build: Build,
    private readonly design: AxleDesign,
    private readonly side: Side,
    private readonly wanted: NullWanted,
    private readonly swapped = false,
  ) {
    this.travel = build.travel;
    const { tieRodInner, tieRodOuter } = pointsOf(design, side);
    this.points = { tieRodInner: { ...tieRodInner }, tieRodOuter: { ...tieRodOuter } };
    this.rack = rackTravelOf(design);
    this.straight = travelSweep(this.travel, STRAIGHT);
    this.locked =
      wanted.lock && this.rack > 0
        ? PARTS.map((part) => travelSweep(this.travel, LOCKED, part * this.rack))
        : [];
    this.targets = briefOf(build).targets;
  }

  problem(opened: Opened[]): Problem {
    const { straight, locked, wanted, targets } = this;
    const steers = wanted.ackermann && this.rack > 0;
    const [good] = targets.bumpSteer;
    const weights = Array.from(straight.travel, (at) =>
      at > 0.7 * this.travel.bump || at < -0.7 * this.travel.droop ? SELDOM : 1,
    );
    return {
      variables: opened.map((one) => this.variable(one)),
      count: STRAIGHT + locked.length * LOCKED + (steers ? 1 : 0),
      residuals: (values, into) => {
        const axle = this.axleAt(values, opened);
        if (!axle) return false;
        const corner = axle[this.side];
        if (runSweep(corner, straight) < STRAIGHT || runSweep(corner, this.ride) < 1) return false;
        const toe = valueAt(this.ride, 0, 'toe');
        let next = 0;
        for (let i = 0; i < STRAIGHT; i++)
          into[next++] = (weights[i] * (valueAt(straight, i, 'toe') - toe)) / good;
        for (const sweep of locked) {
          if (runSweep(corner, sweep) < LOCKED) return false;
          const middle = valueAt(sweep, (LOCKED - 1) / 2, 'toe');
          for (let i = 0; i < LOCKED; i++)
            into[next++] = (valueAt(sweep, i, 'toe') - middle) / CLOSE.lock;
        }
        if (steers) {
          const percent = ackermannAt(axle, this.build.wheelbase, this.rack / 2)?.percent;
          if (percent === undefined) return false;
          const [least, most] = targets.ackermann;
          into[next] =
            (Math.max(0, percent - most) + Math.min(0, percent - least)) / CLOSE.ackermann;
        }
        return true;
      },
    };
  }

  private variable({ point, coordinate, freedom }: Opened): Variable {
    const now = pointsOf(this.design, this.side)[point][coordinate];
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
    const drawn = pointsOf(this.design, this.side);
    const { points } = this;
    Object.assign(points.tieRodInner, drawn.tieRodInner);
    Object.assign(points.tieRodOuter, drawn.tieRodOuter);
    opened.forEach(({ point, coordinate }, i) => {
      points[point as 'tieRodInner'][coordinate] = values[i];
    });
    const prepared = prepareAxle(withPoints(this.design, this.side, points));
    return prepared.ok ? prepared.axle : null;
  }

  describe(found: Found, opened: Opened[]): NullFound | null {
    const axle = this.axleAt(found.values, opened);
    if (!axle) return null;
    const points = {
      tieRodInner: { ...this.points.tieRodInner },
      tieRodOuter: { ...this.points.tieRodOuter },
    };
    const design = withPoints(this.design, this.side, points);
    const steer = bumpSteerOf(design, this.side, this.travel);
    if (!steer) return null;
    const drawn = pointsOf(this.design, this.side);
    const changes = opened.flatMap(({ point, coordinate, freedom }): NullChange[] => {
      const from = drawn[point][coordinate];
      const to = points[point as 'tieRodInner'][coordinate];
      if (Math.abs(to - from) < 0.005) return [];
      const washers = freedom.kind === 'shims' ? washersFor(freedom, to) : null;
      return [{ point, coordinate, from, to, kind: freedom.kind, washers }];
    });
    const rangeAt = (part: number) => {
      const spans = [-part, part].map((at) => {
        const sweep = travelSweep(this.travel, STRAIGHT, at * this.rack);
        if (runSweep(axle[this.side], sweep) < STRAIGHT) return null;
        const toe = Array.from(sweep.travel, (_, i) => valueAt(sweep, i, 'toe'));
        return Math.max(...toe) - Math.min(...toe);
      });
      return spans[0] === null || spans[1] === null ? null : Math.max(spans[0], spans[1]);
    };
    return {
      swapped: this.swapped,
      changes,
      points,
      effort: found.effort + (this.swapped ? SWAP_EFFORT : 0),
      steer,
      verdict: judgeBumpSteer(steer.worst, this.targets.bumpSteer),
      atLock: this.rack > 0 ? { half: rangeAt(0.5), full: rangeAt(1) } : null,
      ackermann:
        this.rack > 0
          ? (ackermannAt(axle, this.build.wheelbase, this.rack / 2)?.percent ?? null)
          : null,
      buildable: null,
      doubts: this.doubtsOf(design),
    };
  }

  /** Joints that bind where they were free before. */
  private doubtsOf(design: AxleDesign): string[] {
    const tilts = tiltsOf(design, this.side, this.travel);
    if (!tilts) return [];
    const limits = this.build.room?.wanted;
    return (['tieRodInner', 'tieRodOuter'] as const).flatMap((name) => {
      const kind = kindOf(name, this.rack > 0);
      const limit = limits?.[kind] ?? TILT_LIMITS[kind];
      const { tilt } = tilts[name];
      return tilt > limit
        ? [
            `the ${name === 'tieRodInner' ? 'inner' : 'outer'} joint tilts ${tilt.toFixed(0)}°, past ${limit}°`,
          ]
        : [];
    });
  }
}
