import type { Vec } from '../geometry/vec';
import type { Corner, DrawnCorner, LayoutFault, OutOfReach, Prepared } from './corner';
import { SAME_PLACE, placesTaken } from './placesTaken';
import { S, WishboneChain } from './wishboneChain';
import type { WishbonePoints } from './wishboneChain';

/**
 * Double wishbone with a tie rod. The chain of links is closed forms from the lower arm's angle on;
 * the only unknown left, that angle, is the root of one scalar equation, the wheel centre's height,
 * found by Newton's method with the exact derivative from the upright's velocity. Every position
 * starts from the same series, so the order of a sweep cannot change its figures.
 */
export function prepareDoubleWishbone(drawn: DrawnCorner): Prepared<DoubleWishbone> {
  const { steering } = drawn;
  if (steering.by !== 'rack') throw new RangeError('a double wishbone is steered by a rack');
  const faults = placesTaken(drawn);
  if (faults.length > 0) return { ok: false, faults };
  // Its table has these points.
  const points = drawn.points as unknown as WishbonePoints;
  const corner = new DoubleWishbone(points, drawn.static, steering.along);
  const degenerate = corner.degenerate();
  return degenerate.length > 0 ? { ok: false, faults: degenerate } : { ok: true, corner };
}

/** Sine of the angle from dead centre below which a linkage as drawn is refused (0.06°). */
const DEAD_CENTRE = 1e-3;

/** Height within which a position is found, mm. */
const CLOSE = 1e-10;
/** Arm angle between the positions tried on the way to another, rad. */
const NOTCH = 0.01;
/** Parts of a notch that are looked at near an edge. */
const FINER = 8;

export class DoubleWishbone implements Corner {
  private readonly chain: WishboneChain;
  private readonly s: Float64Array;
  // θ's series in travel and rack, and the wheel's rise per rad as drawn.
  private readonly guess: readonly number[];
  private readonly rise0: number;

  /** Use `prepareDoubleWishbone`, which refuses layouts that are degenerate as drawn. */
  constructor(
    points: WishbonePoints,
    alignment: { toe: number; camber: number },
    way: Vec = [0, 1, 0],
  ) {
    this.chain = new WishboneChain(points, alignment, way);
    this.s = this.chain.s;

    // θ as a series in travel: the height's series in θ, turned round; then what the rack does to it.
    const slopeAt = (theta: number, rack: number) =>
      this.chain.solveAt(theta, rack) ? this.s[S.rise] : NaN;
    const step = 0.01;
    const before = slopeAt(-step, 0);
    const after = slopeAt(step, 0);
    const slope = slopeAt(0, 0);
    const bend = (after - before) / (2 * step) || 0;
    const twist = (after - 2 * slope + before) / step ** 2 || 0;
    this.rise0 = slope;
    const steerRise = this.s[S.steerRise];
    const left = slopeAt(0, 1);
    const leftSteer = this.s[S.steerRise];
    this.guess = [
      1 / slope,
      -bend / (2 * slope ** 3),
      (3 * bend ** 2 - slope * twist) / (6 * slope ** 5),
      steerRise,
      (leftSteer - steerRise) / 2 || 0,
      (left - slope) / slope || 0,
    ];
  }

  pose(travel: number, rack: number, upright: Float64Array): boolean {
    this.s[S.travel] = travel;
    this.s[S.rack] = rack;
    if (!this.findAngle()) return false;
    this.chain.writePose(upright);
    return true;
  }

  /** What makes the layout unusable as drawn, with the point to look at; empty when nothing does. */
  degenerate(): LayoutFault[] {
    const faults: LayoutFault[] = [];
    const refuse = (point: keyof WishbonePoints, message: string) =>
      faults.push({ point, message });
    if (this.chain.lr < SAME_PLACE)
      refuse(
        'lowerOuter',
        'the lower ball joint lies on the lower arm’s pivot axis: nothing to swing',
      );
    if (this.chain.ur < SAME_PLACE)
      refuse(
        'upperOuter',
        'the upper ball joint lies on the upper arm’s pivot axis: nothing to swing',
      );
    if (this.chain.tOff < SAME_PLACE)
      refuse('tieRodOuter', 'the tie rod outer joint lies on the kingpin axis: it cannot steer');
    if (faults.length > 0) return faults;

    // As drawn both meetings exist up to rounding; what matters is how far they are from touching.
    this.chain.solveAt(0, 0);
    if (!(this.s[S.upperOpen] > DEAD_CENTRE ** 2))
      refuse(
        'upperOuter',
        'the upper arm is at dead centre: the lower ball joint lies in the plane of the upper arm',
      );
    else if (!(this.s[S.rodOpen] > DEAD_CENTRE ** 2))
      refuse(
        'tieRodInner',
        'the tie rod is at dead centre: it points straight at the kingpin axis and cannot hold the wheel',
      );
    else if (!(Math.abs(this.s[S.rise]) > DEAD_CENTRE * this.chain.lr))
      refuse('lowerOuter', 'the arms swing the wheel sideways only: it cannot move up and down');
    return faults;
  }

  why(travel: number, rack: number): OutOfReach | null {
    const s = this.s;
    const reached = (part: number) => {
      s[S.travel] = travel * part;
      s[S.rack] = rack * part;
      return this.findAngle();
    };
    if (reached(1)) return null;
    let good = 0;
    let bad = 1;
    for (let i = 0; i < 60; i++) {
      const middle = (good + bad) / 2;
      if (reached(middle)) good = middle;
      else bad = middle;
    }
    reached(good);
    const [lastTravel, lastRack] = [travel * good, rack * good];
    // A meeting about to touch shows as `open` near 0. Just short of it the upright may turn so fast
    // that the wheel rises no further while the lower joint does: that link's doing, not the arms'.
    const upperFirst = s[S.upperOpen] < s[S.rodOpen];
    const open = Math.min(s[S.upperOpen], s[S.rodOpen]);
    if (open > 1e-6) {
      const stillRising = Math.abs(s[S.lowerMove + 2]) > this.chain.lr / 2;
      const part = !stillRising ? 'arms' : upperFirst ? 'upper arm' : 'tie rod';
      return { part, fault: 'over centre', lastTravel, lastRack };
    }
    // Touching from outside (cos > 0) or from within. The upper arm is its circle's radius, the tie
    // rod its sphere's, so that the same touch asks for a longer rod but for a longer or shorter arm.
    const fromOutside = s[upperFirst ? S.upperCos : S.rodCos] > 0;
    const upperTooLong = fromOutside && s[S.upperCos] < this.chain.ur;
    return upperFirst
      ? { part: 'upper arm', fault: upperTooLong ? 'too long' : 'too short', lastTravel, lastRack }
      : { part: 'tie rod', fault: fromOutside ? 'too short' : 'too long', lastTravel, lastRack };
  }

  /** Leaves the chain solved at the state's travel and rack; false when out of reach. */
  private findAngle(): boolean {
    const s = this.s;
    const g = this.guess;
    const rack = s[S.rack];
    const target = this.chain.height0 + s[S.travel];
    const rest = s[S.travel] - rack * (g[3] + rack * g[4]);
    s[S.theta] = rest * (g[0] * (1 - rack * g[5]) + rest * (g[1] + rest * g[2]));
    for (let i = 0; i < 12; i++) {
      if (!this.chain.solve()) break;
      const rise = s[S.rise];
      if (rise * this.rise0 <= 0) break;
      const error = target - s[S.height];
      if (this.found(error)) {
        // Near an edge the last part of a notch may hold a gap too: it is walked.
        if (this.nearEdge()) break;
        const notch = Math.trunc(s[S.theta] / NOTCH);
        if (rack === s[S.triedRack] && notch <= s[S.triedUp] && notch >= s[S.triedDown])
          return true;
        const theta = s[S.theta];
        if (!this.connected(notch)) break;
        s[S.theta] = theta;
        return this.chain.solve();
      }
      const step = error / rise;
      if (!(step < 0.7 && step > -0.7)) break;
      s[S.theta] += step;
    }
    return this.walkToAngle(target);
  }

  /**
   * Whether the arm can swing from where it is drawn to a notch without coming apart or turning over
   * on the way, tried at every whole NOTCH between. What has been tried at one rack position is
   * remembered, and the notches are the same for everyone, so answers do not depend on order.
   */
  private connected(notch: number): boolean {
    const s = this.s;
    if (s[S.rack] !== s[S.triedRack]) {
      s[S.triedRack] = s[S.rack];
      s[S.triedUp] = -1;
      s[S.triedDown] = 0;
    }
    while (s[S.triedUp] < Math.max(0, notch))
      if (this.holds(s[S.triedUp] + 1)) s[S.triedUp]++;
      else return false;
    while (s[S.triedDown] > notch)
      if (this.holds(s[S.triedDown] - 1)) s[S.triedDown]--;
      else return false;
    return true;
  }

  /** Whether the chain closes at a notch, and anywhere but far from an edge also on the way there from the one before. */
  private holds(notch: number): boolean {
    if (!this.closes(notch * NOTCH)) return false;
    if (notch === 0 || this.farFromEdges()) return true;
    for (let part = 1; part < FINER; part++)
      if (!this.closes((notch - (Math.sign(notch) * part) / FINER) * NOTCH)) return false;
    return true;
  }

  private closes(theta: number): boolean {
    this.s[S.theta] = theta;
    return this.chain.solve() && this.s[S.rise] * this.rise0 > 0;
  }

  /** Whether the height is met, or as nearly as an arm angle can be written down. */
  private found(error: number): boolean {
    return Math.abs(error) < CLOSE + 1e-15 * Math.abs(this.s[S.rise]);
  }

  /**
   * Whether the solved chain is close to coming apart or to where the wheel rises no further; or has just passed a gap,
   * where the upright spins and the wheel rises many times as fast as drawn.
   */
  private nearEdge(): boolean {
    const s = this.s;
    const rise = s[S.rise] / this.rise0;
    return rise < 0.3 || rise > 3 || s[S.upperOpen] < 0.02 || s[S.rodOpen] < 0.02;
  }

  /** Whether no gap hides within a notch of the solved chain. */
  private farFromEdges(): boolean {
    const s = this.s;
    const rise = s[S.rise] / this.rise0;
    return rise > 0.5 && rise < 2 && s[S.upperOpen] > 0.1 && s[S.rodOpen] > 0.1;
  }

  /** The same root reached from the drawn position in short steps that never cross an edge. */
  private walkToAngle(target: number): boolean {
    const s = this.s;
    if (!this.findStart()) return false;
    let limit = NOTCH;
    for (let i = 0; i < 2000 && limit > 1e-12; i++) {
      const error = target - s[S.height];
      if (this.found(error)) return true;
      const theta = s[S.theta];
      const most = this.farFromEdges() ? limit : Math.min(limit, NOTCH / FINER);
      s[S.theta] += Math.max(-most, Math.min(most, error / s[S.rise]));
      if (this.chain.solve() && s[S.rise] * this.rise0 > 0) continue;
      limit /= 2;
      s[S.theta] = theta;
      this.chain.solve();
    }
    return false;
  }

  /** Puts the arm at the angle nearest to the drawn one at which the chain closes with this rack. */
  private findStart(): boolean {
    for (let notch = 0; notch < 1.5 / NOTCH; notch++)
      if (this.holds(notch) || this.holds(-notch)) return true;
    return false;
  }
}
