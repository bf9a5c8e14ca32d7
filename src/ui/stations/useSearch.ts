import { proxy } from 'comlink';
import { create } from 'zustand';
import { finderWorker } from '../build/finderWorker';

/** What a finder is looking for or found, kept while other parts of a station are looked at. */
interface Search {
  /** How far it is; null where it is not looking. */
  part: number | null;
  /** The design and the wishes it found something for. */
  of: object | null;
  asked: string;
  found: unknown;
}

const NONE: Search = { part: null, of: null, asked: '', found: null };
const useSearches = create<Record<string, Search>>()(() => ({}));
const put = (kind: string, change: Partial<Search>) =>
  useSearches.setState((all) => ({ [kind]: { ...(all[kind] ?? NONE), ...change } }));

/**
 * A search in the worker: how far it is, and what it found for `of`; another design puts the answer away. What
 * was found for other wishes is told as that.
 * @param kind one search is kept of each kind
 * @param asked the wishes it is asked with
 */
export function useSearch<T>(kind: string, of: object, asked: unknown) {
  const search = useSearches((all) => all[kind]) ?? NONE;
  const wishes = JSON.stringify(asked);
  const start = (run: (onProgress: (part: number) => void) => Promise<T | null>) => {
    put(kind, { part: 0 });
    let ended = false;
    // How far it is comes on another way than the answer, and may come after it.
    void run(proxy((now: number) => ended || put(kind, { part: now })))
      .then((found) => found && put(kind, { of, asked: wishes, found }))
      .finally(() => {
        ended = true;
        put(kind, { part: null });
      });
  };
  const current = search.of === of;
  return {
    part: search.part,
    found: current ? (search.found as T) : null,
    /** Wishes were changed since it was found. */
    stale: current && search.asked !== wishes,
    start,
  };
}

export const stopSearch = (): void => void finderWorker().cancel();
