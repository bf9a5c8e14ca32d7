'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { LARGEST_FILE, tooLarge } from '@/core/file/buildFile';
import { copyBuild, newBuild, putBack, removeBuild } from '@/server/actions';
import type { Listed } from '@/server/reading';
import { pickText } from '../download';
import { useActions } from '../useActions';
import { BuildRow } from './BuildRow';
import { NewBuildDialog } from './NewBuildDialog';

/** Every build in the workshop. */
export function BuildsPage({ builds }: { builds: Listed[] }) {
  const router = useRouter();
  const { busy, say, run, offerUndo } = useActions();
  const [asking, setAsking] = useState(false);
  const open = (id: string) => router.push(`/builds/${id}`);

  const remove = (build: Listed) =>
    run(
      () => removeBuild(build.id),
      () => offerUndo(`“${build.name}” deleted.`, () => putBack(build.id)),
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
    else say(`Nothing was imported:\n${body?.message ?? 'Havrik’s server does not answer.'}`);
  };

  return (
    <Box component="main" sx={{ maxWidth: 1080, mx: 'auto', px: 3, pt: 6, pb: 8 }}>
      <Box sx={{ display: 'flex', alignItems: 'flex-end', gap: 1.5, mb: 3 }}>
        <Box sx={{ flex: 1 }}>
          <Typography variant="h1">Havrik</Typography>
          <Typography color="text.secondary">
            Wishbones, uprights and racks for one-off chassis: set the points, cycle the wheel, shim
            the bump steer away.
          </Typography>
        </Box>
        <Button component={Link} href="/shelf">
          Parts shelf
        </Button>
        <Button variant="outlined" onClick={() => void bringIn()} disabled={busy}>
          Import a file
        </Button>
        <Button variant="contained" onClick={() => setAsking(true)} disabled={busy}>
          New build
        </Button>
      </Box>
      {builds.length === 0 && (
        <Typography sx={{ py: 6 }}>
          No builds yet. Start one from a blank layout, or import a file from another machine.
        </Typography>
      )}
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, display: 'grid', gap: 1.5 }}>
        {builds.map((build) => (
          <BuildRow
            key={build.id}
            listed={build}
            busy={busy}
            onCopy={() => run(() => copyBuild(build.id), open)}
            onRemove={() => remove(build)}
            onRefuse={say}
          />
        ))}
      </Box>
      <NewBuildDialog
        open={asking}
        onClose={() => setAsking(false)}
        onName={(name) => {
          setAsking(false);
          run(() => newBuild(name), open);
        }}
      />
    </Box>
  );
}
