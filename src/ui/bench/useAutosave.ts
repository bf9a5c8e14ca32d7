import { useSnackbar } from 'notistack';
import { useEffect } from 'react';
import { create } from 'zustand';
import type { Opened } from '@/server/reading';
import { createAutosave } from './autosave';
import type { SaveState } from './autosave';
import type { BuildStore } from './buildStore';

/** How saving stands, apart from the build so that only its mark redraws. */
export const useSaveState = create<SaveState>(() => ({ kind: 'saved' }));

/** Other windows of this browser tell each other what they have saved. */
const CHANNEL = 'havrik-saves';

/**
 * Keeps the open build saved, and this window in step with others: what another one saves shows here
 * as long as nothing unsaved stands in its way.
 */
export function useAutosave({ store }: BuildStore, id: string, version: number): void {
  const { enqueueSnackbar } = useSnackbar();

  useEffect(() => {
    const me = crypto.randomUUID();
    useSaveState.setState({ kind: 'saved' }, true);
    const channel = new BroadcastChannel(CHANNEL);
    let adopting = false;
    const autosave = createAutosave({
      id,
      version,
      savedBy: me,
      onState: (state) => useSaveState.setState(state, true),
      onSaved: (savedId, saved) => channel.postMessage({ id: savedId, version: saved }),
      onKept: (kept) => {
        window.history.replaceState(null, '', `/builds/${kept.id}`);
        adopting = true;
        store.getState().edit((build) => void (build.name = kept.name));
        adopting = false;
        enqueueSnackbar(
          `Another window changed this build. Neither is lost: yours goes on here as “${kept.name}”, the other keeps its name.`,
          { variant: 'warning', persist: true },
        );
      },
    });

    /** Takes over the stored build when another window has saved and nothing here is unsaved. */
    const catchUp = async () => {
      const { id: current, version: mine } = autosave.current();
      const response = await fetch(`/api/builds/${current}`).catch(() => null);
      if (!response?.ok) return;
      const stored = (await response.json()) as Opened;
      if (stored.version <= mine || !autosave.isClean()) return;
      autosave.adopt(stored.version);
      adopting = true;
      store.getState().replace(stored.build);
      adopting = false;
    };

    const stopWatching = store.subscribe((now, before) => {
      if (now.build !== before.build && !adopting) autosave.changed(now.build);
    });
    const leave = () => void autosave.flush();
    const look = () => {
      if (document.visibilityState === 'visible') void catchUp();
      else leave();
    };
    channel.onmessage = (event: MessageEvent<{ id: string; version: number }>) => {
      const { id: current, version: mine } = autosave.current();
      if (event.data.id === current && event.data.version > mine) void catchUp();
    };
    const warn = (event: BeforeUnloadEvent) => {
      if (useSaveState.getState().kind === 'failed') event.preventDefault();
    };
    document.addEventListener('visibilitychange', look);
    window.addEventListener('beforeunload', warn);
    window.addEventListener('pagehide', leave);
    window.addEventListener('focus', look);
    // The page may have come from the browser's cache.
    void catchUp();
    return () => {
      leave();
      stopWatching();
      autosave.stop();
      channel.close();
      document.removeEventListener('visibilitychange', look);
      window.removeEventListener('beforeunload', warn);
      window.removeEventListener('pagehide', leave);
      window.removeEventListener('focus', look);
    };
  }, [store, id, version, enqueueSnackbar]);
}
