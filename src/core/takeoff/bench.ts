import { toDeg, toRad } from '../geometry/angle';
import { add, cross, dot, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { spindleOf } from '../kinematics/spindle';
import type { AxleDesign } from '../model/build';
import type { BenchPoint } from '../model/parts';
import { toVec } from '../model/points';
import type { Points } from '../model/points';

/**
 * A wheel at ride height as something to hang an upright on, [ahead, out, up]. `axis` is the spindle
 * pointing outboard, `heading` level and ahead, `up` square to both; `face` is the middle of the hub's
 * mounting face.
 */
export interface WheelFrame {
  face: Vec;
  axis: Vec;
  heading: Vec;
  up: Vec;
}

/** @param offset how far the hub face is outboard of the wheel centre (the rim's offset), mm */
export function wheelFrame(
  centre: Points['wheelCentre'],
  alignment: AxleDesign['static'],
  offset: number,
): WheelFrame {
  const axis = spindleOf(alignment);
  const heading = unit([axis[1], -axis[0], 0]);
  return {
    axis,
    heading,
    up: cross(heading, axis),
    face: add(toVec(centre), scale(axis, offset)),
  };
}

/** The wheel of an axle's design; without a rim the hub face is at the wheel centre. */
export const wheelFrameOf = (design: AxleDesign, points: Points): WheelFrame =>
  wheelFrame(points.wheelCentre, design.static, design.rim?.offset ?? 0);

/**
 * The frame turned about the spindle, as an upright leans for caster.
 * @param spin degrees, + top rearward
 */
export function spun(frame: WheelFrame, spin: number): WheelFrame {
  const [c, s] = [Math.cos(toRad(spin)), Math.sin(toRad(spin))];
  return {
    ...frame,
    up: sub(scale(frame.up, c), scale(frame.heading, s)),
    heading: add(scale(frame.heading, c), scale(frame.up, s)),
  };
}

/** A bench measurement as a place in the chassis. */
export const benchToChassis = (frame: WheelFrame, p: BenchPoint): Vec =>
  add(
    sub(frame.face, scale(frame.axis, p.inboard)),
    add(scale(frame.up, p.above), scale(frame.heading, p.ahead)),
  );

/** A place in the chassis as it would measure on the bench. */
export function chassisToBench(frame: WheelFrame, place: Vec): BenchPoint {
  const d = sub(place, frame.face);
  return {
    inboard: -dot(d, frame.axis),
    above: dot(d, frame.up),
    ahead: dot(d, frame.heading),
  };
}

/**
 * How far an upright must be turned about the spindle so that its ball joints stand at a caster angle.
 * @param caster degrees, + top rearward
 * @returns degrees, + top rearward; null where no turn does it
 */
export function spinForCaster(
  frame: WheelFrame,
  lower: BenchPoint,
  upper: BenchPoint,
  caster: number,
): number | null {
  // The ball-joint line is A + B cos σ + C sin σ; its caster is right when it is square to n.
  const inboard = upper.inboard - lower.inboard;
  const above = upper.above - lower.above;
  const ahead = upper.ahead - lower.ahead;
  const n: Vec = [Math.cos(toRad(caster)), 0, Math.sin(toRad(caster))];
  const a = -inboard * dot(frame.axis, n);
  const b = above * dot(frame.up, n) + ahead * dot(frame.heading, n);
  const c = -above * dot(frame.heading, n) + ahead * dot(frame.up, n);
  const size = Math.hypot(b, c);
  if (!(size > Math.abs(a))) return null;
  const middle = Math.atan2(c, b);
  const away = Math.acos(-a / size);
  const upward = (sigma: number) => {
    const turned = spun(frame, toDeg(sigma));
    return above * turned.up[2] + ahead * turned.heading[2] - inboard * frame.axis[2];
  };
  const answers = [middle + away, middle - away]
    .map((sigma) => Math.atan2(Math.sin(sigma), Math.cos(sigma)))
    .filter((sigma) => upward(sigma) > 0)
    .sort((p, q) => Math.abs(p) - Math.abs(q));
  return answers.length > 0 ? toDeg(answers[0]) : null;
}

/**
 * A part turned end for end, as when a left upright is bolted to the right side: what was ahead of the
 * spindle is then behind it.
 */
export const turnedRound = <T extends BenchPoint>(p: T): T => ({ ...p, ahead: -p.ahead });
