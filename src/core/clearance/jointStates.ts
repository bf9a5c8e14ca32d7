import { pointNames } from '../corners/kinds';
import { offPlace } from '../freedoms/freedoms';
import { describePosition } from '../kinematics/corner';
import { COORDINATES } from '../model/points';
import type { PointName } from '../model/points';
import { rimClearances } from '../upright/rim';
import { ARTICULATION_LIMITS } from '../model/room';
import type { WantedRoom } from '../model/room';
import { jointTypeOf } from './articulation';
import type { Articulations } from './articulation';
import type { Wheel } from '../kinematics/wheel';

/** A joint that is near a limit or past one, and what is to be said of it. */
export interface JointState {
  state: 'near' | 'out';
  why: string;
}

/** An angle from this part of its limit on is near it. */
const NEAR = 0.85;
/** Off a hole or a stack by less is in it, mm. */
const IN_PLACE = 0.05;

/** Joints that bind or nearly do, stand where their freedoms do not let them, or in the rim. */
export function jointStates(
  wheel: Wheel,
  articulations: Articulations | null,
  wanted: Pick<WantedRoom, 'ball' | 'rodEnd'>,
): Partial<Record<PointName, JointState>> {
  const { design, points, type } = wheel;
  const states: Partial<Record<PointName, JointState>> = {};
  for (const [name, { angle, travel, rack }] of Object.entries(articulations ?? {})) {
    const kind = jointTypeOf(wheel, name);
    const limit = wanted[kind] ?? ARTICULATION_LIMITS[kind];
    if (angle < NEAR * limit) continue;
    states[name] = {
      state: angle > limit ? 'out' : 'near',
      why: `articulates ${angle.toFixed(1)}° at ${describePosition(travel, rack, wheel.steersBy)}: ${limit}° is its limit`,
    };
  }
  for (const name of pointNames(type))
    for (const coordinate of COORDINATES) {
      const freedom = design.freedoms?.[name]?.[coordinate];
      if (!freedom || freedom.kind === 'fixed') continue;
      const now = points[name][coordinate];
      const off = offPlace(freedom, now);
      if (off > IN_PLACE)
        states[name] = {
          state: 'out',
          why: `stands ${off.toFixed(1)} mm, ${coordinate}, from any place its freedom has`,
        };
    }
  for (const { joint, clearance } of rimClearances(design, points))
    if (clearance !== null && clearance < 0)
      states[joint] = { state: 'out', why: `is ${(-clearance).toFixed(1)} mm into the rim` };
  return states;
}
