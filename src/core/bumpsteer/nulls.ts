import { rodEnds } from '../corners/kinds';
import type { Vec } from '../geometry/vec';
import type { Wheel } from '../kinematics/wheel';
import { holdStraight } from './heldStraight';
import { crossing, nullOfInner, nullOfOuter } from './nullLine';
import type { NullLine } from './nullLine';
import { ruleJoints } from './rules';
import { toVec } from '../model/points';
import type { PointName } from '../model/points';

/** Where each joint of a tie rod would leave the toe alone, the other staying: what the floor shows of it. */
export interface Nulls {
  inner: JointNull | null;
  outer: JointNull | null;
  /** The outer joint's path with the steering held straight, droop first. */
  path: Vec[];
  /** Where rules of thumb put the inner joint. */
  rules: Record<'lines' | 'parallel', Vec | null>;
  /** The outer joint as drawn. */
  from: Vec;
}

export interface JointNull {
  point: PointName;
  line: NullLine;
  /** The place on it at the joint's own distance ahead, where it crosses there. */
  at: Vec;
}

/** Both null lines of a wheel; null where part of its travel is out of reach. */
export function nullsOf(wheel: Wheel): Nulls | null {
  const { corner, points } = wheel;
  const held = corner && holdStraight(corner, wheel.travel);
  if (!held) return null;
  const ends = rodEnds(wheel.type);
  const [inner, outer] = [toVec(points[ends.inner]), toVec(points[ends.outer])];
  const joint = (point: JointNull['point'], line: NullLine | null, now: Vec): JointNull | null =>
    line && { point, line, at: crossing(line, 0, now[0]) ?? line.nearest };
  const ofInner = nullOfInner(held, inner, outer);
  return {
    inner: joint(ends.inner, ofInner, inner),
    outer: joint(ends.outer, nullOfOuter(held, inner, outer), outer),
    path: ofInner?.path ?? [],
    rules: ruleJoints(wheel),
    from: outer,
  };
}
