import { toDeg } from '../geometry/angle';
import { add, cross, distance, dot, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Wheel } from '../kinematics/wheel';
import { toVec } from '../model/points';
import type { PointName } from '../model/points';
import { keelOf } from './cope';
import { upSideOf } from './parts';
import type { ShopMember, ShopPart } from './parts';

/** The middle of a tube from joint to joint, mm: straight, or round one bend. */
export interface MiddleLine {
  /** Both joints, and the bend's corner between them where there is one. */
  corners: Vec[];
  /** The upper side it is told from, square to all of it. */
  up: Vec;
  /** How long it is, stretched. */
  length: number;
  bend: Bend | null;
}

/** A tube's bend, lengths along its middle, mm. */
export interface Bend {
  degrees: number;
  radius: number;
  /** From the first joint to where it begins; from where it ends to the second one. */
  before: number;
  after: number;
  /** What it takes of the tube. */
  arc: number;
  /** Its corner stands ahead of the straight line, or outboard of it. */
  toward: 'ahead' | 'behind' | 'outboard' | 'inboard';
}

/** Which way a tube is bent, unit vector square to it in its part's plane: ahead, or outboard of one that runs ahead. */
export function besideOf(along: Vec, up: Vec): { way: Vec; toward: 'ahead' | 'outboard' } {
  const way = unit(cross(keelOf(along, up), along));
  const toward = Math.abs(way[0]) >= Math.abs(way[1]) ? 'ahead' : 'outboard';
  return { toward, way: way[toward === 'ahead' ? 0 : 1] < 0 ? scale(way, -1) : way };
}

/** Where a member's tube goes between its joints. */
export function middleLine(wheel: Wheel, part: ShopPart, member: ShopMember): MiddleLine {
  const [from, to] = [member.from, member.to].map((name) => toVec(wheel.points[name]));
  const up = upSideOf(wheel, part);
  const whole = distance(from, to);
  const along = unit(sub(to, from));
  const { bend } = member.made;
  if (!bend || bend.beside === 0) return { corners: [from, to], up, length: whole, bend: null };
  const { way, toward } = besideOf(along, up);
  const corner = add(from, add(scale(along, bend.along), scale(way, bend.beside)));
  const legs = [distance(from, corner), distance(corner, to)];
  const turn = Math.acos(
    Math.max(-1, Math.min(1, dot(unit(sub(corner, from)), unit(sub(to, corner))))),
  );
  const tangent = bend.radius * Math.tan(turn / 2);
  const arc = bend.radius * turn;
  const [before, after] = legs.map((leg) => leg - tangent);
  return {
    ...{ corners: [from, corner, to], length: before + arc + after },
    // Square to both legs, so that a tube's upper side goes round the bend with it.
    up: keelOf(along, up),
    bend: {
      degrees: toDeg(turn),
      radius: bend.radius,
      before,
      after,
      arc,
      toward: bend.beside > 0 ? toward : BACK[toward],
    },
  };
}

const BACK = { ahead: 'behind', outboard: 'inboard' } as const;

/** The direction in which a tube leaves one of its joints, unit vector. */
export function leaves({ corners }: MiddleLine, member: ShopMember, joint: PointName): Vec {
  const [here, next] =
    member.from === joint ? [corners[0], corners[1]] : [corners.at(-1)!, corners.at(-2)!];
  return unit(sub(next, here));
}

/** Steps of a bend that is drawn. */
const STEPS = 16;

/** Places along a tube's middle, so far from either joint, its bend in small steps. */
export function middlePoints(
  { corners, bend }: MiddleLine,
  [first, last]: readonly [number, number],
): Vec[] {
  const [a, z] = [corners[0], corners.at(-1)!];
  const begin = unit(sub(corners[1], a));
  const end = unit(sub(corners.at(-2)!, z));
  const ends: [Vec, Vec] = [add(a, scale(begin, first)), add(z, scale(end, last))];
  if (!bend) return ends;
  const turn = (bend.degrees * Math.PI) / 180;
  // Along the first leg, and square to it toward the second.
  const ahead = scale(end, -1);
  const inward = unit(sub(ahead, scale(begin, dot(ahead, begin))));
  const starts = add(a, scale(begin, bend.before));
  return [
    ends[0],
    ...Array.from({ length: STEPS + 1 }, (_, i): Vec => {
      const t = (turn * i) / STEPS;
      return add(
        starts,
        add(
          scale(begin, bend.radius * Math.sin(t)),
          scale(inward, bend.radius * (1 - Math.cos(t))),
        ),
      );
    }),
    ends[1],
  ];
}
