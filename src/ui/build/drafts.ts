import { openDB } from 'idb';
import type { DBSchema, IDBPDatabase } from 'idb';
import type { Build } from '@/core/model/build';

/** What was typed and had not reached the server when its window was last heard of. */
export interface Draft {
  /** The window that holds it. */
  window: string;
  /** The build it is of, and the saved version it was typed over. */
  id: string;
  version: number;
  /** When it was last typed at, ISO 8601. */
  at: string;
  build: Build;
}

interface Kept extends DBSchema {
  drafts: { key: string; value: Draft };
}

const NAME = 'havrik';
let opened: Promise<IDBPDatabase<Kept>> | null = null;

const store = (): Promise<IDBPDatabase<Kept>> =>
  (opened ??= openDB<Kept>(NAME, 1, {
    upgrade: (database) => void database.createObjectStore('drafts', { keyPath: 'window' }),
    terminated: () => {
      opened = null;
    },
  }));

/** A browser may keep nothing: drafts are then gone with the page, as they would be without them. */
const ifKept = async <T>(work: (database: IDBPDatabase<Kept>) => Promise<T>): Promise<T | null> => {
  try {
    return await work(await store());
  } catch {
    return null;
  }
};

/** How long one write is left to stand before the next, ms: a hand that drags a joint makes sixty a second. */
const PAUSE = 150;

const lockOf = (window: string) => `havrik-window-${window}`;

/**
 * Keeps the draft of one window. While the window lives nobody else is offered what it holds: a lock,
 * which the browser lets go of with the page, says so.
 */
export function draftKeeper(window: string) {
  let latest: Draft | null = null;
  let writing: Promise<unknown> | null = null;
  let letGo: () => void = () => undefined;
  void navigator.locks?.request(
    lockOf(window),
    () => new Promise<void>((resolve) => (letGo = resolve)),
  );

  let pause: ReturnType<typeof setTimeout> | null = null;

  const write = (): void => {
    if (writing) return;
    if (pause !== null) clearTimeout(pause);
    pause = null;
    const written = latest;
    writing = ifKept<unknown>((database) =>
      written ? database.put('drafts', written) : database.delete('drafts', window),
    );
    void writing.then(() => {
      writing = null;
      // What is saved is forgotten at once: nobody is to be offered it.
      if (written === null || latest === null) {
        if (latest !== written) write();
        return;
      }
      pause = setTimeout(() => {
        pause = null;
        if (latest !== written) write();
      }, PAUSE);
    });
  };
  return {
    keep(draft: Pick<Draft, 'id' | 'version' | 'build'> | null): void {
      latest = draft && { ...draft, window, at: new Date().toISOString() };
      if (latest === null || pause === null) write();
    },
    /** The window is gone, or has done with its build. */
    release: () => letGo(),
  };
}

/** Drafts of windows that are gone, the last typed first: of one build, or of all. */
export async function abandonedDrafts(id?: string): Promise<Draft[]> {
  const all = (await ifKept((database) => database.getAll('drafts'))) ?? [];
  const { held = [], pending = [] } = (await navigator.locks?.query()) ?? {};
  const alive = new Set([...held, ...pending].map(({ name }) => name));
  return all
    .filter((draft) => (id === undefined || draft.id === id) && !alive.has(lockOf(draft.window)))
    .sort((a, b) => b.at.localeCompare(a.at));
}

export const dropDraft = (window: string): Promise<unknown> =>
  ifKept((database) => database.delete('drafts', window));
