import { toDeg } from '../geometry/angle';
import { cross, dot, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Wheel } from '../kinematics/wheel';
import type { EndMade } from '../model/made';
import { toVec } from '../model/points';
import type { PointName } from '../model/points';
import { copeOf, keelOf } from './cope';
import type { Branch, Cope, Round } from './cope';
import { axisAt, upSideOf } from './parts';
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
  const { made, centres, name } = member;
  const faults: string[] = [];
  const up = upSideOf(wheel, part);
  const end = (which: 'from' | 'to'): EndCut => endOf(wheel, part, index, which, up, faults);
  const ends = [end('from'), end('to')] as const;
  const cut = centres - ends[0].from - ends[1].from;
  if (cut < SHORTEST)
    faults.push(
      `${name} would be ${cut.toFixed(1)} mm long; what is at its ends takes ${(centres - cut).toFixed(0)} of ${centres.toFixed(0)} mm`,
    );
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
    ...{ member, cut, ends, faults },
    marks: a.mark === null || b.mark === null ? null : centres - a.mark - b.mark,
    // Both are told from the tube's one upper side, and each as seen from its own end.
    twist: bearings[0] === null || bearings[1] === null ? null : half(bearings[0] + bearings[1]),
  };
}
/** Less than this is no tube to be held in a vice, mm (a guess). */
const SHORTEST = 20;

function endOf(
  wheel: Wheel,
  part: ShopPart,
  index: number,
  which: 'from' | 'to',
  up: Vec,
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
  const along = unit(sub(at(which === 'from' ? member.to : member.from), at(joint)));
  const axis = axisAt(wheel, member, joint);
  const label = wheel.type.points[joint].label;
  if (!axis) {
    faults.push(`${label} is a ball at the end of its rod: no housing can be coped there`);
    return square(made.outside / 2);
  }
  const branch: Branch = {
    at: at(joint),
    along,
    keel: keelOf(along, up),
    outside: build.outside,
    wall: build.form === 'bar' ? build.outside / 2 : build.wall,
  };
  const housing: Round = { at: branch.at, along: axis, radius: made.outside / 2 };
  const other = earlierAt(wheel, part, index, joint, along, made.outside / 2);
  const cope = copeOf(branch, other ? [housing, other.round] : [housing]);
  const lean = toDeg(Math.asin(Math.min(1, Math.abs(dot(axis, along)))));
  if (!cope) {
    faults.push(
      `${member.name}, ${build.outside} mm across, does not end on ${made.outside} mm at the ${label}; a smaller tube or a larger housing`,
    );
    return { ...square(made.outside / 2), lean };
  }
  // Where the tube is wider than its housing is long, its skin hangs over.
  const wide = build.outside / Math.cos((lean * Math.PI) / 180);
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
): { name: string; round: Round } | null {
  const { outside } = part.members[index].made;
  const at = (point: PointName): Vec => toVec(wheel.points[point]);
  for (const other of part.members.slice(0, index)) {
    if (other.to !== joint && other.from !== joint) continue;
    const way = unit(sub(at(other.to === joint ? other.from : other.to), at(joint)));
    const between = Math.acos(Math.min(1, Math.max(-1, dot(way, along))));
    const taken = [outside, other.made.outside].reduce(
      (sum, across) => sum + Math.asin(Math.min(1, across / 2 / radius)),
      0,
    );
    // Tubes that come from either side do not reach each other round a housing.
    if (between < Math.PI / 2 && between < taken)
      return {
        name: other.name,
        round: { at: at(joint), along: way, radius: other.made.outside / 2 },
      };
  }
  return null;
}

/** An angle of a line within ±90°. */
const half = (degrees: number): number => degrees - 180 * Math.round(degrees / 180);
