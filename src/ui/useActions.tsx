'use client';

import Button from '@mui/material/Button';
import { useSnackbar } from 'notistack';
import { useTransition } from 'react';
import type { Answer } from '@/server/actions';

/** Runs the server's actions from a page: trouble shows in words, removals can be undone. */
export function useActions() {
  const { enqueueSnackbar, closeSnackbar } = useSnackbar();
  const [busy, startTransition] = useTransition();

  const say = (message: string) =>
    enqueueSnackbar(message, { variant: 'error', style: { whiteSpace: 'pre-line' } });
  /** Runs an action; trouble shows, success goes on. */
  const run = <T,>(action: () => Promise<Answer<T>>, then?: (value: T) => void) =>
    startTransition(async () => {
      const answer = await action().catch((): Answer<T> => ({
        ok: false,
        message:
          'Havrik’s server does not answer. If it was updated meanwhile, load this page again.',
      }));
      if (answer.ok) then?.(answer.value);
      else say(answer.message);
    });
  /** Tells that something is gone, with a way to get it back; `then` when it is back. */
  const offerUndo = (message: string, back: () => Promise<Answer<unknown>>, then?: () => unknown) =>
    enqueueSnackbar(message, {
      action: (key) => (
        <Button
          color="inherit"
          onClick={() => {
            closeSnackbar(key);
            run(back, () => void then?.());
          }}
        >
          Undo
        </Button>
      ),
    });
  return { busy, say, run, offerUndo };
}
