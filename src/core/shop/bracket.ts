import { polygonHull } from 'd3-polygon';
import { cross, dot, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { placesOf } from '../freedoms/freedoms';
import type { Wheel } from '../kinematics/wheel';
import type { Held } from '../model/made';
import { COORDINATES, toVec } from '../model/points';
import type { PointName } from '../model/points';
import { offsetEffect } from '../tolerance/adjusters';
import type { Effect } from '../tolerance/adjusters';
import type { Drawing, Spot } from '../sheets/drawing';
import { axisAt } from './parts';
import type { ShopMember } from './parts';
import { bendAllowance, disc, platesDrawing } from './plates';

/** A bracket that holds a joint's bolt, as a plate that is cut: lengths mm from the middle of its foot. */
export interface Bracket {
  joint: PointName;
  held: Held;
  /** Every hole that the layout has for the joint, the drawn one first; `at` along the foot and up from it. */
  holes: { at: Spot; drawn: boolean }[];
  /** One ear's edge, its foot at 0. */
  ear: Spot[];
  /** Both ears as one plate before it is folded, and where it is folded; null where they are apart. */
  flat: { edge: Spot[]; holes: Spot[]; bends: number[]; allowance: number; length: number } | null;
  /** How many of it for one side. */
  count: number;
  /** Washers moved from one side of the joint to the other: so far it goes each way along its bolt, and what that does. */
  correction: { each: number; effect: Effect | null } | null;
  faults: string[];
}

/** From a hole's middle to the edge, in bolts (common practice, from memory: 1.5 at the least, 2 is better). */
const EDGE = 1.75;
/** Between two holes' middles at the least, in bolts, one of them used at a time (common practice, from memory). */
const APART = 1.5;
/** A place that is further along the bolt than this part of its way is no hole of the ear. */
const ALONG_BOLT = 0.5;
/** Holes are told as in the ear's plane up to so many mm. */
const IN_PLANE = 1;
/** Of a plate to be folded its inner radius at the least, in thicknesses (common practice for mild steel). */
const LEAST_RADIUS = 1;

/** How wide the body on the bolt is, along it. */
const widthOf = (member: ShopMember, name: PointName): number => {
  const end = member.from === name ? member.made.from : member.made.to;
  return end.as === 'rodEnd' ? end.ball : end.as === 'housing' ? end.length : 0;
};

/** The bracket of a member's end on the chassis or the upright; null where nobody said what it is like. */
export function bracketOf(wheel: Wheel, member: ShopMember, name: PointName): Bracket | null {
  const end = member.from === name ? member.made.from : member.made.to;
  const held = end.as === 'plate' ? undefined : end.held;
  const axis = axisAt(wheel, member, name);
  if (!held?.bracket || !axis) return null;
  const { bolt, ear: thick, ears, inside, bracket } = held;
  const at = (point: PointName): Vec => toVec(wheel.points[point]);
  const here = at(name);
  const along = sub(at(member.from === name ? member.to : member.from), here);
  const up = unit(sub(along, scale(axis, dot(along, axis))));
  const side = cross(axis, up);
  const faults: string[] = [];
  let askew = 0;
  const holes = placesAround(wheel, name).flatMap((place): Bracket['holes'] => {
    const off = sub(place, here);
    // Along the bolt there are washers, not holes.
    if (Math.abs(dot(off, axis)) > ALONG_BOLT * Math.hypot(...off)) return [];
    askew = Math.max(askew, Math.abs(dot(off, axis)));
    const drawn = Math.hypot(...off) < 1e-6;
    return [{ at: [dot(off, side), bracket.reach + dot(off, up)], drawn }];
  });
  holes.sort((a, b) => Number(b.drawn) - Number(a.drawn));
  const label = wheel.type.points[name].label;
  let nearest = Infinity;
  for (const [i, a] of holes.entries())
    for (const b of holes.slice(i + 1))
      nearest = Math.min(nearest, Math.hypot(a.at[0] - b.at[0], a.at[1] - b.at[1]));
  if (nearest < APART * bolt)
    faults.push(
      `bracket at the ${label}: holes ${nearest.toFixed(1)} mm apart for ${bolt} mm bolts; ${APART * bolt} mm at the least, or a slot`,
    );
  const edge = EDGE * bolt;
  const low = Math.min(...holes.map((one) => one.at[1]));
  if (low < edge)
    faults.push(
      `bracket at the ${label}: a hole ${low.toFixed(1)} mm over its foot; ${edge.toFixed(0)} mm at the least`,
    );
  if (askew > IN_PLANE)
    faults.push(
      `bracket at the ${label}: a hole’s place is ${askew.toFixed(1)} mm out of the ear, which stands square to the bolt; washers take that up, or the ear is set along the row`,
    );
  const ear = earOf(holes, edge);
  if (bracket.folded && bracket.radius < LEAST_RADIUS * thick)
    faults.push(
      `bracket at the ${label}: folded round ${bracket.radius} mm, ${thick} mm plate cracks; ${LEAST_RADIUS * thick} mm at the least`,
    );
  const spare = inside - widthOf(member, name);
  // An arm goes along its bolts as a whole.
  const pivots = wheel.type.pivots.find(({ through }) => through.includes(name))?.through ?? [name];
  return {
    ...{ joint: name, held, holes, ear, faults },
    flat: bracket.folded && ears === 2 ? flatOf(ear, holes, held) : null,
    count: bracket.folded && ears === 2 ? 1 : ears,
    correction:
      ears === 2 && spare > 0.05 && end.as === 'rodEnd'
        ? { each: spare / 2, effect: offsetEffect(wheel, pivots, scale(axis, spare / 2)) }
        : null,
  };
}

/** The brackets of a wheel that somebody said what they are like. */
export const bracketsOf = (wheel: Wheel, members: readonly ShopMember[]) =>
  members.flatMap((member) =>
    [member.from, member.to].flatMap((name) => {
      const bracket = bracketOf(wheel, member, name);
      return bracket ? [{ member, bracket }] : [];
    }),
  );

/** Places nearer than this are one hole, mm. */
const SAME = 0.05;

/** Every place that a joint's holes give it, drawn one included. */
function placesAround(wheel: Wheel, name: PointName): Vec[] {
  const now = wheel.points[name];
  const freedoms = wheel.design.freedoms?.[name];
  let places: Vec[] = [[0, 0, 0]];
  COORDINATES.forEach((coordinate, i) => {
    const freedom = freedoms?.[coordinate];
    const at =
      freedom?.kind === 'choices' || freedom?.kind === 'flip'
        ? placesOf(freedom, now[coordinate])!
        : [];
    // A hole is the drawn one where it is no other place.
    const all = [now[coordinate], ...at.filter((one) => Math.abs(one - now[coordinate]) > SAME)];
    places = places.flatMap((place) =>
      all.map((value) => place.map((x, k) => (k === i ? value : x)) as unknown as Vec),
    );
  });
  return places;
}

/** The edge round every hole, down to the foot. */
function earOf(holes: Bracket['holes'], edge: number): Spot[] {
  const round = holes.flatMap(({ at }) =>
    disc(at, edge).map(([x, y]): [number, number] => [x, Math.max(0, y)]),
  );
  const across = round.map(([x]) => x);
  return polygonHull([...round, [Math.min(...across), 0], [Math.max(...across), 0]])!;
}

/** Two ears and the foot between them, unfolded: the first ear up, the second down. */
function flatOf(ear: readonly Spot[], holes: Bracket['holes'], held: Held): Bracket['flat'] {
  const { inside, ear: thick, bracket } = held;
  const { radius } = bracket!;
  const allowance = bendAllowance(radius, thick);
  // Ears are told from the outside of the foot; straight parts begin where the bends end.
  const set = radius + thick;
  const foot = inside - 2 * radius;
  const bend = foot / 2 + allowance;
  const upper = (y: number): number => bend + y - set;
  const top = ear
    .filter(([, y]) => y > 0.001)
    .map(([x, y]): [number, number] => [x, Math.max(bend, upper(y))]);
  const across = ear.map(([x]) => x);
  const edges: [number, number][] = [Math.min(...across), Math.max(...across)].flatMap(
    (x): [number, number][] => [
      [x, foot / 2],
      [x, -foot / 2],
    ],
  );
  const edge = polygonHull([...top, ...top.map(([x, y]): [number, number] => [x, -y]), ...edges])!;
  const up = Math.max(...edge.map(([, y]) => y));
  return {
    edge,
    holes: holes.flatMap(({ at: [x, y] }): Spot[] => [
      [x, upper(y)],
      [x, -upper(y)],
    ]),
    bends: [foot / 2 + allowance / 2, -foot / 2 - allowance / 2],
    allowance,
    length: 2 * up,
  };
}

/** Brackets at full size beside each other, for so many sides. */
export const bracketDrawing = (
  brackets: readonly { bracket: Bracket; title: string }[],
  sides: number,
): Drawing =>
  platesDrawing(
    brackets.map(({ bracket: { flat, ear, holes, held, count }, title }) => {
      const edge = flat?.edge ?? ear;
      const across = edge.map(([x]) => x);
      const [min, max] = [Math.min(...across) - 4, Math.max(...across) + 4];
      return {
        ...{ title, edge },
        said: [
          `${sides * count} of ${held.ear} mm ${held.bracket!.material}`,
          flat
            ? `fold 90° round ${held.bracket!.radius} mm inside`
            : 'foot below: trim to the tube',
        ],
        holes: (flat?.holes ?? holes.map(({ at }) => at)).map((at) => ({ at, across: held.bolt })),
        bends: (flat?.bends ?? []).map((y) => [[min, y] as const, [max, y] as const] as const),
      };
    }),
  );
