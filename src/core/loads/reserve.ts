import type { JointMade, MemberMade } from '../model/loads';
import { MODULUS } from '../model/loads';
import { GRADES } from '../model/rod';
import { bucklingOf } from '../strength/rodStrength';

/** What a part stands at the most, by an estimate, N or N·mm, and what decides it, in words. */
export interface Stands {
  most: number;
  by: string;
}

/** A round bar or tube: area, mm²; second moment, mm⁴. */
function sectionOf({ outside, wall }: Pick<MemberMade, 'outside' | 'wall'>) {
  const inside = wall === 0 ? 0 : outside - 2 * wall;
  return {
    area: (Math.PI * (outside ** 2 - inside ** 2)) / 4,
    second: (Math.PI * (outside ** 4 - inside ** 4)) / 64,
  };
}

/**
 * What a straight member stands along itself: its yield in tension; in compression what buckles it, both ends free to
 * turn (`bucklingOf`).
 * @param length between its joints, mm
 */
export function standsAlong(made: MemberMade, length: number, tension: boolean): Stands {
  const { area, second } = sectionOf(made);
  if (tension) return { most: area * made.yield, by: 'yield' };
  const { buckling, rule } = bucklingOf(area, second, length, made.yield, MODULUS[made.material]);
  return { most: buckling, by: `buckling (${rule})` };
}

/** Moment at which a round bar's or tube's outside yields, N·mm: σ I / (D / 2). */
export function standsBent(made: MemberMade): Stands {
  const { second } = sectionOf(made);
  return { most: (made.yield * second) / (made.outside / 2), by: 'yield in bending' };
}

/** A joint's body from its middle to its face, mm: where the spacer takes over. */
const HALF_BODY = 6;
/** Yield in shear is this part of yield in tension (von Mises; Shigley, from memory). */
const SHEAR_PART = 0.577;

/** What a joint stands, the least of what is known of it; null where nobody said anything. */
export function jointStands({ rated, bolt, gives }: JointMade): Stands | null {
  const known: Stands[] = [];
  if (rated !== undefined) known.push({ most: rated, by: 'its rated load' });
  if (gives !== undefined) known.push({ most: gives, by: 'the bracket gives' });
  if (bolt) {
    const { diameter, planes, spacer, grade } = bolt;
    const area = (Math.PI * diameter ** 2) / 4;
    known.push({
      most: planes * area * SHEAR_PART * GRADES[grade],
      by: planes === 1 ? 'bolt in single shear' : 'bolt in double shear',
    });
    // Held at one end, the force at the joint's middle: bending of a round bar.
    if (planes === 1)
      known.push({
        most: (GRADES[grade] * Math.PI * diameter ** 3) / (32 * (spacer + HALF_BODY)),
        by: 'bolt bent in single shear',
      });
  }
  return known.length === 0 ? null : known.reduce((a, b) => (b.most < a.most ? b : a));
}

/**
 * The thinnest wall, mm, in steps of half a millimetre, at which a tube of an outside stands a moment with a reserve;
 * null where even a solid bar does not.
 */
export function wallFor(
  moment: number,
  reserve: number,
  { outside, yield: yields }: Pick<MemberMade, 'outside' | 'yield'>,
): number | null {
  for (let wall = 0.5; 2 * wall < outside; wall += 0.5)
    if (standsBent({ outside, wall, yield: yields, material: 'steel' }).most >= reserve * moment)
      return wall;
  return standsBent({ outside, wall: 0, yield: yields, material: 'steel' }).most >= reserve * moment
    ? outside / 2
    : null;
}
