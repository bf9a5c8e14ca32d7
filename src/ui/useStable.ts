import { useCallback, useEffect, useRef } from 'react';

/** A callback that stays the same for its whole life and always runs the latest version. */
export function useStable<A extends unknown[], R>(callback: (...args: A) => R): (...args: A) => R {
  const latest = useRef(callback);
  useEffect(() => {
    latest.current = callback;
  });
  return useCallback((...args: A) => latest.current(...args), []);
}
