import type { CornerType } from '@/core/corners/cornerType';
import { kingpinOf } from '@/core/corners/kinds';
import { add, cross, footOnLine, scale, sub, unit } from '@/core/geometry/vec';
import type { Vec } from '@/core/geometry/vec';
import type { DrawnCorner } from '@/core/kinematics/corner';
import { dropArmTo } from '@/core/kinematics/innerWay';
import { spindleAt } from '@/core/kinematics/frames';
import {
  axisAtHeight,
  jointsAt,
  onBeamAt,
  otherArmAt,
  steeringAxisAt,
  typedJoints,
} from '@/core/kinematics/joints';
import type { Joints, SteeringAxis } from '@/core/kinematics/joints';
import { spindleOf } from '@/core/kinematics/spindle';
import type { AxleDesign, Rim, Travel } from '@/core/model/build';
import { toVec } from '@/core/model/points';
import type { Point } from '@/core/model/points';
import { roomIn, roomInWheel } from '@/core/upright/rim';

/** A corner in one position: where every joint is, [ahead, out, up] mm, the spindle's way, what it steers about. */
export interface Drawn {
  type: CornerType;
  at: Joints;
  spindle: Vec;
  axis: SteeringAxis | null;
  /** A drop arm's shaft, a piece of it, and its foot on it: from there the arm goes to the rod's inner joint. */
  dropArm: { shaft: readonly [Vec, Vec]; foot: Vec } | null;
  across: Across | null;
}

/** What of an axle whose wheels are coupled goes across to the other one, in this corner's own axes. */
export interface Across {
  /** The rod from this arm to the other. */
  rod: readonly [Vec, Vec];
  /** The beam from this spring's pad to the other, and the leaf from its fixed eye over the pad to the shackle. */
  beam: readonly [Vec, Vec] | null;
  leaf: Vec[] | null;
}

export function drawnAt(corner: DrawnCorner, upright: Float64Array): Drawn {
  const at = jointsAt(corner, upright);
  return {
    type: corner.type,
    at,
    spindle: spindleAt(upright),
    axis: steeringAxisAt(upright),
    dropArm: dropArmOf(corner),
    across: acrossOf(corner, at, upright),
  };
}

function acrossOf(corner: DrawnCorner, at: Joints, upright: Float64Array | null): Across | null {
  const { type, coupled } = corner;
  if (!type.coupled || !coupled) return null;
  const { crossRod, spring } = type.coupled;
  const other = (name: string): Vec => {
    const [ahead, out, up] = toVec(coupled.other[name]);
    return [ahead, -out, up];
  };
  const onBeam = (place: Vec): Vec => (upright ? onBeamAt(upright, place) : place);
  return {
    rod: [at[crossRod], upright ? otherArmAt(upright) : other(crossRod)],
    beam: spring ? [at[spring.pad], onBeam(other(spring.pad))] : null,
    leaf: spring
      ? [
          ...leafBetween(at[spring.pad], at[spring.eye]).reverse(),
          ...leafBetween(at[spring.pad], at[spring.shackle]).slice(1),
        ]
      : null,
  };
}

/** A leaf held at its pad and pushed at its end, as a beam so loaded lies: level at the pad. */
function leafBetween(pad: Vec, end: Vec): Vec[] {
  const [ahead, out, up] = sub(end, pad);
  return Array.from({ length: LEAF_PARTS + 1 }, (_, i): Vec => {
    const part = i / LEAF_PARTS;
    return add(pad, [part * ahead, part * out, (up * (3 * part ** 2 - part ** 3)) / 2]);
  });
}
const LEAF_PARTS = 12;

/** So much of a column is drawn above a drop arm, and below it, mm. */
const COLUMN = { above: 220, below: 25 };

function dropArmOf({ type, steering, points }: DrawnCorner): Drawn['dropArm'] {
  if (!type.tieRod || steering.by !== 'drop arm') return null;
  const { foot } = dropArmTo(steering, toVec(points[type.tieRod.inner]));
  const along = (by: number) => add(foot, scale(steering.about, by));
  return { foot, shaft: [along(-COLUMN.below), along(COLUMN.above)] };
}

/** The joints as typed, for layouts that cannot be solved. */
export function drawnAsTyped(corner: DrawnCorner): Drawn {
  const { type } = corner;
  const at = typedJoints(corner);
  const kingpin = kingpinOf(type);
  return {
    type,
    at,
    spindle: spindleOf(corner.static),
    axis: kingpin && { at: at[kingpin[0]], along: sub(at[kingpin[1]], at[kingpin[0]]) },
    dropArm: dropArmOf(corner),
    across: acrossOf(corner, at, null),
  };
}

/** Wheel frame: heading and the up direction within the wheel plane. */
function wheelFrame(spindle: Vec): { heading: Vec; up: Vec } {
  const heading = unit([spindle[1], -spindle[0], 0]);
  return { heading, up: cross(heading, spindle) };
}

/** The room within the rim, as the front and the upper view see it; mm inside its well. */
export function rimOutline(drawn: Drawn, rim: Rim, view: 'front' | 'above'): Vec[] {
  const { heading, up } = wheelFrame(drawn.spindle);
  const along = view === 'front' ? up : heading;
  const half = rim.width / 2;
  return [
    [1, 1],
    [1, -1],
    [-1, -1],
    [-1, 1],
  ].map(([a, b]) =>
    add(drawn.at.wheelCentre, add(scale(along, a * roomIn(rim)), scale(drawn.spindle, b * half))),
  );
}

/** Outlines of the tyre as each view sees it, and the rim's circle; contact is its lowest point. */
export function wheelOutlines(drawn: Drawn, tyre: AxleDesign['tyre']) {
  const { heading, up } = wheelFrame(drawn.spindle);
  const centre = drawn.at.wheelCentre;
  const box = (along: Vec): Vec[] =>
    [
      [1, 1],
      [1, -1],
      [-1, -1],
      [-1, 1],
    ].map(([a, b]) =>
      add(centre, add(scale(along, a * tyre.radius), scale(drawn.spindle, (b * tyre.width) / 2))),
    );
  const circle = (radius: number): Vec[] =>
    Array.from({ length: 48 }, (_, i) => {
      const angle = (i * Math.PI) / 24;
      return add(
        centre,
        add(scale(heading, radius * Math.cos(angle)), scale(up, radius * Math.sin(angle))),
      );
    });
  return {
    front: box(up),
    side: circle(tyre.radius),
    above: box(heading),
    rim: circle(roomInWheel({ tyre })),
    contact: add(centre, scale(up, -tyre.radius)),
  };
}

/**
 * What the wheel steers about, from 70 mm above its upper joint (200 above the wheel's centre where no joint is on
 * it) down to the ground at `up`; null where there is nothing.
 */
export function kingpinString({ type, at, axis }: Drawn, up: number): [Vec, Vec] | null {
  if (!axis) return null;
  const joints = kingpinOf(type);
  const top = joints ? at[joints[1]][2] + 70 : at.wheelCentre[2] + 200;
  const [upper, foot] = [axisAtHeight(axis, top), axisAtHeight(axis, up)];
  return upper && foot ? [upper, foot] : [axis.at, add(axis.at, axis.along)];
}

export type ViewName = 'front' | 'side' | 'above';

/** What may fill the floor, one after the other: all views, then each alone. */
export const FILLED: readonly (ViewName | null)[] = [null, 'front', 'side', 'above'];

/**
 * Places on the floor as one stands before it, mm right and mm down: from the front, from the
 * outside, and from above with the wheel's outside towards one's feet. The right side is the mirror
 * image of the left.
 */
export function onFloor(view: ViewName, mirror: 1 | -1, [ahead, out, up]: Vec): [number, number] {
  if (view === 'front') return [mirror * out, -up];
  return view === 'side' ? [-mirror * ahead, -up] : [-mirror * ahead, out];
}

export interface Box {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** The part of a view that shows the whole corner over its travel, mm. It does not move as the wheel does. */
export function viewBox(
  view: ViewName,
  mirror: 1 | -1,
  corner: DrawnCorner,
  tyre: AxleDesign['tyre'],
  travel: Travel,
): Box {
  const drawn = drawnAsTyped(corner);
  const outline = wheelOutlines(drawn, tyre);
  const moved = [...outline.front, ...outline.side, ...outline.above].flatMap((p): Vec[] => [
    add(p, [0, 0, travel.bump]),
    add(p, [0, 0, -travel.droop]),
  ]);
  const column = drawn.dropArm ? [...drawn.dropArm.shaft] : [];
  const all = [...Object.values(drawn.at), ...column, ...moved].map((p) =>
    onFloor(view, mirror, p),
  );
  const xs = all.map(([x]) => x);
  const ys = all.map(([, y]) => y);
  const margin = 25;
  return {
    left: Math.min(...xs) - margin,
    right: Math.max(...xs) + margin,
    top: Math.min(...ys) - margin,
    bottom: Math.max(...ys) + margin,
  };
}

/**
 * Where the spindle springs from: the foot of the perpendicular from the wheel centre on what it steers about, or
 * on the upright as it is drawn; null where an arm carries the wheel itself.
 */
export function spindleRoot({ type, at, axis }: Drawn): Vec | null {
  if (axis) return footOnLine(at.wheelCentre, axis.at, unit(axis.along));
  const post = type.members.find(({ role }) => role === 'upright');
  if (!post) return null;
  const [from, to] = [at[post.from], at[post.to]];
  return footOnLine(at.wheelCentre, from, unit(sub(to, from)));
}

/** What a movement on the floor, mm right and down, is in a corner's own axes. */
export function offFloor(
  view: ViewName,
  mirror: 1 | -1,
  [right, down]: [number, number],
): Partial<Point> {
  if (view === 'front') return { out: mirror * right, up: -down };
  return view === 'side'
    ? { ahead: -mirror * right, up: -down }
    : { ahead: -mirror * right, out: down };
}
