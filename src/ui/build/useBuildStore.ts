import { createContext, useContext } from 'react';
import { useStore } from 'zustand';
import type { BuildState, BuildStore } from './buildStore';

export const BuildContext = createContext<BuildStore | null>(null);

export function useBuildContext(): BuildStore {
  const found = useContext(BuildContext);
  if (!found) throw new Error('used outside the page');
  return found;
}

/** A part of the open build's state. */
export const useBuild = <T>(pick: (state: BuildState) => T): T =>
  useStore(useBuildContext().store, pick);

/** Whether there is anything to undo or redo. */
export function useHistory(): { canUndo: boolean; canRedo: boolean } {
  const { temporal } = useBuildContext().store;
  const canUndo = useStore(temporal, (state) => state.pastStates.length > 0);
  const canRedo = useStore(temporal, (state) => state.futureStates.length > 0);
  return { canUndo, canRedo };
}
