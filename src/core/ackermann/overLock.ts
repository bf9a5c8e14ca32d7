import { toRad } from '../geometry/angle';
import type { Axle, AxleCorner } from '../kinematics/axle';
import { UPRIGHT_SIZE } from '../kinematics/corner';
import { armAngle, fromStraight, rodsPlacer } from '../kinematics/rods';
import type { Side } from '../model/build';
import type { AckermannWanted } from '../model/ackermannWanted';
import { COLUMN, PER_RACK, ROW_SIZE, writeQuantities } from '../motion/quantities';
import { trueInner } from '../steering/lockToLock';
import { rodAnswer } from '../bumpsteer/toeCurve';
import type { RodCoordinate } from '../bumpsteer/toeCurve';

/** Parts of the lock at which Ackermann counts. */
export const PARTS = [0.25, 0.5, 0.75, 1];
/** The lock is met to within this, degrees. */
const MET = 1e-9;
const MOST_STEPS = 80;

/** The angle that the inner wheel is wanted to have, degrees, and how it changes with the outer's. */
export function wantedInner(
  outer: number,
  percent: number,
  between: number,
  wheelbase: number,
): { angle: number; perOuter: number } {
  // A wheel that steers away has no turn to be true to: straight on from there.
  const straight = outer <= 1e-6;
  const ideal = straight ? outer : trueInner(outer, between, wheelbase);
  const perOuter = straight ? 1 : (Math.sin(toRad(ideal)) / Math.sin(toRad(outer))) ** 2;
  const part = percent / 100;
  return { angle: outer + part * (ideal - outer), perOuter: 1 + part * (perOuter - 1) };
}

/** What is wanted at a part of the lock, %. */
export const percentAt = ({ small, full }: Pick<AckermannWanted, 'small' | 'full'>, part: number) =>
  small + (full - small) * part;

/**
 * Both front wheels at ride height as they go to one lock, and how that answers to the rod's joints: exact slopes,
 * the rods set to length again with every move.
 */
export class OverLock {
  /** The inner wheel's angle less the one wanted, degrees, at each part. */
  readonly error = new Float64Array(PARTS.length);
  /** How far the inner wheel stays short of the lock at the rack's end, degrees; below 0 by what would be left over. */
  short = 0;
  /** Where the lock or the rack ends, mm, + left. */
  end = 0;
  private readonly sides: Record<Side, SteeredSide>;
  private inner: Side = 'left';
  private limited = false;

  /**
   * @param way of the rack: + to the left
   * @param lock of the inner wheel, degrees
   */
  constructor(
    private readonly wheelbase: number,
    private readonly wanted: Pick<AckermannWanted, 'small' | 'full'>,
    private readonly way: 1 | -1,
    private readonly lock: number,
  ) {
    this.sides = { left: new SteeredSide('left'), right: new SteeredSide('right') };
  }

  /** @returns false where part of the way is out of reach or the wheels do not turn one way */
  solve = (axle: Axle): boolean =>
    this.goOut(axle) && PARTS.every((part, i) => this.solveAt(part, i));

  /** Straight ahead and the end alone. */
  goOut(axle: Axle): boolean {
    const { left, right } = this.sides;
    if (!left.take(axle.left) || !right.take(axle.right)) return false;
    const turn = this.way * (left.perRack + right.perRack);
    if (!(Math.abs(turn) > 1e-9)) return false;
    this.inner = turn > 0 ? 'left' : 'right';
    left.into = right.into = turn > 0 ? 1 : -1;
    const wheels = this.inner === 'left' ? [right] : [left];
    const last = PARTS.length - 1;
    return this.findEnd(axle.steerRange) && wheels.every((wheel) => wheel.pose(this.end, last));
  }

  /** Goes out until the inner wheel is at the lock, or the rack at its end. */
  private findEnd(steerRange: number): boolean {
    const wheel = this.sides[this.inner];
    const { way, lock } = this;
    const at = PARTS.length - 1;
    if (wheel.pose(way * steerRange, at) && wheel.steer[at] <= lock) {
      this.limited = false;
      this.end = way * steerRange;
      this.short = lock - wheel.steer[at];
      return true;
    }
    let [low, high] = [0, steerRange];
    let next = Math.min(0.9 * steerRange, Math.abs(this.end) || steerRange);
    for (let step = 0; step < MOST_STEPS && high - low > 1e-13 * steerRange; step++) {
      const here = next;
      if (!wheel.pose(way * here, at)) high = here;
      else {
        const off = wheel.steer[at] - lock;
        const slope = way * wheel.slope[at];
        if (Math.abs(off) < MET) {
          this.limited = true;
          this.end = way * here;
          this.short = -(steerRange - here) * slope;
          return true;
        }
        if (off < 0) low = here;
        else high = here;
        next = here - off / slope;
      }
      if (!(next > low && next < high)) next = (low + high) / 2;
    }
    return false;
  }

  /** Mean heading per mm of rack straight ahead, degrees, whichever way. */
  perRack = (): number => Math.abs(this.sides.left.perRack + this.sides.right.perRack) / 2;

  /** Least angle from straight between a rod and its arm where the lock or the rack ends, degrees. */
  fromStraight(): number {
    return Math.min(this.sides.left.fromStraight(), this.sides.right.fromStraight());
  }

  private solveAt(part: number, i: number): boolean {
    const { left, right } = this.sides;
    const rack = part * this.end;
    if (!left.pose(rack, i) || !right.pose(rack, i)) return false;
    const [inner, outer] = this.inner === 'left' ? [left, right] : [right, left];
    const { angle } = this.wantedAt(outer.steer[i], part);
    this.error[i] = inner.steer[i] - angle;
    return true;
  }

  private wantedAt(outer: number, part: number) {
    const { left, right } = this.sides;
    const between = left.axisOut + right.axisOut;
    return wantedInner(outer, percentAt(this.wanted, part), between, this.wheelbase);
  }

  /**
   * Writes d `error` / d a joint's coordinate of both sides alike, per mm, from `at` on, and returns that of `short`.
   */
  writeSlopes(by: RodCoordinate, into: Float64Array, at: number): number {
    const { left, right } = this.sides;
    const [inner, outer] = this.inner === 'left' ? [left, right] : [right, left];
    const last = PARTS.length - 1;
    const innerAtEnd = inner.answer(by, last);
    const endMoves = this.limited ? -innerAtEnd / inner.slope[last] : 0;
    PARTS.forEach((part, i) => {
      const { perOuter } = this.wantedAt(outer.steer[i], part);
      const own = inner.answer(by, i) - perOuter * outer.answer(by, i);
      const along = inner.slope[i] - perOuter * outer.slope[i];
      into[at + i] = own + along * part * endMoves;
    });
    return -innerAtEnd;
  }
}

/** One wheel at ride height. Its angles count into the turn. */
class SteeredSide {
  /** Between the steering axis at the ground and the centreline, mm. */
  axisOut = 0;
  /** Heading per mm of rack, straight ahead, degrees, + left both. */
  perRack = 0;
  /** +1 where the car turns left. */
  into: 1 | -1 = 1;
  readonly steer = new Float64Array(PARTS.length);
  /** Per mm of rack, + left. */
  readonly slope = new Float64Array(PARTS.length);
  private readonly ride = new Float64Array(UPRIGHT_SIZE);
  private readonly uprights = PARTS.map(() => new Float64Array(UPRIGHT_SIZE));
  private readonly row = new Float64Array(ROW_SIZE);
  private straight = 0;
  private corner: AxleCorner | null = null;
  private toeAnswer: ReturnType<typeof rodAnswer> | null = null;
  /** A left wheel that toes in points right. */
  private readonly sign: 1 | -1;

  constructor(side: Side) {
    this.sign = side === 'left' ? -1 : 1;
  }

  take(corner: AxleCorner): boolean {
    const { row, ride } = this;
    this.corner = corner;
    this.toeAnswer = null;
    if (!corner.corner.pose(0, 0, ride)) return false;
    writeQuantities(ride, corner.radius, row, 0);
    this.straight = row[COLUMN.toe];
    this.axisOut = row[COLUMN.contactOut] - row[COLUMN.scrub];
    this.perRack = this.sign * corner.rackSign * row[PER_RACK + COLUMN.toe];
    return Number.isFinite(this.axisOut);
  }

  pose(rack: number, i: number): boolean {
    const { corner, row } = this;
    const upright = this.uprights[i];
    if (!corner?.corner.pose(0, corner.rackSign * rack, upright)) return false;
    writeQuantities(upright, corner.radius, row, 0);
    this.steer[i] = this.into * this.sign * (row[COLUMN.toe] - this.straight);
    this.slope[i] = this.into * this.sign * corner.rackSign * row[PER_RACK + COLUMN.toe];
    return true;
  }

  /** Between rod and arm at the last part, from straight either way, degrees. */
  fromStraight(): number {
    const upright = this.uprights[PARTS.length - 1];
    const angle = armAngle(rodsPlacer(this.corner!.drawn)(upright), upright);
    return Number.isNaN(angle) ? 90 : fromStraight(angle);
  }

  /** d steer / d a joint's coordinate at a part, per mm. */
  answer(by: RodCoordinate, i: number): number {
    const corner = this.corner!;
    this.toeAnswer ??= rodAnswer(corner.drawn, this.ride);
    // `slope` counts by the rack to the left, the answer by the rack outward: angle for angle.
    return this.toeAnswer(by, this.uprights[i], corner.rackSign * this.slope[i]);
  }
}
