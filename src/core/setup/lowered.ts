import { articulatedJoints } from '../clearance/articulation';
import { chassisPoints, rodEnds, uprightPoints } from '../corners/kinds';
import { bumpSteerOf } from '../bumpsteer/trial';
import { bestPlace } from '../freedoms/bestPlace';
import { limitsOf, placesOf, stepOf } from '../freedoms/freedoms';
import type { Wheel } from '../kinematics/wheel';
import type { Freedom } from '../model/freedoms';
import { pointLabel } from '../model/labels';
import type { PointName } from '../model/points';
import { heldCamber } from '../motion/held';
import { readAt } from '../motion/sweep';
import { shopParts } from '../shop/parts';
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
  /** Camber per 25 mm of bump and the roll centre above the ground, degrees and mm; null where they are not told. */
  gain: number | null;
  rollCentre: number | null;
}

/** Joints that are put higher or lower together, and what that takes. */
export interface HeightWay {
  points: readonly PointName[];
  name: string;
  /** What is made or moved for it (common practice). */
  how: string;
  /** All of the geometry goes back by as much as the car went down: up on the chassis, or down on the upright. */
  whole?: 1 | -1;
}

/** A way of getting bump steer back at the new height, applied and measured. */
export interface HeightCure extends HeightWay {
  /** mm, + up: on the chassis, or on the upright. */
  by: number;
  /** What the wheel reads then; the rod set to length again. */
  then: AtHeight;
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
  const held = heldCamber(wheel.corner!, wheel.travel);
  return {
    ...{ camber, toe, caster: caster ?? null, contactOut, bump: bump.worst },
    ...{ gain: held?.gain ?? null, rollCentre: held?.rollCentre ?? null },
  };
}

/**
 * Everything that is put higher or lower to get a geometry back: the rod's joints, each arm's brackets, its joint on the
 * upright, all brackets with the rack, and an upright whose joints are further from the hub's centre. Joints that are fixed
 * are in none.
 */
export function heightWays(wheel: Wheel): HeightWay[] {
  const { type, design } = wheel;
  const on = (points: readonly PointName[], what: 'chassis' | 'upright') =>
    points.filter((name) => type.points[name].on === what);
  const arms = shopParts(wheel).filter(({ members }) =>
    members.every(({ role }) => role !== 'rod'),
  );
  const rod = type.tieRod && rodEnds(type);
  const balls = articulatedJoints(type);
  const joint = (point: PointName) => pointLabel(design, point);
  const ways: HeightWay[] = [
    ...(rod
      ? [
          {
            ...{ points: [rod.inner], name: joint(rod.inner) },
            how: 'what steers it on its brackets, or a take-off with its joint there',
          },
          {
            ...{ points: [rod.outer], name: joint(rod.outer) },
            how: 'spacers, a taper pin, another steering arm',
          },
        ]
      : []),
    ...arms.map(({ name, joints }) => ({
      ...{ points: on(joints, 'chassis'), name: `brackets of the ${name}` },
      how: 'brackets cut off and set again, or their other holes',
    })),
    ...arms.map(({ name, joints }) => ({
      // A ball of its own: not a hub or a kingpin that is solid with the arm.
      points: on(joints, 'upright').filter((point) => balls.includes(point)),
      name: `joint of the ${name} on the upright`,
      how: 'a longer pin, a spacer under it, another ball joint',
    })),
    {
      points: [...arms.flatMap(({ joints }) => on(joints, 'chassis')), ...(rod ? [rod.inner] : [])],
      name: 'every bracket of this corner, what steers it with them',
      how: 'the whole of it set again, as high about the wheel as it was',
      whole: 1,
    },
    {
      points: uprightPoints(type),
      name: 'every joint of the upright',
      how: 'an upright with its joints so much further from the hub’s centre',
      whole: -1,
    },
  ];
  return ways
    .map((way) => ({ ...way, points: [...new Set(way.points)] }))
    .filter(
      ({ points }, i, all) =>
        points.length > 0 &&
        points.every((name) => design.freedoms?.[name]?.up?.kind !== 'fixed') &&
        all.findLastIndex((one) => sameList(one.points, points)) === i,
    );
}

const sameList = (a: readonly string[], b: readonly string[]) =>
  a.length === b.length && a.every((one) => b.includes(one));

/** What putting a car lower does; null where it does not go there, or nothing of its travel is left. */
export function lowered(wheel: Wheel, by: number): Lowered | null {
  const low = loweredWheel(wheel, by);
  const [before, after] = [atHeight(wheel), low && atHeight(low)];
  return low && before && after && { by, before, after, travel: low.travel };
}

/**
 * What, put where, gets bump steer back on a lowered wheel: each worked out on the exact wheel and measured again.
 * @param by mm, + lower
 * @returns those that do better than nothing, the best first; none where the wheel does not go there
 */
export function curesAt(wheel: Wheel, by: number): HeightCure[] {
  const low = loweredWheel(wheel, by);
  const now = low && bumpSteerOf(low);
  if (!low || !now) return [];
  return heightWays(wheel)
    .flatMap((way) => cureBy(wheel, low, way, now.worst) ?? [])
    .sort((a, b) => a.then.bump - b.then.bump);
}

/** The lowered wheel with joints higher by so much, mm, its rod set to length again; null where it does not go together. */
export function raisedOn(low: Wheel, points: readonly PointName[]): (by: number) => Wheel | null {
  const assembly = new Assembly(low.drawn);
  const offsets = new Float64Array(offsetCount(low.type));
  return (by) => {
    for (const name of points) offsets[offsetOf(low.type, name) + 2] = by;
    const built = assembly.build(offsets);
    return built && drawnAsBuilt(low, built);
  };
}

/** A move of all joints as it stands; null where they have it not. */
function asMuch(by: number, freedom: Freedom | null): number | null {
  if (freedom === null) return by;
  const [min, max] = limitsOf(freedom, 0);
  return stepOf(freedom) === 0 && by >= min && by <= max ? by : null;
}

/**
 * How far joints go together that each have a freedom of their own; null: as far as is looked; none where their steps are
 * not the same places.
 */
function together(wheel: Wheel, points: readonly PointName[]): Freedom | null | 'none' {
  // A freedom is told from where the joint is drawn: it knows nothing of how high the car stands.
  const all = points.flatMap((name) => {
    const freedom = wheel.design.freedoms?.[name]?.up;
    return freedom ? [{ freedom, at: wheel.points[name].up }] : [];
  });
  if (all.length === 0) return null;
  const ways = all.map(({ freedom, at }) => {
    const [min, max] = limitsOf(freedom, at);
    return { min: min - at, max: max - at, step: stepOf(freedom) };
  });
  const [stepped, ...others] = ways.filter(({ step }) => step > 0);
  const isOff = ({ min, step }: { min: number; step: number }) => {
    const apart = Math.abs(min - stepped.min) / step;
    return Math.abs(step - stepped.step) > 1e-9 || Math.abs(apart - Math.round(apart)) > 1e-6;
  };
  if (others.some(isOff)) return 'none';
  const [least, max] = [
    Math.max(...ways.map(({ min }) => min)),
    Math.min(...ways.map((way) => way.max)),
  ];
  if (!stepped) return { kind: 'range', min: least, max, step: 0 };
  const { min, step } = stepped;
  // The first place that all of them have.
  return { kind: 'range', min: min + Math.ceil((least - min) / step - 1e-9) * step, max, step };
}

/**
 * The height of joints that leaves the least, looked for over all of their way; of all joints together as much as the car
 * went down. Null where nothing is better, and where the best is as far as is looked: further might do better yet.
 */
export function cureBy(wheel: Wheel, low: Wheel, way: HeightWay, now: number): HeightCure | null {
  const { points } = way;
  const raised = raisedOn(low, points);
  const bumpAt = (by: number): number => {
    const there = raised(by);
    return (there && bumpSteerOf(there)?.worst) ?? Infinity;
  };
  const [alone] = points;
  const freedoms = wheel.design.freedoms ?? {};
  // Holes and washers of several joints are several places: none stands for all of them.
  const hasPlaces = (name: PointName) => {
    const up = freedoms[name]?.up;
    return up !== undefined && placesOf(up, wheel.points[name].up) !== null;
  };
  if (points.length > 1 && points.some(hasPlaces)) return null;
  const freedom = points.length > 1 ? together(wheel, points) : (freedoms[alone]?.up ?? null);
  if (freedom === 'none') return null;
  const drawn = points.length > 1 ? 0 : wheel.points[alone].up;
  const [min, max] = limitsOf(freedom ?? undefined, drawn);
  const by =
    way.whole === undefined
      ? bestPlace(freedom, drawn, bumpAt, REACH, LOOKS)
      : asMuch(way.whole * (wheel.travel.bump - low.travel.bump), freedom);
  const there = by === null ? null : raised(by);
  const then = there && atHeight(there);
  if (by === null || !then || !(then.bump < now - WORTH)) return null;
  if (freedom === null && way.whole === undefined && REACH - Math.abs(by) < CLOSE) return null;
  return {
    ...{ ...way, by, then },
    atEnd: freedom !== null && Math.min(drawn + by - min, max - drawn - by) < CLOSE,
  };
}
