import { add, cross, dot, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';

/**
 * What swings about a line of the chassis and is held by one rod of fixed length: a rocker, a bar's arm. Its joint runs
 * on a circle, the rod's other end tells where on it; the side it stands on as drawn it keeps.
 */
export class Swing {
  /** Unit. */
  readonly axis: Vec;
  private readonly foot: Vec;
  private readonly radius0: Vec;
  private readonly square0: Vec;
  private readonly radius: number;
  private readonly rod: number;
  private readonly side: 1 | -1;

  /**
   * @param through a place on the line, mm
   * @param axis its direction, of any length
   * @param joint the joint of the rod on what swings, as drawn, mm
   * @param end the rod's other end, as drawn, mm
   */
  constructor(through: Vec, axis: Vec, joint: Vec, end: Vec) {
    this.axis = unit(axis);
    const along = dot(sub(joint, through), this.axis);
    this.foot = add(through, scale(this.axis, along));
    this.radius0 = sub(joint, this.foot);
    this.radius = Math.hypot(...this.radius0);
    this.square0 = cross(this.axis, this.radius0);
    this.rod = Math.hypot(...sub(joint, end));
    this.side = dot(cross(sub(end, this.foot), this.radius0), this.axis) < 0 ? -1 : 1;
  }

  /**
   * Where it swings to as the rod's other end is at `end` and goes by `rate` there.
   * @returns its angle from as drawn, rad, right-handed about the axis, and that angle's rate; how near the rod is to
   * straight with the arm: the sine of the angle between them, seen along the axis; null where the rod does not reach
   */
  at(end: Vec, rate: Vec): SwingPose | null {
    const { axis, foot, radius0, square0, radius, rod, side } = this;
    const to = sub(end, foot);
    const lengthwise = dot(to, axis);
    const flat = sub(to, scale(axis, lengthwise));
    const far = dot(flat, flat);
    // The joint at an angle from the rod's end, seen along the axis: law of cosines.
    const reach = Math.sqrt(far);
    const cosine = (far + radius * radius + lengthwise ** 2 - rod * rod) / (2 * reach * radius);
    if (!(cosine > -1 && cosine < 1)) return null;
    const sine = side * Math.sqrt(1 - cosine * cosine);
    const along = scale(flat, 1 / reach);
    const joint = scale(add(scale(along, cosine), scale(cross(axis, along), sine)), radius);
    const angle = Math.atan2(dot(joint, square0) / radius, dot(joint, radius0) / radius);
    // The rod keeps its length: its end and its joint go alike along it.
    const link = sub(to, joint);
    const lever = dot(link, cross(axis, joint));
    const flatLink = Math.sqrt(Math.max(0, dot(link, link) - dot(link, axis) ** 2));
    return {
      angle,
      rate: dot(link, rate) / lever,
      open: lever / (radius * flatLink),
    };
  }
}

export interface SwingPose {
  angle: number;
  rate: number;
  open: number;
}
