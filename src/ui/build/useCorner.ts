import { useMemo } from 'react';
import { POSITIONS, bumpSteer } from '@/core/motion/bumpSteer';
import type { BumpSteer } from '@/core/motion/bumpSteer';
import { poseCorner } from '@/core/kinematics/axle';
import type { Axle, AxleCorner } from '@/core/kinematics/axle';
import type { HalfShaft, Side, Travel } from '@/core/model/build';
import type { DrawnCorner } from '@/core/kinematics/corner';
import { Linkage } from '@/core/damper/linkage';
import type { LineAt } from '@/core/damper/linkage';
import { shaftAt } from '@/core/motion/halfShaft';
import type { ShaftPose } from '@/core/motion/halfShaft';
import { makeSweep, readAt, runSweep, travelSweep } from '@/core/motion/sweep';
import type { Reading, Sweep } from '@/core/motion/sweep';
import { drawnAsTyped, drawnAt } from '../floor/drawing';
import type { Drawn } from '../floor/drawing';
import type { Wheel } from '@/core/kinematics/wheel';

/** Positions of a corner: the one shown, ride height, over the travel. */
type Where = 'at' | 'ride' | 'sweep';

/** Everything the page shows of one wheel in one position. */
export interface CornerView {
  /** Both wheels, solved; null where the layout cannot be. */
  axle: Axle | null;
  side: Side;
  /** The half-shaft in every position of the sweeps; null where there is none, or out of reach. */
  shafts: Record<Where, (ShaftPose | null)[]> | null;
  /** The damper in every position of the sweeps; null where there is none. */
  dampers: Record<Where, (LineAt | null)[]> | null;
  reading: Reading;
  drawn: Drawn;
  /** The position shown, the one position of a sweep. */
  at: Sweep;
  /** Over the travel at the rack position shown. */
  sweep: Sweep;
  /** Ride height at that rack position, the one position of a sweep. */
  ride: Sweep;
  /** The same as the other wheel goes down while this one goes up, of wheels that are coupled; null of others. */
  inRoll: Record<Where, Sweep> | null;
  /** At full bump and full droop at that rack position, as far as they are reached. */
  ghosts: Drawn[];
  /** With the steering straight ahead. */
  bumpSteer: BumpSteer | null;
}

/** Solves one wheel for the page: the layout's part once an edit, the position's once a move. */
export function useCorner(wheel: Wheel, position: Position): CornerView;
export function useCorner(wheel: Wheel | null, position: Position): CornerView | null;
export function useCorner(wheel: Wheel | null, position: Position): CornerView | null {
  const layout = useMemo(() => wheel && solveLayout(wheel), [wheel]);
  const curve = useMemo(
    () => layout && sweepAtRack(layout, position.rack),
    [layout, position.rack],
  );
  const posed = useMemo(() => layout && poseAt(layout, position), [layout, position]);
  return useMemo(
    () =>
      wheel &&
      layout &&
      curve &&
      posed && {
        ...posed,
        ...curve,
        axle: layout.axle,
        side: wheel.side,
        bumpSteer: layout.bumpSteer,
        shafts: posed.shaft && curve.shafts && { at: posed.shaft, ...curve.shafts },
        dampers: posed.damper && curve.dampers && { at: posed.damper, ...curve.dampers },
        inRoll: curve.inRoll && posed.atInRoll && { at: posed.atInRoll, ...curve.inRoll },
      },
    [wheel, layout, curve, posed],
  );
}

export interface Position {
  travel: number;
  rack: number;
  /** The axle's other wheel goes down as this one goes up: only wheels that are coupled heed it. */
  opposite?: boolean;
}

interface Layout {
  travel: Travel;
  axle: Axle | null;
  shaft: HalfShaft | undefined;
  linkage: Linkage | null;
  corner: AxleCorner | null;
  /** Why there is no corner. */
  fault: string;
  /** The wheel as it is drawn. */
  typed: DrawnCorner;
  bumpSteer: BumpSteer | null;
}

function solveLayout({ solved, corner, side, design, drawn, travel }: Wheel): Layout {
  return {
    travel,
    axle: solved.ok ? solved.axle : null,
    shaft: design.halfShaft,
    linkage: corner && design.damper ? new Linkage(corner, design.damper) : null,
    corner,
    fault: solved.ok
      ? ''
      : (solved.faults.find((f) => f.side === side) ?? solved.faults[0]).message,
    typed: drawn,
    bumpSteer: corner && bumpSteer(corner, travel),
  };
}

/** Whether a wheel stands otherwise in roll than in heave. */
const rolls = ({ typed }: Layout): boolean => typed.coupled !== undefined && !typed.type.noTravel;

function poseAt(layout: Layout, { travel, rack, opposite }: Position) {
  const { corner, fault, typed } = layout;
  if (!corner)
    return {
      reading: { ok: false, why: fault } as Reading,
      drawn: drawnAsTyped(typed),
      at: makeSweep(1),
      atInRoll: null,
      shaft: null,
      damper: null,
    };
  const goes = opposite ? -1 : 1;
  const pose = poseCorner(corner, travel, rack, goes * travel);
  const swept = (way: 1 | -1) => {
    const at = makeSweep(1);
    at.travel[0] = travel;
    at.rack[0] = rack;
    runSweep(corner, at, way);
    return at;
  };
  const at = swept(1);
  return {
    at,
    atInRoll: rolls(layout) ? swept(-1) : null,
    shaft: shaftsOver(layout, at),
    damper: dampersOver(layout, at),
    reading: readAt(corner, travel, rack, goes),
    drawn: pose.ok ? drawnAt(typed, pose.upright) : drawnAsTyped(typed),
  };
}

function sweepAtRack(layout: Layout, rack: number) {
  const { corner, typed, travel } = layout;
  const swept = (goes: 1 | -1) => {
    const sweep = travelSweep(travel, POSITIONS, rack);
    const ride = makeSweep(1);
    ride.rack[0] = rack;
    if (corner) {
      runSweep(corner, sweep, goes);
      runSweep(corner, ride, goes);
    }
    return { sweep, ride };
  };
  const { sweep, ride } = swept(1);
  const inRoll = rolls(layout) ? swept(-1) : null;
  const ends = corner ? [travel.bump, -travel.droop].map((at) => poseCorner(corner, at, rack)) : [];
  const ghosts = ends.flatMap((pose) => (pose.ok ? [drawnAt(typed, pose.upright)] : []));
  const over = shaftsOver(layout, sweep);
  const overDampers = dampersOver(layout, sweep);
  return {
    sweep,
    ride,
    inRoll,
    ghosts,
    shafts: over && { sweep: over, ride: shaftsOver(layout, ride)! },
    dampers: overDampers && { sweep: overDampers, ride: dampersOver(layout, ride)! },
  };
}

/** The damper in every position of a sweep; null where the axle has none. */
function dampersOver({ linkage }: Layout, sweep: Sweep): (LineAt | null)[] | null {
  return (
    linkage &&
    Array.from(sweep.travel, (travel, i) => linkage.at(travel, sweep.rack[i])?.damper ?? null)
  );
}

/** The half-shaft in every position of a sweep; null where the axle has none. */
function shaftsOver({ corner, shaft }: Layout, sweep: Sweep): (ShaftPose | null)[] | null {
  if (!corner || !shaft) return null;
  return Array.from(sweep.travel, (travel, i) => {
    const pose = poseCorner(corner, travel, sweep.rack[i]);
    return pose.ok ? shaftAt(shaft, pose.upright) : null;
  });
}
