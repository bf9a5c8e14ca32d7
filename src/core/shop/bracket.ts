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
import { outline, line, text } from '../sheets/drawing';
import type { Drawing, Mark, Spot } from '../sheets/drawing';
import { hole } from './copeSheet';
import { axisAt } from './parts';
import type { ShopMember } from './parts';

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
/** Where the neutral line of a bend lies, as a part of its thickness (Machinery's Handbook, from memory: 0.33 to 0.5). */
const NEUTRAL = 0.4;
/** A place that is further along the bolt than this part of its way is no hole of the ear. */
const ALONG_BOLT = 0.5;
/** Holes are told as in the ear's plane up to so many mm. */
const IN_PLANE = 1;
/** Of a plate to be folded its inner radius at the least, in thicknesses (common practice for mild steel). */
const LEAST_RADIUS = 1;

/** How much flat plate a bend takes, mm: its neutral line, (R + K T) times its angle. */
export const bendAllowance = (radius: number, thick: number, degrees = 90): number =>
  ((radius + NEUTRAL * thick) * degrees * Math.PI) / 180;

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
  const round: [number, number][] = holes.flatMap(({ at: [x, y] }) =>
    Array.from({ length: 72 }, (_, i): [number, number] => {
      const turn = (i * Math.PI) / 36;
      return [x + edge * Math.cos(turn), Math.max(0, y + edge * Math.sin(turn))];
    }),
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

/** Brackets at full size beside each other, edges to cut, holes to drill, lines to fold along. */
export function bracketDrawing(
  brackets: readonly { bracket: Bracket; title: string }[],
  sides: number,
): Drawing {
  const marks: Mark[] = [];
  let [left, tall] = [0, 0];
  const placed = brackets.map(({ bracket, title }) => {
    const { flat, ear, holes, held } = bracket;
    const edge = flat?.edge ?? ear;
    const spots = flat?.holes ?? holes.map(({ at }) => at);
    const low = Math.min(...edge.map(([, y]) => y));
    const [min, max] = [Math.min(...edge.map(([x]) => x)), Math.max(...edge.map(([x]) => x))];
    const height = Math.max(...edge.map(([, y]) => y)) - low;
    return { edge, spots, low, min, max, height, held, title, bends: flat?.bends ?? [], bracket };
  });
  for (const { edge, spots, low, min, max, height, held, title, bends, bracket } of placed) {
    const at = ([x, y]: Spot): Spot => [left + x - min, y - low + LEGEND];
    const width = Math.max(max - min, 42);
    marks.push(outline('CUT', edge.map(at)));
    for (const spot of spots) marks.push(...hole(at(spot), held.bolt));
    for (const y of bends) marks.push(line('CENTRE', at([min - 4, y]), at([max + 4, y])));
    const said = [
      title,
      `${sides * bracket.count} of ${held.ear} mm ${held.bracket!.material}`,
      bends.length > 0
        ? `fold 90° round ${held.bracket!.radius} mm inside`
        : 'foot below: trim to the tube',
    ];
    said.forEach((words, i) =>
      marks.push(text([left, LEGEND - 5 - 4 * i], words, 2.8, { bold: i === 0 })),
    );
    left += width + 14;
    tall = Math.max(tall, height + LEGEND);
  }
  return { width: Math.max(0, left - 14), height: tall, marks };
}
/** Below a bracket, for what is said of it, mm. */
const LEGEND = 16;
