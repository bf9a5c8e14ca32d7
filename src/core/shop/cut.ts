import { toDeg } from '../geometry/angle';
import { cross, dot, scale, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Wheel } from '../kinematics/wheel';
import type { EndMade, MemberBuild } from '../model/made';
import { toVec } from '../model/points';
import type { PointName } from '../model/points';
import { copeOf, keelOf } from './cope';
import type { Branch, Cope, Prism, Round } from './cope';
import { leaves, middleLine } from './middleLine';
import type { Bend, MiddleLine } from './middleLine';
import { axisAt } from './parts';
import type { ShopMember, ShopPart } from './parts';

/** One end of a tube or bar as it is cut. */
export interface EndCut {
  joint: PointName;
  made: EndMade;
  /** From the joint's centre to where the tube begins, at its longest, mm. */
  from: number;
  /** How far the housing's axis is from square to the tube, degrees; null without a housing. */
  lean: number | null;
  /** Where that axis lies round the tube from its upper side, degrees within ±90; null without a housing. */
  bearing: number | null;
  /** Its cope; null where it is cut square. */
  cope: Cope | null;
  /** It is coped to the part's other tube as well. */
  also: string | null;
  /** Where the template's reference mark goes, from the joint's centre, mm; null where it is cut square. */
  mark: number | null;
}

/** A tube or bar as it is cut, mm. */
export interface Cut {
  member: ShopMember;
  /** Longest point to longest point. */
  cut: number;
  ends: readonly [EndCut, EndCut];
  /** Between the reference marks of both templates; null where an end is cut square. */
  marks: number | null;
  /** Where it is bent; `before` and `after` from its cut ends. */
  bend: Bend | null;
  /** How far the second housing is turned round the tube from the first, degrees within ±90; null without two. */
  twist: number | null;
  /** Why it cannot be made so, in a builder's words. */
  faults: string[];
}

/** Beyond the deepest of a cope its reference mark lies so far, at least, mm. */
const TO_MARK = 8;

/** Every tube and bar of a part, cut. */
export const cutsOf = (wheel: Wheel, part: ShopPart): Cut[] =>
  part.members.map((_, i) => cutOf(wheel, part, i));

/** A tube or bar of a part, cut: joints' centres less what stands between them and its ends. */
export function cutOf(wheel: Wheel, part: ShopPart, index: number): Cut {
  const member = part.members[index];
  const { made, name } = member;
  const faults: string[] = [];
  const line = middleLine(wheel, part, member);
  const { length } = line;
  const end = (which: 'from' | 'to'): EndCut => endOf(wheel, part, index, which, line, faults);
  const ends = [end('from'), end('to')] as const;
  const cut = length - ends[0].from - ends[1].from;
  if (cut < SHORTEST)
    faults.push(
      `${name} would be ${cut.toFixed(1)} mm long; what is at its ends takes ${(length - cut).toFixed(0)} of ${length.toFixed(0)} mm`,
    );
  const bend = line.bend && {
    ...line.bend,
    before: line.bend.before - ends[0].from,
    after: line.bend.after - ends[1].from,
  };
  if (bend) faults.push(...bendFaults(member, bend));
  if (made.form === 'bar') {
    const depths = [made.from, made.to].map((one) => (one.as === 'rodEnd' ? one.depth : 0));
    if (depths[0] + depths[1] > cut)
      faults.push(
        `${name}: two holes of ${depths.join(' and ')} mm meet in a bar of ${cut.toFixed(0)} mm`,
      );
  }
  const [a, b] = ends;
  const bearings = [a.bearing, b.bearing];
  return {
    ...{ member, cut, ends, bend, faults },
    marks: a.mark === null || b.mark === null ? null : length - a.mark - b.mark,
    // Both are told from the tube's one upper side, and each as seen from its own end.
    twist: bearings[0] === null || bearings[1] === null ? null : half(bearings[0] + bearings[1]),
  };
}

/** What keeps a tube from being bent so. */
function bendFaults({ name, made }: ShopMember, { before, after, radius }: Bend): string[] {
  const faults: string[] = [];
  const straight = Math.min(before, after);
  if (straight < CLAMP * made.outside)
    faults.push(
      `${name}: ${Math.max(0, straight).toFixed(0)} mm of it are straight beside its bend, the bender’s clamp wants ${(CLAMP * made.outside).toFixed(0)}; a smaller radius, or its corner elsewhere`,
    );
  if (radius < LEAST_BEND * made.outside)
    faults.push(
      `${name}: bent round ${radius} mm it kinks; ${(LEAST_BEND * made.outside).toFixed(0)} mm at the least`,
    );
  const ends = [made.from, made.to];
  const [one, other] = ends.map((end) => (end.as === 'rodEnd' ? end.hand : null));
  if (one && other && one !== other)
    faults.push(
      `${name}: bent, its middle cannot be turned to set it; its ends are taken off and screwed one at a time`,
    );
  return faults;
}
/** A bender holds so much of a tube straight, in diameters (common practice, from memory). */
const CLAMP = 1;
/** Round less than this a thin tube kinks, middle of the tube, in diameters (common practice, from memory: 3 is easy, 2 needs a mandrel). */
const LEAST_BEND = 2;

/** Less than this is no tube to be held in a vice, mm (a guess). */
const SHORTEST = 20;

function endOf(
  wheel: Wheel,
  part: ShopPart,
  index: number,
  which: 'from' | 'to',
  line: MiddleLine,
  faults: string[],
): EndCut {
  const member = part.members[index];
  const { made: build } = member;
  const made = build[which];
  const joint = member[which];
  const square = (from: number): EndCut => ({
    ...{ joint, made, from, lean: null, bearing: null, cope: null, also: null, mark: null },
  });
  if (made.as === 'rodEnd') return square(made.body - made.engaged + made.bung);
  if (made.as === 'plate') return square(made.back + build.gap);
  const at = (point: PointName): Vec => toVec(wheel.points[point]);
  const along = leaves(line, member, joint);
  const axis = axisAt(wheel, member, joint);
  const label = wheel.type.points[joint].label;
  if (!axis) {
    faults.push(`${label} is a ball at the end of its rod: no housing can be coped there`);
    return square(made.outside / 2);
  }
  const branch: Branch = {
    at: at(joint),
    along,
    keel: keelOf(along, line.up),
    square: build.form === 'square',
    outside: build.outside,
    wall: build.form === 'bar' ? build.outside / 2 : build.wall,
  };
  const housing: Round = { at: branch.at, along: axis, radius: made.outside / 2 };
  const lean = toDeg(Math.asin(Math.min(1, Math.abs(dot(axis, along)))));
  // A plate's leg goes to its housing: its outline is cut, not its end.
  if (build.form === 'plate') return { ...square(made.outside / 2), lean };
  const other = earlierAt(wheel, part, index, joint, along, made.outside / 2);
  const cope = copeOf(branch, other ? [housing, other.body] : [housing]);
  if (!cope) {
    faults.push(
      `${member.name}, ${build.outside} mm across, does not end on ${made.outside} mm at the ${label}; a smaller tube or a larger housing`,
    );
    return { ...square(made.outside / 2), lean };
  }
  // Where the tube is wider than its housing is long, its skin hangs over.
  const wide = alongHousing(branch, axis) / Math.cos((lean * Math.PI) / 180);
  if (wide > made.length + 0.1)
    faults.push(
      `${member.name}: ${wide.toFixed(0)} mm of tube on ${made.length} mm of housing at the ${label}; it hangs over`,
    );
  const flat = sub(axis, scale(along, dot(axis, along)));
  const bearing = half(
    toDeg(Math.atan2(dot(flat, cross(along, branch.keel)), dot(flat, branch.keel))),
  );
  return {
    ...{ joint, made, lean, bearing, cope, also: other?.name ?? null },
    from: cope.least + build.gap,
    mark: Math.ceil(cope.most + build.gap + TO_MARK),
  };
}

/**
 * The tube of the same arm that is welded to a housing first, where it is in the way of one that comes second: on the
 * housing's skin both together take more than lies between them.
 */
function earlierAt(
  wheel: Wheel,
  part: ShopPart,
  index: number,
  joint: PointName,
  along: Vec,
  radius: number,
): { name: string; body: Round | Prism } | null {
  const { outside } = part.members[index].made;
  const at = (point: PointName): Vec => toVec(wheel.points[point]);
  for (const other of part.members.slice(0, index)) {
    if (other.to !== joint && other.from !== joint) continue;
    if (other.made.form === 'plate') continue;
    const line = middleLine(wheel, part, other);
    const way = leaves(line, other, joint);
    const between = Math.acos(Math.min(1, Math.max(-1, dot(way, along))));
    const taken = [outside, other.made.outside].reduce(
      (sum, across) => sum + Math.asin(Math.min(1, across / 2 / radius)),
      0,
    );
    // Tubes that come from either side do not reach each other round a housing.
    if (between < Math.PI / 2 && between < taken)
      return {
        name: other.name,
        body: bodyOf(other.made, at(joint), way, keelOf(way, line.up)),
      };
  }
  return null;
}

/** A tube as something that another one is coped to. */
function bodyOf({ form, outside }: MemberBuild, at: Vec, along: Vec, keel: Vec): Round | Prism {
  return form === 'square'
    ? { at, flats: [keel, cross(along, keel)], half: outside / 2 }
    : { at, along, radius: outside / 2 };
}

/** How much of a housing's length a tube's skin takes that stands square to it, mm. */
function alongHousing({ square, outside, keel, along }: Branch, axis: Vec): number {
  if (!square) return outside;
  const flat = sub(axis, scale(along, dot(axis, along)));
  const size = Math.hypot(...flat) || 1;
  return (outside * (Math.abs(dot(flat, keel)) + Math.abs(dot(flat, cross(along, keel))))) / size;
}

/** An angle of a line within ±90°. */
const half = (degrees: number): number => degrees - 180 * Math.round(degrees / 180);
