import { dot } from '../geometry/vec';
import type { Wheel } from '../kinematics/wheel';
import { toVec } from '../model/points';
import type { Spot } from '../sheets/drawing';
import { inPlane } from './jig';
import type { Plane } from './jig';
import type { Swept } from './neighbours';
import { contains, grown, isOuter, union, without } from './outlines';
import { axisAt } from './parts';
import type { ShopMember, ShopPart } from './parts';
import { disc } from './plates';

/** An arm that is cut from plate, in its own plane, mm. */
export interface PlateArm {
  edge: Spot[];
  windows: Spot[][];
  /** Holes for what stands upright in it. */
  holes: { at: Spot; across: number; joint: string }[];
  thick: number;
  faults: string[];
}

/** Plate round a housing that is welded into it, mm (a guess). */
const ROUND_IT = 10;
/** A place that is narrower than this part of a leg is told. */
const NARROW = 0.6;

/**
 * The plate of an arm: a leg from joint to joint as wide as is said, round every housing, less the housings that lie flat in
 * its edge and what neighbours sweep with their room round it.
 * @param roomOf kept from what a neighbour sweeps, mm
 * @returns null where none of it is plate
 */
export function plateArmOf(
  wheel: Wheel,
  part: ShopPart,
  plane: Plane,
  swept: readonly Swept[],
  roomOf: (name: string) => number,
): PlateArm | null {
  const legs = part.members.filter(({ made }) => made.form === 'plate');
  if (legs.length === 0) return null;
  const spot = (joint: string): Spot => {
    const [x, y] = inPlane(plane, toVec(wheel.points[joint]));
    return [x, y];
  };
  const bodies: (readonly Spot[])[] = [];
  const gone: (readonly Spot[])[] = [];
  const holes = new Map<string, PlateArm['holes'][number]>();
  for (const member of legs) {
    const { made, from, to } = member;
    bodies.push(legOf(spot(from), spot(to), made.outside));
    for (const [joint, end] of [
      [from, made.from],
      [to, made.to],
    ] as const) {
      const at = spot(joint);
      if (end.as === 'plate')
        gone.push(endOff(at, spot(joint === from ? to : from), made, end.back));
      if (end.as !== 'housing') continue;
      const axis = axisAt(wheel, member, joint);
      // A pivot lies flat in the edge: the plate ends on its skin. What stands in the plate has a ring of it all round.
      if (axis !== null && Math.abs(dot(axis, plane.up)) < Math.SQRT1_2)
        gone.push(fromSkin(at, axis, plane, spot(joint === from ? to : from), end, made.outside));
      else {
        bodies.push(disc(at, end.outside / 2 + ROUND_IT));
        holes.set(joint, { at, across: end.outside, joint });
      }
    }
  }
  const kept = swept.flatMap(({ name: of, outlines }) => grown(outlines, roomOf(of)));
  const whole = without(union(bodies), [...gone, ...kept]);
  const outers = whole.filter(isOuter);
  const joints = [...new Set(legs.flatMap(({ from, to }) => [from, to]))];
  const faults: string[] = [];
  const name = part.name;
  // Where a joint's own place is taken out, the plate beside it counts.
  const near = (outline: readonly Spot[], joint: string): boolean => {
    const reach = disc(spot(joint), reachOf(legs, joint));
    return reach.some((p) => contains(outline, p));
  };
  const main = outers.find((one) => joints.every((joint) => near(one, joint)));
  if (!main) {
    faults.push(`${name}: what its neighbours sweep cuts its plate apart; bend a tube round them`);
  } else {
    const least = NARROW * Math.min(...legs.map(({ made }) => made.outside));
    // What is left where all that is narrower is taken off, and the rest is made as wide again.
    const still = grown(grown(whole, -least / 2), least / 2)
      .filter(isOuter)
      .some((one) => joints.every((joint) => near(one, joint)));
    if (!still)
      faults.push(
        `${name}: its plate is narrower than ${least.toFixed(0)} mm somewhere beside its neighbours; a wider leg on the other side, or a bent tube`,
      );
  }
  return {
    edge: main ?? outers[0] ?? [],
    windows: whole.filter((one) => !isOuter(one)),
    holes: [...holes.values()],
    thick: Math.max(...legs.map(({ made }) => made.wall)),
    faults,
  };
}

/** How far about a joint its plate is looked for, mm. */
const reachOf = (legs: readonly ShopMember[], joint: string): number =>
  Math.max(
    ...legs.flatMap(({ from, to, made }) =>
      [
        [from, made.from],
        [to, made.to],
      ].flatMap(([name, end]) => {
        if (name !== joint || typeof end === 'string') return [];
        if (end.as === 'housing') return [Math.hypot(end.outside, end.length) / 2 + 1];
        return end.as === 'plate' ? [end.back + 1] : [1];
      }),
    ),
  );

/** A leg: as wide as is said, its ends round. */
function legOf(a: Spot, b: Spot, wide: number): Spot[] {
  const long = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
  const [nx, ny] = [(-(b[1] - a[1]) / long) * (wide / 2), ((b[0] - a[0]) / long) * (wide / 2)];
  return union([
    [
      [a[0] + nx, a[1] + ny],
      [a[0] - nx, a[1] - ny],
      [b[0] - nx, b[1] - ny],
      [b[0] + nx, b[1] + ny],
    ],
    disc(a, wide / 2),
    disc(b, wide / 2),
  ])[0];
}

/** What of a leg is cut square, so far short of its joint. */
function endOff(at: Spot, other: Spot, { outside }: ShopMember['made'], back: number): Spot[] {
  const long = Math.hypot(other[0] - at[0], other[1] - at[1]) || 1;
  const [ux, uy] = [(other[0] - at[0]) / long, (other[1] - at[1]) / long];
  const place = (s: number, t: number): Spot => [at[0] + ux * s - uy * t, at[1] + uy * s + ux * t];
  const far = outside + back;
  return [place(back, far), place(-far, far), place(-far, -far), place(back, -far)];
}

/** What of a leg is on the far side of a housing's skin that lies flat in its edge. */
function fromSkin(
  at: Spot,
  axis: readonly [number, number, number],
  { x, y }: Plane,
  other: Spot,
  { outside, length }: { outside: number; length: number },
  wide: number,
): Spot[] {
  const [a, b] = [dot(axis, x), dot(axis, y)];
  const size = Math.hypot(a, b) || 1;
  const [ux, uy] = [a / size, b / size];
  // Square to the pivots, toward the leg.
  const side = Math.sign((other[1] - at[1]) * ux - (other[0] - at[0]) * uy) || 1;
  const place = (s: number, t: number): Spot => [
    at[0] + ux * s - uy * side * t,
    at[1] + uy * s + ux * side * t,
  ];
  const [half, far] = [Math.max(length / 2, wide), outside / 2 + wide];
  const skin = outside / 2;
  return [place(half, skin), place(-half, skin), place(-half, -far), place(half, -far)];
}
