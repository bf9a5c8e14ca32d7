import { toRad } from '../geometry/angle';
import { add, cross, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Side } from '../model/build';
import type { InnerWay } from './innerWay';

/** One end of an axle whose wheels are coupled, in the car's axes [ahead, left, up], mm. */
export interface CoupledEnd {
  kingpinLower: Vec;
  kingpinUpper: Vec;
  wheelCentre: Vec;
  /** The cross tie rod's joint. */
  tieRodOuter: Vec;
  /** A leaf spring's pad on the beam and its fixed eye on the chassis; none where the frame holds the kingpins. */
  spring?: { pad: Vec; eye: Vec };
}

/**
 * Two wheels on kingpins that one tie rod joins from arm to arm, one of them moved by a drag link: a beam on leaf
 * springs, or a kart's frame.
 */
export interface DrawnCoupled {
  ends: Record<Side, CoupledEnd>;
  /** On the drop arm or rack, and on the arm of the end that it goes to. */
  dragLink: { inner: Vec; outer: Vec; to: Side };
  /** How the steering moves the drag link's inner joint, in the car's axes. */
  steering: InnerWay;
  /** Toe and camber of either wheel, degrees. */
  static: { toe: number; camber: number };
  /** From the pad toward the fixed eye, as a part of their distance, to the middle of the pad's arc. */
  lead?: number;
}

/** Three quarters: common practice for a flat semi-elliptic leaf. */
export const USUAL_LEAD = 0.75;

const SIDES = ['left', 'right'] as const;
/** Unknowns: the beam ahead and up, its yaw and roll, each stub's turn about its kingpin. */
export const YAW = 2;
export const ROLL = 3;
export const TURN = 4;
export const UNKNOWNS = 6;

/**
 * A place on the axle: which end, whether the stub carries it, where it is as drawn from the pads' middle, on a stub
 * from its kingpin's lower end; and where it stands.
 */
export interface Carried {
  end: 0 | 1;
  turns: boolean;
  from: Vec;
  now: Float64Array;
}

/**
 * The bodies of a coupled axle: a beam, or the frame that holds the kingpins, a stub on each kingpin, and every place on
 * them that counts, in the car's axes. Nothing is allocated by `pose`.
 */
export class CoupledBodies {
  /** Whether the frame holds the kingpins: the axle itself does not move. */
  readonly held: boolean;
  /** The pads' middle as drawn, or that of the kingpins' feet. */
  readonly origin: Vec;
  /** Each kingpin as drawn, and where its foot is, how it leans and how its stub is turned as it stands. */
  readonly kingpins: readonly {
    lower: Vec;
    along: Vec;
    foot: Float64Array;
    pin: Float64Array;
    turned: Float64Array;
  }[];
  /** The beam as it stands: its middle, how it is turned, the lines it rolls and winds up about. */
  readonly middle = new Float64Array(3);
  readonly turned = new Float64Array(9);
  readonly rollAxis = new Float64Array(3);
  readonly spinAxis = new Float64Array(3);
  readonly all: readonly Carried[];
  readonly wheels: readonly Carried[];
  readonly arms: readonly Carried[];
  readonly pads: readonly { pad: Carried; middle: Vec; reach: number }[];
  readonly drag: Carried;

  constructor(drawn: DrawnCoupled) {
    const ends = SIDES.map((side) => drawn.ends[side]);
    this.held = ends.some(({ spring }) => !spring);
    const middleOf = (a: Vec, b: Vec): Vec => scale(add(a, b), 0.5);
    this.origin = this.held
      ? middleOf(ends[0].kingpinLower, ends[1].kingpinLower)
      : middleOf(ends[0].spring!.pad, ends[1].spring!.pad);
    const from = (place: Vec): Vec => sub(place, this.origin);
    this.kingpins = ends.map(({ kingpinLower, kingpinUpper }) => ({
      lower: from(kingpinLower),
      along: unit(sub(kingpinUpper, kingpinLower)),
      foot: new Float64Array(3),
      pin: new Float64Array(3),
      turned: new Float64Array(9),
    }));
    const on = (end: 0 | 1, place: Vec, turns: boolean): Carried => ({
      ...{ end, turns, now: new Float64Array(3) },
      from: turns ? sub(from(place), this.kingpins[end].lower) : from(place),
    });
    this.wheels = ends.map(({ wheelCentre }, i) => on(i as 0 | 1, wheelCentre, true));
    this.arms = ends.map(({ tieRodOuter }, i) => on(i as 0 | 1, tieRodOuter, true));
    const lead = drawn.lead ?? USUAL_LEAD;
    this.pads = this.held
      ? []
      : ends.map(({ spring }, i) => {
          const middle = add(spring!.pad, scale(sub(spring!.eye, spring!.pad), lead));
          const [x, , z] = sub(spring!.pad, middle);
          return { pad: on(i as 0 | 1, spring!.pad, false), middle, reach: Math.hypot(x, z) };
        });
    const { outer, to } = drawn.dragLink;
    this.drag = on(to === 'left' ? 0 : 1, outer, true);
    this.all = [...this.wheels, ...this.arms, ...this.pads.map(({ pad }) => pad), this.drag];
  }

  /** Puts beam, stubs and every place on them where the unknowns have them, wound up by so many degrees. */
  pose(q: Float64Array, windUp: number): void {
    const { turned, middle, origin, rollAxis, spinAxis } = this;
    for (let i = 0; i < 3; i++) middle[i] = origin[i];
    middle[0] += q[0];
    middle[2] += q[1];
    const wind = this.held ? 0 : toRad(windUp);
    const [sy, cy] = [Math.sin(q[YAW]), Math.cos(q[YAW])];
    const [sr, cr] = [Math.sin(q[ROLL]), Math.cos(q[ROLL])];
    const [sw, cw] = [Math.sin(wind), Math.cos(wind)];
    // Wound up about the line across, rolled about the line along, yawed.
    const a = sr * sw;
    const b = -sr * cw;
    turned[0] = cy * cw - sy * a;
    turned[1] = -sy * cr;
    turned[2] = cy * sw - sy * b;
    turned[3] = sy * cw + cy * a;
    turned[4] = cy * cr;
    turned[5] = sy * sw + cy * b;
    turned[6] = -cr * sw;
    turned[7] = sr;
    turned[8] = cr * cw;
    rollAxis[0] = cy;
    rollAxis[1] = sy;
    spinAxis[0] = turned[1];
    spinAxis[1] = turned[4];
    spinAxis[2] = turned[7];
    for (let end = 0; end < 2; end++) {
      const { lower, along: k, foot, pin, turned: stub } = this.kingpins[end];
      carry(turned, lower, foot);
      for (let i = 0; i < 3; i++) foot[i] += middle[i];
      carry(turned, k, pin);
      // Rodrigues about the kingpin, then as the beam is turned.
      const s = Math.sin(q[TURN + end]);
      const c = Math.cos(q[TURN + end]);
      for (let j = 0; j < 3; j++) {
        const d = k[j] * (1 - c);
        const x = k[0] * d + (j === 0 ? c : j === 1 ? -k[2] * s : k[1] * s);
        const y = k[1] * d + (j === 1 ? c : j === 0 ? k[2] * s : -k[0] * s);
        const z = k[2] * d + (j === 2 ? c : j === 0 ? -k[1] * s : k[0] * s);
        for (let i = 0; i < 3; i++)
          stub[3 * i + j] = turned[3 * i] * x + turned[3 * i + 1] * y + turned[3 * i + 2] * z;
      }
    }
    for (const { end, turns, from, now } of this.all) {
      const { turned: stub, foot } = this.kingpins[end];
      carry(turns ? stub : turned, from, now);
      const to = turns ? foot : middle;
      for (let i = 0; i < 3; i++) now[i] += to[i];
    }
  }

  /** Adds to a row how a place goes along a direction with each unknown. */
  writeRow(
    rows: Float64Array,
    row: number,
    { end, turns, now }: Carried,
    wx: number,
    wy: number,
    wz: number,
  ): void {
    const at = row * UNKNOWNS;
    const { middle, rollAxis: r } = this;
    const x = now[0] - middle[0];
    const y = now[1] - middle[1];
    const z = now[2] - middle[2];
    if (!this.held) {
      rows[at] += wx;
      rows[at + 1] += wz;
      rows[at + YAW] += wy * x - wx * y;
      rows[at + ROLL] +=
        wx * (r[1] * z - r[2] * y) + wy * (r[2] * x - r[0] * z) + wz * (r[0] * y - r[1] * x);
    }
    if (!turns) return;
    const { foot, pin: k } = this.kingpins[end];
    const fx = now[0] - foot[0];
    const fy = now[1] - foot[1];
    const fz = now[2] - foot[2];
    rows[at + TURN + end] +=
      wx * (k[1] * fz - k[2] * fy) + wy * (k[2] * fx - k[0] * fz) + wz * (k[0] * fy - k[1] * fx);
  }

  /** The beam's turn, rad, by rates of the unknowns. */
  turnBy(rates: Float64Array, windUp: number): Vec {
    if (this.held) return [0, 0, 0];
    const { rollAxis: r, spinAxis: w } = this;
    const by = toRad(windUp);
    return [r[0] * rates[ROLL] + w[0] * by, r[1] * rates[ROLL] + w[1] * by, rates[YAW] + w[2] * by];
  }

  /** How a place on a stub goes per rad about its kingpin. */
  perTurn({ end, now }: Carried): Vec {
    const { foot, pin } = this.kingpins[end];
    return cross(vecOf(pin), sub(vecOf(now), vecOf(foot)));
  }

  /** How a place on the beam goes by rates of the unknowns. */
  goesBy(rates: Float64Array, turn: Vec, now: Float64Array): Vec {
    const moved: Vec = [rates[0], 0, rates[1]];
    return add(moved, cross(turn, sub(vecOf(now), vecOf(this.middle))));
  }
}

export const mirrored = ([x, y, z]: Vec): Vec => [x, -y, z];
export const vecOf = (a: Float64Array): Vec => [a[0], a[1], a[2]];

/** A vector turned by a matrix, row by row. */
export function carry(turned: Float64Array, [x, y, z]: Vec, into: Float64Array): void {
  for (let i = 0; i < 3; i++)
    into[i] = turned[3 * i] * x + turned[3 * i + 1] * y + turned[3 * i + 2] * z;
}
