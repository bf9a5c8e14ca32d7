import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { styled } from '@mui/material/styles';
import { format } from 'date-fns/format';
import type { ReactNode } from 'react';
import { useSaveState } from './useAutosave';
import type { Saving } from './useAutosave';

/** What somebody has to decide about saving, with the ways out. */
export function SaveNotes({ saving }: { saving: Saving }) {
  const save = useSaveState();
  const { updated, draft, takeDraft, leaveDraft, saveAsNew, again } = saving;
  return (
    <Notes>
      {save.kind === 'gone' && (
        <Note
          severity="error"
          actions={
            <Button color="inherit" onClick={() => void saveAsNew()}>
              Save as a new build
            </Button>
          }
        >
          This build was deleted in another window. What stands here is not saved; the build as it
          was is in the bin.
        </Note>
      )}
      {save.kind === 'refused' && (
        <Note
          severity="error"
          actions={
            <Button color="inherit" onClick={again}>
              Try again
            </Button>
          }
        >
          Havrik does not take this build as it is: {save.why}. Mend that and it is saved; until
          then this browser keeps it.
        </Note>
      )}
      {draft && (
        <Note
          severity="warning"
          actions={
            <>
              <Button color="inherit" onClick={() => void takeDraft()}>
                Take them
              </Button>
              <Button color="inherit" onClick={() => leaveDraft(false)}>
                Not now
              </Button>
              <Button color="inherit" onClick={() => leaveDraft(true)}>
                Throw them away
              </Button>
            </>
          }
        >
          What was typed here up to {format(new Date(draft.at), 'HH:mm, d MMMM')} never reached
          Havrik’s server. This browser has kept it.
        </Note>
      )}
      {updated && (
        <Note
          severity="info"
          actions={
            <Button color="inherit" onClick={() => window.location.reload()}>
              Reload
            </Button>
          }
        >
          Havrik was updated since this page was opened: load it again.
        </Note>
      )}
    </Notes>
  );
}

function Note({
  severity,
  actions,
  children,
}: {
  severity: 'error' | 'warning' | 'info';
  actions: ReactNode;
  children: ReactNode;
}) {
  return (
    <Alert
      severity={severity}
      action={actions}
      elevation={3}
      sx={{ alignItems: 'center', '& .MuiButton-root': { whiteSpace: 'nowrap' } }}
    >
      {children}
    </Alert>
  );
}

const Notes = styled('div')(({ theme }) => ({
  position: 'fixed',
  bottom: 16,
  // Beside the rail, and not over the caution.
  left: 164,
  zIndex: theme.zIndex.snackbar,
  display: 'grid',
  gap: 8,
  width: 'min(832px, calc(100vw - 180px))',
}));
