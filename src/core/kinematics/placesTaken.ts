import type { CornerType } from '../corners/cornerType';
import { pointNames } from '../corners/kinds';
import type { DrawnCorner, LayoutFault } from './corner';

/** Joints closer than this are one joint, mm. */
export const SAME_PLACE = 0.1;

/** Points of a corner that stand where another does, and may not. */
export function placesTaken({ type, points }: DrawnCorner): LayoutFault[] {
  const faults: LayoutFault[] = [];
  for (const [name, other] of pairsApart(type)) {
    const [a, b] = [points[name], points[other]];
    const square = (a.ahead - b.ahead) ** 2 + (a.out - b.out) ** 2 + (a.up - b.up) ** 2;
    if (square < SAME_PLACE ** 2)
      faults.push({
        point: name,
        message: `the ${type.points[name].label} and the ${type.points[other].label} are in one place`,
      });
  }
  return faults;
}

/**
 * Pairs of points that stand apart: all but ends of different links on one body, which may meet in one place
 * where a kind has links of their own.
 */
function pairsApart(type: CornerType): [string, string][] {
  let pairs = APART.get(type);
  if (!pairs) {
    const isLinkEnd = (name: string) =>
      type.members.some(({ from, to, role }) => role === 'link' && (from === name || to === name));
    const mayMeet = (a: string, b: string) =>
      type.points[a].on === type.points[b].on &&
      (isLinkEnd(a) || isLinkEnd(b)) &&
      a !== 'wheelCentre' &&
      b !== 'wheelCentre';
    const names = pointNames(type).filter((name) => !type.points[name].ofDamper);
    pairs = names.flatMap((name, index) =>
      names
        .slice(0, index)
        .flatMap((other): [string, string][] => (mayMeet(name, other) ? [] : [[name, other]])),
    );
    APART.set(type, pairs);
  }
  return pairs;
}
const APART = new WeakMap<CornerType, [string, string][]>();
