import { damperEnds } from '../corners/damperTable';
import { UPRIGHT_SIZE } from '../kinematics/corner';
import type { Wheel } from '../kinematics/wheel';
import { whyNot } from '../kinematics/axle';
import type { Build } from '../model/build';
import { SHAFT_LIMIT, startingRoom } from '../model/room';
import { shaftAt } from '../motion/halfShaft';
import { articulationMeasures, jointTypeOf } from '../clearance/articulation';
import { ARTICULATION_LIMITS } from '../model/room';
import { pointLabel } from '../model/labels';
import { DamperAt, springPressed } from './sweep';
import type { LinkageAt } from './linkage';
import { boundOf, freeOf, strokeOf } from './springs';

/** What ends, or changes, the travel of a wheel with its damper. */
type EndId =
  | 'closed'
  | 'stop'
  | 'open'
  | 'bind'
  | 'loose'
  | 'strap'
  | 'eye'
  | 'rod over centre'
  | 'damper over centre'
  | 'shaft inner'
  | 'shaft outer'
  | 'shaft shorter'
  | 'shaft longer'
  | 'corner'
  | 'joint';

export interface TravelEnd {
  id: EndId;
  /** The joint of the corner or the eye that is at its end. */
  point?: string;
  way: 'bump' | 'droop';
  /** Where, mm, + bump. */
  travel: number;
  /** In a builder's words, what it is: `the damper is closed`. */
  what: string;
  /** It only begins to work there: the wheel goes on. */
  begins?: true;
}

interface TravelEnds {
  /** What ends bump and droop first, each way; null where nothing that is known does within what was looked at. */
  bump: TravelEnd | null;
  droop: TravelEnd | null;
  /** All that was found, the nearest to ride height first, each way. */
  all: TravelEnd[];
  /** How far it was looked, mm of bump and droop. */
  looked: { bump: number; droop: number };
  /** What was looked at, in words: what nobody has said is not among it. */
  covers: string[];
}

/** Rods nearer to straight than this are over centre in the next pot hole, degrees (common practice). */
export const FROM_STRAIGHT = 20;

/** One thing that has an end: positive while it is well, by how much, in its own unit. */
interface Watch {
  id: EndId;
  point?: string;
  what: string;
  begins?: true;
  left: (look: Look) => number | null;
}
interface Look {
  at: LinkageAt;
  upright: Float64Array;
}

/** Between positions looked at, mm; an end is then found to a thousandth. */
const STEP = 2;
const EXACT = 1e-3;

/**
 * What ends the travel of a wheel, straight ahead: the damper's stroke, its stop, coil bind, the strap, its eyes, its
 * rods over centre, the half-shaft's joints and plunge, the corner's own joints and reach. Each is looked for from
 * ride height outward in steps of 2 mm as far as half more than the travel wanted, and then by halving: what comes and
 * goes again within a step is not seen.
 */
export function travelEnds(build: Pick<Build, 'room'>, wheel: Wheel): TravelEnds | null {
  const { corner, design, travel } = wheel;
  const { damper } = design;
  if (!corner || !damper || !wheel.travels) return null;
  const of = new DamperAt(corner, damper);
  if (!of.home) return null;
  const wanted = {
    bump: damper.wanted?.bump ?? travel.bump,
    droop: damper.wanted?.droop ?? travel.droop,
  };
  const looked = { bump: 1.5 * wanted.bump + 20, droop: 1.5 * wanted.droop + 20 };
  const watches = watchesOf(build, wheel, of);
  const upright = new Float64Array(UPRIGHT_SIZE);
  const look = (at: number): Look | null => {
    if (!corner.corner.pose(at, 0, upright)) return null;
    const found = of.linkage.of(upright);
    return found && { at: found, upright };
  };
  const all: TravelEnd[] = [];
  for (const way of ['bump', 'droop'] as const) {
    const sign = way === 'bump' ? 1 : -1;
    const before = new Map<Watch, number | null>();
    const home = look(0)!;
    for (const watch of watches) before.set(watch, watch.left(home));
    const found = new Set<Watch>();
    // What is past its end as drawn ends there.
    for (const watch of watches) {
      const left = before.get(watch);
      if (left === null || left === undefined || left > 0) continue;
      if (!worsens(watch, left, look(sign * STEP))) continue;
      found.add(watch);
      all.push({ ...told(watch), way, travel: 0 });
    }
    for (let far = STEP; far <= looked[way] + EXACT; far += STEP) {
      const here = look(sign * far);
      if (!here) {
        const last = halved(far - STEP, far, (x) => look(sign * x) !== null);
        const why = whyNot(corner, sign * far, 0);
        const what = why === '' ? 'a rod of the damper does not reach' : why;
        all.push({ id: 'corner', what, way, travel: sign * last });
        break;
      }
      for (const watch of watches) {
        const left = watch.left(here);
        const was = before.get(watch) ?? null;
        before.set(watch, left);
        if (found.has(watch) || left === null || left > 0 || was === null || was <= 0) continue;
        found.add(watch);
        const end = halved(far - STEP, far, (x) => {
          const there = look(sign * x);
          return there !== null && (watch.left(there) ?? 1) > 0;
        });
        all.push({ ...told(watch), way, travel: sign * end });
      }
    }
  }
  all.sort((a, b) => Math.abs(a.travel) - Math.abs(b.travel));
  const first = (way: 'bump' | 'droop') =>
    all.find((one) => one.way === way && one.begins === undefined) ?? null;
  return { bump: first('bump'), droop: first('droop'), all, looked, covers: coversOf(watches) };
}

const told = ({ id, point, what, begins }: Watch) => ({
  id,
  what,
  ...(point !== undefined && { point }),
  ...(begins && { begins }),
});

const worsens = (watch: Watch, left: number, next: Look | null): boolean =>
  next !== null && (watch.left(next) ?? Infinity) < left;

function halved(good: number, bad: number, holds: (x: number) => boolean): number {
  while (bad - good > EXACT) {
    const middle = (good + bad) / 2;
    if (holds(middle)) good = middle;
    else bad = middle;
  }
  return good;
}

const coversOf = (watches: readonly Watch[]): string[] => [
  ...new Set(watches.map(({ id }) => COVERS[id])),
  COVERS.corner,
];
const COVERS: Record<EndId, string> = {
  closed: 'the damper’s stroke',
  open: 'the damper’s stroke',
  stop: 'its bump stop',
  bind: 'coil bind',
  loose: 'where the spring is loose',
  strap: 'the strap',
  eye: 'the damper’s eyes',
  'rod over centre': 'rocker and rod',
  'damper over centre': 'rocker and damper',
  'shaft inner': 'the half-shaft’s joints',
  'shaft outer': 'the half-shaft’s joints',
  'shaft shorter': 'its plunge',
  'shaft longer': 'its plunge',
  joint: 'the corner’s joints',
  corner: 'the corner’s own reach',
};

function watchesOf(build: Pick<Build, 'room'>, wheel: Wheel, of: DamperAt): Watch[] {
  const { design } = wheel;
  const { unit, spring, strap, by } = design.damper!;
  const home = of.home!;
  const watches: Watch[] = [];
  if (unit) {
    const { closed, stop, open } = strokeOf(unit);
    if (unit.stop)
      watches.push({
        ...{ id: 'stop', what: 'the bump stop is touched', begins: true },
        left: ({ at }) => at.damper.length - stop,
      });
    watches.push(
      { id: 'closed', what: 'the damper is closed', left: ({ at }) => at.damper.length - closed },
      {
        id: 'open',
        what: unit.spacer
          ? 'the damper is open as far as its spacer lets it'
          : 'the damper is open',
        left: ({ at }) => open - at.damper.length,
      },
    );
  }
  if (spring) {
    const deep = freeOf(spring) - boundOf(spring);
    const pressedAt = ({ at }: Look) => springPressed({ unit, spring }, at, home);
    const less = (a: number, b: number | null) => (b === null ? null : a - b);
    watches.push({
      id: 'bind',
      what: 'the spring is coil bound',
      left: (look) => less(deep, pressedAt(look)),
    });
    watches.push({
      ...{ id: 'loose', what: 'the spring is loose', begins: true },
      left: pressedAt,
    });
  }
  if (strap)
    watches.push({
      ...{ id: 'strap', what: 'the strap is taut' },
      left: ({ at }) => (at.strap ? strap.length - at.strap.length : null),
    });
  if (by === 'rocker')
    watches.push(
      {
        ...{
          id: 'rod over centre',
          what: `rod and rocker are within ${FROM_STRAIGHT}° of straight`,
        },
        left: ({ at }) => (at.rodToRocker === null ? null : at.rodToRocker - FROM_STRAIGHT),
      },
      {
        ...{
          id: 'damper over centre',
          what: `damper and rocker are within ${FROM_STRAIGHT}° of straight`,
        },
        left: ({ at }) => (at.damperToRocker === null ? null : at.damperToRocker - FROM_STRAIGHT),
      },
    );
  watches.push(...ofShaft(build, wheel), ...ofJoints(build, wheel));
  return watches;
}

function ofShaft({ room }: Pick<Build, 'room'>, { design, corner }: Wheel): Watch[] {
  const { halfShaft } = design;
  if (!halfShaft) return [];
  const limit = room?.wanted.shaft ?? SHAFT_LIMIT;
  const [inner, outer] = [halfShaft.innerLimit ?? limit, halfShaft.outerLimit ?? limit];
  const watches: Watch[] = [
    {
      ...{ id: 'shaft inner', what: `the half-shaft’s inner joint is past ${inner}°` },
      left: ({ upright }) => inner - shaftAt(halfShaft, upright).innerBend,
    },
    {
      ...{ id: 'shaft outer', what: `the half-shaft’s outer joint is past ${outer}°` },
      left: ({ upright }) => outer - shaftAt(halfShaft, upright).outerBend,
    },
  ];
  const { plunge } = halfShaft;
  const home = new Float64Array(UPRIGHT_SIZE);
  if (!plunge || !corner!.corner.pose(0, 0, home)) return watches;
  const { length } = shaftAt(halfShaft, home);
  watches.push(
    {
      ...{
        id: 'shaft shorter',
        what: `the half-shaft is ${plunge.shorter} mm shorter: its plunge is used up`,
      },
      left: ({ upright }) => plunge.shorter - (length - shaftAt(halfShaft, upright).length),
    },
    {
      ...{
        id: 'shaft longer',
        what: `the half-shaft is ${plunge.longer} mm longer: it pulls out of its joint`,
      },
      left: ({ upright }) => plunge.longer - (shaftAt(halfShaft, upright).length - length),
    },
  );
  return watches;
}

/** How far a joint of a corner may articulate, degrees: the damper's own eyes as they were said, others as wanted. */
export function jointLimit({ room }: Pick<Build, 'room'>, wheel: Wheel, name: string): number {
  const { damper } = wheel.design;
  const isEye = damper !== undefined && damperEnds(wheel.type, damper).includes(name);
  const kind = jointTypeOf(wheel, name);
  return (
    (isEye ? damper.unit?.eye : undefined) ??
    (room ?? startingRoom()).wanted[kind] ??
    ARTICULATION_LIMITS[kind]
  );
}

/** Joints of the corner and the damper's eyes, as they are taken to be set: square at ride height or by their bolts. */
function ofJoints(build: Pick<Build, 'room'>, wheel: Wheel): Watch[] {
  const { design, type } = wheel;
  return (articulationMeasures(wheel) ?? []).map(({ name, at }): Watch => {
    const limit = jointLimit(build, wheel, name);
    return {
      ...{ id: type.points[name].ofDamper ? 'eye' : 'joint', point: name },
      what: `${pointLabel(design, name)} articulates past ${limit}°`,
      left: ({ upright }) => limit - at(upright),
    };
  });
}
