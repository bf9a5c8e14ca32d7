import type { Wheel } from '../kinematics/wheel';
import { pointNames } from '../corners/kinds';
import type { AxleDesign, Build, KeptCheck } from '../model/build';
import { COORDINATES } from '../model/points';
import type { Point, PointName } from '../model/points';
import { isOfBrief, toSet } from '../model/sketch';
import { isMeasured, takeOffOf } from '../model/takeOff';
import { openVariantOf } from '../model/variants';
import { counted } from '../model/wording';
import { planNow } from '../plan/states';
import { turnedOf } from '../setup/book';
import type { StationState } from './stationStates';
import type { Station } from './stations';

/** What a station waits for, what of it no longer holds, and what is to be done there next; null where nothing is. */
export interface Guide {
  waits: { for: Station; why: string } | null;
  old: string | null;
  next: string | null;
  /** Nothing is open there, and what is judged is in band or near it. */
  done: boolean;
}

/** What is known beside the build itself; null: not known yet. */
export interface GuideKnown {
  checks: readonly KeptCheck[] | null;
  /** How many of the sheets that were taken say something else by now. */
  oldSheets: number | null;
}

/** Stations whose figures rest on where the joints are. */
const ON_JOINTS: readonly Station[] = ['rack', 'steering', 'damper', 'shop', 'check', 'setup'];
/** Those that are done without a verdict. */
const UNJUDGED: readonly Station[] = ['brief', 'takeoff', 'plan'];
/** Those that rest on the brief's. */
const ON_BRIEF: readonly Station[] = ['wheel', 'arms', ...ON_JOINTS];

/**
 * The way on from a station, from what the build says of itself.
 */
export function guideAt(
  build: Build,
  wheel: Wheel,
  station: Station,
  state: StationState,
  known: GuideKnown,
): Guide {
  const { joints, figures } = toSet(build, wheel.design);
  const waits =
    figures > 0 && ON_BRIEF.includes(station)
      ? { for: 'brief' as const, why: `${counted(figures, 'figure')} that count here` }
      : joints > 0 && ON_JOINTS.includes(station)
        ? { for: 'arms' as const, why: `${counted(joints, 'joint')} to set` }
        : null;
  const next = nextAt(build, wheel, station, state, known.checks, joints);
  const judged = 'verdict' in state ? !isBad(state) : UNJUDGED.includes(station);
  const old = oldAt(build, wheel, station, known);
  return { waits, old, next, done: judged && !waits && next === null && old === null };
}

const isBad = (state: StationState): boolean =>
  'verdict' in state && (state.verdict === 'rework' || state.verdict === 'look again');

/** What was done there on what has changed since. */
function oldAt(
  build: Build,
  { axle, design }: Wheel,
  station: Station,
  { checks, oldSheets }: GuideKnown,
): string | null {
  switch (station) {
    case 'shop':
      return oldSheets ? `${counted(oldSheets, 'sheet')} taken before the last change` : null;
    case 'check': {
      const last = checks
        ?.filter((one) => one.axle === axle && !one.training)
        .reduce<KeptCheck | null>((a, b) => (a && a.begun > b.begun ? a : b), null);
      return last && !sameJoints(last.drawn, design) ? 'checked before the last change' : null;
    }
    case 'plan': {
      const again = planNow(build).all.filter(({ state }) => state === 'open again').length;
      return again > 0 ? `${counted(again, 'step')} open again` : null;
    }
    default:
      return null;
  }
}

/** Both were drawn with their joints in the same places, to a thousandth of a millimetre. */
function sameJoints(a: AxleDesign, b: AxleDesign): boolean {
  const same = (own: AxleDesign['points'], other: AxleDesign['points']) =>
    Object.entries(own).every(([name, point]) => {
      const there = other[name as PointName] as Point | undefined;
      return there !== undefined && COORDINATES.every((c) => Math.abs(point[c] - there[c]) < 1e-3);
    });
  return (
    a.kind === b.kind &&
    same(a.points, b.points) &&
    same(a.rightPoints ?? a.points, b.rightPoints ?? b.points)
  );
}

function nextAt(
  build: Build,
  wheel: Wheel,
  station: Station,
  state: StationState,
  checks: readonly KeptCheck[] | null,
  joints: number,
): string | null {
  const { design, axle, travels } = wheel;
  const bad = isBad(state);
  switch (station) {
    case 'brief': {
      const open = [build, build.front, build.rear].reduce(
        (sum, of) => sum + (of?.sketch?.filter(isOfBrief).length ?? 0),
        0,
      );
      return open > 0
        ? `Set ${counted(open, 'figure')}: what stands in italics is nobody’s yet.`
        : null;
    }
    case 'takeoff':
      return pointNames(wheel.type).every((name) =>
        takeOffOf(build).measured.some(
          (one) => one.axle === axle && one.point === name && isMeasured(one),
        ),
      )
        ? null
        : 'Measure the parts that you have, or go on with joints that you type.';
    case 'wheel':
      return bad ? 'Lean the upright, or move the wheel, until its worst is in band.' : null;
    case 'arms':
      if (joints > 0)
        return `Set ${counted(joints, 'joint')}: type them, drag them, take them off.`;
      return bad ? 'Move what is worst, or let arms be found from the camber wanted.' : null;
    case 'rack':
      return bad && travels ? 'Find the shim (S), or a null within the freedoms.' : null;
    case 'steering':
      return bad
        ? `Find Ackermann${travels ? ' with bump steer kept null' : ''}, or see what ends the lock.`
        : null;
    case 'column':
      return design.column || build.front.column
        ? bad
          ? 'Clock it, or let a path be found.'
          : null
        : 'Begin with seat and hands.';
    case 'damper':
      if (!travels) return design.strength ? null : 'Say what its parts are made of.';
      return design.damper
        ? bad
          ? 'See what ends the travel first, or let mounts be found.'
          : null
        : 'Say how its damper is mounted.';
    case 'shop':
      if (!design.made) return 'Say what arms and rods are made of.';
      if (bad) return 'Mend what cannot be cut or set.';
      if (!openVariantOf(build).frozen) return 'Freeze the variant before metal is cut.';
      return build.shop?.taken?.length ? null : 'Take the sheets.';
    case 'check':
      return checks?.length === 0 ? 'Begin a check: car on stands, springs out.' : null;
    case 'setup':
      return turnedOf(build, wheel).length === 0
        ? 'Read camber, caster and toe, and say what is wanted.'
        : null;
    case 'plan': {
      const { holds } = planNow(build);
      return holds ? `Next: ${holds.step.title}.` : null;
    }
  }
}
