import { rodEnds } from '../corners/kinds';
import { toDeg } from '../geometry/angle';
import { add, dot, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { AxleCorner } from '../kinematics/axle';
import { U, UPRIGHT_SIZE } from '../kinematics/corner';
import { innerAt, innerRate, turnedWith } from '../kinematics/innerWay';
import type { DrawnCorner } from '../kinematics/corner';
import { carried, drawnFrame, frameAt, spindleAt } from '../kinematics/frames';
import type { Travel } from '../model/build';
import { COORDINATES, toVec } from '../model/points';
import type { Coordinate, PointName } from '../model/points';
import { COLUMN, PER_RACK, ROW_SIZE, writeQuantities } from '../motion/quantities';
import { spanOf } from '../motion/range';
import { travelSweep, valueAt } from '../motion/sweep';

/** Toe of a solved pose, degrees. */
export function toeOf(upright: Float64Array): number {
  const [ahead, out] = spindleAt(upright);
  return toDeg(Math.atan2(ahead, out));
}

/** A coordinate of one of the tie rod's joints. */
export interface RodCoordinate {
  point: PointName;
  coordinate: Coordinate;
  /** A direction of length 1 that the joint goes in, as drawn, where that is none of the car's own. */
  along?: Vec;
}

/**
 * Toe over the travel at one rack position, and how it answers to the tie rod's joints: exact slopes, the rod
 * set to length again with every move so that toe at ride height stays.
 */
export class ToeCurve {
  /** Numbers that `write` writes: toe at each position, then its least and its greatest. */
  readonly size: number;
  private readonly sweep;
  private readonly uprights: Float64Array;
  private least = 0;
  private most = 0;
  private ends: [number, number] = [0, 0];
  private drawn: DrawnCorner | null = null;

  /** @param rack mm, + left */
  constructor(
    travel: Travel,
    private readonly count: number,
    rack = 0,
  ) {
    this.sweep = travelSweep(travel, count, rack);
    this.uprights = new Float64Array(count * UPRIGHT_SIZE);
    this.size = count + 2;
  }

  /** Solves every position; false where one is out of reach. */
  solve(side: AxleCorner): boolean {
    const { travel, rack, rows, reachable } = this.sweep;
    this.drawn = side.drawn;
    for (let i = 0; i < this.count; i++) {
      const upright = this.uprightAt(i);
      if (!side.corner.pose(travel[i], side.rackSign * rack[i], upright)) return false;
      writeQuantities(upright, side.radius, rows, i * ROW_SIZE);
      reachable[i] = 1;
    }
    const { min, max, minAt, maxAt } = spanOf(this.sweep, 'toe')!;
    this.least = minAt;
    this.most = maxAt;
    this.ends = [min, max];
    return true;
  }

  /** Toe in the middle of the positions, degrees. */
  middle = (): number => valueAt(this.sweep, (this.count - 1) / 2, 'toe');

  /** Writes (toe − from) / close, `size` numbers from `at` on. */
  write(from: number, close: number, into: Float64Array, at: number): void {
    for (let i = 0; i < this.count; i++)
      into[at + i] = (valueAt(this.sweep, i, 'toe') - from) / close;
    into[at + this.count] = (this.ends[0] - from) / close;
    into[at + this.count + 1] = (this.ends[1] - from) / close;
  }

  /**
   * Writes slopes of what `write` writes by a joint's coordinate, per mm.
   * @param ride the upright at ride height, the rack in the middle
   * @param aboutMiddle whether toe counts from the middle position's, not from ride height's
   */
  writeSlopes(
    by: RodCoordinate,
    ride: Float64Array,
    close: number,
    into: Float64Array,
    at: number,
    aboutMiddle: boolean,
  ): void {
    if (!this.drawn) return;
    const answer = rodAnswer(this.drawn, ride);
    for (let i = 0; i < this.count; i++) {
      const perRack = this.sweep.rows[i * ROW_SIZE + PER_RACK + COLUMN.toe];
      into[at + i] = answer(by, this.uprightAt(i), perRack) / close;
    }
    into[at + this.count] = this.between(into, at, this.least);
    into[at + this.count + 1] = this.between(into, at, this.most);
    if (!aboutMiddle) return;
    const middle = into[at + (this.count - 1) / 2];
    for (let i = 0; i < this.size; i++) into[at + i] -= middle;
  }

  /** Straight between the slopes of the two positions about a travel. */
  private between(slopes: Float64Array, at: number, travel: number): number {
    const { travel: all } = this.sweep;
    // A wheel without travel is in one place.
    if (all[0] === all[this.count - 1]) return slopes[at];
    const part = ((travel - all[0]) / (all[this.count - 1] - all[0])) * (this.count - 1);
    const i = Math.min(this.count - 2, Math.max(0, Math.floor(part)));
    return slopes[at + i] + (part - i) * (slopes[at + i + 1] - slopes[at + i]);
  }

  private uprightAt = (i: number): Float64Array =>
    this.uprights.subarray(i * UPRIGHT_SIZE, (i + 1) * UPRIGHT_SIZE);
}

const AXES: readonly Vec[] = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
];

/**
 * How a figure in a solved pose answers to a joint's coordinate, per mm, the rod set to length again. A joint that
 * moves by δ makes the rod u·δ too short or too long, less what it was so at ride height; the rack's own slope says
 * what a length too much is.
 * @param ride the upright at ride height, the rack in the middle
 * @returns of a coordinate, a pose and the figure's slope there per mm of rack outward, the figure's exact slope
 */
export function rodAnswer(
  drawn: DrawnCorner,
  ride: Float64Array,
): (by: RodCoordinate, upright: Float64Array, perRack: number) => number {
  const rodAt = rodOf(drawn);
  const home = rodAt(ride);
  const from = frameAt(ride);
  const { steering, points } = drawn;
  const ends = rodEnds(drawn.type);
  const inner = toVec(points[ends.inner]);
  return (
    { point, coordinate, along: way = AXES[COORDINATES.indexOf(coordinate)] },
    upright,
    perRack,
  ) => {
    const along = rodAt(upright);
    const input = upright[U.rack];
    const longer =
      point === ends.outer
        ? dot(along, carried(way, from, frameAt(upright))) - dot(home, way)
        : // The box of a drag link goes along with its hole.
          dot(home, way) - dot(along, drawn.coupled ? way : turnedWith(steering, way, input));
    // Joints that come so much too far apart are as with a rack that far inward.
    return (-perRack * longer) / dot(along, innerRate(steering, inner, input));
  };
}

/** From a corner's inner joint to its outer, of length 1, in solved poses. */
function rodOf({
  type,
  points,
  static: alignment,
  steering,
}: DrawnCorner): (u: Float64Array) => Vec {
  const ends = rodEnds(type);
  const inner = toVec(points[ends.inner]);
  const arm = sub(toVec(points[ends.outer]), toVec(points.wheelCentre));
  const drawn = drawnFrame(alignment);
  return (u) => {
    const centre: Vec = [u[U.wheelCentre], u[U.wheelCentre + 1], u[U.wheelCentre + 2]];
    const outer = add(centre, carried(arm, drawn, frameAt(u)));
    return unit(sub(outer, innerAt(steering, inner, u[U.rack])));
  };
}
