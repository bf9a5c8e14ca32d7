'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { DAYS_IN_BIN } from '@/core/model/bin';
import { putBack, putPartBack, throwAway } from '@/server/actions';
import type { Binned } from '@/server/reading';
import { Page, PageLink } from '../Page';
import { PAPER } from '../theme';
import { useActions } from '../useActions';

/** What was deleted and can still be put back. */
export function BinPage({ things, seen }: { things: Binned[]; seen: string }) {
  const router = useRouter();
  const { busy, run } = useActions();
  const [asking, setAsking] = useState(false);
  const restore = ({ id, of }: Binned) =>
    run(
      () => (of === 'build' ? putBack(id) : putPartBack(id)),
      () => router.refresh(),
    );
  return (
    <Page
      title="Bin"
      about={`What was deleted in the last ${DAYS_IN_BIN} days, with all that was kept of it. After that it is gone.`}
      actions={
        <>
          <Button
            color="error"
            disabled={busy || things.length === 0}
            onClick={() => setAsking(true)}
          >
            Empty the bin
          </Button>
          <PageLink href="/">All builds</PageLink>
        </>
      }
    >
      {things.length === 0 && <Typography sx={{ py: 6 }}>The bin is empty.</Typography>}
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {things.map((thing) => (
          <Box
            component="li"
            key={thing.id}
            sx={{
              display: 'flex',
              alignItems: 'center',
              gap: 2,
              py: 1,
              borderBottom: `1px solid ${PAPER.line}`,
            }}
          >
            <Box sx={{ flex: 1, minWidth: 0 }}>
              <Typography noWrap sx={{ fontWeight: 600 }}>
                {thing.name}
              </Typography>
              <Typography variant="caption" color="text.secondary">
                {thing.of === 'build' ? 'Build' : 'Part'}, deleted{' '}
                {format(new Date(thing.deletedAt), 'd MMMM, HH:mm')}; kept until{' '}
                {format(addDays(new Date(thing.deletedAt), DAYS_IN_BIN), 'd MMMM')}
              </Typography>
            </Box>
            <Button
              size="small"
              variant="outlined"
              disabled={busy}
              aria-label={`Put ${thing.name} back`}
              onClick={() => restore(thing)}
            >
              Put back
            </Button>
          </Box>
        ))}
      </Box>
      <Dialog open={asking} onClose={() => setAsking(false)} aria-labelledby="empty-bin">
        <DialogTitle id="empty-bin">Throw all of it away?</DialogTitle>
        <DialogContent>
          {inWords(things)} with every save that was kept: for good, there is no way back. A backup
          made before still has {things.length === 1 ? 'it' : 'them'}.
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setAsking(false)}>Keep</Button>
          <Button
            color="error"
            onClick={() => {
              setAsking(false);
              run(
                () => throwAway(seen),
                () => router.refresh(),
              );
            }}
          >
            Throw away
          </Button>
        </DialogActions>
      </Dialog>
    </Page>
  );
}

function inWords(things: Binned[]): string {
  const count = (of: Binned['of'], word: string) => {
    const number = things.filter((thing) => thing.of === of).length;
    return number === 0 ? [] : [`${number} ${word}${number === 1 ? '' : 's'}`];
  };
  return [...count('build', 'build'), ...count('part', 'part')].join(' and ');
}
