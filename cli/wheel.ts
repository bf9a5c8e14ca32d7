import type { AxleCorner } from '../src/core/kinematics/axle';
import { wheelOf } from '../src/core/kinematics/wheel';
import type { Wheel } from '../src/core/kinematics/wheel';
import type { AxleName, Build, Side } from '../src/core/model/build';

/** A wheel that somebody asked for, or why nothing can be said of it. */
type Asked = { ok: true; wheel: Wheel; corner: AxleCorner } | { ok: false; why: string };

/** The wheel asked for, solved. */
export function solvedWheel(build: Build, axle: AxleName, side: Side): Asked {
  const wheel = wheelOf(build, axle, side);
  if (!wheel) return { ok: false, why: `the build has no ${axle} axle` };
  const { solved } = wheel;
  return solved.ok
    ? { ok: true, wheel, corner: solved.axle[side] }
    : { ok: false, why: solved.faults[0].message };
}

/** The wheel asked for where it has a rod to null by and bumps to null it over. */
export function rodWheel(build: Build, axle: AxleName, side: Side): Asked {
  const asked = solvedWheel(build, axle, side);
  if (!asked.ok) return asked;
  if (!asked.wheel.travels)
    return { ok: false, why: `the ${axle} wheels have no travel: there is no bump steer to null` };
  if (asked.wheel.type.tieRod) return asked;
  if (asked.wheel.type.coupled)
    return {
      ok: false,
      why: `the drag link is at the other ${axle} wheel: give --side ${side === 'left' ? 'right' : 'left'}`,
    };
  const kind = asked.wheel.type.label.toLowerCase();
  return {
    ok: false,
    why: `the ${axle} axle has no tie rod or toe link to null by: it is a ${kind}`,
  };
}
