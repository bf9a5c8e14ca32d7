import { toDeg, toRad } from '../geometry/angle';
import type { Axle, AxleCorner } from '../kinematics/axle';
import { UPRIGHT_SIZE } from '../kinematics/corner';
import { armAngle, rodsPlacer } from '../kinematics/rods';
import type { Side } from '../model/build';
import { COLUMN, PER_RACK, ROW_SIZE, writeQuantities } from '../motion/quantities';
import { towardsTurn } from './steered';

/** One front wheel over the rack's travel; what does not apply to its kind is NaN. */
export interface WheelOverLock {
  /** Heading from where the wheel points with the rack centred, degrees, + to the left. */
  readonly steer: Float64Array;
  readonly camber: Float64Array;
  readonly caster: Float64Array;
  /** Height of the contact point in the chassis' axes, mm, + up: what is lost lifts the car. */
  readonly contactUp: Float64Array;
  /** Where the contact point is in plan, mm ahead and outboard. */
  readonly contactAhead: Float64Array;
  readonly contactOut: Float64Array;
  /**
   * At the outer joint, square to the steering axis, between the rod and the arm, degrees: 90 is square, near 180 the
   * rod pulls along the arm and near 0 it lies on it. Of two rods the one nearest to straight.
   */
  readonly tieAngle: Float64Array;
}

/** Both front wheels from lock to lock at one travel. Rows out of reach are not to be read. */
export interface LockToLock {
  readonly count: number;
  /** mm of both wheels, + bump. */
  readonly travel: number;
  /** K, between the steering axes at the ground at ride height, the rack centred, mm; NaN where there are none. */
  readonly between: number;
  /** mm, + left. */
  readonly rack: Float64Array;
  /** 1 where both wheels reach the position. */
  readonly reachable: Uint8Array;
  readonly left: WheelOverLock;
  readonly right: WheelOverLock;
  /** The inner wheel's angle less the angle that would be true for the outer, degrees; NaN where the outer steers away. */
  readonly error: Float64Array;
  /** 100 is true, 0 parallel; NaN where the wheels hardly steer. */
  readonly percent: Float64Array;
  /** From the turn centre of both wheels' mean, on the rear axle's line, to the outside front contact point, mm. */
  readonly radius: Float64Array;
  /** Mean heading per mm of rack, degrees, exact; + where rack to the left steers left. */
  readonly perRack: Float64Array;
}

/** A wheel that steers less than this says nothing about Ackermann, degrees. */
export const HARDLY = 0.1;

/**
 * What the inner wheel's angle would be if both spindles' lines met on the rear axle's line:
 * cot δ_outer − cot δ_inner = K / L (Gillespie, *Fundamentals of Vehicle Dynamics*, 1992, ch. 8; from memory).
 * @param outer degrees into the turn, 0 to 180
 * @param between K, between the steering axes at the ground, mm
 * @param wheelbase L, mm
 * @returns degrees, 0 to 180
 */
export function trueInner(outer: number, between: number, wheelbase: number): number {
  const angle = toRad(outer);
  const [sine, cosine] = [Math.sin(angle), Math.cos(angle)];
  return toDeg(Math.atan2(sine, cosine - (between / wheelbase) * sine));
}

/**
 * Degrees of the handwheel for one of both wheels' mean.
 * @param perRack mean heading per mm of rack, degrees
 * @param perTurn mm of rack in a turn of the pinion; undefined where it is not known
 * @returns NaN where it is not known
 */
export const ratioOf = (perRack: number, perTurn: number | undefined): number =>
  perTurn === undefined ? NaN : 360 / perTurn / Math.abs(perRack);

/** Evenly spaced rack positions, mm, both ends included. */
export function rackPositions(from: number, to: number, count: number): Float64Array {
  return Float64Array.from({ length: count }, (_, i) => from + ((to - from) * i) / (count - 1));
}

/**
 * Both front wheels at every rack position.
 * @param wheelbase mm
 * @param travel of both wheels, mm, + bump
 * @param rack positions, mm, + left
 * @returns null where the wheels do not reach that travel with the rack centred: nothing tells what they steer from
 */
export function lockToLock(
  axle: Axle,
  wheelbase: number,
  travel: number,
  rack: Float64Array,
): LockToLock | null {
  const count = rack.length;
  const room = () => new Float64Array(count);
  const sides = {
    left: makeSide(axle.left, travel, 'left'),
    right: makeSide(axle.right, travel, 'right'),
  };
  if (!sides.left || !sides.right) return null;
  const between = sides.left.axisOut + sides.right.axisOut;
  const of = (): WheelOverLock => ({
    steer: room(),
    camber: room(),
    caster: room(),
    contactUp: room(),
    contactAhead: room(),
    contactOut: room(),
    tieAngle: room(),
  });
  const found: LockToLock = {
    ...{ count, travel, between, rack, reachable: new Uint8Array(count), left: of(), right: of() },
    ...{ error: room(), percent: room(), radius: room(), perRack: room() },
  };
  for (let i = 0; i < count; i++) {
    const left = sides.left.at(rack[i]);
    const right = sides.right.at(rack[i]);
    if (!left || !right) continue;
    found.reachable[i] = 1;
    for (const [side, at] of [
      [found.left, left],
      [found.right, right],
    ] as const) {
      side.steer[i] = at.steer;
      side.camber[i] = at.camber;
      side.caster[i] = at.caster;
      side.contactUp[i] = at.contactUp;
      side.contactAhead[i] = at.contactAhead;
      side.contactOut[i] = at.contactOut;
      side.tieAngle[i] = at.tieAngle;
    }
    found.perRack[i] = (left.perRack + right.perRack) / 2;
    const mean = (left.steer + right.steer) / 2;
    const { turn, innerSteer: into, outerSteer: away } = towardsTurn(left.steer, right.steer);
    const outer = turn === 'left' ? right : left;
    const wanted = away < -1e-9 ? NaN : trueInner(Math.max(0, away), between, wheelbase);
    found.error[i] = into - wanted;
    found.percent[i] = away > HARDLY ? (100 * (into - away)) / (wanted - away) : NaN;
    found.radius[i] =
      Math.abs(mean) > 1e-6
        ? Math.hypot(
            outer.contactAhead + wheelbase,
            wheelbase / Math.tan(toRad(Math.abs(mean))) + outer.contactOut,
          )
        : NaN;
  }
  return found;
}

/** What poses one wheel; its scratch is its own. Null where it does not reach the travel with the rack centred. */
function makeSide(side: AxleCorner, travel: number, name: Side) {
  const upright = new Float64Array(UPRIGHT_SIZE);
  const row = new Float64Array(ROW_SIZE);
  const rods = rodsPlacer(side.drawn);
  // A left wheel that toes in points right.
  const sign = name === 'left' ? -1 : 1;
  const read = (at: number, rack: number): boolean => {
    if (!side.corner.pose(at, side.rackSign * rack, upright)) return false;
    writeQuantities(upright, side.radius, row, 0);
    return true;
  };
  if (!read(0, 0)) return null;
  // Between the steering axes at the ground counts at ride height, straight ahead.
  const axisOut = row[COLUMN.contactOut] - row[COLUMN.scrub];
  if (!read(travel, 0)) return null;
  const straight = row[COLUMN.toe];
  return {
    axisOut,
    at: (rack: number) => {
      if (!read(travel, rack)) return null;
      return {
        steer: sign * (row[COLUMN.toe] - straight),
        // Outward is to the left on the left side only, and so is what the slope counts by.
        perRack: sign * side.rackSign * row[PER_RACK + COLUMN.toe],
        camber: row[COLUMN.camber],
        caster: row[COLUMN.caster],
        contactUp: row[COLUMN.contactUp],
        contactAhead: row[COLUMN.contactAhead],
        contactOut: row[COLUMN.contactOut],
        tieAngle: armAngle(rods(upright), upright),
      };
    },
  };
}
