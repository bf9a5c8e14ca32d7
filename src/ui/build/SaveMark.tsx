import Box from '@mui/material/Box';
import { VERDICT } from '../theme';
import type { SaveState } from './autosave';
import { useSaveState } from './useAutosave';

/** How saving stands, in a few words. */
export function SaveMark() {
  const save = useSaveState();
  const open = save.kind === 'failed' || save.kind === 'refused' || save.kind === 'gone';
  return (
    <Box
      component="span"
      role="status"
      data-save={save.kind}
      sx={{
        fontSize: 13,
        ml: 1,
        color: open ? VERDICT.bad : 'text.secondary',
        fontWeight: open ? 600 : 400,
        overflow: 'hidden',
        textOverflow: 'ellipsis',
      }}
    >
      {wordsOf(save)}
    </Box>
  );
}

function wordsOf(save: SaveState): string {
  switch (save.kind) {
    case 'saved':
      return 'Saved';
    case 'waiting':
    case 'saving':
      return 'Saving…';
    case 'failed':
      return `Not saved: ${save.why}. Trying again.`;
    case 'refused':
      return `Not saved: ${save.why}.`;
    case 'gone':
      return 'Not saved: this build was deleted in another window.';
  }
}
