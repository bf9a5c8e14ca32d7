import { DEG, toRad } from '../geometry/angle';
import { cross, dot, length, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';

/** A universal joint of a steering column: a plain one, or a double one that halves its angle; or a box in its place. */
export type JointKind = 'single' | 'double' | 'box';

/** Chain, gears, bevels, a quickener: the shaft below begins at `out` and turns `ratio` times as far, − the other way round. */
export interface ChainBox {
  out: Vec;
  ratio: number;
}

/** A column from the handwheel's centre over its joints' centres to the pinion's end, in any right-handed axes, mm. */
export interface ColumnLine {
  /** Handwheel, joints, pinion: two more than there are joints. Of a box, where the shaft above ends. */
  places: readonly Vec[];
  /** Of each joint. */
  kinds: readonly JointKind[];
  /** Of each joint that is a box. */
  boxes?: readonly (ChainBox | null)[];
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
/** Figures of a cross in the walk. */
const SIZE = 7;
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
  box: BoxFrame | null;
}

/** A box: what its shafts' turns count from, how far the one below turns, and where the one above stands straight ahead, rad. */
interface BoxFrame {
  ratio: number;
  above: readonly [Vec, Vec];
  below: readonly [Vec, Vec];
  home: number | null;
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
  const boxOf = (j: number): ChainBox | null => (kinds[j] === 'box' ? line.boxes![j]! : null);
  const shafts = places
    .slice(1)
    .map((place, i) => sub(place, (i > 0 ? boxOf(i - 1)?.out : undefined) ?? places[i]));
  const short = shafts.findIndex((shaft) => length(shaft) < SHORTEST);
  if (short >= 0)
    return no(
      Math.min(short, kinds.length - 1),
      'two places of the column are one: it has no shaft there',
    );
  const ways = shafts.map(unit);
  for (let j = 0; j < kinds.length; j++) {
    if (kinds[j] === 'box') continue;
    const bend = angleBetween(ways[j], ways[j + 1]);
    const most = kinds[j] === 'double' ? 2 * MOST_BEND : MOST_BEND;
    if (!(bend < most))
      return no(j, `the joint is bent ${bend.toFixed(0)}°: past ${most}° its forks meet`);
  }
  const crosses = kinds.flatMap((kind, joint): Cross[] => {
    const [above, below] = [ways[joint], ways[joint + 1]];
    const clock = toRad(line.clocks[joint] ?? 0);
    if (kind === 'single') return [{ joint, above, below, clock, clocked: true, box: null }];
    const box = boxOf(joint);
    if (box) {
      const frame: BoxFrame = {
        ratio: box.ratio,
        above: framed(above, below),
        below: framed(below, ways[joint + 2] ?? above),
        home: null,
      };
      return [{ joint, above, below, clock, clocked: true, box: frame }];
    }
    // The piece between halves the angle; its yokes are in line.
    const between = halfWay(above, below);
    return [
      { joint, above, below: between, clock: 0, clocked: false, box: null },
      { joint, above: between, below, clock, clocked: true, box: null },
    ];
  });
  return { ok: true, chain: new ColumnChain(crosses, ways, kinds, toRad(line.start)) };
}

/** Two directions across a shaft that a turn about it counts from: the first square to another shaft too. */
const framed = (way: Vec, other: Vec): readonly [Vec, Vec] => {
  const zero = squareTo(way, other);
  return [zero, cross(way, zero)];
};

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
  /** Of each cross the shaft below, the cosine of its bend, and its clocking's cosine, sine and angle: for the walk. */
  private readonly flat: Float64Array;
  /** Turns of the pinion for one of the handwheel, − the other way round, joints' ups and downs apart. */
  readonly turns: number;
  /** Degrees of the handwheel after which the speed is the same again; null where a box's ratio makes that far. */
  readonly period: number | null;
  /** Directions across the last shaft that the pinion's angle is told by. */
  private readonly zero: Vec;
  private readonly side: Vec;
  private home = 0;
  /** How far the handwheel, or what is below the last box of the walk, has turned from straight ahead, rad. */
  private turned = 0;

  constructor(
    private readonly crosses: readonly Cross[],
    ways: readonly Vec[],
    kinds: readonly JointKind[],
    start: number,
  ) {
    this.bends = kinds.map((kind, j) => (kind === 'box' ? 0 : angleBetween(ways[j], ways[j + 1])));
    const ratios = crosses.flatMap(({ box }) => (box ? [box.ratio] : []));
    this.turns = ratios.reduce((product, ratio) => product * ratio, 1);
    this.period = ratios.every((ratio) => Math.abs(ratio) === 1) ? 180 : null;
    this.flat = new Float64Array(SIZE * crosses.length);
    crosses.forEach(({ above, below, clock }, k) => {
      this.flat.set([...below, dot(above, below)], SIZE * k);
      this.clock(k, clock);
    });
    const first = ways[0];
    const across = squareTo(first, ways[1] ?? first);
    const turned = cross(first, across);
    const [c, s] = [Math.cos(start), Math.sin(start)];
    this.from = across.map((x, i) => c * x + s * turned[i]) as unknown as Vec;
    this.quarter = cross(first, this.from);
    const last = ways[ways.length - 1];
    this.zero = squareTo(last, first);
    this.side = cross(last, this.zero);
    this.setStraight();
  }

  /** Turns what is below a cross, rad: below the last one the pin itself tells. */
  private clock(k: number, angle: number): void {
    const turn = k < this.crosses.length - 1 ? angle : 0;
    this.flat[SIZE * k + 4] = Math.cos(turn);
    this.flat[SIZE * k + 5] = Math.sin(turn);
    this.flat[SIZE * k + 6] = turn;
  }

  /** Notes where its parts stand straight ahead. */
  private setStraight(): void {
    for (const { box } of this.crosses) if (box) box.home = null;
    this.walk(0);
    this.home = this.pinion();
  }

  /**
   * @param handwheel degrees from straight ahead, right-handed about the column downward
   * @returns how far the pinion has turned, degrees, within half a turn of the handwheel; how fast it turns for it, exact
   */
  turn(handwheel: number): { pinion: number; ratio: number } {
    const ratio = this.walk(toRad(handwheel));
    // Exact below the last box, whatever it makes of the joints' leads above it.
    const mean = this.turned * DEG;
    const off = (this.pinion() - this.home) * DEG - mean;
    // A joint leads or lags by 36° at the most as far as it bends: four of them by less than half a turn.
    return { pinion: mean + off - 360 * Math.round(off / 360), ratio };
  }

  /** How fast the pinion turns for the handwheel, rad of it from straight ahead; leaves the last cross's lower pin. */
  private walk(angle: number): number {
    return this.walkTo(angle, Math.cos(angle), Math.sin(angle));
  }

  /** The same, the angle's cosine and sine known. */
  private walkTo(angle: number, c: number, s: number): number {
    const { from, quarter, pin, crosses, flat } = this;
    for (let i = 0; i < 3; i++) pin[i] = c * from[i] + s * quarter[i];
    let ratio = 1;
    this.turned = angle;
    for (let k = 0; k < crosses.length; k++) {
      const at = SIZE * k;
      const { box } = crosses[k];
      if (box) {
        this.through(box, flat[at + 6]);
        ratio *= box.ratio;
        continue;
      }
      const bx = flat[at];
      const by = flat[at + 1];
      const bz = flat[at + 2];
      const ux = pin[0];
      const uy = pin[1];
      const uz = pin[2];
      const lean = bx * ux + by * uy + bz * uz;
      const left = 1 - lean * lean;
      ratio *= flat[at + 3] / left;
      const per = 1 / Math.sqrt(left);
      const vx = (by * uz - bz * uy) * per;
      const vy = (bz * ux - bx * uz) * per;
      const vz = (bx * uy - by * ux) * per;
      // The next yoke, turned about the shaft.
      const ct = flat[at + 4];
      const st = flat[at + 5];
      pin[0] = ct * vx + st * (by * vz - bz * vy);
      pin[1] = ct * vy + st * (bz * vx - bx * vz);
      pin[2] = ct * vz + st * (bx * vy - by * vx);
    }
    return ratio;
  }

  /** Turns the pin as a box does, the shaft above being within half a turn of what was last known exactly. */
  private through(box: BoxFrame, clock: number): void {
    const { pin } = this;
    const u: Vec = [pin[0], pin[1], pin[2]];
    const at = Math.atan2(dot(box.above[1], u), dot(box.above[0], u));
    box.home ??= at;
    const off = at - box.home - this.turned;
    this.turned = box.ratio * (this.turned + off - 2 * Math.PI * Math.round(off / (2 * Math.PI)));
    const below = this.turned + clock;
    const [c, s] = [Math.cos(below), Math.sin(below)];
    for (let i = 0; i < 3; i++) pin[i] = c * box.below[0][i] + s * box.below[1][i];
  }

  /** Where the last pin stands about its shaft, rad. */
  private pinion(): number {
    const { pin, side, zero } = this;
    const last: Vec = [pin[0], pin[1], pin[2]];
    return Math.atan2(dot(side, last), dot(zero, last));
  }

  /**
   * Shafts between two joints, from 0, whose clocking makes a difference: not those above a box, nor those below one
   * that has no joint above it or whose ratio is not one to one.
   */
  get clockable(): number[] {
    const { crosses } = this;
    const jointAbove = (k: number) => crosses.slice(0, k).some(({ box }) => !box);
    return crosses.flatMap(({ joint, clocked, box }, k) => {
      const next = crosses[k + 1];
      if (!clocked || !next || next.box) return [];
      return !box || (this.period !== null && jointAbove(k)) ? [joint] : [];
    });
  }

  /** Clocks the shafts between its joints otherwise, degrees. */
  clockTo(clocks: readonly number[]): void {
    this.crosses.forEach(({ clocked, joint }, k) => {
      if (clocked) this.clock(k, toRad(clocks[joint] ?? 0));
    });
    this.setStraight();
  }

  /** The most less the least over a turn, from so many places of half of it and the parabolas about the two: a quick look; for columns whose speed comes again with half a turn. */
  spread(count: number): number {
    if (this.looked.length !== count) {
      this.looked = new Float64Array(count);
      this.angles = Float64Array.from({ length: count }, (_, i) => (Math.PI * i) / count);
      this.cosines = this.angles.map(Math.cos);
      this.sines = this.angles.map(Math.sin);
    }
    const at = this.looked;
    let [most, least] = [0, 0];
    for (let i = 0; i < count; i++) {
      at[i] = this.walkTo(this.angles[i], this.cosines[i], this.sines[i]);
      if (at[i] > at[most]) most = i;
      if (at[i] < at[least]) least = i;
    }
    return vertexOf(at, most) - vertexOf(at, least);
  }

  private looked = new Float64Array(0);
  private angles = new Float64Array(0);
  private cosines = this.angles;
  private sines = this.angles;

  /**
   * How fast the pinion turns at the most and at the least for the handwheel, and where: over half a turn where the
   * rest is the same, else over `range` either way, degrees. Of a column with a box, told for one turn of the pinion's.
   */
  ripple(range = 540, count = 180): Ripple {
    let [most, least, mostAt, leastAt] = [-Infinity, Infinity, 0, 0];
    const step = 180 / count;
    const from = this.period === null ? -Math.ceil(range / step) : 0;
    const to = this.period === null ? -from : count - 1;
    const own = (at: number) => this.walk(toRad(at)) / this.turns;
    for (let i = from; i <= to; i++) {
      const at = i * step;
      const ratio = own(at);
      if (ratio > most) [most, mostAt] = [ratio, at];
      if (ratio < least) [least, leastAt] = [ratio, at];
    }
    const top = this.extreme(mostAt, step, 1);
    const bottom = this.extreme(leastAt, step, -1);
    return {
      most: top.ratio,
      mostAt: top.at,
      least: bottom.ratio,
      leastAt: bottom.at,
      ripple: top.ratio - bottom.ratio,
      centre: own(0),
    };
  }

  /** Closes in on where the ratio is most or least, by thirds. */
  private extreme(at: number, step: number, way: 1 | -1): { at: number; ratio: number } {
    let [low, high] = [at - step, at + step];
    const value = (x: number) => (way * this.walk(toRad(x))) / this.turns;
    while (high - low > 1e-7) {
      const third = (high - low) / 3;
      if (value(low + third) < value(high - third)) low += third;
      else high -= third;
    }
    const found = (low + high) / 2;
    const place =
      this.period === null ? found : ((found % this.period) + this.period) % this.period;
    return { at: place, ratio: this.walk(toRad(found)) / this.turns };
  }
}

/** The top or bottom of the parabola through a place of a round of them and its two neighbours. */
function vertexOf(round: Float64Array, i: number): number {
  const n = round.length;
  const [a, b, c] = [round[(i + n - 1) % n], round[i], round[(i + 1) % n]];
  const bow = a - 2 * b + c;
  return bow === 0 ? b : b - (c - a) ** 2 / (8 * bow);
}

/** How evenly a column turns: the pinion's speed for the handwheel's, what boxes make of it on the whole left out. */
export interface Ripple {
  most: number;
  least: number;
  /** Degrees of the handwheel from straight ahead: 0 to 180 where that is all, else any. */
  mostAt: number;
  leastAt: number;
  /** The one less the other: 1/cos β − cos β of a joint alone. */
  ripple: number;
  /** Straight ahead. */
  centre: number;
}
