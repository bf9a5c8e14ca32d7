import { useEffect, useMemo, useRef, useState } from 'react';
import type { Closest } from '@/core/clearance/room';
import type { Wheel } from '@/core/kinematics/wheel';
import type { Build } from '@/core/model/build';
import { finderWorker } from '../../build/finderWorker';

/** Between two looks, ms: the drawing needs the machine too. */
const BREATH = 60;

/** The tightest places, or undefined until they are known, and whether something was changed since. */
export interface Clearances {
  list: Closest[] | null | undefined;
  stale: boolean;
}

interface Asked {
  build: Build;
  wheel: Wheel;
}

/**
 * The tightest places of a wheel, looked for in the worker, one layout at a time: while a joint is dragged
 * as often as the worker answers, and always the last one.
 * @returns `list` is undefined until the first answer, null where the layout cannot be solved
 */
export function useClearances(build: Build, wheel: Wheel): Clearances {
  const [found, setFound] = useState<{ of: Asked; list: Closest[] | null } | null>(null);
  const wanted = useRef<Asked>({ build, wheel });
  const looking = useRef(false);
  useEffect(() => {
    wanted.current = { build, wheel };
    const look = async () => {
      looking.current = true;
      for (let of: Asked | null = null; of !== wanted.current;) {
        of = wanted.current;
        const list = await finderWorker().clearances(of.build, of.wheel.axle, of.wheel.side);
        setFound({ of, list });
        await new Promise((resolve) => setTimeout(resolve, BREATH));
      }
    };
    if (!looking.current) void look().finally(() => (looking.current = false));
  }, [build, wheel]);
  const list = found?.list;
  const stale = found?.of.build !== build || found.of.wheel !== wheel;
  return useMemo(() => ({ list, stale }), [list, stale]);
}
