import { whyNot } from '../src/core/kinematics/axle';
import type { Build } from '../src/core/model/build';
import { makeSweep, runSweep, valueAt } from '../src/core/motion/sweep';
import type { Quantity } from '../src/core/motion/quantities';
import { finite, positionsBetween, printed } from './table';
import { solvedWheel } from './wheel';

export const SWEEP_COLUMNS: Record<string, Quantity> = {
  toe_deg: 'toe',
  camber_deg: 'camber',
  caster_deg: 'caster',
  kpi_deg: 'kpi',
  scrub_mm: 'scrub',
  trail_mm: 'trail',
  contact_ahead_mm: 'contactAhead',
  contact_out_mm: 'contactOut',
  contact_up_mm: 'contactUp',
  wheel_ahead_mm: 'wheelAhead',
  wheel_out_mm: 'wheelOut',
  wheel_up_mm: 'wheelUp',
};

export interface SweepRequest {
  axle: 'front' | 'rear';
  side: 'left' | 'right';
  from?: number | undefined;
  to?: number | undefined;
  step: number;
  /** mm of the rack or degrees of the drop arm, + left. */
  rack: number;
  /** The other wheel goes down as this one goes up: roll. */
  opposite?: boolean | undefined;
  format: 'csv' | 'json';
}

/** The positions of a sweep as CSV or JSON; out-of-reach ones keep their line and say why. */
export function sweepTable(
  build: Build,
  request: SweepRequest,
): { ok: true; text: string } | { ok: false; why: string } {
  const asked = solvedWheel(build, request.axle, request.side);
  if (!asked.ok) return asked;
  const { corner } = asked;
  if (request.rack !== 0 && asked.wheel.steerRange === 0)
    return { ok: false, why: `the ${request.axle} axle has no rack to move, nor a drop arm` };
  const { travel, steersBy } = asked.wheel;
  const from = request.from ?? -travel.droop;
  const to = request.to ?? travel.bump;
  const positions = positionsBetween(from, to, request.step);
  if (!positions.ok) return positions;
  const count = positions.at.length;
  const sweep = makeSweep(count);
  sweep.travel.set(positions.at);
  sweep.rack.fill(request.rack);
  runSweep(corner, sweep, request.opposite ? -1 : 1);

  const rows = Array.from({ length: count }, (_, i) => {
    const reachable = sweep.reachable[i] === 1;
    const values = Object.entries(SWEEP_COLUMNS).map(([column, quantity]) => [
      column,
      // What does not apply to a kind stays empty.
      reachable ? finite(valueAt(sweep, i, quantity)) : null,
    ]);
    return {
      travel_mm: Number(sweep.travel[i].toFixed(9)),
      rack_mm: steersBy === 'rack' ? request.rack : null,
      ...(Object.fromEntries(values) as Record<string, number | null>),
      reachable,
      why: reachable
        ? ''
        : whyNot(
            corner,
            sweep.travel[i],
            request.rack,
            request.opposite ? -sweep.travel[i] : sweep.travel[i],
          ),
    };
  });
  return printed(rows, request.format, (column) => column in SWEEP_COLUMNS);
}
