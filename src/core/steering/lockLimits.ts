import { articulationMeasures, jointTypeOf } from '../clearance/articulation';
import { clearancesAt } from '../clearance/room';
import type { Closest } from '../clearance/room';
import { poseCorner, whyNot } from '../kinematics/axle';
import type { Axle } from '../kinematics/axle';
import { armAngle, fromStraight, rodsPlacer } from '../kinematics/rods';
import type { Wheel } from '../kinematics/wheel';
import type { Build, Side } from '../model/build';
import { pointLabel } from '../model/labels';
import { ARTICULATION_LIMITS, SHAFT_LIMIT } from '../model/room';
import { shaftAt } from '../motion/halfShaft';
import { lockToLock } from './lockToLock';
import { towardsTurn } from './steered';

/** Between a rod and its arm, from straight either way, degrees: less is near over centre (common practice). */
export const ROD_LEAST = 30;

/** Something that ends the way to a lock, or is to be kept from there on. */
export interface LockLimit {
  kind: 'reach' | 'rod' | 'joint' | 'room' | 'shaft';
  /** In a builder's words, without a full stop. */
  what: string;
  /** It goes no further, or not without harm; the rest is what is wanted to be kept. */
  ends: boolean;
  /** The wheel, and the travel of both, mm, + bump, where it comes first. */
  side: Side;
  travel: number;
  /** The rack there, mm, + left. */
  rack: number;
}

/** One way of the rack. */
export interface LockWay {
  /** The side that the wheels turn to. */
  turn: Side;
  /** The rack's own end, mm, + left. */
  end: number;
  /** What comes before it, the first first. */
  limits: LockLimit[];
  /** Both wheels into the turn at ride height, degrees, where the first that ends it comes, the rack's end among them. */
  rack: number;
  inner: number;
  outer: number;
  /** Travels, mm, that a wheel does not reach straight ahead: nothing is told of them. */
  missed: number[];
}

/** Steps of the rack each way, and how finely the place of a limit is told, mm. */
const STEPS = 16;
const FINE = 0.05;
/** Clearances that are less by less than this are as they were, mm. */
const AS_IT_WAS = 0.5;

/** What is past its limit in a position, by a key that is the same at every position. */
type Past = Map<string, Omit<LockLimit, 'travel' | 'rack' | 'side'>>;

/**
 * What comes first on the way to each lock: the rack's end, a rod over centre, a joint past its limit, room that is
 * used up, a half-shaft's joint. Looked for at five travels of both wheels, from the rack's centre in steps, the place
 * between two steps halved. What is too near or past its limit straight ahead already is no matter of the lock.
 * Covers both wheels; what is wanted of room and joints is the build's own.
 * @param sides both front wheels
 * @returns null where the axle cannot be steered
 */
export function lockLimits(
  build: Pick<Build, 'room' | 'rod' | 'wheelbase'>,
  sides: Record<Side, Wheel>,
): LockWay[] | null {
  const { solved, travel, steerRange } = sides.left;
  if (!solved.ok || steerRange <= 0) return null;
  const { axle } = solved;
  const { bump, droop } = travel;
  const travels = [-droop, -droop / 2, 0, bump / 2, bump];
  const ways: LockWay[] = [];
  for (const way of [1, -1] as const) {
    const limits: LockLimit[] = [];
    const missed = new Set<number>();
    for (const side of ['left', 'right'] as const) {
      const look = pastOf(build, sides[side], axle, side);
      if (!look) return null;
      const known = new Map<string, LockLimit>();
      for (const at of travels) {
        const home = look(at, 0, null);
        if (home.has('reach')) {
          missed.add(at);
          continue;
        }
        let last = 0;
        for (let step = 1; step <= STEPS; step++) {
          const rack = (way * steerRange * step) / STEPS;
          const past = look(at, rack, home);
          for (const [key, is] of past) {
            if (home.has(key)) continue;
            const before = known.get(key);
            if (before && Math.abs(before.rack) <= Math.abs(last)) continue;
            let [low, high] = [last, rack];
            let found = is;
            while (Math.abs(high - low) > FINE) {
              const middle = (low + high) / 2;
              const there = look(at, middle, home).get(key);
              if (there) [high, found] = [middle, there];
              else low = middle;
            }
            if (!before || Math.abs(high) < Math.abs(before.rack))
              known.set(key, { ...found, side, travel: at, rack: high });
          }
          if (past.has('reach')) break;
          last = rack;
        }
      }
      limits.push(...known.values());
    }
    limits.sort((a, b) => Math.abs(a.rack) - Math.abs(b.rack));
    const end = way * steerRange;
    // The place is told a little late: the step before it still is free of it.
    const first = limits.find(({ ends }) => ends);
    const rack = first ? way * Math.max(0, Math.abs(first.rack) - FINE) : end;
    const turned = lockToLock(axle, build.wheelbase, 0, Float64Array.of(rack));
    if (!turned || turned.reachable[0] === 0) return null;
    const { turn, innerSteer, outerSteer } = towardsTurn(
      turned.left.steer[0],
      turned.right.steer[0],
    );
    ways.push({
      turn,
      end,
      limits,
      rack,
      inner: innerSteer,
      outer: outerSteer,
      missed: [...missed],
    });
  }
  return ways;
}

/** Says what is past its limit of one wheel in a position; null where the wheel cannot be solved. */
function pastOf(
  build: Pick<Build, 'room' | 'rod'>,
  wheel: Wheel,
  axle: Axle,
  side: Side,
): ((travel: number, rack: number, home: Past | null) => Past) | null {
  const corner = axle[side];
  const { design } = wheel;
  const { coupled } = corner.drawn;
  const measures = articulationMeasures(wheel);
  const rodsAt = rodsPlacer(corner.drawn);
  if (!measures) return null;
  const wanted = build.room?.wanted;
  const shaftLimit = wanted?.shaft ?? SHAFT_LIMIT;
  const straight = new Map<number, Map<string, number>>();
  const pair = ({ what, to }: Closest) => `${what}|${to}`;
  const roomAt = (travel: number, rack: number) =>
    clearancesAt(build, wheel, [{ travel, rack, fullBump: false }], false, true)?.filter(
      ({ turns }) => turns,
    ) ?? [];
  return (travel, rack, home) => {
    const past: Past = new Map();
    const pose = poseCorner(corner, travel, rack);
    if (!pose.ok) {
      const what = whyNot(corner, travel, rack);
      return past.set('reach', { kind: 'reach', what, ends: true });
    }
    if (fromStraight(armAngle(rodsAt(pose.upright), pose.upright)) < ROD_LEAST)
      past.set('rod', {
        kind: 'rod',
        ends: false,
        what: `${coupled ? 'a rod' : 'the tie rod'} comes within ${ROD_LEAST}° of straight with its arm, near over centre`,
      });
    for (const { name, at } of measures) {
      const kind = jointTypeOf(wheel, name);
      const limit = wanted?.[kind] ?? ARTICULATION_LIMITS[kind];
      if (at(pose.upright) > limit)
        past.set(name, {
          kind: 'joint',
          ends: true,
          what: `the ${pointLabel(design, name)} articulates past ${limit}°`,
        });
    }
    if (design.halfShaft) {
      const { innerBend, outerBend } = shaftAt(design.halfShaft, pose.upright);
      if (Math.max(innerBend, outerBend) > shaftLimit)
        past.set('shaft', {
          kind: 'shaft',
          ends: true,
          what: `a half-shaft’s joint bends past ${shaftLimit}°`,
        });
    }
    const close = roomAt(travel, rack);
    if (home === null)
      straight.set(travel, new Map(close.map((one) => [pair(one), one.clearance])));
    if (home === null) return past;
    for (const one of close) {
      const before = straight.get(travel)?.get(pair(one)) ?? Infinity;
      // What was tight already counts where the lock makes it tighter.
      if (one.clearance > before - AS_IT_WAS) continue;
      const left = `${one.wanted} mm are left from the ${one.what} to the ${one.to}`;
      past.set(pair(one), { kind: 'room', ends: false, what: `less than ${left}` });
      if (one.clearance < 0 && before >= 0)
        past.set(`${pair(one)} touch`, {
          kind: 'room',
          ends: true,
          what: `the ${one.what} touches the ${one.to}`,
        });
    }
    return past;
  };
}
