import { DamperAt } from '../src/core/damper/sweep';
import { loadsOf } from '../src/core/loads/loads';
import { whyNot } from '../src/core/kinematics/axle';
import type { Build } from '../src/core/model/build';
import { finite, positionsBetween, printed } from './table';
import { solvedWheel } from './wheel';

export interface DamperRequest {
  axle: 'front' | 'rear';
  side: 'left' | 'right';
  from?: number | undefined;
  to?: number | undefined;
  step: number;
  format: 'csv' | 'json';
}

type Text = { ok: true; text: string } | { ok: false; why: string };

const figure = (value: number | null | undefined): number | null =>
  value === null || value === undefined ? null : finite(value);

/** A damper over the travel of its wheel as CSV or JSON; what nobody said stays empty, what is out of reach says why. */
export function damperTable(build: Build, request: DamperRequest): Text {
  const asked = solvedWheel(build, request.axle, request.side);
  if (!asked.ok) return asked;
  const { wheel, corner } = asked;
  const { damper } = wheel.design;
  if (!damper) return { ok: false, why: `the ${request.axle} axle has no damper yet` };
  const { travel } = wheel;
  const positions = positionsBetween(
    request.from ?? -travel.droop,
    request.to ?? travel.bump,
    request.step,
  );
  if (!positions.ok) return positions;
  const of = new DamperAt(corner, damper);
  const rows = Array.from(positions.at, (at) => {
    const row = of.row(at);
    return {
      travel_mm: finite(at),
      damper_mm: figure(row?.at.damper.length),
      motion_ratio: figure(row?.at.damper.ratio),
      spring_n: figure(row?.springForce),
      wheel_n: figure(row?.wheelForce),
      wheel_rate_n_mm: figure(row?.wheelRate),
      ratio_change_per_mm: figure(row?.ratioChange),
      spring_pressed_mm: figure(row?.pressed),
      torsion_nmm: figure(row?.torque),
      bar_rate_n_mm: figure(row?.barRate),
      to_arm_deg: figure(row?.at.toArm),
      rod_to_rocker_deg: figure(row?.at.rodToRocker),
      damper_to_rocker_deg: figure(row?.at.damperToRocker),
      reachable: row !== null,
      why: row ? '' : whyNot(corner, at, 0) || 'a rod of the damper does not reach',
    };
  });
  return printed(rows, request.format, (column) => column !== 'reachable' && column !== 'why');
}

export interface LoadsRequest {
  axle: 'front' | 'rear';
  side: 'left' | 'right';
  format: 'csv' | 'json';
}

/** What every part of a corner carries in its worst case as CSV or JSON, N, or N·mm where an arm is bent: an estimate. */
export function loadsTable(build: Build, request: LoadsRequest): Text {
  const asked = solvedWheel(build, request.axle, request.side);
  if (!asked.ok) return asked;
  const found = loadsOf(build, asked.wheel);
  if (!found.ok) return found;
  const rows = found.loads.parts.flatMap(({ name, as, worst, other, stands, reserve }) =>
    [worst, ...(other ? [other] : [])].map(({ newtons, case: name_, travel }, i) => ({
      member: name,
      carries: as,
      case: name_,
      newtons: finite(newtons),
      reserve: i === 0 ? figure(reserve) : null,
      travel_mm: finite(travel),
      stands_n: i === 0 ? figure(stands?.most) : null,
      by: i === 0 ? (stands?.by ?? '') : '',
    })),
  );
  return printed(rows, request.format, (column) =>
    ['newtons', 'reserve', 'travel_mm', 'stands_n'].includes(column),
  );
}
