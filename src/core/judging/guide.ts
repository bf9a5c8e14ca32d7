import type { Wheel } from '../kinematics/wheel';
import type { Build } from '../model/build';
import { isOfBrief, toSet } from '../model/sketch';
import { isMeasured, takeOffOf } from '../model/takeOff';
import { openVariantOf } from '../model/variants';
import { counted } from '../model/wording';
import { planNow } from '../plan/states';
import { turnedOf } from '../setup/book';
import type { StationState } from './stationStates';
import type { Station } from './stations';

/** What a station waits for, and what is to be done there next; null where nothing is. */
export interface Guide {
  waits: { for: Station; why: string } | null;
  next: string | null;
}

/** Stations whose figures rest on where the joints are. */
const ON_JOINTS: readonly Station[] = ['rack', 'steering', 'damper', 'shop', 'check', 'setup'];
/** Those that rest on the brief's. */
const ON_BRIEF: readonly Station[] = ['wheel', 'arms', ...ON_JOINTS];

/**
 * The way on from a station, from what the build says of itself.
 * @param checks how many checks of the build were begun; null: not known yet
 */
export function guideAt(
  build: Build,
  wheel: Wheel,
  station: Station,
  state: StationState,
  checks: number | null,
): Guide {
  const { joints, figures } = toSet(build, wheel.design);
  const waits =
    figures > 0 && ON_BRIEF.includes(station)
      ? { for: 'brief' as const, why: `${counted(figures, 'figure')} that count here` }
      : joints > 0 && ON_JOINTS.includes(station)
        ? { for: 'arms' as const, why: `${counted(joints, 'joint')} to set` }
        : null;
  return { waits, next: nextAt(build, wheel, station, state, checks, joints) };
}

function nextAt(
  build: Build,
  wheel: Wheel,
  station: Station,
  state: StationState,
  checks: number | null,
  joints: number,
): string | null {
  const { design, axle, travels } = wheel;
  const judged = 'verdict' in state ? state.verdict : null;
  const bad = judged === 'rework' || judged === 'look again';
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
      return takeOffOf(build).measured.some((one) => one.axle === axle && isMeasured(one))
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
      return checks === 0 ? 'Begin a check: car on stands, springs out.' : null;
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
