import { chassisPoints, rodEnds } from '../corners/kinds';
import { bumpSteerOf } from '../bumpsteer/trial';
import { bestPlace } from '../freedoms/bestPlace';
import { limitsOf } from '../freedoms/freedoms';
import type { Wheel } from '../kinematics/wheel';
import { pointLabel } from '../model/labels';
import type { PointName } from '../model/points';
import { readAt } from '../motion/sweep';
import { Assembly } from '../tolerance/assembly';
import { offsetCount, offsetOf } from '../tolerance/joints';
import { drawnAsBuilt } from './asBuilt';

/** What a wheel reads at a ride height, degrees, mm. */
export interface AtHeight {
  camber: number;
  toe: number;
  caster: number | null;
  /** How far the tyre's contact stands out, mm. */
  contactOut: number;
  /** Largest change of toe over the travel that is left, from this height: degrees. */
  bump: number;
}

/** A way of getting bump steer back at the new height, applied and measured. */
export interface HeightCure {
  point: PointName;
  name: string;
  /** mm, + up. */
  by: number;
  /** Bump steer then; the rod set to length again. */
  bump: number;
  /** It stands at an end of its freedom: further might do better. */
  atEnd: boolean;
}

export interface Lowered {
  /** mm, + lower. */
  by: number;
  before: AtHeight;
  after: AtHeight;
  /** What is left each way, mm. */
  travel: { bump: number; droop: number };
  /** Those that do better than nothing, the best first. */
  cures: HeightCure[];
}

/** How far a joint is looked for each way, mm. */
const REACH = 60;
/** Looks over that before the best is closed in on. */
const LOOKS = 24;
/** Nearer to an end than this is at it, mm. */
const CLOSE = 0.05;
/** Better by less is no cure, degrees. */
const WORTH = 0.01;

/**
 * The wheel of a car that was put so much lower by its springs: everything of the chassis comes down about it, arms and
 * rods as long as they are, toe as it then comes out.
 * @param by mm, + lower
 * @returns null where it does not go there, or nothing of its travel is left
 */
export function loweredWheel(wheel: Wheel, by: number): Wheel | null {
  const { type, travel } = wheel;
  const left = { bump: travel.bump - by, droop: travel.droop + by };
  if (!wheel.alone || !wheel.corner || !(left.bump > 0) || !(left.droop > 0)) return null;
  const offsets = new Float64Array(offsetCount(type));
  for (const name of chassisPoints(type)) offsets[offsetOf(type, name) + 2] = -by;
  const built = new Assembly(wheel.drawn, 'rod as drawn').build(offsets);
  return built && drawnAsBuilt(wheel, built, left);
}

function atHeight(wheel: Wheel): AtHeight | null {
  const reading = wheel.corner && readAt(wheel.corner, 0, 0);
  const bump = bumpSteerOf(wheel);
  if (!reading?.ok || !bump) return null;
  const { camber, toe, caster, contactOut } = reading.value;
  return { camber, toe, caster: caster ?? null, contactOut, bump: bump.worst };
}

/**
 * What putting a car lower does, and which joint of the rod, put where, gets bump steer back; each worked out on the exact
 * wheel and measured again.
 */
export function lowered(wheel: Wheel, by: number): Lowered | null {
  const low = loweredWheel(wheel, by);
  const [before, after] = [atHeight(wheel), low && atHeight(low)];
  if (!low || !before || !after) return null;
  const cures = wheel.type.tieRod
    ? [rodEnds(wheel.type).inner, rodEnds(wheel.type).outer].flatMap(
        (point) => cureBy(wheel, low, point, after.bump) ?? [],
      )
    : [];
  return {
    ...{ by, before, after, travel: low.travel },
    cures: cures.sort((a, b) => a.bump - b.bump),
  };
}

/** The height of a joint that leaves the least, looked for over all of its way; null where nothing is better. */
export function cureBy(wheel: Wheel, low: Wheel, point: PointName, now: number): HeightCure | null {
  const at = low.points[point];
  const bumpAt = (raise: number): number =>
    bumpSteerOf(low.withRod({ [point]: { ...at, up: at.up + raise } }))?.worst ?? Infinity;
  // A freedom is told from where the joint is drawn: it knows nothing of how high the car stands.
  const freedom = wheel.design.freedoms?.[point]?.up ?? null;
  const drawn = wheel.points[point].up;
  const by = bestPlace(freedom, drawn, bumpAt, REACH, LOOKS);
  if (by === null) return null;
  const bump = bumpAt(by);
  if (!(bump < now - WORTH)) return null;
  const [min, max] = limitsOf(freedom ?? undefined, drawn);
  return {
    ...{ point, by, bump, name: pointLabel(wheel.design, point) },
    atEnd: freedom !== null && Math.min(drawn + by - min, max - drawn - by) < CLOSE,
  };
}
