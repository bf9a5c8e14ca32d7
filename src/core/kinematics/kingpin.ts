import { kingpinOf, rodEnds } from '../corners/kinds';
import { add, cross, dot, length, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { NO_TRAVEL, U } from './corner';
import type { Corner, DrawnCorner, OutOfReach, Prepared } from './corner';
import { INNER, INNER_SIZE, innerAt, writeInner } from './innerWay';
import { typedJoints } from './joints';
import { placesTaken } from './placesTaken';
import { headingOf, spindleOf } from './spindle';

/** Sine of the angle from dead centre below which a rod as drawn is refused (0.06°). */
const DEAD_CENTRE = 1e-3;
/** Input between the places tried on the way to another: mm of a rack or degrees of a drop arm. */
const NOTCH = 1;

/** Makes a corner whose kingpin the frame holds, or says what makes it unusable as drawn. */
export function prepareKingpin(drawn: DrawnCorner): Prepared<KingpinCorner> {
  const faults = placesTaken(drawn);
  if (faults.length > 0) return { ok: false, faults };
  const corner = new KingpinCorner(drawn);
  return corner.isAtDeadCentre()
    ? {
        ok: false,
        faults: [
          {
            point: drawn.type.tieRod!.inner,
            message:
              'the tie rod is at dead centre: it points straight at the steering axis and cannot hold the wheel',
          },
        ],
      }
    : { ok: true, corner };
}

/**
 * A wheel that turns about a kingpin fixed in the frame, in closed form: the rod's outer joint stands where its circle
 * about the kingpin meets the sphere of the rod's length about the inner joint, on the side on which it is drawn. What
 * lies past a place that cannot be reached is out of reach too. Nothing is allocated by `pose`.
 */
export class KingpinCorner implements Corner {
  /** The rod's inner joint and its change by the input. */
  private readonly inner = new Float64Array(INNER_SIZE);
  /** Foot of the outer joint on the kingpin; from there to it, and that turned a quarter about the kingpin. */
  private readonly foot: Vec;
  private readonly arm: Vec;
  private readonly quarter: Vec;
  private readonly square: number;
  /** The kingpin's lower end, its length upward, and that of length 1. */
  private readonly lower: Vec;
  private readonly kingpin: Vec;
  private readonly along: Vec;
  private readonly side: 1 | -1;
  /** Cosine and sine of the turn, and the turn's rate, of the last input solved. */
  private readonly turn = new Float64Array(3);
  /** From where to where every input is known to be reached. */
  private readonly known = new Float64Array(2);
  private readonly fixed: { at: number; foot: Vec; arm: Vec; quarter: Vec }[];

  /** Use `prepareKingpin`, which refuses layouts that are degenerate as drawn. */
  constructor(private readonly drawn: DrawnCorner) {
    const joints = typedJoints(drawn);
    const [lower, upper] = kingpinOf(drawn.type)!.map((name) => joints[name]);
    const ends = rodEnds(drawn.type);
    const [inner, outer] = [joints[ends.inner], joints[ends.outer]];
    this.lower = lower;
    this.kingpin = sub(upper, lower);
    const k = (this.along = unit(this.kingpin));
    // A turn by φ makes foot + cos φ · arm + sin φ · quarter of a vector.
    const about = (v: Vec) => {
      const stays = scale(k, dot(v, k));
      const arm = sub(v, stays);
      return { foot: stays, arm, quarter: cross(k, arm) };
    };
    const from = about(sub(outer, lower));
    this.foot = add(lower, from.foot);
    this.arm = from.arm;
    this.quarter = from.quarter;
    const rod = length(sub(outer, inner));
    this.square = rod * rod - dot(this.arm, this.arm);
    const spindle = spindleOf(drawn.static);
    const wheel = about(sub(joints.wheelCentre, lower));
    this.fixed = [
      { at: U.wheelCentre, ...wheel, foot: add(lower, wheel.foot) },
      { at: U.spindle, ...about(spindle) },
      { at: U.heading, ...about(headingOf(spindle)) },
    ];
    for (let i = 0; i < 3; i++) this.inner[INNER.drawn + i] = inner[i];
    this.side = dot(sub(this.foot, inner), this.quarter) > 0 ? -1 : 1;
  }

  /** The rod as drawn points straight at the kingpin: nothing tells which way it would turn the wheel. */
  isAtDeadCentre(): boolean {
    const inner = innerAt(
      this.drawn.steering,
      typedJoints(this.drawn)[rodEnds(this.drawn.type).inner],
      0,
    );
    const off = sub(this.foot, inner);
    const size = Math.hypot(dot(off, this.arm), dot(off, this.quarter));
    return !(Math.abs(dot(off, this.quarter)) > DEAD_CENTRE * size);
  }

  pose(travel: number, rack: number, upright: Float64Array): boolean {
    if (travel !== 0) return false;
    const { inner, known } = this;
    // Outward from what is known, notch by notch: no gap is stepped over.
    while (rack > known[1] || rack < known[0]) {
      const end = rack > known[1] ? 1 : 0;
      const next = end === 1 ? Math.min(rack, known[1] + NOTCH) : Math.max(rack, known[0] - NOTCH);
      inner[INNER.input] = next;
      if (!this.solve()) return false;
      known[end] = next;
    }
    inner[INNER.input] = rack;
    if (!this.solve()) return false;
    this.write(upright);
    return true;
  }

  why(travel: number, rack: number): OutOfReach | null {
    if (travel !== 0) return NO_TRAVEL;
    const room = new Float64Array(U.rack + 1);
    if (this.pose(0, rack, room)) return null;
    let low = rack > 0 ? this.known[1] : this.known[0];
    let high = rack;
    while (Math.abs(high - low) > 1e-6) {
      const middle = (low + high) / 2;
      if (this.pose(0, middle, room)) low = middle;
      else high = middle;
    }
    return { part: 'tie rod', fault: 'over centre', lastTravel: 0, lastRack: low };
  }

  /** The turn at the input in `inner`; false where circle and sphere do not meet. */
  private solve(): boolean {
    const { inner, foot, arm, quarter, turn } = this;
    writeInner(this.drawn.steering, inner);
    const x = foot[0] - inner[INNER.place];
    const y = foot[1] - inner[INNER.place + 1];
    const z = foot[2] - inner[INNER.place + 2];
    // a cos φ + b sin φ = h.
    const a = x * arm[0] + y * arm[1] + z * arm[2];
    const b = x * quarter[0] + y * quarter[1] + z * quarter[2];
    const h = (this.square - (x * x + y * y + z * z)) / 2;
    const size = a * a + b * b;
    const left = size - h * h;
    if (!(left > 1e-12 * size)) return false;
    const root = this.side * Math.sqrt(left);
    const c = (a * h - b * root) / size;
    const s = (b * h + a * root) / size;
    turn[0] = c;
    turn[1] = s;
    // The rod keeps its length: u·(φ′ k × arm) = u·(inner's rate), u from the inner joint to the outer.
    let across = 0;
    let pull = 0;
    for (let i = 0; i < 3; i++) {
      const u = foot[i] + c * arm[i] + s * quarter[i] - inner[INNER.place + i];
      across += u * (c * quarter[i] - s * arm[i]);
      pull += u * inner[INNER.rate + i];
    }
    turn[2] = pull / across;
    return true;
  }

  private write(u: Float64Array): void {
    const { along, kingpin, lower, turn, fixed, inner } = this;
    const c = turn[0];
    const s = turn[1];
    const rate = turn[2];
    for (let n = 0; n < fixed.length; n++) {
      const { at, foot, arm, quarter } = fixed[n];
      for (let i = 0; i < 3; i++) u[at + i] = foot[i] + c * arm[i] + s * quarter[i];
    }
    const { arm, quarter } = fixed[0];
    for (let i = 0; i < 3; i++) {
      u[U.axisAt + i] = lower[i];
      u[U.axisAlong + i] = kingpin[i];
      u[U.turnPerTravel + i] = NaN;
      u[U.movePerTravel + i] = NaN;
      u[U.turnPerRack + i] = rate * along[i];
      u[U.movePerRack + i] = rate * (c * quarter[i] - s * arm[i]);
    }
    u.fill(NaN, U.axisAtPerTravel, U.axisAlongPerTravel + 3);
    u.fill(0, U.axisAtPerRack, U.axisAlongPerRack + 3);
    u[U.rack] = inner[INNER.input];
  }
}
