import type { Build } from '../src/core/model/build';
import { poseCorner } from '../src/core/kinematics/axle';
import { lockToLock } from '../src/core/steering/lockToLock';
import { finite, positionsBetween, printed } from './table';
import { solvedWheel } from './wheel';

export interface SteerRequest {
  /** Of both wheels, mm, + bump. */
  travel: number;
  /** Rack, mm, + left; without them the rack's own travel. */
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
  const asked = solvedWheel(build, 'front', 'left');
  if (!asked.ok) return asked;
  const { type, steered, solved, rackTravel } = asked.wheel;
  if (!solved.ok) return { ok: false, why: solved.faults[0].message };
  if (!type.tieRod)
    return {
      ok: false,
      why: `the front axle has no tie rod to steer by: it is a ${type.label.toLowerCase()}`,
    };
  if (!steered) return { ok: false, why: 'the front axle has no rack: its wheels are not steered' };
  const positions = positionsBetween(from ?? -rackTravel, to ?? rackTravel, step);
  if (!positions.ok) return positions;
  const { axle } = solved;
  const whyNot = (rack: number): string => {
    for (const side of ['left', 'right'] as const) {
      const pose = poseCorner(axle[side], travel, rack);
      if (!pose.ok) return `${side}: ${pose.why}`;
    }
    return '';
  };
  const found = lockToLock(axle, build.wheelbase, travel, positions.at);
  if (!found) return { ok: false, why: `with the rack centred, ${whyNot(0)}` };
  const perTurn = build.front.rack?.perTurn;
  const { left, right } = found;
  const rows = Array.from(positions.at, (rack, i) => {
    const reachable = found.reachable[i] === 1;
    const show = (value: number) => (reachable ? finite(value) : null);
    return {
      rack_mm: Number(rack.toFixed(9)),
      handwheel_deg: perTurn === undefined ? null : finite((rack / perTurn) * 360),
      left_deg: show(left.steer[i]),
      right_deg: show(right.steer[i]),
      ackermann_error_deg: show(found.error[i]),
      ackermann_percent: show(found.percent[i]),
      radius_mm: show(found.radius[i]),
      ratio: perTurn === undefined ? null : show(360 / perTurn / Math.abs(found.perRack[i])),
      left_tie_angle_deg: show(left.tieAngle[i]),
      right_tie_angle_deg: show(right.tieAngle[i]),
      left_camber_deg: show(left.camber[i]),
      right_camber_deg: show(right.camber[i]),
      left_contact_up_mm: show(left.contactUp[i]),
      right_contact_up_mm: show(right.contactUp[i]),
      reachable,
      why: reachable ? '' : whyNot(rack),
    };
  });
  return printed(rows, format, (column) => !TEXT.includes(column));
}
