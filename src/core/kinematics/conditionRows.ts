import { EQUATIONS } from '../corners/conditions';
import type { Condition } from '../corners/conditions';
import type { CornerType } from '../corners/cornerType';
import { pointNames } from '../corners/kinds';
import { add, cross, dot, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { INNER, INNER_SIZE, writeInner } from './innerWay';
import type { InnerWay } from './innerWay';

/** Points of a corner as drawn, [ahead, out, up] mm. */
export type Drawn = { readonly wheelCentre: Vec } & Readonly<Record<string, Vec>>;

export const EQUATION_COUNT = 6;
/** The last row is the wheel centre's height where a wheel travels; else a condition's own. */
export const HEIGHT_ROW = EQUATION_COUNT - 1;

/** How a row is read: a length, a movement across a line, a coordinate that stays, a direction across that keeps its heading. */
const LENGTH = 0;
const SIDEWAYS = 1;
const STAYS = 2;
const HEADING = 3;

/**
 * The conditions of a kind on one free upright as six rows against its twist (movement of the wheel centre, mm,
 * then turn, rad), and what is missing from each: the one set of equations that corners are solved and parts are
 * put together by. The upright stands where `centre` and `turned` say.
 */
export class ConditionRows {
  /** What keeps each condition, as it is called. */
  readonly members: string[] = [];
  /** Where the wheel centre is, and how the upright is turned from as drawn, row by row. */
  readonly centre = new Float64Array(3);
  readonly turned = new Float64Array(9);
  readonly rows = new Float64Array(EQUATION_COUNT * EQUATION_COUNT);
  readonly missing = new Float64Array(EQUATION_COUNT);
  /**
   * What is wished for: the wheel centre's height, mm, and the steering's input (mm or degrees). A list, for numbers
   * handed from call to call would be allocated.
   */
  readonly goal = new Float64Array(2);
  readonly centre0: Vec;
  /** How many rows are conditions: five, and the wheel's height; six where it has no travel. */
  readonly held: number;
  /** The row of what keeps toe: the rod's own, or a heading's; −1 where there is none. */
  readonly rodRow: number;

  private readonly names: string[] = [];
  private readonly chassisNames: string[] = [];
  /** The upright's points relative to the wheel centre, as drawn, off by their offsets, and as they stand. */
  private readonly drawn: Float64Array;
  private readonly local: Float64Array;
  private readonly now: Float64Array;
  private readonly chassis0: Float64Array;
  private readonly chassis: Float64Array;
  // Rows: how each is read, its points, its length or its direction, the line that direction is square to.
  private readonly reads: number[] = [];
  private readonly onUpright: number[] = [];
  private readonly onChassis: number[] = [];
  private readonly value: number[] = [];
  private readonly drawnLengths: number[];
  private readonly lines: (readonly [number, number] | null)[] = [];
  /** Directions across, as drawn and as they stand, and whether they turn with the upright. */
  private readonly across: Float64Array;
  private readonly acrossNow: Float64Array;
  private readonly turns: boolean[] = [];
  /** The chassis point that the steering moves; −1 where nothing does. */
  private readonly steered: number;
  private readonly inner = new Float64Array(INNER_SIZE);
  // Where a point's offset goes: the index of the upright's or of the chassis' own, by the order of the table.
  private readonly offsetsOnUpright: Int32Array;
  private readonly offsetsOnChassis: Int32Array;
  private readonly wheelOffset: number;
  /** How far the wheel's centre is off from where it is drawn on the upright, as drawn and as it stands. */
  private readonly wheel = new Float64Array(3);
  private readonly wheelNow = new Float64Array(3);

  /**
   * @param steering how the steering moves the rod's inner joint
   * @throws where the kind's conditions do not make as many equations as hold an upright
   */
  constructor(
    type: CornerType,
    points: Drawn,
    readonly steering: InnerWay,
  ) {
    this.centre0 = points.wheelCentre;
    const places: Vec[] = [];
    const anchors: Vec[] = [];
    const on = (name: string) => index(this.names, name, () => places.push(points[name]));
    const at = (name: string) => index(this.chassisNames, name, () => anchors.push(points[name]));
    const row = (
      reads: number,
      u: number,
      c: number,
      value: number,
      member: string,
      line: readonly [number, number] | null = null,
      turns = false,
    ) => {
      this.reads.push(reads);
      this.onUpright.push(u);
      this.onChassis.push(c);
      this.value.push(value);
      this.members.push(member);
      this.lines.push(line);
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
          for (const way of [0, 1])
            row(SIDEWAYS, on(from), at(chassis), way, member, [on(from), on(to)], true);
          break;
        }
        case 'ball':
          stays(condition.at, condition.member);
          break;
        case 'hinge': {
          const [first, second] = condition.about;
          stays(first, condition.member);
          for (const way of [0, 1])
            row(SIDEWAYS, on(second), at(second), way, condition.member, [at(first), at(second)]);
          break;
        }
        case 'heading':
          row(HEADING, on('wheelCentre'), -1, 0, condition.member);
      }
    const equations = type.conditions.reduce((sum, { holds }) => sum + EQUATIONS[holds], 0);
    this.held = type.noTravel || type.coupled ? EQUATION_COUNT : EQUATION_COUNT - 1;
    if (equations !== this.held)
      throw new Error(`${type.kind}: ${equations} conditions where ${this.held} hold an upright`);
    this.drawnLengths = [...this.value];
    this.drawn = Float64Array.from(places.flatMap((place) => sub(place, this.centre0)));
    this.local = this.drawn.slice();
    this.now = this.drawn.slice();
    this.chassis0 = Float64Array.from(anchors.flat());
    this.chassis = this.chassis0.slice();
    this.across = new Float64Array(3 * this.reads.length);
    this.acrossNow = new Float64Array(3 * this.reads.length);
    this.steered = type.tieRod ? this.chassisNames.indexOf(type.tieRod.inner) : -1;
    const heading = this.reads.indexOf(HEADING);
    this.rodRow = this.steered < 0 || heading >= 0 ? heading : this.onChassis.indexOf(this.steered);
    const names = pointNames(type);
    const goes = (list: string[], body: 'upright' | 'chassis') =>
      Int32Array.from(names, (name) => (type.points[name].on === body ? list.indexOf(name) : -1));
    this.offsetsOnUpright = goes(this.names, 'upright');
    this.offsetsOnChassis = goes(this.chassisNames, 'chassis');
    this.wheelOffset = 3 * names.indexOf('wheelCentre');
    this.writeAcross();
    this.reset();
  }

  /** Puts the upright where it is drawn. */
  reset(): void {
    this.turned.fill(0);
    this.turned[0] = this.turned[4] = this.turned[8] = 1;
    for (let i = 0; i < 3; i++) this.centre[i] = this.centre0[i];
  }

  /**
   * Lets every point be off from where it is drawn: the chassis' own in the chassis, the upright's on the upright.
   * Lengths stay as drawn.
   * @param offsets three numbers a point in the order of the kind's table, mm
   */
  displace(offsets: Float64Array): void {
    this.local.set(this.drawn);
    this.chassis.set(this.chassis0);
    for (let p = 0; p < this.offsetsOnUpright.length; p++)
      for (let i = 0; i < 3; i++) {
        const u = this.offsetsOnUpright[p];
        const c = this.offsetsOnChassis[p];
        if (u >= 0) this.local[3 * u + i] += offsets[3 * p + i];
        if (c >= 0) this.chassis[3 * c + i] += offsets[3 * p + i];
      }
    for (let i = 0; i < 3; i++) this.wheel[i] = offsets[this.wheelOffset + i];
    this.writeAcross();
  }

  /** Makes a link of so many mm more than drawn: the row of the length between two points; false where there is none. */
  lengthen(from: string, to: string, by: number): boolean {
    const u = this.names.indexOf(to);
    const c = this.chassisNames.indexOf(from);
    const row = this.reads.findIndex(
      (reads, i) => reads === LENGTH && this.onUpright[i] === u && this.onChassis[i] === c,
    );
    if (row >= 0) this.value[row] = this.drawnLengths[row] + by;
    return row >= 0;
  }

  /** Writes each condition's row and what is missing from it, for the wish in `goal`. */
  write(): void {
    const height = this.goal[0];
    const { rows, missing, centre, now, chassis, acrossNow, inner, held } = this;
    this.place();
    this.placeInner();
    for (let i = 0; i < held; i++) {
      if (this.reads[i] === HEADING) {
        this.writeHeading(i);
        continue;
      }
      const u = 3 * this.onUpright[i];
      const c = 3 * this.onChassis[i];
      const steered = this.onChassis[i] === this.steered;
      const x = now[u];
      const y = now[u + 1];
      const z = now[u + 2];
      // From the chassis' point to the upright's.
      let ax = centre[0] + x - (steered ? inner[INNER.place] : chassis[c]);
      let ay = centre[1] + y - (steered ? inner[INNER.place + 1] : chassis[c + 1]);
      let az = centre[2] + z - (steered ? inner[INNER.place + 2] : chassis[c + 2]);
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
    if (held === EQUATION_COUNT) return;
    const { wheelNow } = this;
    rows.fill(0, 30);
    rows[32] = 1;
    rows[33] = wheelNow[1];
    rows[34] = -wheelNow[0];
    missing[HEIGHT_ROW] = height - centre[2] - wheelNow[2];
  }

  /** What lay across the car as drawn, the second column of the turn, has no part ahead. */
  private writeHeading(row: number): void {
    const { rows, missing, turned } = this;
    const at = 6 * row;
    rows.fill(0, at, at + 6);
    rows[at + 4] = turned[7];
    rows[at + 5] = -turned[4];
    missing[row] = -turned[1];
  }

  /**
   * How fast each condition asks the upright to follow the steering, per unit of its input; into `missing`, for a place
   * just written.
   */
  writeSteerRate(): void {
    const { missing, centre, now, inner, held } = this;
    missing.fill(0);
    for (let i = 0; i < held; i++) {
      if (this.steered < 0 || this.onChassis[i] !== this.steered) continue;
      const u = 3 * this.onUpright[i];
      const ax = centre[0] + now[u] - inner[INNER.place];
      const ay = centre[1] + now[u + 1] - inner[INNER.place + 1];
      const az = centre[2] + now[u + 2] - inner[INNER.place + 2];
      missing[i] =
        (ax * inner[INNER.rate] + ay * inner[INNER.rate + 1] + az * inner[INNER.rate + 2]) /
        Math.sqrt(ax * ax + ay * ay + az * az);
    }
  }

  /**
   * What is left of the rows' own change along a motion: d(steer rate) − d(rows) · twist, into `missing`. Solved
   * against the rows it gives how the twist by the steering changes along that motion, exactly. Links alone.
   * @param along the motion: the upright's twist by it
   * @param steers by how much the motion moves the steering (1 along the steering itself, 0 along travel)
   * @param twist the upright's twist per unit of the steering
   */
  writeSteerBend(along: Float64Array, steers: 0 | 1, twist: Float64Array): void {
    const { missing, centre, now, chassis, inner, rows } = this;
    missing.fill(0);
    const tx = along[3];
    const ty = along[4];
    const tz = along[5];
    for (let i = 0; i < EQUATION_COUNT - 1; i++) {
      const u = 3 * this.onUpright[i];
      const c = 3 * this.onChassis[i];
      const isRod = this.onChassis[i] === this.steered;
      const goes = isRod ? steers : 0;
      const rx = inner[INNER.rate];
      const ry = inner[INNER.rate + 1];
      const rz = inner[INNER.rate + 2];
      const x = now[u];
      const y = now[u + 1];
      const z = now[u + 2];
      const ax = centre[0] + x - (isRod ? inner[INNER.place] : chassis[c]);
      const ay = centre[1] + y - (isRod ? inner[INNER.place + 1] : chassis[c + 1]);
      const az = centre[2] + z - (isRod ? inner[INNER.place + 2] : chassis[c + 2]);
      const size = Math.sqrt(ax * ax + ay * ay + az * az);
      const dx = ty * z - tz * y;
      const dy = tz * x - tx * z;
      const dz = tx * y - ty * x;
      // The length keeps, so that the link's direction turns by what moves across it.
      const ux = (along[0] + dx - rx * goes) / size;
      const uy = (along[1] + dy - ry * goes) / size;
      const uz = (along[2] + dz - rz * goes) / size;
      const wx = rows[6 * i];
      const wy = rows[6 * i + 1];
      const wz = rows[6 * i + 2];
      const mx = dy * wz - dz * wy + y * uz - z * uy;
      const my = dz * wx - dx * wz + z * ux - x * uz;
      const mz = dx * wy - dy * wx + x * uy - y * ux;
      missing[i] =
        (isRod
          ? ux * rx +
            uy * ry +
            uz * rz +
            (wx * inner[INNER.bend] + wy * inner[INNER.bend + 1] + wz * inner[INNER.bend + 2]) *
              goes
          : 0) -
        (ux * twist[0] +
          uy * twist[1] +
          uz * twist[2] +
          mx * twist[3] +
          my * twist[4] +
          mz * twist[5]);
    }
  }

  /**
   * How what is missing from each condition answers to small offsets, to first order, where the upright stands.
   * @param offsets ordered as `displace` has them
   * @param into receives six numbers
   */
  missingBy(offsets: Float64Array, into: Float64Array): void {
    const { acrossNow, rows } = this;
    for (let i = 0; i < this.held; i++) {
      const shift = sub(
        this.turnedBy(this.offsetOf(offsets, this.offsetsOnUpright, this.onUpright[i])),
        this.offsetOf(offsets, this.offsetsOnChassis, this.onChassis[i]),
      );
      const way: Vec =
        this.reads[i] === SIDEWAYS
          ? [acrossNow[3 * i], acrossNow[3 * i + 1], acrossNow[3 * i + 2]]
          : [rows[6 * i], rows[6 * i + 1], rows[6 * i + 2]];
      let change = dot(way, shift);
      const line = this.lines[i];
      // A line that is off at its lower end leans about its upper one.
      if (this.turns[i] && line) {
        const lower = this.turnedBy(this.offsetOf(offsets, this.offsetsOnUpright, line[0]));
        const along = sub(this.nowAt(line[1]), this.nowAt(line[0]));
        const reach = sub(
          add([this.centre[0], this.centre[1], this.centre[2]], this.nowAt(this.onUpright[i])),
          this.chassisAt(this.onChassis[i]),
        );
        change += (dot(way, lower) * dot(along, reach)) / dot(along, along);
      }
      into[i] = -change;
    }
    if (this.held < EQUATION_COUNT)
      into[HEIGHT_ROW] = -this.turnedBy([
        offsets[this.wheelOffset],
        offsets[this.wheelOffset + 1],
        offsets[this.wheelOffset + 2],
      ])[2];
  }

  /** Moves the upright by a twist, turned by its exact rotation (Rodrigues). */
  move(twist: Float64Array): void {
    const { turned, centre } = this;
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

  /** A vector of the upright as drawn, as it is turned now. */
  turnedBy([x, y, z]: Vec): Vec {
    const t = this.turned;
    return [
      t[0] * x + t[1] * y + t[2] * z,
      t[3] * x + t[4] * y + t[5] * z,
      t[6] * x + t[7] * y + t[8] * z,
    ];
  }

  /** The rod's inner joint, where the steering has it. */
  private placeInner(): void {
    const { inner, chassis, steered } = this;
    if (steered < 0) return;
    for (let i = 0; i < 3; i++) inner[INNER.drawn + i] = chassis[3 * steered + i];
    inner[INNER.input] = this.goal[1];
    writeInner(this.steering, inner);
  }

  /** The upright's points and directions as it is turned now. */
  private place(): void {
    turnAll(this.turned, this.local, this.now);
    turnAll(this.turned, this.wheel, this.wheelNow);
    const { across, acrossNow, turned } = this;
    for (let i = 0; i < this.turns.length; i++) {
      if (this.reads[i] !== SIDEWAYS) continue;
      if (this.turns[i])
        for (let k = 0; k < 3; k++)
          acrossNow[3 * i + k] =
            turned[3 * k] * across[3 * i] +
            turned[3 * k + 1] * across[3 * i + 1] +
            turned[3 * k + 2] * across[3 * i + 2];
      else for (let k = 0; k < 3; k++) acrossNow[3 * i + k] = across[3 * i + k];
    }
  }

  /** Directions square to each line, on the upright or on the chassis. */
  private writeAcross(): void {
    this.lines.forEach((line, i) => {
      if (!line) return;
      const list = this.turns[i] ? this.local : this.chassis;
      const end = (k: number): Vec => [list[3 * k], list[3 * k + 1], list[3 * k + 2]];
      this.across.set(acrossOf(sub(end(line[1]), end(line[0])))[this.value[i]], 3 * i);
    });
  }

  private offsetOf(offsets: Float64Array, goes: Int32Array, index: number): Vec {
    const p = goes.indexOf(index);
    return p < 0 ? [0, 0, 0] : [offsets[3 * p], offsets[3 * p + 1], offsets[3 * p + 2]];
  }

  private nowAt = (u: number): Vec => [this.now[3 * u], this.now[3 * u + 1], this.now[3 * u + 2]];
  private chassisAt = (c: number): Vec => [
    this.chassis[3 * c],
    this.chassis[3 * c + 1],
    this.chassis[3 * c + 2],
  ];
}

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
