import { factor, solveFactored } from '../geometry/linear';
import { add, cross, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { spindleOf } from '../kinematics/spindle';
import { EQUATIONS } from './conditions';
import type { Condition } from './conditions';
import type { CornerType } from './cornerType';

/** Points of a corner as drawn, [ahead, out, up] mm. */
export type Drawn<P extends string = string> = Readonly<Record<P, Vec>>;

/** Offsets into what the solver knows of the upright; three numbers each, [ahead, out, up]. */
export const F = {
  /** Wheel centre, mm, and unit spindle axis, pointing outboard. */
  wheelCentre: 0,
  spindle: 3,
  /** Movement of the wheel centre (mm) and turn of the upright (rad), per mm of wheel travel, the steering held. */
  movePerTravel: 6,
  turnPerTravel: 9,
  /** The same per mm of the steering, the wheel's height held. */
  movePerSteer: 12,
  turnPerSteer: 15,
} as const;
export const FREE_SIZE = 18;

/** What gave out on the straight way to a position, and the last that still worked. */
export interface GaveOut {
  member: string;
  lastTravel: number;
  lastSteer: number;
}

/** A position is found when the next step would move less than this, mm (and turn less than a hundredth of it, rad). */
const CLOSE = 1e-10;
const MOST_STEPS = 12;
/** Parts of a way that are not halved any more. */
const LEAST_PART = 1e-6;
/** The upright's turn that is taken in one step of a way at most, rad. */
const LARGEST_TURN = 0.25;
const EQUATION_COUNT = 6;

const TRAVEL = 0;
const STEER = 1;
const MOST = 2;

/** How a row is read. */
const LENGTH = 0;
const SIDEWAYS = 1;
const STAYS = 2;

/**
 * One corner of any kind: six conditions on a free upright, the last its wheel's height. Newton's method
 * with exact rows, from the last position of the walk; no step crosses a position where the rows lose
 * their sense of which way is on, so that the upright never turns over unseen. What does not converge is
 * no position. Nothing is allocated by `pose`.
 */
export class FreeCorner {
  /** The upright's points relative to the wheel centre as drawn, and as they stand. */
  private readonly drawn: Float64Array;
  private readonly now: Float64Array;
  private readonly chassis: Float64Array;
  private readonly names: string[];
  private readonly chassisNames: string[];
  // Rows: how each is read, its points, its length or its directions.
  private readonly reads: number[] = [];
  private readonly onUpright: number[] = [];
  private readonly onChassis: number[] = [];
  private readonly value: number[] = [];
  private readonly members: string[] = [];
  /** Directions fixed to the upright, as drawn and as they stand, and whether they turn with it. */
  private readonly across: Float64Array;
  private readonly acrossNow: Float64Array;
  private readonly turns: boolean[] = [];
  /** The chassis point that the steering moves; −1 where nothing does. */
  private readonly steered: number;

  private readonly turned = new Float64Array(9);
  private readonly centre = new Float64Array(3);
  private readonly centre0: Vec;
  private readonly spindle0: Vec;
  /** Travel and steering where the upright stands, and how far it may turn in a search, rad. */
  private readonly state = new Float64Array(3);
  private readonly kept = new Float64Array(14);

  private readonly rows = new Float64Array(36);
  private readonly order = new Int32Array(6);
  private readonly missing = new Float64Array(6);
  private readonly twist = new Float64Array(6);
  private readonly perTravel = new Float64Array(6);
  private readonly perSteer = new Float64Array(6);
  private readonly side: number;

  /**
   * @param steering unit direction in which the steering moves the rod's inner joint, outward axes
   * @throws where the kind's conditions do not make five equations, or hold nothing as drawn
   */
  constructor(
    type: Pick<CornerType, 'points' | 'conditions' | 'tieRod' | 'kind'>,
    points: Drawn,
    alignment: { toe: number; camber: number },
    private readonly steering: Vec = [0, 1, 0],
  ) {
    const centre = points.wheelCentre;
    this.centre0 = centre;
    this.spindle0 = spindleOf(alignment);
    this.names = [];
    this.chassisNames = [];
    const places: Vec[] = [];
    const anchors: Vec[] = [];
    const on = (name: string) => index(this.names, name, () => places.push(points[name]));
    const at = (name: string) => index(this.chassisNames, name, () => anchors.push(points[name]));
    const directions: Vec[] = [];
    const row = (
      reads: number,
      u: number,
      c: number,
      value: number,
      member: string,
      across: Vec = [0, 0, 0],
      turns = false,
    ) => {
      this.reads.push(reads);
      this.onUpright.push(u);
      this.onChassis.push(c);
      this.value.push(value);
      this.members.push(member);
      directions.push(across);
      this.turns.push(turns);
    };
    const stays = (name: string, member: string) =>
      [0, 1, 2].forEach((axis) => row(STAYS, on(name), at(name), axis, member));
    for (const condition of type.conditions as readonly Condition[])
      switch (condition.holds) {
        case 'length': {
          const { upright, chassis, member } = condition;
          const length = Math.hypot(...sub(points[upright], points[chassis]));
          row(LENGTH, on(upright), at(chassis), length, member);
          break;
        }
        case 'line': {
          const [from, to] = condition.upright;
          const { chassis, member } = condition;
          for (const across of acrossOf(sub(points[to], points[from])))
            row(SIDEWAYS, on(from), at(chassis), 0, member, across, true);
          break;
        }
        case 'ball':
          stays(condition.at, condition.member);
          break;
        case 'hinge': {
          const [first, second] = condition.about;
          stays(first, condition.member);
          for (const across of acrossOf(sub(points[second], points[first])))
            row(SIDEWAYS, on(second), at(second), 0, condition.member, across, false);
          break;
        }
      }
    const equations = type.conditions.reduce((sum, { holds }) => sum + EQUATIONS[holds], 0);
    if (equations !== EQUATION_COUNT - 1)
      throw new Error(`${type.kind}: ${equations} conditions where five hold an upright`);
    this.drawn = Float64Array.from(places.flatMap((place) => sub(place, centre)));
    this.now = this.drawn.slice();
    this.chassis = Float64Array.from(anchors.flat());
    this.across = Float64Array.from(directions.flat());
    this.acrossNow = this.across.slice();
    this.steered = type.tieRod ? this.chassisNames.indexOf(type.tieRod.inner) : -1;
    this.reset();
    this.side = this.solve() ? this.sideOf() : 0;
  }

  /** Whether the conditions hold the upright as drawn: where they do not, no position is found. */
  get holds(): boolean {
    return this.side !== 0;
  }

  /**
   * The upright where the wheel centre is `travel` above its ride height (mm, + bump) and the steering has
   * moved the rod's inner joint by `steer` (mm, outward for +, along its direction).
   * @param out receives FREE_SIZE numbers in the layout of `F`; left as it was when out of reach
   * @returns whether the position can be reached
   */
  pose(travel: number, steer: number, out: Float64Array): boolean {
    if (!this.walkTo(travel, steer)) {
      // Once more on the straight way from ride height: the answer does not hang on where the walk was.
      this.reset();
      if (!this.solve() || !this.walkTo(travel, steer)) return false;
    }
    const { turned, centre, spindle0 } = this;
    for (let i = 0; i < 3; i++) {
      out[F.wheelCentre + i] = centre[i];
      out[F.spindle + i] =
        turned[3 * i] * spindle0[0] +
        turned[3 * i + 1] * spindle0[1] +
        turned[3 * i + 2] * spindle0[2];
      out[F.movePerTravel + i] = this.perTravel[i];
      out[F.turnPerTravel + i] = this.perTravel[3 + i];
      out[F.movePerSteer + i] = this.perSteer[i];
      out[F.turnPerSteer + i] = this.perSteer[3 + i];
    }
    return true;
  }

  /** Where a point that the conditions name stands in the position last found, [ahead, out, up] mm. */
  pointAt(name: string): Vec {
    const u = this.names.indexOf(name);
    if (u >= 0) return add(this.three(this.now, u), this.three(this.centre, 0));
    const c = this.chassisNames.indexOf(name);
    const at = this.three(this.chassis, c);
    return c === this.steered ? add(at, scale(this.steering, this.state[STEER])) : at;
  }

  /** What gives out on the straight way from ride height to a position; null where it can be reached. */
  why(travel: number, steer: number): GaveOut | null {
    this.reset();
    if (!this.solve() || this.walkTo(travel, steer)) return null;
    // Near where the upright gives out, a load on the wheel pulls one member without limit.
    const { rows, order } = this;
    this.writeRows();
    const transposed = Float64Array.from(rows, (_, i) => rows[(i % 6) * 6 + Math.floor(i / 6)]);
    const load = Float64Array.from([0, 0, 1, 0, 0, 0]);
    const force = new Float64Array(6);
    let most = 0;
    if (factor(transposed, 6, order)) {
      solveFactored(transposed, 6, order, load, force);
      for (let i = 1; i < 5; i++) if (Math.abs(force[i]) > Math.abs(force[most])) most = i;
    }
    return {
      member: this.members[most],
      lastTravel: this.state[TRAVEL],
      lastSteer: this.state[STEER],
    };
  }

  private three(list: Float64Array, index: number): Vec {
    return [list[3 * index], list[3 * index + 1], list[3 * index + 2]];
  }

  private reset(): void {
    this.turned.fill(0);
    this.turned[0] = this.turned[4] = this.turned[8] = 1;
    for (let i = 0; i < 3; i++) this.centre[i] = this.centre0[i];
    this.state[TRAVEL] = 0;
    this.state[STEER] = 0;
  }

  /** Goes from where the upright stands to a position, in parts that Newton's method follows surely. */
  private walkTo(travel: number, steer: number): boolean {
    if (this.side === 0) return false;
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
        this.move();
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
    const { rows, order, missing, twist } = this;
    let turn = 0;
    for (let step = 0; step < MOST_STEPS; step++) {
      this.writeRows();
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
      this.move();
    }
    return false;
  }

  /** Each condition's row on the twist (movement of the wheel centre, turn) and what is missing from it. */
  private writeRows(): void {
    const { rows, missing, centre, now, chassis, acrossNow, steering } = this;
    const steer = this.state[STEER];
    this.place();
    for (let i = 0; i < EQUATION_COUNT - 1; i++) {
      const u = 3 * this.onUpright[i];
      const c = 3 * this.onChassis[i];
      const moved = this.onChassis[i] === this.steered ? steer : 0;
      const x = now[u];
      const y = now[u + 1];
      const z = now[u + 2];
      // From the chassis' point to the upright's.
      let ax = centre[0] + x - chassis[c] - steering[0] * moved;
      let ay = centre[1] + y - chassis[c + 1] - steering[1] * moved;
      let az = centre[2] + z - chassis[c + 2] - steering[2] * moved;
      const at = 6 * i;
      let lx = x;
      let ly = y;
      let lz = z;
      switch (this.reads[i]) {
        case LENGTH: {
          const length = Math.sqrt(ax * ax + ay * ay + az * az);
          missing[i] = this.value[i] - length;
          ax /= length;
          ay /= length;
          az /= length;
          break;
        }
        case SIDEWAYS: {
          const d = 3 * i;
          const dx = acrossNow[d];
          const dy = acrossNow[d + 1];
          const dz = acrossNow[d + 2];
          missing[i] = -(dx * ax + dy * ay + dz * az);
          // A direction that turns with the upright is turned about the chassis' point itself.
          if (this.turns[i]) {
            lx -= ax;
            ly -= ay;
            lz -= az;
          }
          ax = dx;
          ay = dy;
          az = dz;
          break;
        }
        default: {
          const axis = this.value[i];
          missing[i] = -(axis === 0 ? ax : axis === 1 ? ay : az);
          ax = axis === 0 ? 1 : 0;
          ay = axis === 1 ? 1 : 0;
          az = axis === 2 ? 1 : 0;
        }
      }
      rows[at] = ax;
      rows[at + 1] = ay;
      rows[at + 2] = az;
      rows[at + 3] = ly * az - lz * ay;
      rows[at + 4] = lz * ax - lx * az;
      rows[at + 5] = lx * ay - ly * ax;
    }
    rows.fill(0, 30);
    rows[32] = 1;
    missing[5] = this.centre0[2] + this.state[TRAVEL] - centre[2];
  }

  /** Rates of the position whose rows have just been factored. */
  private writeRates(): void {
    const { rows, order, missing, perTravel, perSteer } = this;
    missing.fill(0);
    missing[5] = 1;
    solveFactored(rows, EQUATION_COUNT, order, missing, perTravel);
    if (this.steered < 0) return;
    missing[5] = 0;
    this.writeSteerRate();
    solveFactored(rows, EQUATION_COUNT, order, missing, perSteer);
  }

  /** How fast each condition asks the upright to follow the steering. */
  private writeSteerRate(): void {
    const { missing, centre, now, chassis, steering } = this;
    const steer = this.state[STEER];
    for (let i = 0; i < EQUATION_COUNT - 1; i++) {
      if (this.onChassis[i] !== this.steered) continue;
      const u = 3 * this.onUpright[i];
      const c = 3 * this.onChassis[i];
      const ax = centre[0] + now[u] - chassis[c] - steering[0] * steer;
      const ay = centre[1] + now[u + 1] - chassis[c + 1] - steering[1] * steer;
      const az = centre[2] + now[u + 2] - chassis[c + 2] - steering[2] * steer;
      missing[i] =
        (ax * steering[0] + ay * steering[1] + az * steering[2]) /
        Math.sqrt(ax * ax + ay * ay + az * az);
    }
  }

  /** Which side of a singular position the upright is on: the sign of the factored rows' determinant. */
  private sideOf(): number {
    const { rows, order } = this;
    let sign = 1;
    for (let i = 0; i < EQUATION_COUNT; i++) {
      if (rows[7 * i] < 0) sign = -sign;
      for (let j = i + 1; j < EQUATION_COUNT; j++) if (order[i] > order[j]) sign = -sign;
    }
    return sign;
  }

  /** The upright's points and directions as it is turned now. */
  private place(): void {
    turnAll(this.turned, this.drawn, this.now);
    const { across, acrossNow, turned } = this;
    for (let i = 0; i < this.turns.length; i++)
      if (this.turns[i])
        for (let k = 0; k < 3; k++)
          acrossNow[3 * i + k] =
            turned[3 * k] * across[3 * i] +
            turned[3 * k + 1] * across[3 * i + 1] +
            turned[3 * k + 2] * across[3 * i + 2];
  }

  /** Moves the upright by the twist, turned by its exact rotation (Rodrigues). */
  private move(): void {
    const { twist, turned, centre } = this;
    const wx = twist[3];
    const wy = twist[4];
    const wz = twist[5];
    const angle = Math.sqrt(wx * wx + wy * wy + wz * wz);
    const s = angle > 1e-12 ? Math.sin(angle) / angle : 1;
    const c = angle > 1e-12 ? (1 - Math.cos(angle)) / (angle * angle) : 0.5;
    for (let column = 0; column < 3; column++) {
      const x = turned[column];
      const y = turned[3 + column];
      const z = turned[6 + column];
      const px = wy * z - wz * y;
      const py = wz * x - wx * z;
      const pz = wx * y - wy * x;
      turned[column] = x + s * px + c * (wy * pz - wz * py);
      turned[3 + column] = y + s * py + c * (wz * px - wx * pz);
      turned[6 + column] = z + s * pz + c * (wx * py - wy * px);
    }
    for (let i = 0; i < 3; i++) centre[i] += twist[i];
  }

  private keep(): void {
    const { kept } = this;
    for (let i = 0; i < 9; i++) kept[i] = this.turned[i];
    for (let i = 0; i < 3; i++) kept[9 + i] = this.centre[i];
    kept[12] = this.state[TRAVEL];
    kept[13] = this.state[STEER];
  }

  private putBack(): void {
    const { kept } = this;
    for (let i = 0; i < 9; i++) this.turned[i] = kept[i];
    for (let i = 0; i < 3; i++) this.centre[i] = kept[9 + i];
    this.state[TRAVEL] = kept[12];
    this.state[STEER] = kept[13];
  }
}

const sizeOf = (list: Float64Array, at: number): number =>
  Math.sqrt(list[at] * list[at] + list[at + 1] * list[at + 1] + list[at + 2] * list[at + 2]);

function turnAll(turned: Float64Array, drawn: Float64Array, now: Float64Array): void {
  for (let i = 0; i < drawn.length; i += 3) {
    const x = drawn[i];
    const y = drawn[i + 1];
    const z = drawn[i + 2];
    now[i] = turned[0] * x + turned[1] * y + turned[2] * z;
    now[i + 1] = turned[3] * x + turned[4] * y + turned[5] * z;
    now[i + 2] = turned[6] * x + turned[7] * y + turned[8] * z;
  }
}

/** Where a name stands in a list, at whose end it is put where it is new. */
function index(list: string[], name: string, put: () => void): number {
  const known = list.indexOf(name);
  if (known >= 0) return known;
  put();
  return list.push(name) - 1;
}

/** Two directions square to a line and to each other. */
function acrossOf(along: Vec): [Vec, Vec] {
  const line = unit(along);
  const aside: Vec = Math.abs(line[0]) < 0.6 ? [1, 0, 0] : [0, 1, 0];
  const first = unit(cross(line, aside));
  return [first, cross(line, first)];
}
