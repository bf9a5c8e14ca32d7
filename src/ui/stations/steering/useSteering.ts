import { useMemo } from 'react';
import { poseCorner } from '@/core/kinematics/axle';
import type { Axle } from '@/core/kinematics/axle';
import { wheelOf } from '@/core/kinematics/wheel';
import type { Wheel } from '@/core/kinematics/wheel';
import type { AxleDesign, Build, Side } from '@/core/model/build';
import { lockToLock, rackPositions } from '@/core/steering/lockToLock';
import type { LockToLock } from '@/core/steering/lockToLock';
import { steerable, whyNotSteered } from '@/core/steering/steerable';
import { drawnAsTyped, drawnAt } from '../../floor/drawing';
import type { BothDrawn } from './CarPlan';

/** An odd number: the middle one is the rack's centre. */
const POSITIONS = 81;

/** The front axle's steering at one travel of both wheels: over the rack, and where the rack is. */
export interface SteeringView {
  /** The left wheel, and the right one where it is not its mirror image. */
  sides: readonly Wheel[];
  axle: Axle;
  curve: LockToLock;
  /** The one position shown. */
  now: LockToLock;
  /** Both wheels there; as drawn where it cannot be reached. */
  front: BothDrawn;
}

/** The same, or why there is none. */
export type Steering = { ok: true; view: SteeringView } | { ok: false; why: string };

type Car = Pick<Build, 'front' | 'travel' | 'wheelbase'>;

/** Over the rack's own travel. */
function overRack(front: Wheel, wheelbase: number, travel: number) {
  const found = steerable(front, travel);
  if (!found.ok) return found;
  const racks = rackPositions(-front.rackTravel, front.rackTravel, POSITIONS);
  const curve = lockToLock(found.axle, wheelbase, travel, racks);
  return curve
    ? { ...found, curve }
    : { ok: false as const, why: `at ride height, ${whyNotSteered(found.axle, 0, 0)}` };
}

/** The curve of a front axle drawn otherwise, to compare with; null where there is none. */
export function useSteeringCurve(
  design: AxleDesign | undefined,
  { travel: limits, wheelbase }: Car,
  travel: number,
): LockToLock | null {
  return useMemo(() => {
    if (!design) return null;
    const found = overRack(
      wheelOf({ front: design, travel: limits }, 'front', 'left'),
      wheelbase,
      travel,
    );
    return found.ok ? found.curve : null;
  }, [design, limits, wheelbase, travel]);
}

export function useSteering(
  { front, travel: limits, wheelbase }: Car,
  travel: number,
  rack: number,
): Steering {
  const sides = useMemo(() => {
    const own = { front, travel: limits };
    const left = wheelOf(own, 'front', 'left');
    return front.rightPoints ? [left, wheelOf(own, 'front', 'right')] : [left];
  }, [front, limits]);
  const over = useMemo(() => overRack(sides[0], wheelbase, travel), [sides, wheelbase, travel]);
  return useMemo(() => {
    if (!over.ok) return over;
    const { axle, curve } = over;
    const drawn = (side: Side) => {
      const pose = poseCorner(axle[side], travel, rack);
      return pose.ok ? drawnAt(axle[side].drawn, pose.upright) : drawnAsTyped(axle[side].drawn);
    };
    const now = lockToLock(axle, wheelbase, travel, Float64Array.of(rack))!;
    const both = { left: drawn('left'), right: drawn('right') };
    return { ok: true, view: { sides, axle, curve, now, front: both } };
  }, [over, sides, wheelbase, travel, rack]);
}
