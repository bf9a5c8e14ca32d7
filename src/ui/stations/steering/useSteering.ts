import { useMemo } from 'react';
import { isAlike, poseCorner } from '@/core/kinematics/axle';
import type { Axle } from '@/core/kinematics/axle';
import { drawnFrame, frameAt } from '@/core/kinematics/frames';
import type { Frame } from '@/core/kinematics/frames';
import { wheelOf } from '@/core/kinematics/wheel';
import type { Wheel } from '@/core/kinematics/wheel';
import type { AxleDesign, Build, Side } from '@/core/model/build';
import { lockToLock, rackPositions } from '@/core/steering/lockToLock';
import type { LockToLock } from '@/core/steering/lockToLock';
import { steerable, whyNotSteered } from '@/core/steering/steerable';
import { drawnAsTyped, drawnAt } from '../../floor/drawing';
import type { Drawn } from '../../floor/drawing';

/** An odd number: the middle one is the rack's centre. */
const POSITIONS = 81;

/** One axle's two wheels as they stand, each in its own outward axes. */
export type BothDrawn = Record<Side, Drawn>;

/** The front axle's steering at one travel of both wheels and one place of the rack. */
export interface SteeringView {
  /** The left wheel, and the right one where it is not its mirror image. */
  sides: readonly Wheel[];
  axle: Axle;
  /** Both wheels there; as drawn where it cannot be reached. */
  front: BothDrawn;
  /** How the uprights stand there, and as drawn. */
  frames: Record<Side, { posed: Frame; drawn: Frame }>;
}

/** The same, or why there is none. */
export type Steering = { ok: true; view: SteeringView } | { ok: false; why: string };

type Car = Pick<Build, 'front' | 'travel' | 'wheelbase'>;

export function useSteering(
  { front, travel: limits }: Car,
  travel: number,
  rack: number,
): Steering {
  const sides = useMemo(() => {
    const own = { front, travel: limits };
    const left = wheelOf(own, 'front', 'left');
    return isAlike(front) ? [left] : [left, wheelOf(own, 'front', 'right')];
  }, [front, limits]);
  const found = useMemo(() => steerable(sides[0], travel), [sides, travel]);
  return useMemo(() => {
    if (!found.ok) return found;
    const { axle } = found;
    const posed = (side: Side) => {
      const { drawn } = axle[side];
      const pose = poseCorner(axle[side], travel, rack);
      const asDrawn = drawnFrame(drawn.static);
      return pose.ok
        ? { at: drawnAt(drawn, pose.upright), posed: frameAt(pose.upright), drawn: asDrawn }
        : { at: drawnAsTyped(drawn), posed: asDrawn, drawn: asDrawn };
    };
    const both = { left: posed('left'), right: posed('right') };
    return {
      ok: true,
      view: {
        sides,
        axle,
        front: { left: both.left.at, right: both.right.at },
        frames: both,
      },
    };
  }, [found, sides, travel, rack]);
}

/** Over the rack's own travel. */
export interface OverRack {
  axle: Axle;
  sides: readonly Wheel[];
  curve: LockToLock;
}

/** The curve of a front axle, or why there is none. */
export function overRack(
  sides: readonly Wheel[],
  wheelbase: number,
  travel: number,
): ({ ok: true } & OverRack) | { ok: false; why: string } {
  const [front] = sides;
  const found = steerable(front, travel);
  if (!found.ok) return found;
  const racks = rackPositions(-front.steerRange, front.steerRange, POSITIONS);
  const curve = lockToLock(found.axle, wheelbase, travel, racks);
  return curve
    ? { ...found, sides, curve }
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
    const left = wheelOf({ front: design, travel: limits }, 'front', 'left');
    const found = overRack([left], wheelbase, travel);
    return found.ok ? found.curve : null;
  }, [design, limits, wheelbase, travel]);
}
