'use client';

import SearchIcon from '@mui/icons-material/Search';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import InputAdornment from '@mui/material/InputAdornment';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { LARGEST_FILE, tooLarge } from '@/core/file/buildFile';
import { copyBuild, newBuild, putBack, removeBuild } from '@/server/actions';
import type { BuildList, Listed } from '@/server/reading';
import { Page } from '../Page';
import { pickText } from '../download';
import { useActions } from '../useActions';
import { BuildRow } from './BuildRow';
import { DraftNotes } from './DraftNotes';
import { NewBuildDialog } from './NewBuildDialog';
import { Rows } from './Rows';
import { useBuildList } from './useBuildList';
import type { Look, Order } from './useBuildList';

const SILENT = 'Havrik’s server does not answer.';

/** Every build in the workshop. */
export function BuildsPage({ first }: { first: BuildList }) {
  const router = useRouter();
  const { busy, say, run, offerUndo } = useActions();
  const { look, change, shown, rowAt, see, refresh } = useBuildList(first, () => say(SILENT));
  const [asking, setAsking] = useState(false);
  const open = (id: string, station = '') => router.push(`/builds/${id}${station}`);

  const remove = (build: Listed) =>
    run(
      () => removeBuild(build.id),
      () => {
        void refresh();
        offerUndo(`“${build.name}” is in the bin.`, () => putBack(build.id), refresh);
      },
    );

  const bringIn = async () => {
    const file = await pickText('.json,application/json', LARGEST_FILE);
    if (!file.ok) {
      say(`Nothing was imported: ${tooLarge(file.size)}`);
      return;
    }
    const response = await fetch('/api/builds/import', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ text: file.text }),
    }).catch(() => null);
    const body = (await response?.json().catch(() => null)) as
      { id?: string; message?: string } | null | undefined;
    if (body?.id) open(body.id);
    else say(`Nothing was imported:\n${body?.message ?? SILENT}`);
  };

  return (
    <Page
      title="Havrik"
      about="Wishbones, uprights and racks for one-off chassis: set the points, cycle the wheel, shim the bump steer away."
      actions={
        <>
          <Button component={Link} href="/shelf" prefetch={false}>
            Parts shelf
          </Button>
          <Button component={Link} href="/bin" prefetch={false}>
            Bin
          </Button>
          <Button component="a" href="/api/backup">
            Back up
          </Button>
          <Button variant="outlined" onClick={() => void bringIn()} disabled={busy}>
            Import a file
          </Button>
          <Button variant="contained" onClick={() => setAsking(true)} disabled={busy}>
            New build
          </Button>
        </>
      }
    >
      <DraftNotes onAdded={() => void refresh()} onTrouble={() => say(SILENT)} />
      {shown.damaged && (
        <Alert severity="error" sx={{ mb: 1.5 }}>
          The database file is damaged in places. The list says which builds cannot be read: export
          the others, stop Havrik, and restore a backup. New work may not be kept.
        </Alert>
      )}
      {shown.all === 0 ? (
        <Typography sx={{ py: 6 }}>
          No builds yet. Start one from a blank layout, or import a file from another machine.
        </Typography>
      ) : (
        <LookFor look={look} found={shown.found} all={shown.all} onChange={change} />
      )}
      <Rows count={shown.found} onSee={see}>
        {(index) => {
          const build = rowAt(index);
          return build ? (
            <BuildRow
              listed={build}
              busy={busy}
              onCopy={() => run(() => copyBuild(build.id), open)}
              onRemove={() => remove(build)}
              onRefuse={say}
            />
          ) : (
            <Typography color="text.secondary">…</Typography>
          );
        }}
      </Rows>
      <NewBuildDialog
        open={asking}
        onClose={() => setAsking(false)}
        onStart={(asked) => {
          setAsking(false);
          run(
            () => newBuild(asked),
            (id) => open(id, '/brief'),
          );
        }}
      />
    </Page>
  );
}

/** Words to look for, and the order of the list. */
function LookFor({
  look,
  found,
  all,
  onChange,
}: {
  look: Look;
  found: number;
  all: number;
  onChange: (look: Look) => void;
}) {
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, mb: 2 }}>
      <TextField
        size="small"
        label="Look for"
        placeholder="words of a name or note"
        value={look.find}
        onChange={(event) => onChange({ ...look, find: event.target.value })}
        sx={{ width: 300 }}
        slotProps={{
          htmlInput: { maxLength: 200, 'aria-label': 'Look for builds' },
          input: {
            startAdornment: (
              <InputAdornment position="start">
                <SearchIcon fontSize="small" />
              </InputAdornment>
            ),
          },
        }}
      />
      <TextField
        select
        size="small"
        label="Order"
        value={look.order}
        onChange={(event) => onChange({ ...look, order: event.target.value as Order })}
        sx={{ width: 210 }}
      >
        <MenuItem value="worked">Last worked on</MenuItem>
        <MenuItem value="name">Name</MenuItem>
        <MenuItem value="bumpSteer">Bump steer, worst first</MenuItem>
      </TextField>
      <Typography role="status" variant="body2" color="text.secondary">
        {found === all
          ? `${all} ${all === 1 ? 'build' : 'builds'}`
          : found === 0
            ? 'No build has that in its name or note.'
            : `${found} of ${all} builds`}
      </Typography>
    </Box>
  );
}
