import { toDeg, toRad } from '../geometry/angle';
import { add, cross, dot, scale, sub } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { CheckSetup, MethodId } from '../model/checks';
import { camberAt, faceAt, markAt } from './places';
import type { Place } from './places';

/** A wheel turned either way, and the steering's inputs that do it, in its own outward axes. */
export interface Turned {
  out: Place;
  in: Place;
  inputs: { out: number; in: number };
}

/** What a reading is of: the wheel it stands on, the other one, and where walls and gauges stand. */
export interface Seen {
  own: Place;
  other: Place;
  /** The wheel's centre at ride height as drawn: walls and gauges are set up from it. */
  home: Vec;
  /** How far the floor has come up to the chassis since ride height, mm: nought where the wheel is moved. */
  floor: number;
  /** Its front turned outward and inward by the sweep's angle; null where the wheel does not go there. */
  turned: Turned | null;
}

/** One number that a reading says, and what it would be of a wheel. */
export interface Component {
  id: string;
  unit: 'mm' | 'deg';
  /** Whether its nought is anybody's guess, known by the level's own ±, or none. */
  nought: 'free' | 'level' | 'none';
  /** From the values read; null where they do not say it. */
  of: (values: readonly number[], setup: CheckSetup) => number | null;
  /** Its ± by that of one value. */
  plusMinus: (plusMinus: number, values: readonly number[], setup: CheckSetup) => number;
  model: (seen: Seen, setup: CheckSetup) => number;
}

/** A way of reading a wheel. */
export interface Method {
  id: MethodId;
  name: string;
  /** What it is of, drawn on the curve of. */
  shows: 'toe' | 'camber' | 'caster';
  /** Whether it takes both wheels. */
  ofBoth: boolean;
  unit: 'mm' | 'deg';
  /** What its one or two values are called. */
  values: readonly [string] | readonly [string, string];
  /** What a single number means where two are usual; null where both are needed. */
  single: string | null;
  /** ± of a value, common practice. */
  usual: number;
  /** How it is done, in a line. */
  how: string;
  components: readonly Component[];
}

const two = (values: readonly number[]): values is readonly [number, number] => values.length === 2;
const ROOT2 = Math.SQRT2;
/** Two values against each other, or their difference read at once. */
const ofPair = (plusMinus: number, values: readonly number[]) =>
  two(values) ? plusMinus * ROOT2 : plusMinus;

/** A place of the other side, in the axes of this one. */
const across = ([ahead, out, up]: Vec): Vec => [ahead, -out, up];

const spread = (seen: Seen, { face, span }: CheckSetup, way: 1 | -1): number => {
  const mine = markAt(seen.own, face, (way * span) / 2);
  const theirs = across(markAt(seen.other, face, (way * span) / 2));
  return Math.hypot(...sub(mine, theirs));
};

/** Where a pointer taped to the wheel strikes a wall square to the car, mm: out from the centreline, in the wheel's axes. */
export function spotOut({ own, home }: Seen, { face, spotUp }: CheckSetup, wall: number): number {
  const from = faceAt(own, face);
  const up = cross(own.heading, own.spindle);
  const rise = Math.atan2(spotUp, Math.abs(wall));
  const beam = add(scale(own.heading, Math.sign(wall) * Math.cos(rise)), scale(up, Math.sin(rise)));
  const far = (home[0] + wall - from[0]) / beam[0];
  return from[1] + far * beam[1];
}

/** How far out a plate square to the spindle is where a gauge stands, mm. */
function plateOut(
  { own, home, floor }: Seen,
  { face, dialSpan, dialsUp }: CheckSetup,
  way: 1 | -1,
): number {
  const { spindle } = own;
  const gauge: Vec = [home[0] + (way * dialSpan) / 2, 0, home[2] + floor + dialsUp];
  return (dot(spindle, faceAt(own, face)) - dot(spindle, gauge)) / spindle[1];
}

/**
 * Caster by the sweep, degrees: from camber with the wheel's front turned outward and inward by so much each (common
 * practice; it leaves out what the kingpin's inclination does, and steps of the ride height).
 */
export const casterBySweep = (out: number, inward: number, sweep: number): number =>
  toDeg(toRad(out - inward) / (2 * Math.sin(toRad(sweep))));

/**
 * Two values of one kind: what they differ by goes by angles alone, what they have in common by where the wheel stands. A
 * single value is the difference.
 */
const pair = (first: Component['model'], second: Component['model']): Component[] => [
  {
    id: 'difference',
    unit: 'mm',
    nought: 'free',
    of: (values) => (two(values) ? values[0] - values[1] : values[0]),
    plusMinus: ofPair,
    model: (seen, setup) => first(seen, setup) - second(seen, setup),
  },
  {
    id: 'both together',
    unit: 'mm',
    nought: 'free',
    of: (values) => (two(values) ? (values[0] + values[1]) / 2 : null),
    plusMinus: (plusMinus) => plusMinus / ROOT2,
    model: (seen, setup) => (first(seen, setup) + second(seen, setup)) / 2,
  },
];

/** Every way of reading a wheel, by its name. */
export const METHOD_TABLE: Readonly<Record<MethodId, Method>> = {
  tape: {
    id: 'tape',
    name: 'Tape across both tyres',
    shows: 'toe',
    ofBoth: true,
    unit: 'mm',
    values: ['front', 'rear'],
    single: 'rear less front',
    usual: 1,
    how: 'At hub height, from mark to mark: in front of both wheels, then behind them.',
    components: [
      {
        id: 'difference',
        unit: 'mm',
        nought: 'free',
        of: (values) => (two(values) ? values[1] - values[0] : values[0]),
        plusMinus: ofPair,
        model: (seen, setup) => spread(seen, setup, -1) - spread(seen, setup, 1),
      },
    ],
  },
  wall: {
    id: 'wall',
    name: 'Spot on a wall',
    shows: 'toe',
    ofBoth: false,
    unit: 'mm',
    values: ['toward the middle'],
    single: null,
    usual: 1,
    how: 'A pointer taped to the wheel; how far its spot went from its mark at ride height, + toward the car’s centreline.',
    components: [
      {
        id: 'spot',
        unit: 'mm',
        nought: 'free',
        of: (values) => values[0],
        plusMinus: (plusMinus) => plusMinus,
        model: (seen, setup) => -spotOut(seen, setup, setup.wall),
      },
    ],
  },
  walls: {
    id: 'walls',
    name: 'Spots on two walls',
    shows: 'toe',
    ofBoth: false,
    unit: 'mm',
    values: ['first wall', 'second wall'],
    single: null,
    usual: 1,
    how: 'The same on two walls, or on a screen put at two distances: what both did alike is the wheel’s own movement.',
    components: pair(
      (seen, setup) => -spotOut(seen, setup, setup.wall),
      (seen, setup) => -spotOut(seen, setup, setup.wall2),
    ),
  },
  dials: {
    id: 'dials',
    name: 'Two dial gauges on a plate',
    shows: 'toe',
    ofBoth: false,
    unit: 'mm',
    values: ['front', 'rear'],
    single: 'front less rear',
    usual: 0.1,
    how: 'The gauges stand on the floor outside the plate and are set to nought at ride height.',
    components: pair(
      (seen, setup) => -setup.dialsWay * plateOut(seen, setup, 1),
      (seen, setup) => -setup.dialsWay * plateOut(seen, setup, -1),
    ),
  },
  strings: {
    id: 'strings',
    name: 'Strings beside the car',
    shows: 'toe',
    ofBoth: false,
    unit: 'mm',
    values: ['front', 'rear'],
    single: 'front less rear',
    usual: 0.5,
    how: 'From a string stretched along the car, outside the wheel, to the front and the rear mark.',
    components: pair(
      ({ own }, { face, span }) => -markAt(own, face, span / 2)[1],
      ({ own }, { face, span }) => -markAt(own, face, -span / 2)[1],
    ),
  },
  level: {
    id: 'level',
    name: 'Level on the hub face',
    shows: 'camber',
    ofBoth: false,
    unit: 'deg',
    values: ['camber'],
    single: null,
    usual: 0.1,
    how: 'Held upright on the face; + top outward. Set to nought on the car’s own level first.',
    components: [
      {
        id: 'camber',
        unit: 'deg',
        nought: 'level',
        of: (values) => values[0],
        plusMinus: (plusMinus) => plusMinus,
        model: ({ own }) => camberAt(own),
      },
    ],
  },
  sweep: {
    id: 'sweep',
    name: 'Sweep for caster',
    shows: 'caster',
    ofBoth: false,
    unit: 'deg',
    values: ['front turned out', 'front turned in'],
    single: 'caster by the sweep',
    usual: 0.1,
    how: 'Camber with the wheel’s front turned out by the angle (the left wheel to the left), then in by as much.',
    components: [
      {
        id: 'caster',
        unit: 'deg',
        nought: 'none',
        of: (values, { sweep }) =>
          two(values) ? casterBySweep(values[0], values[1], sweep) : values[0],
        plusMinus: (plusMinus, values, { sweep }) =>
          two(values) ? Math.abs(casterBySweep(plusMinus * ROOT2, 0, sweep)) : plusMinus,
        model: ({ turned }, { sweep }) =>
          turned ? casterBySweep(camberAt(turned.out), camberAt(turned.in), sweep) : NaN,
      },
    ],
  },
};
