import type { Body, Member } from '../corners/cornerType';
import { boltOf, jointTypeOf } from '../clearance/articulation';
import { cross, distance, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Wheel } from '../kinematics/wheel';
import { memberId, startingBuild } from '../model/made';
import type { MemberBuild } from '../model/made';
import { rodWord } from '../model/labels';
import { toVec } from '../model/points';
import type { PointName } from '../model/points';

/** A tube, link or rod of a part: where it goes and what it is made of. */
export interface ShopMember {
  id: string;
  name: string;
  from: PointName;
  to: PointName;
  role: Member['role'];
  /** Joint to joint, mm. */
  centres: number;
  made: MemberBuild;
  /** Nobody has said what it is made of. */
  assumed: boolean;
}

/** Something that is made as one: an arm of one or two tubes, a link, a rod. */
export interface ShopPart {
  id: string;
  name: string;
  as: 'arm' | 'link';
  members: ShopMember[];
  /** Its joints, each once; the line it swings about first where it has one. */
  joints: PointName[];
  /** What of the corner it is, where other points ride on it. */
  body: Body | null;
}

/** What of a corner's members is cut, tapped and welded: not the upright, the damper or its rocker. */
const MADE: readonly Member['role'][] = ['arm', 'link', 'rod'];

/** Every part that is made between a wheel's joints, by its kind's table: arms first. */
export function shopParts(wheel: Wheel): ShopPart[] {
  const { type, design } = wheel;
  const at = (name: PointName): Vec => toVec(wheel.points[name]);
  const made = (member: Member): ShopMember => {
    const id = memberId(member);
    const own = design.made?.[id];
    const strong = design.strength?.members[id];
    const { from, to, role } = member;
    return {
      ...{ id, from, to, role, name: isRod(type, member) ? rodWord(design) : member.name! },
      centres: distance(at(from), at(to)),
      made: own ?? startingBuild(member, strong && strong.wall > 0 ? strong : undefined),
      assumed: !own,
    };
  };
  const members = type.members.filter(
    ({ role, name, from, to }) =>
      MADE.includes(role) && name !== undefined && !isBeam(type, from, to),
  );
  const arms = type.pivots.flatMap(({ arm, through, body }): ShopPart[] => {
    const own = members.filter(({ role, from }) => role === 'arm' && through.includes(from));
    if (own.length === 0) return [];
    const joints = [...new Set([...through, ...own.map(({ to }) => to)])];
    return [{ id: arm, name: arm, as: 'arm', members: own.map(made), joints, body: body ?? null }];
  });
  const taken = new Set(arms.flatMap((part) => part.members.map(({ id }) => id)));
  const links = members
    .filter((member) => !taken.has(memberId(member)))
    .map((member): ShopPart => {
      const one = made(member);
      return {
        ...{ id: one.id, name: one.name, as: 'link', members: [one], body: null },
        joints: [one.from, one.to],
      };
    });
  return [...arms, ...links];
}

/** The rod that sets toe is called for what it does. */
const isRod = ({ tieRod }: Wheel['type'], { from, to }: Member): boolean =>
  tieRod !== null && [from, to].includes(tieRod.inner) && [from, to].includes(tieRod.outer);

/** A rigid axle on its springs is not a tube between two joints. */
const isBeam = ({ coupled }: Wheel['type'], from: PointName, to: PointName): boolean =>
  coupled?.spring !== undefined && [from, to].includes(coupled.spring.pad);

/**
 * The line that a joint's housing lies along as drawn, unit vector: the pivots' of an arm, a ball joint's stud, a rod end's
 * bolt.
 * @returns null for a ball at the end of its own rod, which has no such line
 */
export function axisAt(
  wheel: Wheel,
  member: Pick<ShopMember, 'from' | 'to'>,
  name: PointName,
): Vec | null {
  const { type, design } = wheel;
  const at = (point: PointName): Vec => toVec(wheel.points[point]);
  const pivots = type.pivots.find(({ through }) => through.includes(name));
  if (pivots) return unit(sub(at(pivots.through[0]), at(pivots.through[1])));
  const joint = type.joints.find((one) => one.at === name);
  if (joint && 'stud' in joint) return unit(sub(at(joint.stud[1]), at(joint.stud[0])));
  if (jointTypeOf(wheel, name) === 'ball') return null;
  const other = member.from === name ? member.to : member.from;
  return boltOf(type, name, unit(sub(at(other), at(name))), design.bolts);
}

/** The way a part's upper side looks: square to an arm's plane, as near up as that leaves it; up for a link. */
export function upSideOf(wheel: Wheel, { joints }: ShopPart): Vec {
  if (joints.length < 3) return [0, 0, 1];
  const [a, b, c] = joints.map((name) => toVec(wheel.points[name]));
  const square = cross(sub(b, a), sub(c, a));
  if (Math.hypot(...square) < 1e-6) return [0, 0, 1];
  const n = unit(square);
  return n[2] < 0 ? scale(n, -1) : n;
}
