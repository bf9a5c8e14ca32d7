import { produce } from 'immer';
import { temporal } from 'zundo';
import { createStore } from 'zustand/vanilla';
import type { Build } from '@/core/model/build';
import { refusedChange } from '@/core/model/change';
import { settleSketch } from '@/core/model/sketch';
import { changeInWords } from '@/core/model/changeInWords';
import { frozenTouched, replaceBuild } from '@/core/model/variants';

/**
 * The open build and its undo history. Edits that carry the same `step` (one visit to one cell, say)
 * are one step back. An edit that would change a frozen variant, or make a build that is not kept, is
 * refused.
 */
export interface BuildState {
  build: Build;
  edit: (change: (build: Build) => void, step?: string) => void;
  /** Puts another document in the build's place, whatever was frozen: one that was saved. */
  replace: (build: Build) => void;
}

export function createBuildStore(build: Build, onRefused?: (why: string) => void) {
  let lastStep: string | undefined;
  let joins = false;
  const store = createStore<BuildState>()(
    temporal(
      (set, get) => ({
        build,
        edit: (change, step) => {
          const before = get().build;
          const after = produce(before, (draft) => {
            change(draft as Build);
            settleSketch(before, draft as Build);
          });
          const frozen = frozenTouched(before, after);
          const refused = frozen
            ? `“${frozen.name}” is frozen: nothing was changed. Go on with a copy of it.`
            : notDone(refusedChange(before, after));
          if (refused !== null) {
            onRefused?.(refused);
            return;
          }
          joins = step !== undefined && step === lastStep;
          lastStep = step;
          set({ build: after });
        },
        replace: (next) => {
          joins = false;
          lastStep = undefined;
          set({ build: produce(get().build, (draft) => replaceBuild(draft as Build, next)) });
        },
      }),
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
  /** Goes a step back or on; answers what that changed, in words. */
  const step = (way: 'undo' | 'redo'): string => {
    clearStep();
    const before = store.getState().build;
    store.temporal.getState()[way]();
    return changeInWords(before, store.getState().build);
  };
  return {
    store,
    undo: () => step('undo'),
    redo: () => step('redo'),
  };
}

export type BuildStore = ReturnType<typeof createBuildStore>;

const notDone = (why: string | null): string | null => why && `Not done: ${why}.`;
