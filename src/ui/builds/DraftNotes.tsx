'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { format } from 'date-fns/format';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import { abandonedDrafts, dropDraft } from '../build/drafts';
import type { Draft } from '../build/drafts';
import { addBuild } from './addBuild';

/** What this browser kept of builds because it never reached the server. */
export function DraftNotes({ onAdded, onTrouble }: { onAdded: () => void; onTrouble: () => void }) {
  const [drafts, setDrafts] = useState<(Draft & { there: boolean })[]>([]);
  useEffect(() => {
    let gone = false;
    void abandonedDrafts().then(async (found) => {
      const looked = await Promise.all(
        found.map(async (draft) => ({ ...draft, there: await isThere(draft.id) })),
      );
      if (!gone) setDrafts(looked);
    });
    return () => {
      gone = true;
    };
  }, []);
  const drop = (draft: Draft) => {
    void dropDraft(draft.window);
    setDrafts((now) => now.filter(({ window }) => window !== draft.window));
  };
  return drafts.map((draft) => (
    <Alert
      key={draft.window}
      severity="warning"
      sx={{ mb: 1.5, alignItems: 'center' }}
      action={
        <>
          {draft.there ? (
            <Button color="inherit" component={Link} href={`/builds/${draft.id}`}>
              Open the build
            </Button>
          ) : (
            <Button
              color="inherit"
              onClick={() =>
                void addBuild(draft.build).then((added) => {
                  if (!added) return onTrouble();
                  drop(draft);
                  onAdded();
                })
              }
            >
              Save as a new build
            </Button>
          )}
          <Button color="inherit" onClick={() => drop(draft)}>
            Throw away
          </Button>
        </>
      }
    >
      “{draft.build.name}”: what was typed up to {format(new Date(draft.at), 'HH:mm, d MMMM')} never
      reached Havrik’s server{draft.there ? '.' : ', and the build is not in the list any more.'}
    </Alert>
  ));
}

const isThere = async (id: string): Promise<boolean> =>
  (await fetch(`/api/builds/${id}`).catch(() => null))?.status !== 404;
