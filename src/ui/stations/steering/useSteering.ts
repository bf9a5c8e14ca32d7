import { useMemo } from 'react';
import { poseCorner } from '@/core/kinematics/axle';
import type { Axle } from '@/core/kinematics/axle';
import { wheelOf } from '@/core/kinematics/wheel';
import type { Wheel } from '@/core/kinematics/wheel';
import type { Build, Side } from '@/core/model/build';
import { lockToLock, rackPositions } from '@/core/steering/lockToLock';
import type { LockToLock } from '@/core/steering/lockToLock';
import { drawnAsTyped, drawnAt } from '../../floor/drawing';
import type { BothDrawn } from './CarPlan';

const POSITIONS = 81;

/** The front axle's steering at one travel of both wheels: over the rack, and where the rack is. */
export interface SteeringView {
  wheels: Record<Side, Wheel>;
  axle: Axle;
  curve: LockToLock;
  /** The one position shown. */
  now: LockToLock;
  /** Both wheels there; as drawn where it cannot be reached. */
  front: BothDrawn;
}

/** The same, or why there is none, in a sentence. */
export type Steering = { ok: true; view: SteeringView } | { ok: false; why: string };

export function useSteering(
  build: Pick<Build, 'front' | 'travel' | 'wheelbase'>,
  travel: number,
  rack: number,
): Steering {
  const { front, travel: limits, wheelbase } = build;
  const wheels = useMemo(
    () => ({
      left: wheelOf({ front, travel: limits }, 'front', 'left'),
      right: wheelOf({ front, travel: limits }, 'front', 'right'),
    }),
    [front, limits],
  );
  const over = useMemo((): { axle: Axle; curve: LockToLock } | string => {
    const { solved, steered, rackTravel } = wheels.left;
    if (!steered)
      return 'The front wheels are not steered: say in the brief how far the rack goes each way.';
    if (!solved.ok) return `The front axle cannot be solved: ${solved.faults[0].message}.`;
    const racks = rackPositions(-rackTravel, rackTravel, POSITIONS);
    const curve = lockToLock(solved.axle, wheelbase, travel, racks);
    if (curve) return { axle: solved.axle, curve };
    for (const side of ['left', 'right'] as const) {
      const pose = poseCorner(solved.axle[side], travel, 0);
      if (!pose.ok) return `With the rack centred, ${side}: ${pose.why}.`;
    }
    return 'The front wheels do not stand at this travel with the rack centred.';
  }, [wheels, wheelbase, travel]);
  return useMemo(() => {
    if (typeof over === 'string') return { ok: false, why: over };
    const { axle } = over;
    const drawn = (side: Side) => {
      const pose = poseCorner(axle[side], travel, rack);
      return pose.ok ? drawnAt(axle[side].drawn, pose.upright) : drawnAsTyped(axle[side].drawn);
    };
    const now = lockToLock(axle, wheelbase, travel, Float64Array.of(rack))!;
    const view = { wheels, ...over, now, front: { left: drawn('left'), right: drawn('right') } };
    return { ok: true, view };
  }, [over, wheels, wheelbase, travel, rack]);
}
