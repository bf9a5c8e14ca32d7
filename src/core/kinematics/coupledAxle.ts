import { toRad } from '../geometry/angle';
import { factor, solveFactored } from '../geometry/linear';
import { add, cross, distance, dot, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Side } from '../model/build';
import { U } from './corner';
import { INNER, INNER_SIZE, writeInner } from './innerWay';
import type { InnerWay } from './innerWay';
import { headingOf, spindleOf } from './spindle';

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

/** What moves it: each wheel, mm, + bump; the steering, mm of a rack or degrees of a drop arm; the axle's wind-up, degrees, + its top ahead. */
export interface CoupledInput {
  left: number;
  right: number;
  steer: number;
  windUp: number;
}

const SIDES = ['left', 'right'] as const;
/** Unknowns: the beam ahead and up, its yaw and roll, each stub's turn about its kingpin. */
const YAW = 2;
const ROLL = 3;
const TURN = 4;
const SIZE = 6;
/** A position is found when no unknown is to move more, mm or rad times a hundred. */
const CLOSE = 1e-10;
const MOST_STEPS = 14;
/** Turned in one part of a way at most, rad. */
const LARGEST_TURN = 0.3;
/** The way to another position is not cut finer than this part. */
const LEAST_PART = 1e-5;
/** A rod turns its arm where this part of its pull at the least is square to it (0.06°). */
const DEAD_CENTRE = 1e-3;

/**
 * A place on the axle: which end, whether the stub carries it, where it is as drawn from the pads' middle, on a stub
 * from its kingpin's lower end; and where it stands.
 */
interface Carried {
  end: 0 | 1;
  turns: boolean;
  from: Vec;
  now: Float64Array;
}

/** One input's part of a movement. */
type Along = Partial<Record<keyof CoupledInput, number>>;

/**
 * Both wheels of a coupled axle. The beam keeps its pads' angle and its place sideways, each pad goes on its leaf's arc
 * (a plane arc seen from the side), the wheels' heights are those wanted, tie rod and drag link keep their lengths: six
 * equations in six unknowns, by Newton's method with exact rows, from the last position in parts that keep the side of
 * every singular position that it is drawn on. Where the frame holds the kingpins only the two turns are unknown.
 */
export class CoupledAxle {
  private readonly held: boolean;
  private readonly origin: Vec;
  private readonly q = new Float64Array(SIZE);
  private readonly kept = new Float64Array(SIZE);
  private readonly rows = new Float64Array(SIZE * SIZE);
  private readonly missing = new Float64Array(SIZE);
  private readonly step = new Float64Array(SIZE);
  private readonly order = new Int32Array(SIZE);
  private readonly inner = new Float64Array(INNER_SIZE);
  private at: CoupledInput = { ...STRAIGHT };
  private readonly side: number;
  /** Each kingpin as drawn, and where its foot is, how it leans and how its stub is turned as it stands. */
  private readonly kingpins: readonly {
    lower: Vec;
    along: Vec;
    foot: Float64Array;
    pin: Float64Array;
    turned: Float64Array;
  }[];
  /** The beam as it stands: its middle, how it is turned, the lines it rolls and winds up about. */
  private readonly middle = new Float64Array(3);
  private readonly turned = new Float64Array(9);
  private readonly rollAxis = new Float64Array(3);
  private readonly spinAxis = new Float64Array(3);
  private readonly all: readonly Carried[];
  private readonly wheels: readonly Carried[];
  private readonly arms: readonly Carried[];
  private readonly pads: readonly { pad: Carried; middle: Vec; reach: number }[];
  private readonly drag: Carried;
  private readonly heights: readonly number[];
  private readonly tieRod: number;
  private readonly long: number;
  /** Along the tie rod from right to left, and along the drag link outward, of length 1. */
  private readonly rod = new Float64Array(3);
  private readonly link = new Float64Array(3);
  private readonly wanted = new Float64Array(SIZE);
  private readonly rates = new Float64Array(SIZE);
  private readonly scratch = new Float64Array(3);
  private readonly spindles: readonly Vec[];
  private readonly headings: readonly Vec[];

  constructor(private readonly drawn: DrawnCoupled) {
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
    const { inner, outer, to } = drawn.dragLink;
    this.drag = on(to === 'left' ? 0 : 1, outer, true);
    this.all = [...this.wheels, ...this.arms, ...this.pads.map(({ pad }) => pad), this.drag];
    this.heights = ends.map(({ wheelCentre }) => wheelCentre[2]);
    this.tieRod = distance(ends[0].tieRodOuter, ends[1].tieRodOuter);
    this.long = distance(inner, outer);
    for (let i = 0; i < 3; i++) this.inner[INNER.drawn + i] = inner[i];
    const spindle = spindleOf(drawn.static);
    const heading = headingOf(spindle);
    this.spindles = [spindle, mirrored(spindle)];
    this.headings = [heading, mirrored(heading)];
    this.side = this.search(STRAIGHT) ? this.sideOf() : 0;
  }

  /** Which rod points straight at a kingpin as drawn and cannot turn its wheel; or that nothing holds the axle; else null. */
  fault(): 'drag link' | 'tie rod' | 'springs' | null {
    this.q.fill(0);
    this.at = { ...STRAIGHT };
    this.writeRows();
    const turns = (place: Carried, along: Float64Array) => {
      const per = this.perTurn(place);
      return Math.abs(dot(per, vecOf(along))) > DEAD_CENTRE * Math.max(1, Math.hypot(...per));
    };
    if (!turns(this.drag, this.link)) return 'drag link';
    if (!this.arms.every((arm) => turns(arm, this.rod))) return 'tie rod';
    return this.side === 0 || !this.search(STRAIGHT) ? 'springs' : null;
  }

  /**
   * Goes to a position. Wheel travels count only where there are springs.
   * @returns whether it is reached; else the axle stays where it was
   */
  goTo(input: CoupledInput): boolean {
    if (this.side === 0) return false;
    if (this.held && (input.left !== 0 || input.right !== 0 || input.windUp !== 0)) return false;
    const { at, q } = this;
    const before = q.slice();
    if (this.walk(input)) return true;
    // Once more on the straight way from ride height: the answer does not hang on where the walk was.
    q.fill(0);
    this.at = { ...STRAIGHT };
    if (this.search(STRAIGHT) && this.walk(input)) return true;
    q.set(before);
    this.search(at);
    return false;
  }

  /**
   * Writes a side's upright, in its own outward axes, ordered as in `U`, where the axle last went to.
   * @param alike whether travel is both wheels' together (heave), or this wheel up as the other goes down (roll)
   */
  write(side: Side, alike: boolean, u: Float64Array): void {
    const end = side === 'left' ? 0 : 1;
    const out = side === 'left' ? 1 : -1;
    const put = (offset: number, v: Vec) => u.set(out > 0 ? v : mirrored(v), offset);
    // A mirror turns a rotation round.
    const putTurn = (offset: number, [x, y, z]: Vec) =>
      u.set(out > 0 ? [x, y, z] : [-x, y, -z], offset);
    const { foot, pin, turned } = this.kingpins[end];
    const wheel = this.wheels[end];
    const onStub = (v: Vec): Vec => {
      carry(turned, v, this.scratch);
      return vecOf(this.scratch);
    };
    put(U.wheelCentre, vecOf(wheel.now));
    put(U.spindle, onStub(this.spindles[end]));
    put(U.heading, onStub(this.headings[end]));
    put(U.axisAt, vecOf(foot));
    put(U.axisAlong, vecOf(pin));
    const moves: [number, number, number, Along][] = [
      [U.turnPerTravel, U.movePerTravel, U.axisAtPerTravel, this.travelAlong(side, alike)],
      [U.turnPerRack, U.movePerRack, U.axisAtPerRack, { steer: out }],
    ];
    for (const [turnAt, moveAt, axisAt, by] of moves) {
      const rates = this.ratesBy(by);
      const beam = this.beamTurn(rates, 0);
      const moved: Vec = [rates[0], 0, rates[1]];
      const rigid = (now: Float64Array): Vec =>
        add(moved, cross(beam, sub(vecOf(now), vecOf(this.middle))));
      const turn = rates[TURN + end];
      putTurn(turnAt, add(beam, scale(vecOf(pin), turn)));
      put(moveAt, add(rigid(wheel.now), scale(this.perTurn(wheel), turn)));
      put(axisAt, rigid(foot));
      put(axisAt + 3, cross(beam, vecOf(pin)));
    }
    if (this.held) {
      u.fill(NaN, U.turnPerTravel, U.movePerTravel + 3);
      u.fill(NaN, U.axisAtPerTravel, U.axisAlongPerTravel + 3);
    }
    u[U.rack] = out * this.at.steer;
  }

  /** Where a spring's pad is, in the car's axes, mm; null where the frame holds the kingpins. */
  pad(side: Side): Vec | null {
    return this.held ? null : vecOf(this.pads[side === 'left' ? 0 : 1].pad.now);
  }

  private travelAlong(side: Side, alike: boolean): Along {
    if (this.held) return {};
    const other = alike ? 1 : -1;
    return side === 'left' ? { left: 1, right: other } : { left: other, right: 1 };
  }

  private walk(to: CoupledInput): boolean {
    const from = this.at;
    if (isSame(from, to)) return true;
    let done = 0;
    let part = 1;
    while (done < 1) {
      const next = done + part >= 1 - 1e-12 ? 1 : done + part;
      const here = next === 1 ? to : between(from, to, next);
      const before = this.at;
      this.kept.set(this.q);
      const rates = this.ratesBy(less(here, before));
      let turned = 0;
      for (let i = YAW; i < SIZE; i++) turned = Math.max(turned, Math.abs(rates[i]));
      if (turned < LARGEST_TURN) {
        for (let i = 0; i < SIZE; i++) this.q[i] += rates[i];
        if (this.search(here) && this.sideOf() === this.side) {
          done = next;
          part *= 2;
          continue;
        }
      }
      this.q.set(this.kept);
      // The rows where it stands.
      this.search(before);
      part /= 2;
      if (part < LEAST_PART) return false;
    }
    return true;
  }

  /** Newton's method at an input from where it stands; leaves the rows factored there. */
  private search(input: CoupledInput): boolean {
    this.at = input;
    for (let n = 0; n < MOST_STEPS; n++) {
      this.writeRows();
      if (!factor(this.rows, SIZE, this.order)) return false;
      solveFactored(this.rows, SIZE, this.order, this.missing, this.step);
      let size = 0;
      for (let i = 0; i < SIZE; i++) size += Math.abs(this.step[i]) * (i < YAW ? 1 : 100);
      if (!(size < 1e4)) return false;
      if (size < CLOSE) return true;
      for (let i = 0; i < SIZE; i++) this.q[i] += this.step[i];
    }
    return false;
  }

  /** Each equation's row against the unknowns, and what is missing from it. */
  private writeRows(): void {
    const { rows, missing, at, inner, arms, drag } = this;
    this.pose();
    rows.fill(0);
    missing.fill(0);
    if (this.held) for (let i = 0; i < TURN; i++) rows[i * SIZE + i] = 1;
    else
      for (let end = 0; end < 2; end++) {
        const wheel = this.wheels[end];
        this.writeRow(end, wheel, 0, 0, 1);
        missing[end] = this.heights[end] + (end === 0 ? at.left : at.right) - wheel.now[2];
        const { pad, middle, reach } = this.pads[end];
        const x = pad.now[0] - middle[0];
        const z = pad.now[2] - middle[2];
        const far = Math.sqrt(x * x + z * z);
        this.writeRow(2 + end, pad, x / far, 0, z / far);
        missing[2 + end] = reach - far;
      }
    inner[INNER.input] = at.steer;
    writeInner(this.drawn.steering, inner);
    const { rod, link } = this;
    const apart = lineTo(arms[0].now, arms[1].now, 0, rod);
    this.writeRow(4, arms[0], rod[0], rod[1], rod[2]);
    this.writeRow(4, arms[1], -rod[0], -rod[1], -rod[2]);
    missing[4] = this.tieRod - apart;
    const long = lineTo(drag.now, inner, INNER.place, link);
    this.writeRow(5, drag, link[0], link[1], link[2]);
    missing[5] = this.long - long;
  }

  /** Adds how a place goes along a direction with each unknown. */
  private writeRow(row: number, { end, turns, now }: Carried, wx: number, wy: number, wz: number) {
    const at = row * SIZE;
    const { rows, middle, rollAxis: r } = this;
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

  /** Beam, stubs and every place on them where the unknowns have them. */
  private pose(): void {
    const { q, turned, middle, origin, rollAxis, spinAxis } = this;
    for (let i = 0; i < 3; i++) middle[i] = origin[i];
    middle[0] += q[0];
    middle[2] += q[1];
    const wind = this.held ? 0 : toRad(this.at.windUp);
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

  /** How every unknown answers to the inputs, exact, at the position found; in a list that the next call overwrites. */
  private ratesBy({ left = 0, right = 0, steer = 0, windUp = 0 }: Along): Float64Array {
    const { wanted, rates, link, inner } = this;
    wanted.fill(0);
    if (!this.held) {
      wanted[0] = left;
      wanted[1] = right;
      if (windUp !== 0) this.lessWindUp(windUp);
    }
    for (let i = 0; i < 3; i++) wanted[5] += steer * link[i] * inner[INNER.rate + i];
    solveFactored(this.rows, SIZE, this.order, wanted, rates);
    return rates;
  }

  /** What winding up by so many degrees would make of each condition is to be taken back. */
  private lessWindUp(degrees: number): void {
    const { wanted, rod, link } = this;
    const spin = scale(vecOf(this.spinAxis), toRad(degrees));
    const goes = ({ now }: Carried): Vec => cross(spin, sub(vecOf(now), vecOf(this.middle)));
    for (const end of [0, 1] as const) {
      wanted[end] -= goes(this.wheels[end])[2];
      const { pad, middle } = this.pads[end];
      const [x, , z] = sub(vecOf(pad.now), middle);
      const [dx, , dz] = goes(pad);
      wanted[2 + end] -= (x * dx + z * dz) / Math.hypot(x, z);
    }
    const [l, r] = this.arms.map(goes);
    wanted[4] -= dot(vecOf(rod), sub(l, r));
    wanted[5] -= dot(vecOf(link), goes(this.drag));
  }

  /** The beam's turn, rad, by rates of the unknowns. */
  private beamTurn(rates: Float64Array, windUp: number): Vec {
    if (this.held) return [0, 0, 0];
    const { rollAxis: r, spinAxis: w } = this;
    const by = toRad(windUp);
    return [r[0] * rates[ROLL] + w[0] * by, r[1] * rates[ROLL] + w[1] * by, rates[YAW] + w[2] * by];
  }

  /** How a place on a stub goes per rad about its kingpin. */
  private perTurn({ end, now }: Carried): Vec {
    const { foot, pin } = this.kingpins[end];
    return cross(vecOf(pin), sub(vecOf(now), vecOf(foot)));
  }

  /** Which side of a singular position it is on: the sign of the factored rows' determinant. */
  private sideOf(): number {
    let sign = 1;
    for (let i = 0; i < SIZE; i++) {
      if (this.rows[i * (SIZE + 1)] < 0) sign = -sign;
      for (let j = i + 1; j < SIZE; j++) if (this.order[i] > this.order[j]) sign = -sign;
    }
    return sign;
  }
}

const STRAIGHT: CoupledInput = { left: 0, right: 0, steer: 0, windUp: 0 };
const isSame = (a: CoupledInput, b: CoupledInput): boolean =>
  a.left === b.left && a.right === b.right && a.steer === b.steer && a.windUp === b.windUp;
const less = (a: CoupledInput, b: CoupledInput): CoupledInput => ({
  left: a.left - b.left,
  right: a.right - b.right,
  steer: a.steer - b.steer,
  windUp: a.windUp - b.windUp,
});
/** A part of the way from one input to another. */
const between = (a: CoupledInput, b: CoupledInput, part: number): CoupledInput => ({
  left: a.left + part * (b.left - a.left),
  right: a.right + part * (b.right - a.right),
  steer: a.steer + part * (b.steer - a.steer),
  windUp: a.windUp + part * (b.windUp - a.windUp),
});
const mirrored = ([x, y, z]: Vec): Vec => [x, -y, z];
const vecOf = (a: Float64Array): Vec => [a[0], a[1], a[2]];

/** A vector turned by a matrix, row by row. */
function carry(turned: Float64Array, [x, y, z]: Vec, into: Float64Array): void {
  for (let i = 0; i < 3; i++)
    into[i] = turned[3 * i] * x + turned[3 * i + 1] * y + turned[3 * i + 2] * z;
}

/** Writes the direction of length 1 from one place to another, and says how far it is. */
function lineTo(to: Float64Array, from: Float64Array, at: number, into: Float64Array): number {
  const x = to[0] - from[at];
  const y = to[1] - from[at + 1];
  const z = to[2] - from[at + 2];
  const long = Math.sqrt(x * x + y * y + z * z);
  into[0] = x / long;
  into[1] = y / long;
  into[2] = z / long;
  return long;
}
