import { useMemo } from 'react';
import type { Closest } from '@/core/clearance/room';
import type { Wheel } from '@/core/kinematics/wheel';
import type { Build } from '@/core/model/build';
import { finderWorker } from '../../build/finderWorker';
import { useAnswer } from '../../build/useAnswer';

/** The tightest places, or undefined until they are known, and whether something was changed since. */
export interface Clearances {
  list: Closest[] | null | undefined;
  stale: boolean;
}

interface Asked {
  build: Build;
  wheel: Wheel;
}

const ask = ({ build, wheel }: Asked): Promise<Closest[] | null> =>
  finderWorker().clearances(build, wheel.axle, wheel.side);

/**
 * The tightest places of a wheel, looked for in the worker, while a joint is dragged as often as it answers.
 * @returns `list` is undefined until the first answer, null where the layout cannot be solved
 */
export function useClearances(build: Build, wheel: Wheel): Clearances {
  const asked = useMemo(() => ({ build, wheel }), [build, wheel]);
  const { of: list, stale } = useAnswer(asked, ask);
  return useMemo(() => ({ list, stale }), [list, stale]);
}
