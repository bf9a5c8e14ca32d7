import { add, cross, scale, unit } from '@/core/geometry/vec';
import type { Vec } from '@/core/geometry/vec';
import { jointsAt, spindleAt, typedJoints } from '@/core/kinematics/joints';
import type { Joints } from '@/core/kinematics/joints';
import { spindleOf } from '@/core/kinematics/spindle';
import type { AxleDesign, Rim, Travel } from '@/core/model/build';
import type { Point, PointName, Points } from '@/core/model/points';
import { roomIn, roomInWheel } from '@/core/upright/rim';

/** Where every joint of a corner is in one position, [ahead, out, up] mm, and the spindle's way. */
export interface Drawn {
  at: Joints;
  spindle: Vec;
}

/** Tube and rod diameters as drawn, mm. */
export const MEMBERS: { from: PointName; to: PointName; diameter: number; kind: MemberKind }[] = [
  { from: 'lowerFrontInner', to: 'lowerOuter', diameter: 25, kind: 'arm' },
  { from: 'lowerRearInner', to: 'lowerOuter', diameter: 25, kind: 'arm' },
  { from: 'upperFrontInner', to: 'upperOuter', diameter: 22, kind: 'arm' },
  { from: 'upperRearInner', to: 'upperOuter', diameter: 22, kind: 'arm' },
  { from: 'lowerOuter', to: 'upperOuter', diameter: 34, kind: 'upright' },
  { from: 'lowerOuter', to: 'tieRodOuter', diameter: 20, kind: 'upright' },
  { from: 'tieRodInner', to: 'tieRodOuter', diameter: 16, kind: 'rod' },
];
export type MemberKind = 'arm' | 'upright' | 'rod';

export const drawnAt = (points: Points, upright: Float64Array): Drawn => ({
  at: jointsAt(points, upright),
  spindle: spindleAt(upright),
});

/** The joints as typed, for layouts that cannot be solved. */
export const drawnAsTyped = (points: Points, alignment: AxleDesign['static']): Drawn => ({
  at: typedJoints(points),
  spindle: spindleOf(alignment),
});

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

/** The kingpin axis from 70 mm above the upper joint down to the ground at `up`. */
export function kingpinString(drawn: Drawn, up: number): [Vec, Vec] {
  const { lowerOuter, upperOuter } = drawn.at;
  const k: Vec = [
    upperOuter[0] - lowerOuter[0],
    upperOuter[1] - lowerOuter[1],
    upperOuter[2] - lowerOuter[2],
  ];
  if (Math.abs(k[2]) < 1) return [lowerOuter, upperOuter];
  const along = (height: number) => add(lowerOuter, scale(k, (height - lowerOuter[2]) / k[2]));
  return [along(upperOuter[2] + 70), along(up)];
}

export type ViewName = 'front' | 'side' | 'above';

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
  design: Pick<AxleDesign, 'static' | 'tyre'>,
  points: Points,
  travel: Travel,
): Box {
  const drawn = drawnAsTyped(points, design.static);
  const outline = wheelOutlines(drawn, design.tyre);
  const moved = [...outline.front, ...outline.side, ...outline.above].flatMap((p): Vec[] => [
    add(p, [0, 0, travel.bump]),
    add(p, [0, 0, -travel.droop]),
  ]);
  const all = [...Object.values(drawn.at), ...moved].map((p) => onFloor(view, mirror, p));
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

/** Foot of the perpendicular from the wheel centre on the kingpin line: where the spindle springs from. */
export function nearestOnKingpin({ at }: Drawn): Vec {
  const [l, u, w] = [at.lowerOuter, at.upperOuter, at.wheelCentre];
  const k = [u[0] - l[0], u[1] - l[1], u[2] - l[2]];
  const kk = k[0] ** 2 + k[1] ** 2 + k[2] ** 2 || 1;
  const t = ((w[0] - l[0]) * k[0] + (w[1] - l[1]) * k[1] + (w[2] - l[2]) * k[2]) / kk;
  return [l[0] + t * k[0], l[1] + t * k[1], l[2] + t * k[2]];
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
