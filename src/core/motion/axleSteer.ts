import { toDeg } from '../geometry/angle';
import type { Axle } from '../kinematics/axle';
import { CoupledCorner } from '../kinematics/coupledCorner';
import { U, UPRIGHT_SIZE } from '../kinematics/corner';
import type { Travel } from '../model/build';

/** How one axle under both wheels steers the car as something moves it, the hands held still. */
export interface SteerCurve {
  /** mm of both wheels, degrees of roll (left side up), or degrees of wind-up (top ahead). */
  at: Float64Array;
  /** Mean heading of both wheels from straight ahead, degrees, + left: where the axle goes. */
  steer: Float64Array;
  /** Toe of both wheels together, degrees, + in: what the rod from arm to arm holds. */
  toe: Float64Array;
  /** 1 where it is reached. Others are not to be read. */
  reachable: Uint8Array;
}

export const MOVED_BY = ['heave', 'roll', 'windUp'] as const;
/** Both wheels alike, one up as the other goes down, the axle turned in its springs by the brakes. */
export type MovedBy = (typeof MOVED_BY)[number];

/** An odd number: the middle one is as drawn. */
const COUNT = 41;
/** Wound up as far each way as is looked at, degrees: hard braking on soft leaves (common practice). */
export const MOST_WIND_UP = 3;

/**
 * Where an axle whose wheels are coupled goes over its travel with the steering held: in heave over the whole travel, in
 * roll as far as the lesser of bump and droop goes, in wind-up `MOST_WIND_UP` degrees each way.
 * @param travel mm
 * @returns null where its wheels are not coupled, or do not travel
 */
export function axleSteer(axle: Axle, travel: Travel): Record<MovedBy, SteerCurve> | null {
  const { corner, drawn } = axle.left;
  if (!(corner instanceof CoupledCorner) || drawn.type.noTravel) return null;
  const coupled = corner.axle;
  const [left, right] = [new Float64Array(UPRIGHT_SIZE), new Float64Array(UPRIGHT_SIZE)];
  const across = drawn.points.wheelCentre.out + axle.right.drawn.points.wheelCentre.out;
  const least = Math.min(travel.bump, travel.droop);
  const curve = (
    from: number,
    to: number,
    input: (at: number) => { left: number; right: number; windUp: number },
    shown: (at: number) => number = (at) => at,
  ): SteerCurve => {
    const found: SteerCurve = {
      at: new Float64Array(COUNT),
      steer: new Float64Array(COUNT),
      toe: new Float64Array(COUNT),
      reachable: new Uint8Array(COUNT),
    };
    for (let i = 0; i < COUNT; i++) {
      const at = from + ((to - from) * i) / (COUNT - 1);
      found.at[i] = shown(at);
      if (!coupled.goTo({ ...input(at), steer: 0 })) continue;
      coupled.write('left', true, left);
      coupled.write('right', true, right);
      const [l, r] = [toeOf(left), toeOf(right)];
      // A wheel that toes in on the left points right.
      found.steer[i] = (r - l) / 2;
      found.toe[i] = l + r;
      found.reachable[i] = 1;
    }
    return found;
  };
  const found = {
    heave: curve(-travel.droop, travel.bump, (at) => ({ left: at, right: at, windUp: 0 })),
    roll: curve(
      -least,
      least,
      (at) => ({ left: at, right: -at, windUp: 0 }),
      (at) => toDeg(Math.atan2(2 * at, across)),
    ),
    windUp: curve(-MOST_WIND_UP, MOST_WIND_UP, (at) => ({ left: 0, right: 0, windUp: at })),
  };
  coupled.goTo({ left: 0, right: 0, steer: 0, windUp: 0 });
  return found;
}

const toeOf = (u: Float64Array): number => toDeg(Math.atan2(u[U.spindle], u[U.spindle + 1]));

/** Where it goes at the most from as it is drawn, either way, degrees; null where part of it is not reached. */
export function mostSteer({ steer, reachable }: SteerCurve): number | null {
  if (reachable.some((one) => one === 0)) return null;
  const drawn = steer[(COUNT - 1) / 2];
  return steer.reduce((most, one) => Math.max(most, Math.abs(one - drawn)), 0);
}
