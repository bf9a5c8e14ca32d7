import { useEffect, useMemo, useState } from 'react';
import type * as Library from '@/core/bumpsteer/nulls';
import type { Nulls } from '@/core/bumpsteer/nulls';
import type { Axle } from '@/core/kinematics/axle';
import type { AxleDesign, Side, Travel } from '@/core/model/build';

let loaded: typeof Library | null = null;

/** Null lines of the wheel shown while they are wanted. What finds them is fetched when it is first wanted. */
export function useNulls(
  wanted: boolean,
  axle: Axle | null,
  design: AxleDesign,
  side: Side,
  travel: Travel,
): Nulls | null {
  const [library, setLibrary] = useState(loaded);
  useEffect(() => {
    if (!wanted || library) return;
    void import('@/core/bumpsteer/nulls').then((module) => {
      loaded = module;
      setLibrary(module);
    });
  }, [wanted, library]);
  return useMemo(
    () => (wanted && library && axle ? library.nullsOf(axle, design, side, travel) : null),
    [wanted, library, axle, design, side, travel],
  );
}
