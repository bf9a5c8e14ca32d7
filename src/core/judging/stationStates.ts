import { judgeColumn } from '../column/judge';
import { jointLimit } from '../damper/ends';
import { judgeBumpSteer } from '../motion/bumpSteer';
import type { BumpSteer } from '../motion/bumpSteer';
import { rodAsBuilt } from '../strength/rodParts';
import { startingLoads } from '../model/rod';
import { RESERVE, rodStrength } from '../strength/rodStrength';
import type { Closest } from '../clearance/room';
import { articulatedJoints } from '../clearance/articulation';
import type { Articulations } from '../clearance/articulation';
import { nearSideOf, pointNames } from '../corners/kinds';
import { briefOf } from '../model/brief';
import type { Targets } from '../model/brief';
import type { AxleDesign, Build } from '../model/build';
import { openVariantOf } from '../model/variants';
import type { PointName } from '../model/points';
import { isOfBrief, isOfSketch, sketchInWords, sketchedPoints } from '../model/sketch';
import { counted } from '../model/wording';
import { pointLabel, rodWord } from '../model/labels';
import { judgeSteering } from '../steering/steering';
import type { SteeringFigures } from '../steering/steering';
import { isMeasured, takeOffOf } from '../model/takeOff';
import { RIM_CLEARANCE, rimClearances } from '../upright/rim';
import { staticQuantities } from '../upright/staticQuantities';
import { widthOver } from '../upright/width';
import { judgeBand, judgeRoom, worstOf } from '../verdict/verdicts';
import type { Judged, Verdict } from '../verdict/verdicts';
import type { Wheel } from '../kinematics/wheel';
import { planInWords } from '../plan/states';
import { turnedOf } from '../setup/book';
import { judgeParts } from '../shop/judge';
import { STATIONS } from './stations';
import type { Station } from './stations';

/** How a station stands: the worst of what it shows and of what that is, or a few words where there is nothing to judge yet. */
export type StationState = { verdict: Verdict; of: string; frozen?: true } | { words: string };

/** What is known of the wheel shown. */
export interface Known {
  bumpSteer: BumpSteer | null;
  /** Camber per 25 mm at ride height, toe held straight; null out of reach. */
  gain: number | null;
  /** Undefined while they are still looked for. */
  clearances: Closest[] | null | undefined;
  articulations: Articulations | null;
  /** Verdicts on the damper and on what gives first; undefined while they are still looked for. */
  damper?: readonly Judged[] | undefined;
  /** Null where the axle is not steered. */
  steering: SteeringFigures | null;
}

/** How every station stands for the wheel shown. */
export function stationStates(
  build: Build,
  wheel: Wheel,
  targets: Targets,
  known: Known,
): Record<Station, StationState> {
  const { axle, side, design, type, travels, alone } = wheel;
  const other = side === 'left' ? 'right' : 'left';
  const measured = takeOffOf(build).measured.filter(
    (m) =>
      m.axle === axle &&
      (m.side === side || (!design.rightPoints && m.side === other)) &&
      m.point in design.points &&
      isMeasured(m),
  );
  const frozen = openVariantOf(build).frozen ? { frozen: true as const } : {};
  const names = pointNames(type);
  const points = new Set(measured.map(({ point }) => point)).size;
  const { bumpSteer, gain } = known;
  const ofSketch = isOfSketch(build, design);
  const figures = [build, build.front, build.rear].reduce(
    (sum, of) => sum + (of?.sketch?.filter(isOfBrief).length ?? 0),
    0,
  );
  // What nobody has set yet is not judged.
  const state = (judged: Judged[], words: string): StationState => {
    if (ofSketch) return { words: sketchInWords(build, design) };
    const worst = worstOf(judged);
    return worst ? { ...worst, ...frozen } : { words };
  };
  return {
    brief: {
      words:
        figures > 0
          ? `${counted(figures, 'figure')} to set`
          : build.brief
            ? 'targets of your own'
            : 'common practice',
    },
    takeoff: {
      words: points === 0 ? 'nothing measured yet' : `${points} of ${names.length} measured`,
    },
    wheel: state(judgeUpright(wheel, targets), 'nothing to judge'),
    arms:
      alone && gain === null
        ? { words: 'does not reach its travel' }
        : state(
            [
              // Both wheels of a rigid axle lean with it.
              ...(gain === null || !alone ? [] : [judgeGain(gain, targets)]),
              // Where frame or beam hold the kingpins, they set the width.
              ...(alone ? [] : judgeWidth(build, design)),
              // Without a rod the toe over the travel is what arms and links make it.
              ...(!type.tieRod && !type.coupled && bumpSteer ? [judgeToe(bumpSteer, targets)] : []),
              ...judgeClearances(known.clearances, ({ ofDamper }) => !ofDamper),
              ...judgeArticulations(
                build,
                wheel,
                known.articulations,
                articulatedJoints(type).filter((name) => !type.points[name].ofDamper),
              ),
            ],
            'nothing to judge',
          ),
    rack: !type.tieRod
      ? { words: type.coupled ? `at the ${nearSideOf(design)} wheel` : 'no rod' }
      : bumpSteer
        ? state(
            [
              ...(travels ? [judgeToe(bumpSteer, targets)] : []),
              ...judgeClearances(known.clearances, ({ ofRod }) => ofRod),
              ...judgeArticulations(build, wheel, known.articulations, [
                type.tieRod.inner,
                type.tieRod.outer,
              ]),
              ...judgeStrength(build, wheel),
            ],
            '',
          )
        : { words: 'does not reach its travel' },
    steering: known.steering
      ? state(judgeSteering(known.steering, targets), '')
      : { words: 'of the front axle' },
    column: build.front.column
      ? // Nothing of it rests on what a corner's sketch stands in for.
        { ...worstOf(judgeColumn(build.front.column, build.room, 'front'))!, ...frozen }
      : { words: 'none laid yet' },
    damper: damperState(build, wheel, known, frozen),
    shop: shopState(build, wheel, frozen),
    // What was read stands beside the build: its page says how that stands.
    check: { words: 'on the stands' },
    setup: setupState(build, wheel),
    plan: { words: planInWords(build) },
  };
}

/** How the finished wheel is set: a list of what was turned is nothing to judge. */
function setupState(build: Build, wheel: Wheel): StationState {
  const rounds = turnedOf(build, wheel).length;
  return { words: rounds === 0 ? 'as drawn' : `turned ${counted(rounds, 'time')}` };
}

/** Parts are judged once somebody has said what they are made of. */
function shopState(build: Build, wheel: Wheel, frozen: object): StationState {
  if (isOfSketch(build, wheel.design)) return { words: sketchInWords(build, wheel.design) };
  const worst = worstOf(judgeParts(build, wheel));
  return worst ? { ...worst, ...frozen } : { words: 'nothing described yet' };
}

/** A damper stands on where the corner is, and on its own places. */
function damperState(build: Build, wheel: Wheel, known: Known, frozen: object): StationState {
  const { design } = wheel;
  if (!design.damper && !design.strength)
    return { words: wheel.travels ? 'none drawn yet' : 'not described yet' };
  if (isOfSketch(build, design)) return { words: sketchInWords(build, design) };
  const own = sketchedPoints(design, 'damper').length;
  if (own > 0) return { words: `sketch: ${counted(own, 'joint')} to set` };
  const worst = worstOf([
    ...(known.damper ?? []),
    ...judgeClearances(known.clearances, ({ ofDamper }) => ofDamper),
    ...judgeArticulations(
      build,
      wheel,
      known.articulations,
      articulatedJoints(wheel.type).filter((name) => wheel.type.points[name].ofDamper),
    ),
  ]);
  return worst ? { ...worst, ...frozen } : { words: 'its lengths are not said yet' };
}

const judgeGain = (gain: number, targets: Targets): Judged => ({
  verdict: judgeBand(gain, targets.camberGain),
  of: `camber ${gain.toFixed(2)}° per 25 mm`.replace('-', '−'),
});

/** Over the tyres against the rule, where there is one. */
function judgeWidth(build: Build, design: AxleDesign): Judged[] {
  const { width: limit, widthAt } = briefOf(build).limits;
  if (limit === undefined) return [];
  const width = widthOver(design, widthAt);
  return [
    {
      verdict: width > limit + WIDTH_TOLD ? 'rework' : 'accept',
      of: `${width.toFixed(0)} mm over the tyres of ${limit.toFixed(0)} mm allowed`,
    },
  ];
}

/** A width is told no nearer, mm. */
const WIDTH_TOLD = 0.05;

const judgeToe = ({ worst }: BumpSteer, targets: Targets): Judged => ({
  verdict: judgeBumpSteer(worst, targets.bumpSteer),
  of: `bump steer ${worst.toFixed(2)}° straight ahead`,
});

/** A steered upright's lean against its bands, and its joints' room in the rim. */
function judgeUpright({ design, side, points, steered }: Wheel, targets: Targets): Judged[] {
  const { kpi, caster } = staticQuantities(design, side);
  const lean = (value: number | undefined, band: readonly [number, number], word: string) =>
    value === undefined
      ? []
      : [{ verdict: judgeBand(value, band), of: `${word} ${value.toFixed(1)}°` }];
  const leans = [...lean(kpi, targets.kpi, 'KPI'), ...lean(caster, targets.caster, 'caster')];
  const rooms = rimClearances(design, points).flatMap(({ joint, clearance }): Judged[] =>
    clearance === null
      ? []
      : [
          {
            verdict: judgeRoom(clearance, RIM_CLEARANCE),
            of: `${pointLabel(design, joint)} ${inTheRim(clearance)}`,
          },
        ],
  );
  const judged = [...(steered ? leans : []), ...rooms];
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

const judgeArticulations = (
  build: Build,
  wheel: Wheel,
  articulations: Articulations | null,
  names: readonly PointName[],
): Judged[] => {
  if (!articulations) return [];
  return names.map((name) => {
    const { angle } = articulations[name];
    return {
      verdict: angle > jointLimit(build, wheel, name) ? 'rework' : 'accept',
      of: `${pointLabel(wheel.design, name)} articulates ${angle.toFixed(0)}°`,
    };
  });
};

/** Reserves of bolt and rod, as far as somebody said what they are: what is assumed is judged where it is shown. */
function judgeStrength(build: Build, wheel: Wheel): Judged[] {
  const { design } = wheel;
  const { parts, from } = rodAsBuilt(build, wheel);
  const found = rodStrength(wheel, { ...startingLoads(build), ...build.rod, ...parts });
  if (!found) return [];
  const judge = (reserve: number): Verdict =>
    reserve >= RESERVE ? 'accept' : reserve >= 1 ? 'look again' : 'rework';
  const said = (...of: (keyof typeof from)[]) => of.some((part) => from[part] !== 'assumed');
  return [
    ...(said('bolt', 'spacer', 'grade')
      ? [
          {
            verdict: judge(found.boltReserve),
            of: `${rodWord(design)} bolt, reserve ${found.boltReserve.toFixed(1)}`,
          },
        ]
      : []),
    ...(said('outside', 'wall', 'yield')
      ? [
          {
            verdict: judge(found.rodReserve),
            of: `${rodWord(design)}, reserve ${found.rodReserve.toFixed(1)}`,
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
