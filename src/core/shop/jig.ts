import { toDeg } from '../geometry/angle';
import { add, cross, distance, dot, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Wheel } from '../kinematics/wheel';
import { toVec } from '../model/points';
import type { PointName } from '../model/points';
import { lengthEffect } from '../tolerance/adjusters';
import type { Effect } from '../tolerance/adjusters';
import { keelOf } from './cope';
import { axisAt, upSideOf } from './parts';
import type { ShopPart } from './parts';

/** A pin of a jig, mm from its datum corner. */
export interface Pin {
  joint: PointName;
  label: string;
  x: number;
  y: number;
  /** Above the plane of the part's joints; below it, below 0. */
  height: number;
  /** The axis of what sits on the pin: how steep it stands off square to the board, and the wedge under it. */
  lean: { degrees: number; toward: number; rise: number } | null;
  /** It is no joint of the part: something that rides on it. */
  rides: boolean;
}

/** Pins on a board, its corner at 0, 0. */
export interface Board {
  /** 1 as the corner's own axes are seen; −1 turned round left to right, for a right part is their mirror image. */
  hand: 1 | -1;
  width: number;
  height: number;
  pins: Pin[];
  /** Every pin to every other, joint to joint in space. */
  between: { from: PointName; to: PointName; length: number }[];
  /** How far the highest and the lowest pin are off the plane, mm: for the other hand up and down change over. */
  above: number;
  below: number;
}

/** A flat jig for a part, one plane for all its joints. */
export interface Jig extends Board {
  /** What pins that are off make of the wheel; null where nothing is known of it. */
  spread: Spread | null;
}

/** The spread of a wheel made on a jig whose pins are off: at the worst, and as is likely (root of the sum of squares). */
export interface Spread {
  pins: number;
  worst: Effect;
  likely: Effect;
}

/** Board beyond the outermost pins, mm. */
export const BOARD = 25;
/** A wedge's run that its rise is told for, mm. */
const RUN = 100;

/** Axes of a part's own plane: its first joint, along its pivots or itself, across, up. */
export interface Plane {
  at: Vec;
  x: Vec;
  y: Vec;
  up: Vec;
}

export function planeOf(wheel: Wheel, part: ShopPart): Plane {
  const places = part.joints.map((name) => toVec(wheel.points[name]));
  const up0 = upSideOf(wheel, part);
  const x = unit(sub(places[1], places[0]));
  const up = keelOf(x, up0);
  const y = cross(up, x);
  const at = places[0];
  // The board is drawn with the part's outer end at its top, whichever way its upper side looks.
  const outer = places.at(-1)!;
  return dot(sub(outer, at), y) < -1e-9
    ? { at: places[1], x: scale(x, -1), y: scale(y, -1), up }
    : { at, x, y, up };
}

/** A place in a part's own plane: along, across, above it, mm. */
export const inPlane = ({ at, x, y, up }: Plane, p: Vec): Vec => {
  const d = sub(p, at);
  return [dot(d, x), dot(d, y), dot(d, up)];
};

/** The place in the corner's axes of one in a part's plane. */
export const fromPlane = ({ at, x, y, up }: Plane, [a, b, c]: Vec): Vec =>
  add(at, add(scale(x, a), add(scale(y, b), scale(up, c))));

/**
 * The jig of a part: where its pins stand, in the plane of its joints, and what rides on it (a damper's lug) with its
 * height.
 * @param pins how far a pin is off at most, any way in the board's plane, mm
 */
export function jigOf(wheel: Wheel, part: ShopPart, pins: number): Jig {
  const plane = planeOf(wheel, part);
  const { type, points } = wheel;
  const riding =
    part.body === null
      ? []
      : Object.entries(type.points)
          .filter(([name, { on, ofDamper }]) => on === part.body && ofDamper && name in points)
          .map(([name]) => name);
  const rides = riding.filter((name) => !part.joints.includes(name));
  const flat = part.joints.map((name) => inPlane(plane, toVec(points[name])));
  const axes = (joint: PointName): Vec | null => {
    const member = part.members.find(({ from, to }) => from === joint || to === joint);
    return member ? axisAt(wheel, member, joint) : null;
  };
  return {
    ...boardOf(wheel, plane, part.joints, rides, axes),
    spread: spreadOf(wheel, part, flat, pins),
  };
}

/**
 * Points of a corner as pins on a board in any plane.
 * @param joints what the board is made for; what `rides` along is not leaned
 * @param axes the axis of what sits on a joint's pin, unit vector
 */
export function boardOf(
  { type, points, side }: Wheel,
  plane: Plane,
  joints: readonly PointName[],
  rides: readonly PointName[],
  axes: (joint: PointName) => Vec | null,
): Board {
  const names = [...joints, ...rides];
  const hand = side === 'right' ? -1 : 1;
  const flat = names.map((name): Vec => {
    const [x, y, up] = inPlane(plane, toVec(points[name]));
    return [hand * x, y, up];
  });
  const least = [0, 1].map((i) => Math.min(...flat.map((p) => p[i])) - BOARD);
  const most = [0, 1].map((i) => Math.max(...flat.map((p) => p[i])) + BOARD);
  const pins = names.map((joint, i): Pin => {
    const [x, y, height] = flat[i];
    const axis = i < joints.length ? axes(joint) : null;
    return {
      ...{ joint, label: type.points[joint].label, rides: i >= joints.length },
      ...{ x: x - least[0], y: y - least[1], height },
      lean: axis && leanOf(axis, plane, hand),
    };
  });
  const heights = pins.map(({ height }) => height);
  return {
    ...{ hand, width: most[0] - least[0], height: most[1] - least[1], pins },
    between: names.flatMap((from, i) =>
      names
        .slice(i + 1)
        .map((to) => ({ from, to, length: distance(toVec(points[from]), toVec(points[to])) })),
    ),
    above: Math.max(0, ...heights),
    below: Math.max(0, ...heights.map((h) => -h)),
  };
}

/** How an axis stands on the board; null where it lies flat on it, as pivots do. */
function leanOf(axis: Vec, plane: Plane, hand: 1 | -1): Pin['lean'] {
  const up = dot(axis, plane.up);
  const [a, b] = [hand * dot(axis, plane.x), dot(axis, plane.y)].map((part) =>
    up < 0 ? -part : part,
  );
  const degrees = toDeg(Math.atan2(Math.hypot(a, b), Math.abs(up)));
  if (degrees > LYING) return null;
  return {
    degrees,
    toward: (toDeg(Math.atan2(b, a)) + 360) % 360,
    rise: RUN * Math.tan((degrees * Math.PI) / 180),
  };
}
/** Steeper than this off square to the board an axis lies, degrees. */
const LYING = 70;

const PARTS = ['camber', 'toe', 'caster', 'track'] as const;

/**
 * What a part's pins do that are off within the board's plane: a tube is longer by what its two pins go apart along it.
 * Exact for a tenth of a millimetre, taken as straight for the rest.
 */
function spreadOf(wheel: Wheel, part: ShopPart, flat: readonly Vec[], pins: number): Spread | null {
  const slopes = part.members.map(({ from, to }) => {
    const effect = lengthEffect(wheel, from, to, STEP);
    return effect && PARTS.map((key) => (effect[key] ?? NaN) / STEP);
  });
  if (slopes.some((one) => one === null)) return null;
  const [worst, likely] = [
    [0, 0, 0, 0],
    [0, 0, 0, 0],
  ];
  part.joints.forEach((joint, j) => {
    for (const axis of [0, 1])
      PARTS.forEach((_, k) => {
        let by = 0;
        part.members.forEach(({ from, to }, i) => {
          if (from !== joint && to !== joint) return;
          const other = part.joints.indexOf(from === joint ? to : from);
          const d = sub(flat[j], flat[other]);
          by += (slopes[i]![k] * d[axis]) / Math.hypot(...d);
        });
        worst[k] += Math.abs(by) * pins;
        likely[k] += (by * pins) ** 2;
      });
  });
  const as = ([camber, toe, caster, track]: number[]): Effect => ({
    ...{ camber, toe, caster: Number.isNaN(caster) ? null : caster, track },
  });
  return { pins, worst: as(worst), likely: as(likely.map(Math.sqrt)) };
}
const STEP = 0.1;
