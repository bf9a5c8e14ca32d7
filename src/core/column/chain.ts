import { DEG, toRad } from '../geometry/angle';
import { cross, dot, length, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';

/** A universal joint of a steering column: a plain one, or a double one that halves its angle. */
export type JointKind = 'single' | 'double';

/** A column from the handwheel's centre over its joints' centres to the pinion's end, in any axes, mm. */
export interface ColumnLine {
  /** Handwheel, joints, pinion: two more than there are joints. */
  places: readonly Vec[];
  /** Of each joint. */
  kinds: readonly JointKind[];
  /**
   * How each shaft between two joints is clocked, degrees: its lower yoke from in line with its upper one,
   * right-handed about the shaft downward. One fewer than there are joints.
   */
  clocks: readonly number[];
  /** Where the upper yoke of the first joint stands with the wheels straight ahead, degrees from its joint's plane. */
  start: number;
}

/** What makes a column unusable, at which joint, from 0. */
export interface ColumnFault {
  joint: number;
  message: string;
}

/** Shafts shorter than this are none, mm. */
const SHORTEST = 1;
/** A joint bent further binds whoever made it, degrees: its forks meet. */
const MOST_BEND = 75;

/** One cross of a chain: the shafts above and below it, along the column downward. */
interface Cross {
  joint: number;
  above: Vec;
  below: Vec;
  /** Turn from its lower yoke to the next cross's upper one, about `below`, rad; and whether a shaft is clocked there. */
  clock: number;
  clocked: boolean;
}

/** The chain of a column's crosses, or what makes it unusable. */
export function prepareColumn(
  line: ColumnLine,
): { ok: true; chain: ColumnChain } | { ok: false; fault: ColumnFault } {
  const { places, kinds } = line;
  const no = (joint: number, message: string) => ({
    ok: false as const,
    fault: { joint, message },
  });
  const shafts = places.slice(1).map((place, i) => sub(place, places[i]));
  const short = shafts.findIndex((shaft) => length(shaft) < SHORTEST);
  if (short >= 0)
    return no(
      Math.min(short, kinds.length - 1),
      'two places of the column are one: it has no shaft there',
    );
  const ways = shafts.map(unit);
  for (let j = 0; j < kinds.length; j++) {
    const bend = angleBetween(ways[j], ways[j + 1]);
    const most = kinds[j] === 'double' ? 2 * MOST_BEND : MOST_BEND;
    if (!(bend < most))
      return no(j, `the joint is bent ${bend.toFixed(0)}°: past ${most}° its forks meet`);
  }
  const crosses = kinds.flatMap((kind, joint): Cross[] => {
    const [above, below] = [ways[joint], ways[joint + 1]];
    const clock = toRad(line.clocks[joint] ?? 0);
    if (kind === 'single') return [{ joint, above, below, clock, clocked: true }];
    // The piece between halves the angle; its yokes are in line.
    const between = halfWay(above, below);
    return [
      { joint, above, below: between, clock: 0, clocked: false },
      { joint, above: between, below, clock, clocked: true },
    ];
  });
  return { ok: true, chain: new ColumnChain(crosses, ways, kinds, toRad(line.start)) };
}

/** Between two directions of length 1, degrees. */
export const angleBetween = (a: Vec, b: Vec): number =>
  Math.atan2(length(cross(a, b)), dot(a, b)) * DEG;

const halfWay = (a: Vec, b: Vec): Vec => {
  const sum: Vec = [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
  return length(sum) > 1e-9 ? unit(sum) : a;
};

/** A direction of length 1 square to another: of two crossed shafts' plane where there is one, else any. */
function squareTo(way: Vec, other: Vec): Vec {
  const normal = cross(way, other);
  if (length(normal) > 1e-9) return unit(normal);
  const [x, y, z] = way.map(Math.abs);
  const axis: Vec = x <= y && x <= z ? [1, 0, 0] : y <= z ? [0, 1, 0] : [0, 0, 1];
  return unit(cross(way, axis));
}

/**
 * A column's crosses one after the other, exact. A cross's pins are square to each other, the upper one u to the shaft
 * above, the lower one to the shaft below, b: it lies along b × u, and the shaft below turns cos β / (1 − (b·u)²) as fast
 * (the Cardan joint's own equation, tan θ₂ = tan θ₁ cos β or its reciprocal by where θ counts from; Machinery's Handbook,
 * SAE AE-7, from memory).
 */
export class ColumnChain {
  /** Of each joint, degrees. */
  readonly bends: number[];
  private readonly from: Vec;
  private readonly quarter: Vec;
  private readonly pin = new Float64Array(3);
  /** Directions across the last shaft that the pinion's angle is told by. */
  private readonly zero: Vec;
  private readonly side: Vec;
  private readonly home: number;

  constructor(
    private readonly crosses: readonly Cross[],
    ways: readonly Vec[],
    kinds: readonly JointKind[],
    start: number,
  ) {
    this.bends = kinds.map((_, j) => angleBetween(ways[j], ways[j + 1]));
    const first = ways[0];
    const across = squareTo(first, ways[1] ?? first);
    const turned = cross(first, across);
    const [c, s] = [Math.cos(start), Math.sin(start)];
    this.from = across.map((x, i) => c * x + s * turned[i]) as unknown as Vec;
    this.quarter = cross(first, this.from);
    const last = ways[ways.length - 1];
    this.zero = squareTo(last, first);
    this.side = cross(last, this.zero);
    this.walk(0);
    this.home = this.pinion();
  }

  /**
   * @param handwheel degrees from straight ahead, right-handed about the column downward
   * @returns how far the pinion has turned, degrees, within half a turn of the handwheel; how fast it turns for it, exact
   */
  turn(handwheel: number): { pinion: number; ratio: number } {
    const ratio = this.walk(toRad(handwheel));
    const off = (this.pinion() - this.home) * DEG - handwheel;
    // A joint leads or lags by 36° at the most as far as it bends: four of them by less than half a turn.
    return { pinion: handwheel + off - 360 * Math.round(off / 360), ratio };
  }

  /** How fast the pinion turns for the handwheel, rad of it from straight ahead; leaves the last cross's lower pin. */
  private walk(angle: number): number {
    const { from, quarter, pin, crosses } = this;
    const c = Math.cos(angle);
    const s = Math.sin(angle);
    for (let i = 0; i < 3; i++) pin[i] = c * from[i] + s * quarter[i];
    let ratio = 1;
    for (let k = 0; k < crosses.length; k++) {
      const { above: a, below: b, clock } = crosses[k];
      const [ux, uy, uz] = pin;
      const lean = b[0] * ux + b[1] * uy + b[2] * uz;
      const left = 1 - lean * lean;
      ratio *= (a[0] * b[0] + a[1] * b[1] + a[2] * b[2]) / left;
      const size = Math.sqrt(left);
      const vx = (b[1] * uz - b[2] * uy) / size;
      const vy = (b[2] * ux - b[0] * uz) / size;
      const vz = (b[0] * uy - b[1] * ux) / size;
      // The next yoke, turned about the shaft; of the last one the pin itself tells.
      const turn = k < crosses.length - 1 ? clock : 0;
      const ct = Math.cos(turn);
      const st = Math.sin(turn);
      pin[0] = ct * vx + st * (b[1] * vz - b[2] * vy);
      pin[1] = ct * vy + st * (b[2] * vx - b[0] * vz);
      pin[2] = ct * vz + st * (b[0] * vy - b[1] * vx);
    }
    return ratio;
  }

  /** Where the last pin stands about its shaft, rad. */
  private pinion(): number {
    const { pin, side, zero } = this;
    const last: Vec = [pin[0], pin[1], pin[2]];
    return Math.atan2(dot(side, last), dot(zero, last));
  }

  /** Clocks the shafts between its joints otherwise, degrees. */
  clockTo(clocks: readonly number[]): void {
    for (const one of this.crosses) if (one.clocked) one.clock = toRad(clocks[one.joint] ?? 0);
  }

  /** The most less the least over a turn, from so many places of half of it and the parabolas about the two: a quick look. */
  spread(count: number): number {
    const at = this.looked.length === count ? this.looked : (this.looked = new Float64Array(count));
    let [most, least] = [0, 0];
    for (let i = 0; i < count; i++) {
      at[i] = this.walk((Math.PI * i) / count);
      if (at[i] > at[most]) most = i;
      if (at[i] < at[least]) least = i;
    }
    return vertexOf(at, most) - vertexOf(at, least);
  }

  private looked = new Float64Array(0);

  /** How fast the pinion turns at the most and at the least for the handwheel, over a turn, and where, degrees. */
  ripple(count = 180): Ripple {
    let [most, least, mostAt, leastAt] = [-Infinity, Infinity, 0, 0];
    // Half a turn is all: the other half is the same.
    for (let i = 0; i < count; i++) {
      const at = (180 * i) / count;
      const ratio = this.walk(toRad(at));
      if (ratio > most) [most, mostAt] = [ratio, at];
      if (ratio < least) [least, leastAt] = [ratio, at];
    }
    const step = 180 / count;
    const top = this.extreme(mostAt, step, 1);
    const bottom = this.extreme(leastAt, step, -1);
    return {
      most: top.ratio,
      mostAt: top.at,
      least: bottom.ratio,
      leastAt: bottom.at,
      ripple: top.ratio - bottom.ratio,
      centre: this.walk(0),
    };
  }

  /** Closes in on where the ratio is most or least, by thirds. */
  private extreme(at: number, step: number, way: 1 | -1): { at: number; ratio: number } {
    let [low, high] = [at - step, at + step];
    const value = (x: number) => way * this.walk(toRad(x));
    while (high - low > 1e-7) {
      const third = (high - low) / 3;
      if (value(low + third) < value(high - third)) low += third;
      else high -= third;
    }
    const found = (low + high) / 2;
    return { at: ((found % 180) + 180) % 180, ratio: this.walk(toRad(found)) };
  }
}

/** The top or bottom of the parabola through a place of a round of them and its two neighbours. */
function vertexOf(round: Float64Array, i: number): number {
  const n = round.length;
  const [a, b, c] = [round[(i + n - 1) % n], round[i], round[(i + 1) % n]];
  const bow = a - 2 * b + c;
  return bow === 0 ? b : b - (c - a) ** 2 / (8 * bow);
}

/** How evenly a column turns: the pinion's speed for the handwheel's. */
export interface Ripple {
  most: number;
  least: number;
  /** Degrees of the handwheel from straight ahead, 0 to 180. */
  mostAt: number;
  leastAt: number;
  /** The one less the other: 1/cos β − cos β of a joint alone. */
  ripple: number;
  /** Straight ahead. */
  centre: number;
}
