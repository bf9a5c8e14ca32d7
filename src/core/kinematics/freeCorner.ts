import { factor, solveFactored } from '../geometry/linear';
import type { Vec } from '../geometry/vec';
import type { CornerType } from '../corners/cornerType';
import { ConditionRows, EQUATION_COUNT, HEIGHT_ROW } from './conditionRows';
import type { Drawn } from './conditionRows';
import { NO_TRAVEL, U } from './corner';
import type { Corner, DrawnCorner, OutOfReach, Prepared } from './corner';
import { ACROSS } from './innerWay';
import type { InnerWay } from './innerWay';
import { typedJoints } from './joints';
import { placesTaken } from './placesTaken';
import { headingOf, spindleOf } from './spindle';

/** A position is found when the next step would move less than this, mm (and turn less than a hundredth of it, rad). */
const CLOSE = 1e-10;
const MOST_STEPS = 12;
/** Parts of a way that are not halved any more. */
const LEAST_PART = 1e-6;
/** The upright's turn that is taken in one step of a way at most, rad. */
const LARGEST_TURN = 0.25;
/** As drawn the upright turns no faster than this, rad per mm of travel or steering: at dead centre it does. */
const DEAD_CENTRE = 0.5;

const TRAVEL = 0;
const STEER = 1;
const MOST = 2;
const TO_TRAVEL = 3;
const TO_STEER = 4;

/** Makes a corner of any kind, or says what makes it unusable as drawn. */
export function prepareFree(drawn: DrawnCorner): Prepared<FreeCorner> {
  const faults = placesTaken(drawn);
  if (faults.length > 0) return { ok: false, faults };
  const corner = new FreeCorner(drawn.type, typedJoints(drawn), drawn.static, drawn.steering);
  const fault = corner.fault();
  return fault ? { ok: false, faults: [fault] } : { ok: true, corner };
}

/**
 * One corner of any kind: six conditions on a free upright, the last its wheel's height. Newton's method
 * with exact rows, from the last position of the walk; no step crosses a position where the rows lose
 * their sense of which way is on, so that the upright never turns over unseen. What does not converge is
 * no position. Nothing is allocated by `pose`.
 */
export class FreeCorner implements Corner {
  private readonly equations: ConditionRows;
  private readonly spindle0: Vec;
  private readonly heading0: Vec;
  /** Travel and steering where the upright stands, how far it may turn in a search, rad, and where a walk goes. */
  private readonly state = new Float64Array(5);
  private readonly kept = new Float64Array(14);
  private readonly order = new Int32Array(6);
  private readonly factors = new Float64Array(36);
  private readonly twist = new Float64Array(6);
  private readonly perTravel = new Float64Array(6);
  private readonly perSteer = new Float64Array(6);
  private readonly side: number;
  /** The ends of the line it steers about: on the upright relative to its wheel centre, or on the chassis. */
  private readonly axisEnds: { place: Float64Array; moves: boolean }[];
  private readonly steersItself: boolean;
  private readonly hasRod: boolean;

  /** Use `prepareFree`, which refuses layouts that are degenerate as drawn. */
  constructor(
    private readonly type: CornerType,
    points: Drawn,
    alignment: { toe: number; camber: number },
    steering: InnerWay = ACROSS,
  ) {
    this.equations = new ConditionRows(type, points, steering);
    this.spindle0 = spindleOf(alignment);
    this.heading0 = headingOf(this.spindle0);
    const { centre0 } = this.equations;
    const { steersAbout } = type;
    this.axisEnds =
      steersAbout === null || steersAbout === 'screw'
        ? []
        : steersAbout.map((name) => {
            const moves = type.points[name].on === 'upright';
            const place = Float64Array.from(points[name], (x, i) => x - (moves ? centre0[i] : 0));
            return { place, moves };
          });
    this.steersItself = steersAbout === 'screw';
    this.hasRod = type.tieRod !== null;
    this.side = this.solve() ? this.sideOf() : 0;
  }

  /** What makes it unusable as drawn, with the point to look at; null where nothing does. */
  fault(): { point: string; message: string } | null {
    const { type } = this;
    const first = type.pivots[0]?.through[0] ?? type.towardsInstant[0];
    if (this.side === 0)
      return {
        point: first,
        message: 'as drawn nothing holds the wheel one way: two of its members do the same work',
      };
    const turn = sizeOf(this.perTravel, 3);
    const most = Math.max(turn, sizeOf(this.perTravel, 0) / 100);
    if (!(most < DEAD_CENTRE))
      return {
        point: first,
        message: `the ${type.pivots.length > 0 ? 'arms swing' : 'links swing'} the wheel sideways only: it cannot move up and down`,
      };
    if (type.tieRod && !(sizeOf(this.perSteer, 3) < DEAD_CENTRE))
      return {
        point: type.tieRod.inner,
        message:
          'the tie rod is at dead centre: it points straight at the steering axis and cannot hold the wheel',
      };
    return null;
  }

  pose(travel: number, rack: number, upright: Float64Array): boolean {
    if (this.type.noTravel && travel !== 0) return false;
    this.state[TO_TRAVEL] = travel;
    this.state[TO_STEER] = rack;
    if (!this.walk()) {
      // Once more on the straight way from ride height: the answer does not hang on where the walk was.
      this.reset();
      if (!this.solve() || !this.walk()) return false;
    }
    this.writePose(upright);
    return true;
  }

  /** What gives out on the straight way from ride height to a position; null where it can be reached. */
  why(travel: number, rack: number): OutOfReach | null {
    this.reset();
    if (this.type.noTravel && travel !== 0) return NO_TRAVEL;
    this.state[TO_TRAVEL] = travel;
    this.state[TO_STEER] = rack;
    if (!this.solve() || this.walk()) return null;
    // Near where the upright gives out, a load on the wheel pulls one member without limit.
    const { equations, order } = this;
    this.write();
    const transposed = Float64Array.from(
      equations.rows,
      (_, i) => equations.rows[(i % 6) * 6 + Math.floor(i / 6)],
    );
    const load = Float64Array.from([0, 0, 1, 0, 0, 0]);
    const force = new Float64Array(6);
    let most = 0;
    if (factor(transposed, 6, order)) {
      solveFactored(transposed, 6, order, load, force);
      for (let i = 1; i < equations.held; i++)
        if (Math.abs(force[i]) > Math.abs(force[most])) most = i;
    }
    return {
      part: equations.members[most],
      fault: 'at its end',
      lastTravel: this.state[TRAVEL],
      lastRack: this.state[STEER],
    };
  }

  private reset(): void {
    this.equations.reset();
    this.state[TRAVEL] = 0;
    this.state[STEER] = 0;
  }

  private write(): void {
    const { equations, state } = this;
    equations.goal[0] = equations.centre0[2] + state[TRAVEL];
    equations.goal[1] = state[STEER];
    equations.write();
  }

  /** Goes from where the upright stands to a position, in parts that Newton's method follows surely. */
  private walk(): boolean {
    if (this.side === 0) return false;
    const travel = this.state[TO_TRAVEL];
    const steer = this.state[TO_STEER];
    const travel0 = this.state[TRAVEL];
    const steer0 = this.state[STEER];
    const far = Math.max(Math.abs(travel - travel0), Math.abs(steer - steer0));
    if (far === 0) return true;
    let done = 0;
    let part = 1;
    while (done < 1) {
      const next = done + part >= 1 - 1e-12 ? 1 : done + part;
      const dt = travel0 + next * (travel - travel0) - this.state[TRAVEL];
      const ds = steer0 + next * (steer - steer0) - this.state[STEER];
      this.keep();
      for (let i = 0; i < 6; i++) this.twist[i] = this.perTravel[i] * dt + this.perSteer[i] * ds;
      const turn = sizeOf(this.twist, 3);
      if (turn < LARGEST_TURN) {
        this.equations.move(this.twist);
        // What is left to turn is small against what was foreseen.
        this.state[MOST] = 0.5 * turn + 0.01;
        this.state[TRAVEL] = next === 1 ? travel : travel0 + next * (travel - travel0);
        this.state[STEER] = next === 1 ? steer : steer0 + next * (steer - steer0);
        if (this.search() && this.sideOf() === this.side) {
          done = next;
          part *= 2;
          continue;
        }
      }
      this.putBack();
      part /= 2;
      if (part * far < LEAST_PART) {
        // The rates where it stands.
        this.solve();
        return false;
      }
    }
    return true;
  }

  private solve(): boolean {
    this.state[MOST] = Infinity;
    return this.search();
  }

  /**
   * Newton's method at the travel and steering of the state; leaves the rates of the position found.
   * @returns false where it does not come to rest, or turns further than it may
   */
  private search(): boolean {
    const { equations, order, twist } = this;
    const { rows, missing } = equations;
    let turn = 0;
    for (let step = 0; step < MOST_STEPS; step++) {
      this.write();
      if (!factor(rows, EQUATION_COUNT, order)) return false;
      solveFactored(rows, EQUATION_COUNT, order, missing, twist);
      const size = sizeOf(twist, 0);
      const angle = sizeOf(twist, 3);
      if (!(size < 1e4)) return false;
      if (size < CLOSE && angle < CLOSE / 100) {
        this.writeRates();
        return true;
      }
      turn += angle;
      if (turn > this.state[MOST]) return false;
      equations.move(twist);
    }
    return false;
  }

  /** Rates of the position whose rows have just been factored. */
  private writeRates(): void {
    const { equations, order, perTravel, perSteer } = this;
    const { rows, missing } = equations;
    if (equations.held < EQUATION_COUNT) {
      missing.fill(0);
      missing[HEIGHT_ROW] = 1;
      solveFactored(rows, EQUATION_COUNT, order, missing, perTravel);
    }
    if (!this.hasRod) return;
    equations.writeSteerRate();
    solveFactored(rows, EQUATION_COUNT, order, missing, perSteer);
  }

  private writePose(u: Float64Array): void {
    const { equations, perTravel, perSteer, spindle0, heading0 } = this;
    const { noTravel } = this.type;
    const { turned, centre } = equations;
    for (let i = 0; i < 3; i++) {
      const a = turned[3 * i];
      const b = turned[3 * i + 1];
      const c = turned[3 * i + 2];
      u[U.wheelCentre + i] = centre[i];
      u[U.spindle + i] = a * spindle0[0] + b * spindle0[1] + c * spindle0[2];
      u[U.heading + i] = a * heading0[0] + b * heading0[1] + c * heading0[2];
      u[U.turnPerTravel + i] = noTravel ? NaN : perTravel[3 + i];
      u[U.movePerTravel + i] = noTravel ? NaN : perTravel[i];
      u[U.turnPerRack + i] = perSteer[3 + i];
      u[U.movePerRack + i] = perSteer[i];
    }
    u[U.rack] = this.state[STEER];
    if (this.axisEnds.length > 0) this.writeAxis(u);
    else if (this.steersItself) this.writeScrew(u);
    else {
      u.fill(NaN, U.axisAt, U.axisAlong + 3);
      u.fill(NaN, U.axisAtPerTravel, U.axisAlongPerRack + 3);
    }
  }

  /** The line through two points, either of which the upright carries or the chassis holds. */
  private writeAxis(u: Float64Array): void {
    const { turned, centre } = this.equations;
    for (let end = 0; end < 2; end++) {
      const { place, moves } = this.axisEnds[end];
      // Offsets of the place, then of its rates; the second end less the first makes the direction.
      const at = end === 0 ? U.axisAt : U.axisAlong;
      const perTravel = end === 0 ? U.axisAtPerTravel : U.axisAlongPerTravel;
      const perRack = end === 0 ? U.axisAtPerRack : U.axisAlongPerRack;
      for (let i = 0; i < 3; i++) {
        const less = end === 0 ? 0 : u[U.axisAt + i];
        u[at + i] = moves
          ? centre[i] +
            turned[3 * i] * place[0] +
            turned[3 * i + 1] * place[1] +
            turned[3 * i + 2] * place[2] -
            less
          : place[i] - less;
      }
      const px = u[at] - centre[0] + (end === 0 ? 0 : u[U.axisAt]);
      const py = u[at + 1] - centre[1] + (end === 0 ? 0 : u[U.axisAt + 1]);
      const pz = u[at + 2] - centre[2] + (end === 0 ? 0 : u[U.axisAt + 2]);
      for (let per = 0; per < 2; per++) {
        const turn = per === 0 ? U.turnPerTravel : U.turnPerRack;
        const into = per === 0 ? perTravel : perRack;
        const first = per === 0 ? U.axisAtPerTravel : U.axisAtPerRack;
        const tx = u[turn];
        const ty = u[turn + 1];
        const tz = u[turn + 2];
        u[into] = moves ? u[turn + 3] + ty * pz - tz * py : 0;
        u[into + 1] = moves ? u[turn + 4] + tz * px - tx * pz : 0;
        u[into + 2] = moves ? u[turn + 5] + tx * py - ty * px : 0;
        if (end === 1) for (let i = 0; i < 3; i++) u[into + i] -= u[first + i];
      }
    }
  }

  /** The upright's screw axis as the steering moves it, the wheel's height held, and its exact rates. */
  private writeScrew(u: Float64Array): void {
    const { equations, order, perTravel, perSteer, twist, factors } = this;
    // The foot of the wheel centre on the axis is (turn × move) / turn² from it.
    const tx = perSteer[3];
    const ty = perSteer[4];
    const tz = perSteer[5];
    const up = tz > 0 ? 1 : -1;
    const square = tx * tx + ty * ty + tz * tz;
    const fx = ty * perSteer[2] - tz * perSteer[1];
    const fy = tz * perSteer[0] - tx * perSteer[2];
    const fz = tx * perSteer[1] - ty * perSteer[0];
    u[U.axisAt] = u[U.wheelCentre] + fx / square;
    u[U.axisAt + 1] = u[U.wheelCentre + 1] + fy / square;
    u[U.axisAt + 2] = u[U.wheelCentre + 2] + fz / square;
    for (let i = 0; i < 3; i++) u[U.axisAlong + i] = up * perSteer[3 + i];
    // The rows of the position found: the last search factored them, so they are written again.
    this.write();
    factors.set(equations.rows);
    factor(factors, EQUATION_COUNT, order);
    for (let steers = 0; steers < 2; steers++) {
      const along = steers === 0 ? perTravel : perSteer;
      equations.writeSteerBend(along, steers === 0 ? 0 : 1, perSteer);
      solveFactored(factors, EQUATION_COUNT, order, equations.missing, twist);
      const bx = twist[3];
      const by = twist[4];
      const bz = twist[5];
      const less = (-2 * (tx * bx + ty * by + tz * bz)) / square;
      const at = steers === 0 ? U.axisAtPerTravel : U.axisAtPerRack;
      u[at] =
        along[0] +
        (by * perSteer[2] - bz * perSteer[1] + ty * twist[2] - tz * twist[1] + less * fx) / square;
      u[at + 1] =
        along[1] +
        (bz * perSteer[0] - bx * perSteer[2] + tz * twist[0] - tx * twist[2] + less * fy) / square;
      u[at + 2] =
        along[2] +
        (bx * perSteer[1] - by * perSteer[0] + tx * twist[1] - ty * twist[0] + less * fz) / square;
      for (let i = 0; i < 3; i++) u[at + 3 + i] = up * twist[3 + i];
    }
  }

  /** Which side of a singular position the upright is on: the sign of the factored rows' determinant. */
  private sideOf(): number {
    const { order } = this;
    const { rows } = this.equations;
    let sign = 1;
    for (let i = 0; i < EQUATION_COUNT; i++) {
      if (rows[7 * i] < 0) sign = -sign;
      for (let j = i + 1; j < EQUATION_COUNT; j++) if (order[i] > order[j]) sign = -sign;
    }
    return sign;
  }

  private keep(): void {
    const { kept } = this;
    const { turned, centre } = this.equations;
    for (let i = 0; i < 9; i++) kept[i] = turned[i];
    for (let i = 0; i < 3; i++) kept[9 + i] = centre[i];
    kept[12] = this.state[TRAVEL];
    kept[13] = this.state[STEER];
  }

  private putBack(): void {
    const { kept } = this;
    const { turned, centre } = this.equations;
    for (let i = 0; i < 9; i++) turned[i] = kept[i];
    for (let i = 0; i < 3; i++) centre[i] = kept[9 + i];
    this.state[TRAVEL] = kept[12];
    this.state[STEER] = kept[13];
  }
}

const sizeOf = (list: Float64Array, at: number): number =>
  Math.sqrt(list[at] * list[at] + list[at + 1] * list[at + 1] + list[at + 2] * list[at + 2]);
