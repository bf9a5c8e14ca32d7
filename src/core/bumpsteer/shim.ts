import { rodEnds } from '../corners/kinds';
import { findAll } from '../find/find';
import { goldenLeast } from '../geometry/golden';
import { limitsOf, washersFor } from '../freedoms/freedoms';
import type { Freedom } from '../model/freedoms';
import type { Wheel } from '../kinematics/wheel';
import { travelSweep } from '../motion/sweep';
import { POSITIONS } from '../motion/bumpSteer';
import type { BumpSteer } from '../motion/bumpSteer';
import { ANY_BUILD } from './leastAlone';
import { NullSearch } from './nullProblem';
import { STARTING_WANTED } from '../model/nullWanted';
import { bumpSteerOf } from './trial';

/** A height of the outer tie-rod joint and what it does. */
export interface Shim {
  /** How far the joint moves, mm, + up. */
  raise: number;
  /** Bump steer as drawn; null where the travel is out of reach. */
  before: BumpSteer | null;
  /** Bump steer with the shim in: what is left over. */
  after: BumpSteer;
  /** What the joint's freedom lets it do; without one any height within the limit was looked at. */
  freedom: Freedom | null;
  /** The washers that make it, where the freedom is washers; none of them: an empty list. */
  washers: number[] | null;
  /** Every height was looked at and the search came to rest: nothing within the freedom does better. */
  sure: boolean;
}

/** How far a joint without a freedom may be moved each way, mm. */
export const SHIM_LIMIT = 60;

/**
 * Height of the outer tie-rod joint that leaves the least toe range over the stated travel, within the joint's
 * freedom: the same search as for a null with nothing else free. The tie rod is set to length again afterwards,
 * so toe at ride height stays.
 * @param spacer no stack of washers is longer, mm
 * @returns null where no height there is reaches the whole travel
 */
export function shim(wheel: Wheel, spacer: number = STARTING_WANTED.spacer): Shim | null {
  const { outer } = rodEnds(wheel.type);
  const now = wheel.points[outer].up;
  const freedom = wheel.design.freedoms?.[outer]?.up ?? null;
  const sweep = travelSweep(wheel.travel, POSITIONS);
  const measure = (up: number) => bumpSteerOf(withShim(wheel, up - now), sweep);
  const range = (up: number) => measure(up)?.span.range ?? Infinity;
  const opened = {
    point: outer,
    coordinate: 'up' as const,
    freedom: freedom ?? {
      kind: 'range' as const,
      min: now - SHIM_LIMIT,
      max: now + SHIM_LIMIT,
      step: 0,
    },
  };
  const search = new NullSearch(ANY_BUILD, wheel, {
    ...STARTING_WANTED,
    spacer,
    placing: null,
  });
  let best = { up: now, range: range(now) };
  const { found: all, all: sure } = findAll(search.problem([opened]));
  for (const { values } of all) {
    const found = { up: values[0], range: range(values[0]) };
    // Washers that do no better than those there are stay where they are.
    if (found.range < best.range) best = found;
  }
  if (!freedom || (freedom.kind === 'range' && freedom.step === 0)) {
    const [min, max] = limitsOf(opened.freedom, now);
    const up = goldenLeast(
      range,
      Math.max(min, best.up - NEAR),
      Math.min(max, best.up + NEAR),
      1e-3,
    );
    const closed = { up, range: range(up) };
    if (closed.range < best.range) best = closed;
  }
  const after = measure(best.up);
  return (
    after && {
      raise: best.up - now,
      before: measure(now),
      after,
      freedom,
      washers: freedom?.kind === 'shims' ? washersFor(freedom, best.up) : null,
      sure,
    }
  );
}

/** About what the search found the height is closed to a micrometre, mm. */
const NEAR = 1;

/** The wheel with its outer tie-rod joint raised by `raise` mm. */
export function withShim(wheel: Wheel, raise: number): Wheel {
  const { outer } = rodEnds(wheel.type);
  const joint = wheel.points[outer];
  return wheel.withPoints({ [outer]: { ...joint, up: joint.up + raise } });
}
