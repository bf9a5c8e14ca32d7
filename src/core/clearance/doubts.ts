import type { Wheel } from '../kinematics/wheel';
import type { Build } from '../model/build';
import { ARTICULATION_LIMITS } from '../model/room';
import { articulationsOf, jointTypeOf } from './articulation';
import { clearancesOf } from './room';

/** Places where the tie rod or its joints come too close, by what to what; clearance in mm. */
export function tightOf(build: Pick<Build, 'room' | 'rod'>, wheel: Wheel): Map<string, number> {
  const close = clearancesOf(build, wheel, true) ?? [];
  return new Map(
    close
      .filter(({ clearance, wanted }) => clearance < wanted)
      .map(({ what, to, clearance }) => [`the ${what} to the ${to}`, clearance]),
  );
}

/** What comes too close that did not before, or closer than it did. */
export const tighter = (before: Map<string, number>, after: Map<string, number>): string[] =>
  [...after]
    .filter(([pair, clearance]) => clearance < (before.get(pair) ?? Infinity) - 0.5)
    .map(([pair, clearance]) =>
      clearance < 0
        ? `${pair}: ${(-clearance).toFixed(0)} mm into it`
        : `${pair}: ${clearance.toFixed(0)} mm are left`,
    );

/** Joints of the tie rod that articulate past their limits. */
export function bindingOf({ room }: Pick<Build, 'room'>, wheel: Wheel): string[] {
  const articulations = articulationsOf(wheel);
  const { tieRod } = wheel.type;
  if (!articulations || !tieRod) return [];
  const { inner, outer } = tieRod;
  return [inner, outer].flatMap((name) => {
    const kind = jointTypeOf(wheel, name);
    const limit = room?.wanted[kind] ?? ARTICULATION_LIMITS[kind];
    const { angle } = articulations[name];
    return angle > limit
      ? [
          `the ${name === inner ? 'inner' : 'outer'} joint articulates ${angle.toFixed(0)}°, past ${limit}°`,
        ]
      : [];
  });
}
