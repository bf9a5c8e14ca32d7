import { turnsOf } from '../column/places';
import { toRad } from '../geometry/angle';
import type { Axle } from '../kinematics/axle';
import { axisAtHeight } from '../kinematics/joints';
import type { Wheel } from '../kinematics/wheel';
import type { RodLoads } from '../model/rod';
import { readAt } from '../motion/sweep';
import { standingMoment } from '../strength/rodStrength';
import { staticAxis } from '../upright/staticQuantities';
import { handwheelOf } from './hand';
import { lockToLock, ratioOf } from './lockToLock';
import { towardsTurn } from './steered';

/** What the hands feel, N·m at the handwheel: estimates without friction. */
export interface Effort {
  /** Standing, the tyres turned on the spot. */
  standing: number;
  /** At speed in a bend of `SIDEWAYS`, by the mechanical trail alone; the tyre's own trail adds to it. */
  moving: number;
}

/** Side force at speed, parts of the wheel's load: a brisk bend (common practice). */
export const SIDEWAYS = 0.3;

/**
 * Both wheels' moments at the handwheel about straight ahead, by the work that both do: each moment by how far its
 * wheel turns for a turn of the handwheel.
 * @param assist how many times the hands' part the power assistance adds up to: 1 is none
 * @returns null where the wheels steer about nothing, or the rack's mm a turn are not known
 */
export function effortOf(
  axle: Axle,
  perTurn: number | undefined,
  width: number,
  { wheelLoad, grip }: Pick<RodLoads, 'wheelLoad' | 'grip'>,
  assist = 1,
): Effort | null {
  if (perTurn === undefined) return null;
  let [standing, moving] = [0, 0];
  for (const side of ['left', 'right'] as const) {
    const reading = readAt(axle[side], 0, 0);
    if (!reading.ok) return null;
    const { scrub, trail } = reading.value;
    if (scrub === undefined || trail === undefined) return null;
    // Radians of the wheel for one of the handwheel.
    const share = (Math.abs(toRad(reading.perRack.toe)) * perTurn) / (2 * Math.PI);
    standing += standingMoment(grip, wheelLoad, width, scrub) * share;
    moving += SIDEWAYS * wheelLoad * trail * share;
  }
  return { standing: standing / 1000 / assist, moving: moving / 1000 / assist };
}

/** What a ratio takes: one or the other. */
export interface ForRatio {
  /** mm of rack in a turn of the pinion, the arms as they are. */
  perTurn: number;
  /** Length of the arm from the kingpin to the joint, level, now and for that ratio, mm; null where none gives it. */
  arm: number;
  armFor: number | null;
}

/**
 * What makes a ratio about straight ahead: another rack, or an arm longer or shorter in its own direction, solved and
 * measured.
 * @param wanted handwheel degrees for one of the wheels' mean
 * @returns null where the axle is not steered about anything
 */
export function forRatio(wheel: Wheel, wheelbase: number, wanted: number): ForRatio | null {
  const perRackOf = ({ solved }: Wheel): number | null => {
    if (!solved.ok) return null;
    const here = lockToLock(solved.axle, wheelbase, 0, Float64Array.of(0));
    return here && here.reachable[0] === 1 ? Math.abs(here.perRack[0]) : null;
  };
  const { design, side, points, steered, type } = wheel;
  if (!type.tieRod) return null;
  const { outer } = type.tieRod;
  const axis = staticAxis(design, side);
  const joint = points[outer];
  const foot = axis && axisAtHeight(axis, joint.up);
  const now = steered ? perRackOf(wheel) : null;
  if (!foot || !now) return null;
  const arm = Math.hypot(joint.ahead - foot[0], joint.out - foot[1]);
  const perTurnNow = handwheelOf(design).perTurn;
  return {
    perTurn: 360 / wanted / now / Math.abs(turnsOf(design.column)),
    arm,
    armFor: perTurnNow === undefined ? null : armFor(perTurnNow),
  };

  /** By halving: a longer arm steers less for a millimetre. */
  function armFor(perTurn: number): number | null {
    const ratioWith = (length: number): number | null => {
      const part = length / arm;
      const to = {
        ahead: foot![0] + part * (joint.ahead - foot![0]),
        out: foot![1] + part * (joint.out - foot![1]),
        up: joint.up,
      };
      const per = perRackOf(wheel.withPoints({ [outer]: to }));
      return per === null ? null : ratioOf(per, perTurn);
    };
    let [short, long] = [arm / 3, 3 * arm];
    const [least, most] = [ratioWith(short), ratioWith(long)];
    if (least === null || most === null || least > wanted || most < wanted) return null;
    while (long - short > 1e-3) {
      const middle = (short + long) / 2;
      const ratio = ratioWith(middle);
      if (ratio === null) return null;
      if (ratio < wanted) short = middle;
      else long = middle;
    }
    const found = (short + long) / 2;
    const ratio = ratioWith(found);
    return ratio !== null && Math.abs(ratio - wanted) < 0.01 ? found : null;
  }
}

/** How far the inner wheel turns while the hands stay on the wheel, half a turn (common practice), degrees; null out of reach. */
export function handsStay(axle: Axle, wheelbase: number, perTurn: number): number | null {
  const rack = Math.min(axle.steerRange, perTurn / 2);
  const here = lockToLock(axle, wheelbase, 0, Float64Array.of(rack));
  if (!here || here.reachable[0] === 0) return null;
  return towardsTurn(here.left.steer[0], here.right.steer[0]).innerSteer;
}
