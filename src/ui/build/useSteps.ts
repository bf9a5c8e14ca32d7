import { useSnackbar } from 'notistack';
import { useMemo } from 'react';
import type { BuildStore } from './buildStore';

export interface Steps {
  undo: () => void;
  redo: () => void;
}

/** Undo and redo, which say what they did. */
export function useSteps({ undo, redo }: BuildStore): Steps {
  const { enqueueSnackbar, closeSnackbar } = useSnackbar();
  return useMemo(() => {
    const tell = (what: string, change: string) => {
      closeSnackbar('step');
      if (change) enqueueSnackbar(`${what}: ${change}`, { key: 'step', autoHideDuration: 4000 });
    };
    return { undo: () => tell('Undone', undo()), redo: () => tell('Done again', redo()) };
  }, [undo, redo, enqueueSnackbar, closeSnackbar]);
}
