import { useRef } from 'react';
import { armJointOf, typeOf } from '@/core/corners/kinds';
import { snap } from '@/core/freedoms/freedoms';
import { carried } from '@/core/kinematics/frames';
import { pointsKey, pointsOf } from '@/core/kinematics/axle';
import type { Build } from '@/core/model/build';
import type { Point } from '@/core/model/points';
import { useView } from '../../build/viewStore';
import { useStable } from '../../useStable';
import type { PlanDrag } from './AxlePlan';
import type { Edit } from './take';
import type { Steering } from './useSteering';

/** Every drag is undone as one. */
let drags = 0;

/** To a tenth of a mm: nobody drags finer. */
const tidy = (mm: number): number => Math.round(10 * mm) / 10;

/**
 * Moves an outer joint as it is dragged in plan, its height on the upright kept: what is seen is steered, what is
 * drawn is not. Along its freedoms only. Sides that mirror each other move together.
 */
export function usePlanDrag(
  { front }: Pick<Build, 'front'>,
  found: Steering,
  onEdit: Edit,
): (drag: PlanDrag) => void {
  const held = useRef<{ start: Point; step: string } | null>(null);
  return useStable(({ side, by, first, last }: PlanDrag) => {
    const joint = armJointOf(typeOf(front));
    if (!found.ok || joint === null) return;
    if (first) {
      held.current = {
        start: { ...pointsOf(front, side)[joint] },
        step: `drag-arm-${++drags}`,
      };
      useView.getState().show({ dragging: true });
    }
    if (held.current) {
      const { start, step } = held.current;
      const { posed, drawn } = found.view.frames[side];
      // So far up as keeps the joint's height on the upright.
      const level = carried([by.ahead, by.out, 0], posed, drawn);
      const rise = carried([0, 0, 1], posed, drawn);
      const up = -level[2] / rise[2];
      const moved = { ahead: level[0] + up * rise[0], out: level[1] + up * rise[1] };
      const own = front.freedoms?.[joint];
      const to = { ...start };
      for (const c of ['ahead', 'out'] as const)
        to[c] = tidy(snap(own?.[c], start[c] + moved[c], start[c]));
      onEdit((draft) => {
        draft.front[pointsKey(draft.front, side)]![joint] = to;
      }, step);
    }
    if (last) {
      held.current = null;
      useView.getState().show({ dragging: false });
    }
  });
}
