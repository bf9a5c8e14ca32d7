import { proxy } from 'comlink';
import { useState } from 'react';
import { finderWorker } from '../bench/finderWorker';

/** A search in the worker: how far it is, and what it found for `of`; anything else puts the answer away. */
export function useSearch<T>(of: object) {
  const [part, setPart] = useState<number | null>(null);
  const [done, setDone] = useState<{ of: object; found: T } | null>(null);
  const start = (run: (onProgress: (part: number) => void) => Promise<T | null>) => {
    setPart(0);
    void run(proxy((now: number) => setPart(now))).then((found) => {
      setPart(null);
      if (found) setDone({ of, found });
    });
  };
  return { part, found: done?.of === of ? done.found : null, start };
}

export const stopSearch = (): void => void finderWorker().cancel();
