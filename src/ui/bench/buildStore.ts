import { temporal } from 'zundo';
import { createStore } from 'zustand/vanilla';
import { immer } from 'zustand/middleware/immer';
import type { Build } from '@/core/model/build';

/**
 * The open build and its undo history. Edits that carry the same `step` (one visit to one cell, say)
 * are one step back.
 */
export interface BuildState {
  build: Build;
  edit: (change: (build: Build) => void, step?: string) => void;
}

export function createBuildStore(build: Build) {
  let lastStep: string | undefined;
  let joins = false;
  const store = createStore<BuildState>()(
    temporal(
      immer((set) => ({
        build,
        edit: (change, step) => {
          joins = step !== undefined && step === lastStep;
          lastStep = step;
          set((state) => {
            change(state.build as Build);
          });
        },
      })),
      {
        partialize: ({ build: kept }) => ({ build: kept }),
        equality: (past, now) => past.build === now.build,
        // A joined edit leaves the history as it is: the step's first edit has put its past there.
        handleSet: (record) => (past) => {
          if (!joins) record(past);
        },
      },
    ),
  );
  const clearStep = () => {
    lastStep = undefined;
  };
  return {
    store,
    undo: () => {
      clearStep();
      store.temporal.getState().undo();
    },
    redo: () => {
      clearStep();
      store.temporal.getState().redo();
    },
  };
}

export type BuildStore = ReturnType<typeof createBuildStore>;
