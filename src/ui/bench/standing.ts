import { judgeBumpSteer } from '@/core/bumpsteer/bumpSteer';
import type { BumpSteer } from '@/core/bumpsteer/bumpSteer';
import type { Verdict } from '@/core/verdict/verdicts';
import { pointsOf, rackTravelOf } from '@/core/kinematics/axle';
import type { Targets } from '@/core/model/brief';
import type { AxleDesign, AxleName, Build, Side } from '@/core/model/build';
import { openLayoutOf } from '@/core/model/layouts';
import { POINT_NAMES } from '@/core/model/points';
import { takeOffOf } from '@/core/takeoff/records';
import { RIM_CLEARANCE, rimClearances } from '@/core/upright/rim';
import { standing } from '@/core/upright/standing';
import { STATIONS } from './viewStore';
import type { Station } from './viewStore';

/** How a station stands: a verdict, or a few words where there is nothing to judge yet. */
export type StationState = { verdict: Verdict; frozen?: true } | { words: string };

/** How every station stands for the wheel shown. */
export function stationStates(
  build: Build,
  axle: AxleName,
  side: Side,
  design: AxleDesign,
  targets: Targets,
  bumpSteer: BumpSteer | null,
  /** Camber per 25 mm at ride height; null out of reach. */
  gain: number | null,
): Record<Station, StationState> {
  const other = side === 'left' ? 'right' : 'left';
  const measured = takeOffOf(build).measured.filter(
    (m) => m.axle === axle && (m.side === side || (!design.rightPoints && m.side === other)),
  );
  const frozen = openLayoutOf(build).frozen ? { frozen: true as const } : {};
  const points = new Set(measured.map(({ point }) => point)).size;
  return {
    brief: { words: build.brief ? 'targets of your own' : 'common practice' },
    takeoff: {
      words: points === 0 ? 'nothing measured yet' : `${points} of ${POINT_NAMES.length} measured`,
    },
    wheel: { verdict: judgeUpright(design, side, targets), ...frozen },
    arms: { ...judgeGain(gain, targets), ...frozen },
    rack: bumpSteer
      ? { verdict: judgeBumpSteer(bumpSteer.worst, targets.bumpSteer), ...frozen }
      : { words: 'does not reach its travel' },
  };
}

/** Camber gain within the brief's is accepted. */
function judgeGain(gain: number | null, { camberGain: [least, most] }: Targets): StationState {
  if (gain === null) return { words: 'does not reach ride height' };
  return { verdict: gain >= least && gain <= most ? 'accept' : 'near the edge' };
}

/** A steered upright in its bands and clear of its rim is accepted; one that is in the rim has to be reworked. */
function judgeUpright(design: AxleDesign, side: Side, targets: Targets): Verdict {
  const points = pointsOf(design, side);
  const { kpi, caster } = standing(points, design.static, design.tyre.radius);
  const within = (value: number, [least, most]: readonly [number, number]) =>
    value >= least && value <= most;
  const rooms = rimClearances(design, points).flatMap(({ clearance }) =>
    clearance === null ? [] : [clearance],
  );
  if (rooms.some((room) => room < 0)) return 'rework';
  const leans =
    rackTravelOf(design) === 0 || (within(kpi, targets.kpi) && within(caster, targets.caster));
  return leans && rooms.every((room) => room >= RIM_CLEARANCE) ? 'accept' : 'near the edge';
}

/** Whether two sets of states say the same. */
export const sameStates = (
  a: Record<Station, StationState>,
  b: Record<Station, StationState>,
): boolean => STATIONS.every((name) => JSON.stringify(a[name]) === JSON.stringify(b[name]));
