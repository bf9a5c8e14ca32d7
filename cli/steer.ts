import type { Build } from '../src/core/model/build';
import { wheelOf } from '../src/core/kinematics/wheel';
import { ratiosThroughColumn } from '../src/core/steering/columnRatio';
import { handwheelOf } from '../src/core/steering/hand';
import { lockToLock, ratioOf } from '../src/core/steering/lockToLock';
import { steerable, whyNotSteered } from '../src/core/steering/steerable';
import { finite, positionsBetween, printed } from './table';

export interface SteerRequest {
  /** Of both wheels, mm, + bump. */
  travel: number;
  /** mm of the rack, + left, or degrees of the drop arm; without them as far as it goes. */
  from?: number | undefined;
  to?: number | undefined;
  step: number;
  format: 'csv' | 'json';
}

const TEXT = ['rack_mm', 'reachable', 'why'];

/** Both front wheels from lock to lock as CSV or JSON; positions out of reach keep their line and say why. */
export function steerTable(
  build: Build,
  { travel, from, to, step, format }: SteerRequest,
): { ok: true; text: string } | { ok: false; why: string } {
  const wheel = wheelOf(build, 'front', 'left');
  const steered = steerable(wheel, travel);
  if (!steered.ok) return steered;
  const { axle } = steered;
  const { steerRange } = wheel;
  const positions = positionsBetween(from ?? -steerRange, to ?? steerRange, step);
  if (!positions.ok) return positions;
  const found = lockToLock(axle, build.wheelbase, travel, positions.at);
  // Both wheels stand at this travel, but not at ride height, where the steering axes are measured.
  if (!found) return { ok: false, why: `at ride height, ${whyNotSteered(axle, 0, 0)}` };
  const { perTurn, way } = handwheelOf(build.front);
  // + is the handwheel to the left where it is known which way it moves the rack, else as the rack goes.
  const hand = way ?? 1;
  // Exact through a column: its joints' ripple is in both.
  const through = ratiosThroughColumn(found, build.front);
  const { left, right } = found;
  const rows = Array.from(positions.at, (steer, i) => {
    const reachable = found.reachable[i] === 1;
    const show = (value: number) => (reachable ? finite(value) : null);
    return {
      rack_mm: axle.steersBy === 'rack' ? Number(steer.toFixed(9)) : null,
      handwheel_deg:
        perTurn === undefined
          ? null
          : finite(through ? through.handwheel[i] : ((hand * steer) / perTurn) * 360),
      left_deg: show(left.steer[i]),
      right_deg: show(right.steer[i]),
      ackermann_error_deg: show(found.error[i]),
      ackermann_percent: show(found.percent[i]),
      radius_mm: show(found.radius[i]),
      ratio: show(through ? through.ratio[i] : ratioOf(found.perRack[i], perTurn)),
      left_tie_angle_deg: show(left.tieAngle[i]),
      right_tie_angle_deg: show(right.tieAngle[i]),
      left_camber_deg: show(left.camber[i]),
      right_camber_deg: show(right.camber[i]),
      left_contact_up_mm: show(left.contactUp[i]),
      right_contact_up_mm: show(right.contactUp[i]),
      reachable,
      why: reachable ? '' : whyNotSteered(axle, travel, steer),
    };
  });
  return printed(rows, format, (column) => !TEXT.includes(column));
}
