import { cross, distance, dot, footOnLine, length, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { toVec } from '../model/points';
import type { Point } from '../model/points';
import { U } from './corner';
import { headingOf, spindleOf } from './spindle';

/** The points that a chain of wishbones hangs on. */
export type WishbonePoints = Record<
  | 'lowerFrontInner'
  | 'lowerRearInner'
  | 'lowerOuter'
  | 'upperFrontInner'
  | 'upperRearInner'
  | 'upperOuter'
  | 'tieRodInner'
  | 'tieRodOuter'
  | 'wheelCentre',
  Point
>;

/** Offsets into a chain's working state. */
export const S = {
  height: 0,
  rise: 1,
  steerRise: 2,
  lower: 3,
  k: 6,
  arm: 9,
  toWheel: 12,
  e2: 15,
  e3: 18,
  turn: 21,
  lowerMove: 24,
  steer: 27,
  rack: 28,
  upperOpen: 29,
  upperCos: 30,
  rodOpen: 31,
  rodCos: 32,
  travel: 33,
  theta: 34,
  /** Rack position at which the notches from `triedDown` to `triedUp` are known to hold. */
  triedRack: 35,
  triedUp: 36,
  triedDown: 37,
} as const;
const STATE_SIZE = 38;

/** A joint's circle about the line through two pivots. */
function circleOf(joint: Vec, front: Vec, rear: Vec) {
  const axis = unit(sub(front, rear));
  const centre = footOnLine(joint, rear, axis);
  const arm = sub(joint, centre);
  return { axis, centre, radius: length(arm), arm };
}

/**
 * The closed chain of a double wishbone at one lower arm angle:
 *
 *   lower arm angle θ → lower ball joint on its circle
 *   → upper ball joint: its circle about the upper pivots meets the sphere about the lower joint
 *   → tie rod's outer joint: its circle about the kingpin meets the sphere about the inner joint
 *   → wheel centre, and how all of them move per rad of θ and per mm of rack
 *
 * Both meetings are closed forms that keep the side they have as drawn, so a branch never flips.
 */
export class WishboneChain {
  // Lower ball joint: centre + radius (cos θ · lu + sin θ · lv), θ = 0 as drawn.
  private readonly lc: Vec;
  private readonly lu: Vec;
  private readonly lv: Vec;
  private readonly ln: Vec;
  readonly lr: number;
  // Upper ball joint's circle.
  private readonly uc: Vec;
  private readonly un: Vec;
  readonly ur: number;
  private readonly upperSide: number;
  // Upright: kingpin length, outer tie-rod joint along and off the kingpin, wheel in its axes.
  private readonly kingpin: number;
  private readonly tAlong: number;
  readonly tOff: number;
  private readonly wheel: Vec;
  private readonly axle: Vec;
  private readonly heading: Vec;
  // Tie rod.
  private readonly inner: Vec;
  private readonly rod: number;
  private readonly rodSide: number;
  /** Wheel centre's height as drawn, mm. */
  readonly height0: number;

  /** Working state of the last chain solved, laid out as `S`. */
  readonly s = new Float64Array(STATE_SIZE).fill(NaN);

  /** @param way unit direction in which + rack moves the inner joint */
  constructor(
    points: WishbonePoints,
    alignment: { toe: number; camber: number },
    private readonly way: Vec,
  ) {
    const p = Object.fromEntries(
      Object.entries(points).map(([name, point]) => [name, toVec(point)]),
    ) as Record<keyof WishbonePoints, Vec>;
    const lower = circleOf(p.lowerOuter, p.lowerFrontInner, p.lowerRearInner);
    this.lc = lower.centre;
    this.ln = lower.axis;
    this.lr = lower.radius;
    this.lu = unit(lower.arm);
    this.lv = cross(lower.axis, this.lu);

    const upper = circleOf(p.upperOuter, p.upperFrontInner, p.upperRearInner);
    this.uc = upper.centre;
    this.un = upper.axis;
    this.ur = upper.radius;
    const toLower = sub(p.lowerOuter, upper.centre);
    this.upperSide = Math.sign(dot(cross(upper.axis, toLower), upper.arm)) || 1;

    const k = sub(p.upperOuter, p.lowerOuter);
    this.kingpin = length(k);
    const e1 = unit(k);
    const steeringArm = sub(p.tieRodOuter, p.lowerOuter);
    this.tAlong = dot(steeringArm, e1);
    const off = sub(steeringArm, scale(e1, this.tAlong));
    this.tOff = length(off);
    const e2 = unit(off);
    const e3 = cross(e1, e2);

    this.inner = p.tieRodInner;
    this.rod = distance(p.tieRodInner, p.tieRodOuter);
    const toInner = sub(p.tieRodInner, p.lowerOuter);
    this.rodSide = Math.sign(dot(cross(e1, toInner), off)) || 1;

    const spindle = spindleOf(alignment);
    const toWheel = sub(p.wheelCentre, p.lowerOuter);
    this.wheel = [dot(toWheel, e1), dot(toWheel, e2), dot(toWheel, e3)];
    this.axle = [dot(spindle, e1), dot(spindle, e2), dot(spindle, e3)];
    const heading = headingOf(spindle);
    this.heading = [dot(heading, e1), dot(heading, e2), dot(heading, e3)];
    this.height0 = p.wheelCentre[2];
  }

  /** Solves the chain at an arm angle and rack. */
  solveAt(theta: number, rack: number): boolean {
    this.s[S.theta] = theta;
    this.s[S.rack] = rack;
    return this.solve();
  }

  /**
   * Solves the chain at the state's lower arm angle and rack into the rest of the state; arguments
   * travel in the state because numbers handed from call to call would be allocated.
   * Returns false where a meeting does not exist.
   */
  solve(): boolean {
    const s = this.s;
    const theta = s[S.theta];
    const { lc, lu, lv, ln, lr, uc, un, ur, inner, wheel } = this;
    const c = Math.cos(theta) * lr;
    const n = Math.sin(theta) * lr;

    // Lower ball joint and its velocity per rad.
    const rx = c * lu[0] + n * lv[0];
    const ry = c * lu[1] + n * lv[1];
    const rz = c * lu[2] + n * lv[2];
    const lx = lc[0] + rx;
    const ly = lc[1] + ry;
    const lz = lc[2] + rz;
    const vlx = ln[1] * rz - ln[2] * ry;
    const vly = ln[2] * rx - ln[0] * rz;
    const vlz = ln[0] * ry - ln[1] * rx;

    // Upper ball joint: unit arm e ⟂ un with e·d = K, d from the circle's centre to the lower joint.
    let dx = lx - uc[0];
    let dy = ly - uc[1];
    let dz = lz - uc[2];
    let along = dx * un[0] + dy * un[1] + dz * un[2];
    let square = dx * dx + dy * dy + dz * dz;
    let K = (square + ur * ur - this.kingpin * this.kingpin) / (2 * ur);
    dx -= along * un[0];
    dy -= along * un[1];
    dz -= along * un[2];
    let S2 = dx * dx + dy * dy + dz * dz;
    let w2 = S2 - K * K;
    s[S.upperOpen] = w2 / S2;
    s[S.upperCos] = K;
    if (!(w2 > 0)) return false;
    let w = this.upperSide * Math.sqrt(w2);
    K /= S2;
    w /= S2;
    const ex = ur * (K * dx + w * (un[1] * dz - un[2] * dy));
    const ey = ur * (K * dy + w * (un[2] * dx - un[0] * dz));
    const ez = ur * (K * dz + w * (un[0] * dy - un[1] * dx));

    // Kingpin, from the lower to the upper ball joint.
    const kx = uc[0] + ex - lx;
    const ky = uc[1] + ey - ly;
    const kz = uc[2] + ez - lz;
    const L = this.kingpin;
    const e1x = kx / L;
    const e1y = ky / L;
    const e1z = kz / L;

    // Tie rod's outer joint about the kingpin, in the same way.
    const { way } = this;
    const rack = s[S.rack];
    const ix = inner[0] + rack * way[0];
    const iy = inner[1] + rack * way[1];
    const iz = inner[2] + rack * way[2];
    const { tAlong, tOff } = this;
    dx = ix - lx - tAlong * e1x;
    dy = iy - ly - tAlong * e1y;
    dz = iz - lz - tAlong * e1z;
    along = dx * e1x + dy * e1y + dz * e1z;
    square = dx * dx + dy * dy + dz * dz;
    K = (square + tOff * tOff - this.rod * this.rod) / (2 * tOff);
    dx -= along * e1x;
    dy -= along * e1y;
    dz -= along * e1z;
    S2 = dx * dx + dy * dy + dz * dz;
    w2 = S2 - K * K;
    s[S.rodOpen] = w2 / S2;
    s[S.rodCos] = K;
    if (!(w2 > 0)) return false;
    w = this.rodSide * Math.sqrt(w2);
    K /= S2;
    w /= S2;
    const cx = e1y * dz - e1z * dy;
    const cy = e1z * dx - e1x * dz;
    const cz = e1x * dy - e1y * dx;
    const e2x = K * dx + w * cx;
    const e2y = K * dy + w * cy;
    const e2z = K * dz + w * cz;
    const e3x = K * cx - w * dx;
    const e3y = K * cy - w * dy;
    const e3z = K * cz - w * dz;

    // Steering arm and wheel centre, both from the lower ball joint.
    const tx = tAlong * e1x + tOff * e2x;
    const ty = tAlong * e1y + tOff * e2y;
    const tz = tAlong * e1z + tOff * e2z;
    const px = wheel[0] * e1x + wheel[1] * e2x + wheel[2] * e3x;
    const py = wheel[0] * e1y + wheel[1] * e2y + wheel[2] * e3y;
    const pz = wheel[0] * e1z + wheel[1] * e2z + wheel[2] * e3z;

    // Velocities per rad of θ: the upper joint runs on its circle so that the kingpin keeps its length.
    const ux = un[1] * ez - un[2] * ey;
    const uy = un[2] * ex - un[0] * ez;
    const uz = un[0] * ey - un[1] * ex;
    const phi = (kx * vlx + ky * vly + kz * vlz) / (kx * ux + ky * uy + kz * uz);
    const sx = phi * ux - vlx;
    const sy = phi * uy - vly;
    const sz = phi * uz - vlz;
    const LL = L * L;
    let ox = (ky * sz - kz * sy) / LL;
    let oy = (kz * sx - kx * sz) / LL;
    let oz = (kx * sy - ky * sx) / LL;

    // Turn about the kingpin: the tie rod keeps its length. Per rad of θ, then per mm of rack.
    const qx = lx + tx - ix;
    const qy = ly + ty - iy;
    const qz = lz + tz - iz;
    const lever = qx * (ky * tz - kz * ty) + qy * (kz * tx - kx * tz) + qz * (kx * ty - ky * tx);
    const drift =
      qx * (vlx + oy * tz - oz * ty) +
      qy * (vly + oz * tx - ox * tz) +
      qz * (vlz + ox * ty - oy * tx);
    const turn = -drift / lever;
    ox += turn * kx;
    oy += turn * ky;
    oz += turn * kz;
    const steer = (qx * way[0] + qy * way[1] + qz * way[2]) / lever;

    s[S.height] = lz + pz;
    s[S.rise] = vlz + ox * py - oy * px;
    s[S.steerRise] = steer * (kx * py - ky * px);
    s[S.lower] = lx;
    s[S.lower + 1] = ly;
    s[S.lower + 2] = lz;
    s[S.k] = kx;
    s[S.k + 1] = ky;
    s[S.k + 2] = kz;
    s[S.arm] = tx;
    s[S.arm + 1] = ty;
    s[S.arm + 2] = tz;
    s[S.toWheel] = px;
    s[S.toWheel + 1] = py;
    s[S.toWheel + 2] = pz;
    s[S.e2] = e2x;
    s[S.e2 + 1] = e2y;
    s[S.e2 + 2] = e2z;
    s[S.e3] = e3x;
    s[S.e3 + 1] = e3y;
    s[S.e3 + 2] = e3z;
    s[S.turn] = ox;
    s[S.turn + 1] = oy;
    s[S.turn + 2] = oz;
    s[S.lowerMove] = vlx;
    s[S.lowerMove + 1] = vly;
    s[S.lowerMove + 2] = vlz;
    s[S.steer] = steer;
    return true;
  }

  /** Writes the upright's pose and twists from the solved state, laid out as `U`. Spelled out: a sweep spends much of its time here. */
  writePose(u: Float64Array): void {
    const s = this.s;
    const { axle, heading, kingpin: L } = this;
    const lever = s[S.steer];
    // Per mm of travel θ turns by 1/rise; per mm of rack it gives back the height the steering takes.
    const perTravel = 1 / s[S.rise];
    const perRack = -s[S.steerRise] / s[S.rise];
    const kx = s[S.k];
    const ky = s[S.k + 1];
    const kz = s[S.k + 2];
    const a1 = axle[0] / L;
    const a2 = axle[1];
    const a3 = axle[2];
    const h1 = heading[0] / L;
    const h2 = heading[1];
    const h3 = heading[2];
    const e2x = s[S.e2];
    const e2y = s[S.e2 + 1];
    const e2z = s[S.e2 + 2];
    const e3x = s[S.e3];
    const e3y = s[S.e3 + 1];
    const e3z = s[S.e3 + 2];
    const lx = s[S.lower];
    const ly = s[S.lower + 1];
    const lz = s[S.lower + 2];
    const px = s[S.toWheel];
    const py = s[S.toWheel + 1];
    const pz = s[S.toWheel + 2];
    u[U.wheelCentre] = lx + px;
    u[U.wheelCentre + 1] = ly + py;
    u[U.wheelCentre + 2] = lz + pz;
    u[U.spindle] = a1 * kx + a2 * e2x + a3 * e3x;
    u[U.spindle + 1] = a1 * ky + a2 * e2y + a3 * e3y;
    u[U.spindle + 2] = a1 * kz + a2 * e2z + a3 * e3z;
    u[U.heading] = h1 * kx + h2 * e2x + h3 * e3x;
    u[U.heading + 1] = h1 * ky + h2 * e2y + h3 * e3y;
    u[U.heading + 2] = h1 * kz + h2 * e2z + h3 * e3z;
    u[U.axisAt] = lx;
    u[U.axisAt + 1] = ly;
    u[U.axisAt + 2] = lz;
    u[U.axisAlong] = kx;
    u[U.axisAlong + 1] = ky;
    u[U.axisAlong + 2] = kz;
    u[U.rack] = s[S.rack];
    // The lower joint moves with the arm; the wheel centre with that and the turn; the kingpin's direction turns.
    const tx = s[S.turn];
    const ty = s[S.turn + 1];
    const tz = s[S.turn + 2];
    const mx = s[S.lowerMove];
    const my = s[S.lowerMove + 1];
    const mz = s[S.lowerMove + 2];
    let wx = perTravel * tx;
    let wy = perTravel * ty;
    let wz = perTravel * tz;
    let vx = perTravel * mx;
    let vy = perTravel * my;
    let vz = perTravel * mz;
    u[U.turnPerTravel] = wx;
    u[U.turnPerTravel + 1] = wy;
    u[U.turnPerTravel + 2] = wz;
    u[U.movePerTravel] = vx + wy * pz - wz * py;
    u[U.movePerTravel + 1] = vy + wz * px - wx * pz;
    u[U.movePerTravel + 2] = vz + wx * py - wy * px;
    u[U.axisAtPerTravel] = vx;
    u[U.axisAtPerTravel + 1] = vy;
    u[U.axisAtPerTravel + 2] = vz;
    u[U.axisAlongPerTravel] = wy * kz - wz * ky;
    u[U.axisAlongPerTravel + 1] = wz * kx - wx * kz;
    u[U.axisAlongPerTravel + 2] = wx * ky - wy * kx;
    wx = perRack * tx + lever * kx;
    wy = perRack * ty + lever * ky;
    wz = perRack * tz + lever * kz;
    vx = perRack * mx;
    vy = perRack * my;
    vz = perRack * mz;
    u[U.turnPerRack] = wx;
    u[U.turnPerRack + 1] = wy;
    u[U.turnPerRack + 2] = wz;
    u[U.movePerRack] = vx + wy * pz - wz * py;
    u[U.movePerRack + 1] = vy + wz * px - wx * pz;
    u[U.movePerRack + 2] = vz + wx * py - wy * px;
    u[U.axisAtPerRack] = vx;
    u[U.axisAtPerRack + 1] = vy;
    u[U.axisAtPerRack + 2] = vz;
    u[U.axisAlongPerRack] = wy * kz - wz * ky;
    u[U.axisAlongPerRack + 1] = wz * kx - wx * kz;
    u[U.axisAlongPerRack + 2] = wx * ky - wy * kx;
  }
}
