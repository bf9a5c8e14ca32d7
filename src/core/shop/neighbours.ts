import { polygonHull } from 'd3-polygon';
import { positionsByRack } from '../clearance/positions';
import { add, cross, dot, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { U, UPRIGHT_SIZE } from '../kinematics/corner';
import { spindleAt } from '../kinematics/frames';
import { allBodiesPoser, bodyIn } from '../kinematics/hung';
import { placer } from '../kinematics/joints';
import type { Wheel } from '../kinematics/wheel';
import type { AxleDesign } from '../model/build';
import { memberId } from '../model/made';
import type { MemberBuild } from '../model/made';
import type { Spot } from '../sheets/drawing';
import { keelOf } from './cope';
import { inPlane } from './jig';
import type { Plane } from './jig';
import { union } from './outlines';
import type { ShopPart } from './parts';

/** What a neighbour takes of a part's own plane over travel and lock, seen from the part: closed outlines. */
export interface Swept {
  name: string;
  outlines: Spot[][];
}

const ROUND = 24;

/**
 * What moves through a part's plane while the wheel travels and steers, as the part itself sees it: every other arm, rod
 * and strut, and the tyre, where they come within the part's own thickness of its plane. Positions as clearances look
 * at; between two of them a neighbour is taken as going straight.
 * @param half half of what the part is thick, mm
 * @returns none for a part that is no body of its own, or where nothing can be solved
 */
export function sweptBy(wheel: Wheel, part: ShopPart, plane: Plane, half: number): Swept[] {
  const { corner } = wheel;
  if (!corner || part.body === null) return [];
  const { type, design } = wheel;
  const own = new Set(part.joints);
  const rods = type.members.filter(
    ({ role, from, to }) => role !== 'upright' && !own.has(from) && !own.has(to),
  );
  const jointsAt = placer(corner.drawn);
  const bodiesAt = allBodiesPoser(corner.drawn);
  const upright = new Float64Array(UPRIGHT_SIZE);
  const pieces = new Map<string, Spot[][]>();
  let before = new Map<string, Spot[]>();
  let rackBefore = NaN;
  for (const { travel, rack } of positionsByRack(wheel.travel, wheel.steerRange)) {
    if (rack !== rackBefore) before = new Map();
    rackBefore = rack;
    if (!corner.corner.pose(travel, corner.rackSign * rack, upright)) {
      before = new Map();
      continue;
    }
    const joints = jointsAt(upright);
    const place = bodyIn(bodiesAt(upright), part.body).place;
    const [origin, ...ends] = [
      place([0, 0, 0]),
      ...(
        [
          [1, 0, 0],
          [0, 1, 0],
          [0, 0, 1],
        ] as const
      ).map((axis) => place(axis)),
    ];
    const axes = ends.map((end) => sub(end, origin));
    // Back from where the part stands to where it was drawn.
    const seen = (p: Vec): Vec => {
      const d = sub(p, origin);
      return inPlane(plane, axes.map((axis) => dot(d, axis)) as unknown as Vec);
    };
    const now = new Map<string, Spot[]>();
    for (const member of rods) {
      const across = girthOf(design.made?.[memberId(member)]) ?? member.diameter;
      const [a, b] = [joints[member.from], joints[member.to]];
      if (!a || !b) continue;
      const spots = slab(rodSkin(seen(a), seen(b), across / 2), half);
      if (spots.length > 2) now.set(member.name ?? memberId(member), spots);
    }
    const centre = [0, 1, 2].map((k) => upright[U.wheelCentre + k]) as unknown as Vec;
    tyreSectors(centre, spindleAt(upright), design).forEach((edges, i) => {
      const spots = slab(
        edges.map(([p, q]) => [seen(p), seen(q)]),
        half,
      );
      if (spots.length > 2) now.set(`tyre ${i}`, spots);
    });
    for (const [name, spots] of now) {
      const hull = hullOf([...spots, ...(before.get(name) ?? [])]);
      if (hull) pieces.set(name, [...(pieces.get(name) ?? []), hull]);
    }
    before = now;
  }
  const names = [...new Set([...pieces.keys()].map(plain))];
  return names.map((name) => ({
    name,
    outlines: joined([...pieces].flatMap(([key, all]) => (plain(key) === name ? all : []))),
  }));
}

/** Across the round that a member goes into, mm: over a square one's corners. */
const girthOf = (made: MemberBuild | undefined): number | undefined =>
  made && made.outside * (made.form === 'square' ? Math.SQRT2 : 1);

/** A sector of the tyre is the tyre. */
const plain = (key: string): string => key.replace(/^tyre \d+$/u, 'tyre');

type Line = readonly [Vec, Vec];

/** Lines along a rod's skin, and its round ends from pole to pole. */
function rodSkin(a: Vec, b: Vec, radius: number): Line[] {
  const along = unit(sub(b, a));
  const u = keelOf(along, [0, 0, 1]);
  const v = cross(along, u);
  return Array.from({ length: ROUND }, (_, i): Line => {
    const turn = (2 * Math.PI * i) / ROUND;
    const off = add(scale(u, radius * Math.cos(turn)), scale(v, radius * Math.sin(turn)));
    return [add(a, off), add(b, off)];
  });
}

/** A tyre in sectors, each by its edges: what is inside its rim is free. */
function tyreSectors(
  centre: Vec,
  spindle: Vec,
  { tyre: { radius, width }, rim }: Pick<AxleDesign, 'tyre' | 'rim'>,
): Line[][] {
  const u = keelOf(spindle, [0, 0, 1]);
  const v = cross(spindle, u);
  const inner = rim ? Math.min(rim.diameter / 2, radius * 0.95) : radius * RIM;
  const at = (turn: number, r: number, side: number): Vec => {
    const off = add(scale(u, r * Math.cos(turn)), scale(v, r * Math.sin(turn)));
    return add(add(centre, off), scale(spindle, (side * width) / 2));
  };
  return Array.from({ length: ROUND }, (_, i): Line[] => {
    const turns = [i, i + 1].map((k) => (2 * Math.PI * k) / ROUND);
    const corners = turns.flatMap((turn) =>
      // Chords: the outer edge a little further out, so that nothing of the round is left over.
      [inner, radius / Math.cos(Math.PI / ROUND)].flatMap((r) =>
        [-1, 1].map((side) => at(turn, r, side)),
      ),
    );
    // Corners that differ in one of three ways are joined.
    return corners.flatMap((p, a) =>
      [1, 2, 4].flatMap((bit): Line[] => (a & bit ? [] : [[p, corners[a | bit]]])),
    );
  });
}
/** Where no rim is known, its radius as a part of the tyre's (a guess). */
const RIM = 0.62;

/** Where lines go through the part's own thickness, flat on its plane. */
const slab = (lines: readonly Line[], half: number): Spot[] =>
  lines.flatMap(([p, q]): Spot[] => {
    const rise = q[2] - p[2];
    let [from, to] = [0, 1];
    if (Math.abs(rise) < 1e-9) {
      if (Math.abs(p[2]) > half) return [];
    } else {
      const cuts = [(-half - p[2]) / rise, (half - p[2]) / rise].sort((a, b) => a - b);
      [from, to] = [Math.max(0, cuts[0]), Math.min(1, cuts[1])];
      if (from > to) return [];
    }
    return [from, to].map((t): Spot => [p[0] + t * (q[0] - p[0]), p[1] + t * (q[1] - p[1])]);
  });

const hullOf = (spots: readonly Spot[]): Spot[] | null =>
  polygonHull(spots.map(([x, y]): [number, number] => [x, y]));

/** Outlines that overlap as one: halves first, for of many at once every one crosses every other. */
function joined(all: readonly Spot[][]): Spot[][] {
  if (all.length <= AT_ONCE) return union(all);
  const middle = all.length >> 1;
  return union([...joined(all.slice(0, middle)), ...joined(all.slice(middle))]);
}
const AT_ONCE = 6;
