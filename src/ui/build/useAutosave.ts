import { useSnackbar } from 'notistack';
import { useEffect, useRef, useState } from 'react';
import { create } from 'zustand';
import type { Opened } from '@/server/reading';
import { addBuild } from '../builds/addBuild';
import { createAutosave } from './autosave';
import type { SaveState } from './autosave';
import type { BuildStore } from './buildStore';
import { goOnAs } from './place';
import { depart } from './departures';
import { abandonedDrafts, draftKeeper, dropDraft } from './drafts';
import type { Draft } from './drafts';

/** How saving stands, apart from the build so that only its mark redraws. */
export const useSaveState = create<SaveState>(() => ({ kind: 'saved' }));

/** Other windows of this browser tell each other what they have saved. */
const CHANNEL = 'havrik-saves';

/** What the page can do about saving, besides letting it happen. */
export interface Saving {
  /** The program was updated since this page was loaded. */
  updated: boolean;
  /** What a window that is gone had not saved of this build. */
  draft: Draft | null;
  /** Goes on with the draft: here, or in a build of its own where this one was saved since. */
  takeDraft: () => Promise<void>;
  /** Leaves the draft alone, until the build is opened again; or throws it away. */
  leaveDraft: (forGood: boolean) => void;
  /** Makes a new build of what is open, and goes on in it. */
  saveAsNew: () => Promise<void>;
  /** Sends again what was not taken. */
  again: () => void;
}

/**
 * Keeps the open build saved, and this window in step with others: what another one saves shows here
 * as long as nothing unsaved stands in its way.
 * @param version of the build that the store was made with; what a page is given later is not its own
 */
export function useAutosave(context: BuildStore, id: string, version: number): Saving {
  const { store } = context;
  const { enqueueSnackbar } = useSnackbar();
  const [first] = useState({ id, version });
  const [updated, setUpdated] = useState(false);
  const [drafts, setDrafts] = useState<Draft[]>([]);
  const saver = useRef<Saver>(null);

  useEffect(() => {
    const made = keepSaved(store, first, {
      onUpdated: () => setUpdated(true),
      onDrafts: setDrafts,
      onKept: (name) =>
        enqueueSnackbar(
          `Another window changed this build. Neither is lost: yours goes on here as “${name}”, the other keeps its name.`,
          { variant: 'warning', persist: true },
        ),
    });
    saver.current = made;
    return () => depart(made.autosave.current().id, made.leave());
  }, [store, first, enqueueSnackbar]);

  const draft = drafts.at(0) ?? null;
  const next = () => setDrafts(([, ...rest]) => rest);
  const say = (message: string) => enqueueSnackbar(message, { variant: 'error' });
  return {
    updated,
    draft,
    takeDraft: async () => {
      const autosave = saver.current?.autosave;
      if (!draft || !autosave) return;
      if (autosave.isClean() && autosave.current().version === draft.version)
        store.getState().replace(draft.build);
      else {
        const made = await addBuild(draft.build);
        if (!made) {
          say('Havrik’s server does not answer: nothing was taken.');
          return;
        }
        enqueueSnackbar(
          `This build was changed or saved since: they are now “${made.name}” in the list.`,
        );
      }
      await dropDraft(draft.window);
      next();
    },
    leaveDraft: (forGood) => {
      if (draft && forGood) void dropDraft(draft.window);
      next();
    },
    saveAsNew: async () => {
      const made = await addBuild(store.getState().build);
      if (!made) say('Havrik’s server does not answer: nothing was saved.');
      else saver.current?.goOnIn(made.id);
    },
    again: () => void saver.current?.autosave.flush(),
  };
}

const sameState = (a: SaveState, b: SaveState): boolean => JSON.stringify(a) === JSON.stringify(b);

type Saver = ReturnType<typeof keepSaved>;

function keepSaved(
  store: BuildStore['store'],
  first: { id: string; version: number },
  {
    onUpdated,
    onDrafts,
    onKept,
  }: {
    onUpdated: () => void;
    onDrafts: (drafts: Draft[]) => void;
    onKept: (name: string) => void;
  },
) {
  const me = crypto.randomUUID();
  useSaveState.setState({ kind: 'saved' }, true);
  const channel = new BroadcastChannel(CHANNEL);
  const keeper = draftKeeper(me);
  let adopting = false;
  let left = false;
  const autosave = createAutosave({
    ...first,
    savedBy: me,
    onState: (state) => {
      if (!sameState(state, useSaveState.getState())) useSaveState.setState(state, true);
    },
    onSaved: (id, version) => channel.postMessage({ id, version }),
    onUpdated,
    onDraft: keeper.keep,
    onKept: ({ id, name }) => {
      if (left) return;
      goOnAs(id);
      adopting = true;
      store.getState().edit((build) => void (build.name = name));
      adopting = false;
      onKept(name);
    },
  });

  /** Takes over the stored build when another window has saved and nothing here is unsaved. */
  const catchUp = async () => {
    const { id, version } = autosave.current();
    const response = await fetch(`/api/builds/${id}`).catch(() => null);
    if (!response?.ok || left) return;
    const stored = (await response.json()) as Opened;
    if (stored.version <= version || !autosave.isClean() || stored.id !== autosave.current().id)
      return;
    autosave.adopt(stored.version);
    adopting = true;
    store.getState().replace(stored.build);
    adopting = false;
  };

  const stopWatching = store.subscribe((now, before) => {
    if (now.build !== before.build && !adopting) autosave.changed(now.build);
  });
  const flush = () => void autosave.flush();
  const look = () => {
    if (document.visibilityState === 'visible') void catchUp();
    else flush();
  };
  channel.onmessage = (event: MessageEvent<{ id: string; version: number }>) => {
    const { id, version } = autosave.current();
    if (event.data.id === id && event.data.version > version) void catchUp();
  };
  const warn = (event: BeforeUnloadEvent) => {
    if (autosave.isClean()) return;
    flush();
    event.preventDefault();
  };
  document.addEventListener('visibilitychange', look);
  window.addEventListener('beforeunload', warn);
  window.addEventListener('pagehide', flush);
  window.addEventListener('focus', look);
  // The page may have come from the browser's cache; and a window may have gone with something unsaved.
  void catchUp().then(async () => {
    const drafts = await abandonedDrafts(first.id);
    if (!left) onDrafts(drafts);
  });

  return {
    autosave,
    /** The page goes on in another build of the server's. */
    goOnIn(id: string): void {
      goOnAs(id);
      autosave.goOnIn(id);
    },
    /** Ends when what was typed last is saved, or has been tried once more. */
    leave(): Promise<void> {
      left = true;
      stopWatching();
      document.removeEventListener('visibilitychange', look);
      window.removeEventListener('beforeunload', warn);
      window.removeEventListener('pagehide', flush);
      window.removeEventListener('focus', look);
      return autosave.stop().finally(() => {
        channel.close();
        keeper.release();
      });
    },
  };
}
