import type { AxleDesign, Build, Side } from '@/core/model/build';
import { steeringJoints, typeOf } from '@/core/corners/kinds';
import { pointsKey, pointsOf } from '@/core/kinematics/axle';
import type { Point } from '@/core/model/points';

export type Edit = (change: (build: Build) => void, step?: string) => void;

/**
 * Takes the rods' joints of a front axle that was looked at, and its rack or drop arm, and the column that goes with them; everything else stays.
 * @param beside what else is changed in the same step
 */
export const takeFront = (
  onEdit: Edit,
  { rack, dropArm, column, ...from }: AxleDesign,
  beside?: (draft: Build) => void,
): void =>
  onEdit((draft) => {
    const { front } = draft;
    const sides: Side[] = front.rightPoints ? ['left', 'right'] : ['left'];
    for (const side of sides) {
      const looked = pointsOf(from as AxleDesign, side);
      const own = front[pointsKey(front, side)]!;
      for (const name of steeringJoints(typeOf(front))) own[name] = hundredths(looked[name]);
    }
    if (rack) front.rack = { ...rack };
    if (dropArm) front.dropArm = { ...dropArm };
    if (column) front.column = structuredClone(column);
    beside?.(draft);
  });

const hundredths = ({ ahead, out, up }: Point): Point => ({
  ahead: Math.round(100 * ahead) / 100,
  out: Math.round(100 * out) / 100,
  up: Math.round(100 * up) / 100,
});
