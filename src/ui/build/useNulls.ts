import { useEffect, useMemo, useState } from 'react';
import type * as Library from '@/core/bumpsteer/nulls';
import type { Nulls } from '@/core/bumpsteer/nulls';
import type { Wheel } from '@/core/kinematics/wheel';

let loaded: typeof Library | null = null;

/** Null lines of the wheel shown while they are wanted. What finds them is fetched when it is first wanted. */
export function useNulls(wanted: boolean, wheel: Wheel): Nulls | null {
  const [library, setLibrary] = useState(loaded);
  useEffect(() => {
    if (!wanted || library) return;
    void import('@/core/bumpsteer/nulls').then((module) => {
      loaded = module;
      setLibrary(module);
    });
  }, [wanted, library]);
  return useMemo(
    () => (wanted && library ? library.nullsOf(wheel) : null),
    [wanted, library, wheel],
  );
}
