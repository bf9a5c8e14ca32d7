import { toRad } from '../geometry/angle';
import { factor, solveFactored } from '../geometry/linear';
import { add, cross, distance, dot, scale, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Side } from '../model/build';
import { U } from './corner';
import { CoupledBodies, TURN, UNKNOWNS, YAW, carry, mirrored, vecOf } from './coupledBodies';
import type { Carried, DrawnCoupled } from './coupledBodies';
import { INNER, INNER_SIZE, writeInner } from './innerWay';
import { headingOf, spindleOf } from './spindle';

/** What moves it: each wheel, mm, + bump; the steering, mm of a rack or degrees of a drop arm; the axle's wind-up, degrees, + its top ahead. */
export interface CoupledInput {
  left: number;
  right: number;
  steer: number;
  windUp: number;
}

const SIZE = UNKNOWNS;
/** A position is found when no unknown is to move more, mm or rad times a hundred. */
const CLOSE = 1e-10;
const MOST_STEPS = 14;
/** Turned in one part of a way at most, rad. */
const LARGEST_TURN = 0.3;
/** The way to another position is not cut finer than this part. */
const LEAST_PART = 1e-5;
/** A rod turns its arm where this part of its pull at the least is square to it (0.06°). */
const DEAD_CENTRE = 1e-3;

/** What keeps each of the equations. */
const MEMBERS = ['axle', 'axle', 'leaf spring', 'leaf spring', 'tie rod', 'drag link'];

/** One input's part of a movement. */
type Along = Partial<Record<keyof CoupledInput, number>>;

/**
 * Both wheels of a coupled axle. The beam keeps its pads' angle and its place sideways, each pad goes on its leaf's arc
 * (a plane arc seen from the side), the wheels' heights are those wanted, tie rod and drag link keep their lengths: six
 * equations in six unknowns, by Newton's method with exact rows, from the last position in parts that keep the side of
 * every singular position that it is drawn on. Where the frame holds the kingpins only the two turns are unknown.
 */
export class CoupledAxle {
  private readonly bodies: CoupledBodies;
  private readonly q = new Float64Array(SIZE);
  private readonly kept = new Float64Array(SIZE);
  private readonly rows = new Float64Array(SIZE * SIZE);
  private readonly missing = new Float64Array(SIZE);
  private readonly step = new Float64Array(SIZE);
  private readonly order = new Int32Array(SIZE);
  private readonly inner = new Float64Array(INNER_SIZE);
  private at: CoupledInput = { ...STRAIGHT };
  private readonly side: number;
  private readonly heights: readonly number[];
  private readonly tieRod: number;
  private readonly long: number;
  /** Along the tie rod from right to left, and along the drag link outward, of length 1. */
  private readonly rod = new Float64Array(3);
  private readonly link = new Float64Array(3);
  private readonly wanted = new Float64Array(SIZE);
  private readonly rates = new Float64Array(SIZE);
  private readonly perHeave = new Float64Array(SIZE);
  private readonly perRoll = new Float64Array(SIZE);
  private readonly perSteer = new Float64Array(SIZE);
  /** Whether those are of where it stands. */
  private rated = false;
  private readonly scratch = new Float64Array(3);
  private readonly spindles: readonly Vec[];
  private readonly headings: readonly Vec[];

  constructor(private readonly drawn: DrawnCoupled) {
    const ends = [drawn.ends.left, drawn.ends.right];
    const { inner, outer } = drawn.dragLink;
    this.bodies = new CoupledBodies(drawn);
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
      const per = this.bodies.perTurn(place);
      return Math.abs(dot(per, vecOf(along))) > DEAD_CENTRE * Math.max(1, Math.hypot(...per));
    };
    if (!turns(this.bodies.drag, this.link)) return 'drag link';
    if (!this.bodies.arms.every((arm) => turns(arm, this.rod))) return 'tie rod';
    return this.side === 0 || !this.search(STRAIGHT) ? 'springs' : null;
  }

  /**
   * Goes to a position. Wheel travels count only where there are springs.
   * @returns whether it is reached; else the axle stays where it was
   */
  goTo(input: CoupledInput): boolean {
    if (this.side === 0) return false;
    if (this.bodies.held && (input.left !== 0 || input.right !== 0 || input.windUp !== 0))
      return false;
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
    const { foot, pin, turned } = this.bodies.kingpins[end];
    const wheel = this.bodies.wheels[end];
    const onStub = (v: Vec): Vec => {
      carry(turned, v, this.scratch);
      return vecOf(this.scratch);
    };
    put(U.wheelCentre, vecOf(wheel.now));
    put(U.spindle, onStub(this.spindles[end]));
    put(U.heading, onStub(this.headings[end]));
    put(U.axisAt, vecOf(foot));
    put(U.axisAlong, vecOf(pin));
    const { perHeave, perRoll, perSteer } = this.allRates();
    // In roll this wheel goes up; the steering's input counts outward.
    const moves: [number, number, number | null, Float64Array, 1 | -1][] = [
      alike
        ? [U.turnPerTravel, U.movePerTravel, U.axisAtPerTravel, perHeave, 1]
        : [U.turnPerTravel, U.movePerTravel, U.axisAtPerTravel, perRoll, out],
      [U.turnPerRack, U.movePerRack, U.axisAtPerRack, perSteer, out],
      [U.turnInRoll, U.moveInRoll, null, perRoll, out],
    ];
    for (const [turnAt, moveAt, axisAt, rates, way] of moves) {
      const beam = this.bodies.turnBy(rates, 0);
      const rigid = (now: Float64Array): Vec => this.bodies.goesBy(rates, beam, now);
      const turn = rates[TURN + end];
      putTurn(turnAt, scale(add(beam, scale(vecOf(pin), turn)), way));
      put(moveAt, scale(add(rigid(wheel.now), scale(this.bodies.perTurn(wheel), turn)), way));
      if (axisAt === null) continue;
      put(axisAt, scale(rigid(foot), way));
      put(axisAt + 3, scale(cross(beam, vecOf(pin)), way));
    }
    const [, , , rates, way] = moves[0];
    const beam = this.bodies.turnBy(rates, 0);
    putTurn(U.beamTurn, scale(beam, way));
    put(U.beamMove, scale(this.bodies.goesBy(rates, beam, ORIGIN), way));
    if (this.bodies.held) {
      u.fill(NaN, U.turnPerTravel, U.movePerTravel + 3);
      u.fill(NaN, U.axisAtPerTravel, U.axisAlongPerTravel + 3);
      u.fill(NaN, U.turnInRoll, U.moveInRoll + 3);
    }
    u[U.rack] = out * this.at.steer;
    put(U.otherArm, vecOf(this.bodies.arms[1 - end].now));
    this.writeBeam(out, u);
  }

  /** How what carries the kingpins is turned and shifted from as drawn, in a side's outward axes. */
  private writeBeam(out: 1 | -1, u: Float64Array): void {
    const { turned, middle, origin } = this.bodies;
    carry(turned, origin, this.scratch);
    for (let i = 0; i < 3; i++) {
      const across = i === 1 ? out : 1;
      u[U.beamShift + i] = across * (middle[i] - this.scratch[i]);
      for (let j = 0; j < 3; j++)
        u[U.beam + 3 * i + j] = across * (j === 1 ? out : 1) * turned[3 * i + j];
    }
  }

  /** Whether the frame holds the kingpins. */
  get isHeld(): boolean {
    return this.bodies.held;
  }

  /** What gives out near the end of what can be reached, where it stands: a load pulls it without limit. */
  mostLoaded(): string {
    this.writeRows();
    const transposed = Float64Array.from(
      this.rows,
      (_, i) => this.rows[(i % SIZE) * SIZE + Math.floor(i / SIZE)],
    );
    const force = new Float64Array(SIZE);
    const order = new Int32Array(SIZE);
    if (factor(transposed, SIZE, order))
      solveFactored(transposed, SIZE, order, new Float64Array(SIZE).fill(1), force);
    let most = SIZE - 1;
    for (let i = 2; i < SIZE; i++) if (Math.abs(force[i]) > Math.abs(force[most])) most = i;
    // The rows as they were.
    this.search(this.at);
    return MEMBERS[most];
  }

  /** Where a spring's pad is, in the car's axes, mm; null where the frame holds the kingpins. */
  pad(side: Side): Vec | null {
    return this.bodies.held ? null : vecOf(this.bodies.pads[side === 'left' ? 0 : 1].pad.now);
  }

  /** Rates of the unknowns where it stands: both wheels up, the left one up and the right one down, the steering. */
  private allRates() {
    const { perHeave, perRoll, perSteer } = this;
    if (!this.rated) {
      const travels = !this.bodies.held;
      perHeave.set(this.ratesBy(travels ? { left: 1, right: 1 } : {}));
      perRoll.set(this.ratesBy(travels ? { left: 1, right: -1 } : {}));
      perSteer.set(this.ratesBy({ steer: 1 }));
      this.rated = true;
    }
    return { perHeave, perRoll, perSteer };
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
    this.rated = false;
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
    const { rows, missing, at, inner } = this;
    const { arms, drag } = this.bodies;
    this.bodies.pose(this.q, at.windUp);
    rows.fill(0);
    missing.fill(0);
    if (this.bodies.held) for (let i = 0; i < TURN; i++) rows[i * SIZE + i] = 1;
    else
      for (let end = 0; end < 2; end++) {
        const wheel = this.bodies.wheels[end];
        this.bodies.writeRow(rows, end, wheel, 0, 0, 1);
        missing[end] = this.heights[end] + (end === 0 ? at.left : at.right) - wheel.now[2];
        const { pad, middle, reach } = this.bodies.pads[end];
        const x = pad.now[0] - middle[0];
        const z = pad.now[2] - middle[2];
        const far = Math.sqrt(x * x + z * z);
        this.bodies.writeRow(rows, 2 + end, pad, x / far, 0, z / far);
        missing[2 + end] = reach - far;
      }
    inner[INNER.input] = at.steer;
    writeInner(this.drawn.steering, inner);
    const { rod, link } = this;
    const apart = lineTo(arms[0].now, arms[1].now, 0, rod);
    this.bodies.writeRow(rows, 4, arms[0], rod[0], rod[1], rod[2]);
    this.bodies.writeRow(rows, 4, arms[1], -rod[0], -rod[1], -rod[2]);
    missing[4] = this.tieRod - apart;
    const long = lineTo(drag.now, inner, INNER.place, link);
    this.bodies.writeRow(rows, 5, drag, link[0], link[1], link[2]);
    missing[5] = this.long - long;
  }

  /** How every unknown answers to the inputs, exact, at the position found; in a list that the next call overwrites. */
  private ratesBy({ left = 0, right = 0, steer = 0, windUp = 0 }: Along): Float64Array {
    const { wanted, rates, link, inner } = this;
    wanted.fill(0);
    if (!this.bodies.held) {
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
    const spin = scale(vecOf(this.bodies.spinAxis), toRad(degrees));
    const goes = ({ now }: Carried): Vec => cross(spin, sub(vecOf(now), vecOf(this.bodies.middle)));
    for (const end of [0, 1] as const) {
      wanted[end] -= goes(this.bodies.wheels[end])[2];
      const { pad, middle } = this.bodies.pads[end];
      const [x, , z] = sub(vecOf(pad.now), middle);
      const [dx, , dz] = goes(pad);
      wanted[2 + end] -= (x * dx + z * dz) / Math.hypot(x, z);
    }
    const [l, r] = this.bodies.arms.map(goes);
    wanted[4] -= dot(vecOf(rod), sub(l, r));
    wanted[5] -= dot(vecOf(link), goes(this.bodies.drag));
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

const ORIGIN = new Float64Array(3);
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
