import { DEG, toRad } from '../geometry/angle';
import { factor, solveFactored } from '../geometry/linear';
import type { Points } from '../model/points';
import {
  ARMS,
  AT,
  JOINTS,
  LINKS,
  ON_UPRIGHT,
  ROD,
  jointsOf,
  linkLength,
  pointsFrom,
  spindleArray,
  writeConditions,
} from './joints';
import type { Steering } from './joints';

/** A corner as it stands at ride height after it was put together. */
export interface Built {
  points: Points;
  static: { toe: number; camber: number };
}

/**
 * A corner put together from parts that are not quite where or as they were measured. Arms are as
 * long as drawn, chassis pivots are off by a little, the upright's joints are off from where they were
 * thought to be on it. The upright then stands a little differently: the wheel is brought to ride
 * height and toe is set again by the tie rod (or the rod is left as drawn), camber and the rest come
 * out as they come out.
 */
export class Assembly {
  private readonly joints: Float64Array;
  private readonly lengths: number[];
  private readonly toe: number;
  private readonly height: number;
  private readonly axis: Float64Array;
  private readonly rows = new Float64Array(36);
  private readonly order = new Int32Array(6);
  private readonly residual = new Float64Array(6);
  private readonly twist = new Float64Array(6);
  private readonly now = new Float64Array(JOINTS);
  private readonly spindle = new Float64Array(3);

  /** @param alignment toe (+ in) and camber (+ top out) as drawn, degrees */
  constructor(
    points: Points,
    private readonly alignment: { toe: number; camber: number },
    private readonly steering: Steering = 'toe set',
  ) {
    this.joints = jointsOf(points);
    this.lengths = LINKS.map((_, i) => linkLength(this.joints, i));
    this.toe = toRad(alignment.toe);
    this.height = this.joints[AT.wheelCentre + 2];
    this.axis = spindleArray(alignment);
  }

  /**
   * @param offsets how far each joint is from where it was thought to be, in the layout of `joints`:
   * the chassis' own in the chassis, the upright's on the upright as drawn, mm
   * @returns null where the parts cannot be put together
   */
  build(offsets: Float64Array): Built | null {
    const { now, spindle, rows, order, residual, twist } = this;
    for (let i = 0; i < JOINTS; i++) now[i] = this.joints[i] + offsets[i];
    spindle.set(this.axis);
    for (let step = 0; step < 25; step++) {
      this.writeResidual();
      writeConditions(now, spindle, this.steering, this.toe, rows);
      if (!factor(rows, 6, order)) return null;
      solveFactored(rows, 6, order, residual, twist);
      this.move();
      let size = 0;
      for (let i = 0; i < 6; i++) size += Math.abs(twist[i]) * (i < 3 ? 1 : 100);
      if (!(size < 1e4)) return null;
      if (size < 1e-9)
        return {
          points: pointsFrom(now),
          static: {
            toe:
              this.steering === 'toe set'
                ? this.alignment.toe
                : Math.atan2(spindle[0], spindle[1]) * DEG,
            camber: -Math.asin(spindle[2]) * DEG,
          },
        };
    }
    return null;
  }

  /** What is missing from each condition, with the sign of a right-hand side. */
  private writeResidual(): void {
    const { now, spindle, residual } = this;
    const links = this.steering === 'toe set' ? ARMS : ROD + 1;
    for (let i = 0; i < links; i++) residual[i] = this.lengths[i] - linkLength(now, i);
    if (this.steering === 'toe set')
      residual[4] = -(spindle[0] * Math.cos(this.toe) - spindle[1] * Math.sin(this.toe));
    residual[5] = this.height - now[AT.wheelCentre + 2];
  }

  /** Moves the upright by the twist, turned by its exact rotation. */
  private move(): void {
    const { now, spindle, twist } = this;
    const [vx, vy, vz, wx, wy, wz] = twist;
    const angle = Math.hypot(wx, wy, wz);
    const s = angle > 1e-12 ? Math.sin(angle) / angle : 1;
    const c = angle > 1e-12 ? (1 - Math.cos(angle)) / (angle * angle) : 0.5;
    const cx = now[AT.wheelCentre];
    const cy = now[AT.wheelCentre + 1];
    const cz = now[AT.wheelCentre + 2];
    const turn = (list: Float64Array, at: number, ox: number, oy: number, oz: number) => {
      const x = list[at] - ox;
      const y = list[at + 1] - oy;
      const z = list[at + 2] - oz;
      const px = wy * z - wz * y;
      const py = wz * x - wx * z;
      const pz = wx * y - wy * x;
      list[at] += s * px + c * (wy * pz - wz * py);
      list[at + 1] += s * py + c * (wz * px - wx * pz);
      list[at + 2] += s * pz + c * (wx * py - wy * px);
    };
    turn(spindle, 0, 0, 0, 0);
    for (const name of ON_UPRIGHT) {
      const at = AT[name];
      turn(now, at, cx, cy, cz);
      now[at] += vx;
      now[at + 1] += vy;
      now[at + 2] += vz;
    }
  }
}
