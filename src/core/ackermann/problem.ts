import { armJointOf, rodEnds, typeOf } from '../corners/kinds';
import { unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { toRing } from '../clearance/ring';
import { tyreOf } from '../clearance/room';
import { ToeCurve, toeOf } from '../bumpsteer/toeCurve';
import type { RodCoordinate } from '../bumpsteer/toeCurve';
import type { Problem, Spread, Variable } from '../find/problem';
import { effortOf, limitsOf, openedOf, placesOf, stepOf } from '../freedoms/freedoms';
import { dropArmWay, isAlike, pointsKey, pointsOf } from '../kinematics/axle';
import { dropArmTo } from '../kinematics/innerWay';
import { UPRIGHT_SIZE } from '../kinematics/corner';
import { spindleOf } from '../kinematics/spindle';
import type { Wheel } from '../kinematics/wheel';
import { briefOf } from '../model/brief';
import type { AxleDesign, Build, Side } from '../model/build';
import type { Freedom } from '../model/freedoms';
import { COORDINATES, toVec } from '../model/points';
import type { Coordinate, PointName, Points } from '../model/points';
import { startingRoom } from '../model/room';
import type { AckermannWanted } from '../model/ackermannWanted';
import { handwheelOf } from '../steering/hand';
import { ROD_LEAST } from '../steering/lockLimits';
import { JOINT_BODY } from '../upright/rim';
import { OverLock, PARTS } from './overLock';

/** What of a build a search goes by beside the wheel. */
export type Searched = Pick<Build, 'use' | 'wheelbase' | 'brief' | 'room' | 'rod'>;

/** A coordinate of a rod's joint that may move, and what moves it: a freedom of its own, or something made new. */
export interface Move extends RodCoordinate {
  freedom: Freedom;
  by: 'own' | 'arm' | 'bracket' | 'spacing' | 'length' | 'crank';
}

/** Where a move starts, mm: the coordinate as drawn, or nought along a direction of its own. */
export const startOf = ({ points }: AxleDesign, { point, coordinate, along }: Move): number =>
  along ? 0 : points[point][coordinate];

/** Positions over the travel whose toe counts. */
const STRAIGHT = 9;
/** Good enough: degrees of the inner wheel; of lock; mm of room in the rim; degrees of a rod to its arm; part of the ratio. */
export const CLOSE = { ackermann: 1, lock: 0.25, rim: 1, rod: 2, ratio: 0.02 };
/** A limit outweighs what could be gained by passing it. */
const HELD = 40;

/** At lock a rod comes nearer to straight at some travel than at ride height, degrees: about so much. */
const OVER_TRAVEL = 4;
/** The ratio may change by this part. */
const RATIO_KEPT = 0.15;

/** What may move, by the wishes first and then by the freedoms of the joints. */
export function movesOf(design: AxleDesign, wanted: AckermannWanted): Move[] {
  const { points } = design;
  const type = typeOf(design);
  const outer = armJointOf(type);
  if (outer === null) return [];
  // A drag link's inner joint does nothing for Ackermann.
  const inner = type.coupled ? null : rodEnds(type).inner;
  const by: Record<PointName, Record<Coordinate, number>> = {
    [outer]: { ahead: wanted.arm, out: wanted.arm, up: wanted.arm },
    // A drop arm stays on its column.
    ...(inner && {
      [inner]: design.dropArm
        ? { ahead: 0, out: wanted.spacing, up: 0 }
        : { ahead: wanted.ahead, out: wanted.spacing, up: wanted.height },
    }),
  };
  const own = openedOf(design);
  const arm = inner ? dropArmMoves(design, inner, wanted) : [];
  // What a new drop arm may do is not also asked of its joint's own coordinates.
  const ofInner = (coordinate: Coordinate) => arm.length > 0 && coordinate !== 'out';
  const moves = Object.keys(by).flatMap((point) =>
    COORDINATES.flatMap((coordinate): Move[] => {
      const reach = by[point][coordinate];
      if (reach > 0) {
        const now = points[point][coordinate];
        const made = point === outer ? 'arm' : coordinate === 'out' ? 'spacing' : 'bracket';
        return [
          {
            point,
            coordinate,
            freedom: { kind: 'range', min: now - reach, max: now + reach, step: 0 },
            by: made,
          },
        ];
      }
      const opened = own.find((one) => one.point === point && one.coordinate === coordinate);
      if (!opened || (point === inner && ofInner(coordinate))) return [];
      return [{ point, coordinate, freedom: opened.freedom, by: 'own' }];
    }),
  );
  return [...moves, ...arm];
}

/** What a new drop arm may do to its hole, in its own plane and out of it: be longer, and be cranked along the shaft. */
function dropArmMoves(
  design: AxleDesign,
  inner: PointName,
  { length = 0, crank = 0 }: AckermannWanted,
): Move[] {
  if (!design.dropArm) return [];
  const way = dropArmWay(design.dropArm, 'left');
  const { arm } = dropArmTo(way, toVec(design.points[inner]));
  const middle: Vec = [arm[0], 0, arm[2]];
  const long = Math.hypot(...middle);
  const move = (by: 'length' | 'crank', along: Vec, reach: number): Move[] =>
    reach > 0
      ? [
          {
            ...{ point: inner, coordinate: 'up', by, along },
            freedom: { kind: 'range', min: -reach, max: reach, step: 0 },
          },
        ]
      : [];
  // No arm is shorter than a third of what it is.
  const shortest = Math.min(length, (2 * long) / 3);
  return [
    ...(long > 1 ? move('length', unit(middle), shortest) : []),
    ...move('crank', way.about, crank),
  ];
}

/** Ackermann and bump steer together as a problem for the general finder, both sides moved alike. */
export class AckermannSearch {
  readonly moves: readonly Move[];
  private readonly sides: readonly Side[];
  private readonly ways: readonly (1 | -1)[];
  private readonly straight: ToeCurve[];
  private readonly ride: Float64Array[];
  private readonly over: OverLock[];
  /** What each limit may be at the most: what is wanted, or what there is now where that is more. */
  private readonly limits: { rim: number; rod: number; slow: number; quick: number };
  private readonly good: number;

  /**
   * @param lock of the inner wheel that is to be kept, degrees
   */
  constructor(
    build: Searched,
    private readonly wheel: Wheel,
    wanted: AckermannWanted,
    lock: number,
  ) {
    const { design, travel } = wheel;
    this.moves = movesOf(design, wanted);
    const alike = isAlike(design);
    this.sides = alike ? ['left'] : ['left', 'right'];
    this.ways = alike ? [1] : [1, -1];
    this.straight = this.sides.map(() => new ToeCurve(travel, STRAIGHT));
    this.ride = this.sides.map(() => new Float64Array(UPRIGHT_SIZE));
    this.over = this.ways.map((way) => new OverLock(build.wheelbase, wanted, way, lock));
    [this.good] = briefOf(build).targets.bumpSteer;
    const { moving } = (build.room ?? startingRoom()).wanted;
    const { solved } = wheel;
    const works = solved.ok && this.over.every((one) => one.solve(solved.axle));
    const rod = works ? this.rodLeast() : ROD_LEAST;
    const now = works ? this.over[0].perRack() : 1;
    // A ratio of the brief's is as good as the one there is.
    const [least, most] = briefOf(build).targets.ratio;
    const { perTurn } = handwheelOf(design);
    const perRack = (ratio: number) => (perTurn === undefined ? now : 360 / perTurn / ratio);
    this.limits = {
      rim: Math.min(moving, this.roomOf(design)),
      rod: Math.min(ROD_LEAST + OVER_TRAVEL, rod),
      slow: Math.min((1 - RATIO_KEPT) * now, perRack(most)),
      quick: Math.max((1 + RATIO_KEPT) * now, perRack(least)),
    };
  }

  /**
   * Toe about ride height over the travel, straight ahead; the inner wheel's error at parts of the lock, greatest of
   * either sign; and limits: the lock, the room in the rim, rod to arm at lock, the ratio.
   * @param weight of a degree of Ackermann error against bump steer at the end of very good
   */
  problem(weight: number): Problem {
    const { moves, straight, over, good } = this;
    const spreads: Spread[] = [];
    let count = 0;
    const toeAt = straight.map(({ size }) => {
      spreads.push({ from: count, to: count + size, weight: 1 / straight.length });
      return (count += size) - size;
    });
    // Each with its opposite: the spread is twice the greatest of either sign.
    const n = PARTS.length;
    const errorAt = over.map(() => {
      spreads.push({ from: count, to: count + 2 * n, weight: weight / 2 / over.length });
      return (count += 2 * n) - 2 * n;
    });
    const limit = () => {
      spreads.push({ from: count, to: count + 1, weight: HELD, above: true });
      return count++;
    };
    const shortAt = over.map(limit);
    const besideAt = count;
    const BESIDE = 4;
    for (let i = 0; i < BESIDE; i++) limit();
    // Room in the rim, rod to arm, and the ratio either way.
    const writeBeside = (design: AxleDesign, into: Float64Array, at: number) => {
      const { limits } = this;
      const perRack = over[0].perRack();
      into[at] = (limits.rim - this.roomOf(design)) / CLOSE.rim;
      into[at + 1] = (limits.rod - this.rodLeast()) / CLOSE.rod;
      into[at + 2] = (perRack / limits.quick - 1) / CLOSE.ratio;
      into[at + 3] = (limits.slow / perRack - 1) / CLOSE.ratio;
    };
    const solved = new Float64Array(moves.length).fill(NaN);
    const residuals: Problem['residuals'] = (values, into) => {
      solved.fill(NaN);
      const design = this.designAt(values);
      const prepared = this.wheel.drawnAs(design).solved;
      if (!prepared.ok) return false;
      const { axle } = prepared;
      for (const [i, side] of this.sides.entries()) {
        const ride = this.ride[i];
        if (!axle[side].corner.pose(0, 0, ride) || !straight[i].solve(axle[side])) return false;
        straight[i].write(toeOf(ride), good, into, toeAt[i]);
      }
      for (const [i, one] of over.entries()) {
        if (!one.solve(axle)) return false;
        one.error.forEach((error, k) => {
          into[errorAt[i] + k] = error / CLOSE.ackermann;
          into[errorAt[i] + n + k] = -error / CLOSE.ackermann;
        });
        into[shortAt[i]] = one.short / CLOSE.lock;
      }
      writeBeside(design, into, besideAt);
      solved.set(values);
      return true;
    };
    const room = new Float64Array(count);
    const beside = new Float64Array(BESIDE);
    const slopes: Problem['slopes'] = (values, free, into) => {
      const here = Float64Array.from(values);
      if (!residuals(here, room)) return;
      free.forEach((i, k) => {
        const at = k * count;
        const by = moves[i];
        straight.forEach((curve, s) =>
          curve.writeSlopes(by, this.ride[s], good, into, at + toeAt[s], false),
        );
        over.forEach((one, w) => {
          const short = one.writeSlopes(by, into, at + errorAt[w]);
          for (let e = 0; e < n; e++) {
            into[at + errorAt[w] + e] /= CLOSE.ackermann;
            into[at + errorAt[w] + n + e] = -into[at + errorAt[w] + e];
          }
          into[at + shortAt[w]] = short / CLOSE.lock;
        });
        into.fill(0, at + besideAt, at + besideAt + BESIDE);
      });
      // Limits that are near have their slopes measured.
      if (room.subarray(besideAt).every((one) => one < -NEAR)) return;
      free.forEach((i, k) => {
        const trial = here.slice();
        trial[i] += STEP;
        const design = this.designAt(trial);
        const prepared = this.wheel.drawnAs(design).solved;
        if (!prepared.ok || !over.every((one) => one.goOut(prepared.axle))) return;
        writeBeside(design, beside, 0);
        for (let b = 0; b < BESIDE; b++)
          into[k * count + besideAt + b] = (beside[b] - room[besideAt + b]) / STEP;
      });
      residuals(here, room);
    };
    const arm = moves.flatMap(({ by }, i) => (by === 'arm' ? [i] : []));
    return {
      variables: moves.map((move) => this.variable(move)),
      count,
      spreads,
      residuals,
      // A rod that joins both wheels answers by both: its slopes are measured.
      ...(!typeOf(this.wheel.design).coupled && { slopes }),
      together: arm.length > 0 ? [arm] : [],
    };
  }

  private variable(move: Move): Variable {
    const { freedom } = move;
    const now = startOf(this.wheel.design, move);
    const [min, max] = limitsOf(freedom, now);
    return {
      ...{ now, min, max },
      places: placesOf(freedom, now),
      step: stepOf(freedom),
      effort: (value) => effortOf(freedom, now, value),
    };
  }

  /** The axle with both sides' joints moved alike; `values` are the left's. */
  designAt(values: ArrayLike<number>): AxleDesign {
    const { design } = this.wheel;
    let moved = design;
    for (const side of this.sides) {
      const own = pointsOf(design, side);
      const points: Points = { ...own };
      for (const { point } of this.moves) points[point] = { ...own[point] };
      this.moves.forEach((move, i) => {
        const { point, coordinate, along } = move;
        const by = values[i] - startOf(design, move);
        if (along)
          COORDINATES.forEach((one, axis) => {
            points[point][one] += by * along[axis];
          });
        // To the value itself on the side that it is told of.
        else if (side === 'left') points[point][coordinate] = values[i];
        else points[point][coordinate] += by;
      });
      moved = { ...moved, [pointsKey(design, side)]: points };
    }
    return moved;
  }

  /** Least angle from straight between a rod and its arm at the locks last solved, degrees. */
  private rodLeast = (): number => Math.min(...this.over.map((one) => one.fromStraight()));

  /** Of the outer joints' bodies in the rim, the tighter side, mm: to tyre and rim as drawn. */
  private roomOf(design: AxleDesign): number {
    const axis = spindleOf(design.static);
    const joint = armJointOf(typeOf(design))!;
    return Math.min(
      ...this.sides.map((side) => {
        const { wheelCentre, [joint]: outer } = pointsOf(design, side);
        return toRing(toVec(outer), tyreOf(design, toVec(wheelCentre), axis)) - JOINT_BODY;
      }),
    );
  }
}

/** Limits further off than this need no slopes, in units of what is good enough. */
const NEAR = 12;
/** By how much a joint is moved to measure a slope, mm. */
const STEP = 0.01;
