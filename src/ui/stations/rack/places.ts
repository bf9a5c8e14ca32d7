import type { Vec } from '@/core/geometry/vec';
import { boxAlong, pointsKey } from '@/core/kinematics/axle';
import type { Wheel } from '@/core/kinematics/wheel';
import type { AxleDesign, Build } from '@/core/model/build';
import { COORDINATES, toPoint } from '@/core/model/points';
import type { Coordinate, Point, PointName, Points } from '@/core/model/points';

export const WAYS: Record<Coordinate, readonly [string, string]> = {
  ahead: ['ahead', 'back'],
  out: ['out', 'in'],
  up: ['up', 'down'],
};

/** A move in words: `13 out, 9.3 down`. */
export function moveInWords(from: Point, to: Point, length: (mm: number) => string): string {
  const parts = COORDINATES.flatMap((c) => {
    const by = to[c] - from[c];
    return Math.abs(by) < 0.05 ? [] : [`${length(Math.abs(by))} ${WAYS[c][by > 0 ? 0 : 1]}`];
  });
  return parts.length === 0 ? 'stays' : parts.join(', ');
}

/** The axle with one joint of the wheel elsewhere, to be looked at. */
export const moved = (wheel: Wheel, point: PointName, at: Vec): AxleDesign =>
  wheel.withRod({ [point]: rounded(toPoint(at)) }).design;

/** Puts a rod's joints into the wheel's points, to a hundredth of a mm; the box of a drag link goes along. */
export const takeRod =
  ({ axle, side }: Wheel, change: Partial<Points>) =>
  (draft: Build): void => {
    const target = draft[axle]!;
    const joints = Object.fromEntries(
      Object.entries(change).flatMap(([name, at]) => (at ? [[name, rounded(at)]] : [])),
    ) as Partial<Points>;
    const box = boxAlong(target, side, joints);
    Object.assign(target[pointsKey(target, side)]!, joints);
    if (box) target.dropArm = box;
  };

const rounded = (p: Point): Point => ({
  ahead: hundredth(p.ahead),
  out: hundredth(p.out),
  up: hundredth(p.up),
});
const hundredth = (mm: number): number => Math.round(mm * 100) / 100;
