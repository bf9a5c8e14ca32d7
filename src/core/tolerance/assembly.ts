import { pointNames } from '../corners/kinds';
import { DEG, toRad } from '../geometry/angle';
import { factor, solveFactored } from '../geometry/linear';
import { add, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { ConditionRows } from '../kinematics/conditionRows';
import type { DrawnCorner } from '../kinematics/corner';
import { spindleOf } from '../kinematics/spindle';
import { pointsFrom } from '../model/points';
import type { Points } from '../model/points';
import { typedJoints } from '../kinematics/joints';
import type { Joints } from '../kinematics/joints';
import { writeToeRow } from './joints';
import type { Steering } from './joints';

/** A corner as it stands at ride height after it was put together. */
export interface Built {
  points: Points;
  static: { toe: number; camber: number };
}

/**
 * A corner put together from parts that are not quite where or as they were measured. Arms and links are as
 * long as drawn, the chassis' joints are off by a little, the upright's joints are off from where they were
 * thought to be on it. The upright then stands a little differently: the wheel is brought to ride
 * height and toe is set again by the tie rod (or the rod is left as drawn), camber and the rest come
 * out as they come out. A kind without a rod has its toe come out as well.
 */
export class Assembly {
  private readonly equations: ConditionRows;
  private readonly drawn: Joints;
  private readonly toe: number;
  private readonly setsToe: boolean;
  private readonly spindle0: Vec;
  private readonly order = new Int32Array(6);
  private readonly twist = new Float64Array(6);

  constructor(
    private readonly corner: DrawnCorner,
    steering: Steering = 'toe set',
  ) {
    this.drawn = typedJoints(corner);
    this.equations = new ConditionRows(corner.type, this.drawn, corner.steering);
    this.toe = toRad(corner.static.toe);
    this.setsToe = steering === 'toe set' && this.equations.rodRow >= 0;
    this.spindle0 = spindleOf(corner.static);
  }

  /**
   * @param offsets how far each joint is from where it was thought to be, three numbers a point in the order of
   * the kind's table: the chassis' own in the chassis, the upright's on the upright as drawn, mm
   * @returns null where the parts cannot be put together
   */
  build(offsets: Float64Array): Built | null {
    const { equations, order, twist } = this;
    equations.goal[0] = this.drawn.wheelCentre[2];
    equations.goal[1] = 0;
    equations.displace(offsets);
    equations.reset();
    for (let step = 0; step < 25; step++) {
      equations.write();
      if (this.setsToe) writeToeRow(equations, equations.turnedBy(this.spindle0), this.toe);
      if (!factor(equations.rows, 6, order)) return null;
      solveFactored(equations.rows, 6, order, equations.missing, twist);
      equations.move(twist);
      let size = 0;
      for (let i = 0; i < 6; i++) size += Math.abs(twist[i]) * (i < 3 ? 1 : 100);
      if (!(size < 1e4)) return null;
      if (size < 1e-9) return this.builtAs(offsets);
    }
    return null;
  }

  /** Takes a member so much longer than drawn from now on, mm; false where it is no link of fixed length. */
  lengthen(from: string, to: string, by: number): boolean {
    return this.equations.lengthen(from, to, by);
  }

  /** A direction fixed to the upright, from how it lies as drawn to how it lies in what was built last. */
  turned = (v: Vec): Vec => this.equations.turnedBy(v);

  private builtAs(offsets: Float64Array): Built {
    const { equations, drawn, corner } = this;
    const { type } = corner;
    const names = pointNames(type);
    const off = (i: number): Vec => [offsets[3 * i], offsets[3 * i + 1], offsets[3 * i + 2]];
    const centre: Vec = [equations.centre[0], equations.centre[1], equations.centre[2]];
    const points = pointsFrom(type, (name) => {
      const i = names.indexOf(name);
      const place = add(drawn[name], off(i));
      return type.points[name].on !== 'upright'
        ? place
        : add(centre, equations.turnedBy(sub(place, drawn.wheelCentre)));
    });
    const [ax, ay, az] = equations.turnedBy(this.spindle0);
    return {
      // What is the other wheel's of an axle stays with it.
      points: { ...corner.points, ...points },
      static: {
        toe: this.setsToe ? corner.static.toe : Math.atan2(ax, ay) * DEG,
        camber: -Math.asin(az) * DEG,
      },
    };
  }
}
