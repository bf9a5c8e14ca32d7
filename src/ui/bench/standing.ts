import { judgeBumpSteer } from '@/core/bumpsteer/bumpSteer';
import type { BumpSteer } from '@/core/bumpsteer/bumpSteer';
import { rodAsBuilt } from '@/core/bumpsteer/rodParts';
import { STARTING_LOADS } from '@/core/bumpsteer/rodSchema';
import { RESERVE, rodStrength } from '@/core/bumpsteer/rodStrength';
import { kindOf } from '@/core/clearance/jointStates';
import type { Closest } from '@/core/clearance/room';
import { TILT_LIMITS, startingRoom } from '@/core/clearance/roomSchema';
import { TILTING } from '@/core/clearance/tilt';
import type { Tilt, Tilting } from '@/core/clearance/tilt';
import { pointsOf, rackTravelOf } from '@/core/kinematics/axle';
import type { Targets } from '@/core/model/brief';
import type { AxleDesign, AxleName, Build, Side } from '@/core/model/build';
import { openLayoutOf } from '@/core/model/layouts';
import { POINT_NAMES, pointLabel } from '@/core/model/points';
import { judgeSteering } from '@/core/steering/steering';
import type { SteeringFigures } from '@/core/steering/steering';
import { isMeasured, takeOffOf } from '@/core/takeoff/records';
import { RIM_CLEARANCE, rimClearances } from '@/core/upright/rim';
import { standing } from '@/core/upright/standing';
import { judgeBand, judgeRoom, worstOf } from '@/core/verdict/verdicts';
import type { Judged, Verdict } from '@/core/verdict/verdicts';
import { STATIONS } from './viewStore';
import type { Station } from './viewStore';

/** How a station stands: the worst of what it shows and of what that is, or a few words where there is nothing to judge yet. */
export type StationState = { verdict: Verdict; of: string; frozen?: true } | { words: string };

/** What is known of the wheel shown. */
export interface Known {
  bumpSteer: BumpSteer | null;
  /** Camber per 25 mm at ride height, toe held straight; null out of reach. */
  gain: number | null;
  /** Undefined while they are still looked for. */
  clearances: Closest[] | null | undefined;
  tilts: Record<Tilting, Tilt> | null;
  /** Null where the axle is not steered. */
  steering: SteeringFigures | null;
}

/** How every station stands for the wheel shown. */
export function stationStates(
  build: Build,
  axle: AxleName,
  side: Side,
  design: AxleDesign,
  targets: Targets,
  known: Known,
): Record<Station, StationState> {
  const other = side === 'left' ? 'right' : 'left';
  const measured = takeOffOf(build).measured.filter(
    (m) =>
      m.axle === axle &&
      (m.side === side || (!design.rightPoints && m.side === other)) &&
      isMeasured(m),
  );
  const frozen = openLayoutOf(build).frozen ? { frozen: true as const } : {};
  const points = new Set(measured.map(({ point }) => point)).size;
  const { bumpSteer, gain } = known;
  const state = (judged: Judged[], words: string): StationState => {
    const worst = worstOf(judged);
    return worst ? { ...worst, ...frozen } : { words };
  };
  return {
    brief: { words: build.brief ? 'targets of your own' : 'common practice' },
    takeoff: {
      words: points === 0 ? 'nothing measured yet' : `${points} of ${POINT_NAMES.length} measured`,
    },
    wheel: state(judgeUpright(design, side, targets), 'nothing to judge'),
    arms:
      gain === null
        ? { words: 'does not reach its travel' }
        : state(
            [
              {
                verdict: judgeBand(gain, targets.camberGain),
                of: `camber ${gain.toFixed(2)}° per 25 mm`.replace('-', '−'),
              },
              ...judgeClearances(known.clearances, () => true),
              ...judgeTilts(build, design, known.tilts, TILTING),
            ],
            '',
          ),
    rack: bumpSteer
      ? state(
          [
            {
              verdict: judgeBumpSteer(bumpSteer.worst, targets.bumpSteer),
              of: `bump steer ${bumpSteer.worst.toFixed(2)}° straight ahead`,
            },
            ...(known.steering ? judgeSteering(known.steering, targets) : []),
            ...judgeClearances(known.clearances, ({ what }) => what.startsWith('tie rod')),
            ...judgeTilts(build, design, known.tilts, ['tieRodInner', 'tieRodOuter']),
            ...judgeStrength(build, design, side),
          ],
          '',
        )
      : { words: 'does not reach its travel' },
  };
}

/** A steered upright's lean against its bands, and its joints' room in the rim. */
function judgeUpright(design: AxleDesign, side: Side, targets: Targets): Judged[] {
  const points = pointsOf(design, side);
  const { kpi, caster } = standing(points, design.static, design.tyre.radius);
  const leans = [
    { verdict: judgeBand(kpi, targets.kpi), of: `KPI ${kpi.toFixed(1)}°` },
    { verdict: judgeBand(caster, targets.caster), of: `caster ${caster.toFixed(1)}°` },
  ];
  const rooms = rimClearances(design, points).flatMap(({ joint, clearance }): Judged[] =>
    clearance === null
      ? []
      : [
          {
            verdict: judgeRoom(clearance, RIM_CLEARANCE),
            of: `${pointLabel(joint, true)} ${inTheRim(clearance)}`,
          },
        ],
  );
  const judged = [...(rackTravelOf(design) === 0 ? [] : leans), ...rooms];
  // A wheel that is not steered and has no rim yet may lean as it likes.
  return judged.length > 0 ? judged : [{ verdict: 'accept', of: 'nothing in its way' }];
}

const inTheRim = (clearance: number): string =>
  clearance < 0
    ? `${(-clearance).toFixed(0)} mm into the rim`
    : `${clearance.toFixed(0)} mm from the rim`;

const judgeClearances = (
  list: Closest[] | null | undefined,
  asked: (one: Closest) => boolean,
): Judged[] =>
  (list ?? []).filter(asked).map(({ what, to, clearance, wanted }) => ({
    verdict: judgeRoom(clearance, wanted),
    of: `${what} ${clearance < 0 ? `${(-clearance).toFixed(0)} mm into` : `${clearance.toFixed(0)} mm from`} ${to}`,
  }));

const judgeTilts = (
  build: Build,
  design: AxleDesign,
  tilts: Record<Tilting, Tilt> | null,
  names: readonly Tilting[],
): Judged[] => {
  if (!tilts) return [];
  const steered = rackTravelOf(design) > 0;
  const limits = (build.room ?? startingRoom()).wanted;
  return names.map((name) => {
    const kind = kindOf(name, steered);
    const { tilt } = tilts[name];
    return {
      verdict: tilt > (limits[kind] ?? TILT_LIMITS[kind]) ? 'rework' : 'accept',
      of: `${pointLabel(name, steered)} tilts ${tilt.toFixed(0)}°`,
    };
  });
};

/** Reserves of bolt and rod, as far as somebody said what they are: what is assumed is judged where it is shown. */
function judgeStrength(build: Build, design: AxleDesign, side: Side): Judged[] {
  const { parts, from } = rodAsBuilt(build, design, side);
  const points = pointsOf(design, side);
  const { scrub } = standing(points, design.static, design.tyre.radius);
  const found = rodStrength(
    points,
    { scrub, width: design.tyre.width },
    { ...STARTING_LOADS, ...build.rod, ...parts },
  );
  const judge = (reserve: number): Verdict =>
    reserve >= RESERVE ? 'accept' : reserve >= 1 ? 'look again' : 'rework';
  const said = (...of: (keyof typeof from)[]) => of.some((part) => from[part] !== 'assumed');
  return [
    ...(said('bolt', 'spacer', 'grade')
      ? [
          {
            verdict: judge(found.boltReserve),
            of: `tie-rod bolt, reserve ${found.boltReserve.toFixed(1)}`,
          },
        ]
      : []),
    ...(said('outside', 'wall', 'yield')
      ? [
          {
            verdict: judge(found.rodReserve),
            of: `tie rod, reserve ${found.rodReserve.toFixed(1)}`,
          },
        ]
      : []),
  ];
}

/** Whether two sets of states say the same. */
export const sameStates = (
  a: Record<Station, StationState>,
  b: Record<Station, StationState>,
): boolean => STATIONS.every((name) => JSON.stringify(a[name]) === JSON.stringify(b[name]));
