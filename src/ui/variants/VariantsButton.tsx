'use client';

import LayersIcon from '@mui/icons-material/LayersOutlined';
import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { readyFor } from '@/core/clearance/surfaces';
import { openVariantOf } from '@/core/model/variants';
import { useBuild } from '../build/useBuildStore';
import { useView } from '../build/viewStore';
import { useWheel } from '../build/useWheel';
import type { Compared } from './compared';

const VariantsDrawer = dynamic(() => import('./VariantsDrawer').then((m) => m.VariantsDrawer), {
  ssr: false,
});

const compare = (compared: Compared | null) => useView.getState().show({ compared });

/** Which variant is open, and the way to the others. */
export function VariantsButton() {
  const name = useBuild(({ build }) => openVariantOf(build).name);
  const frozen = useBuild(({ build }) => openVariantOf(build).frozen !== undefined);
  const [open, setOpen] = useState(false);
  const [wasOpen, setWasOpen] = useState(false);
  return (
    <>
      <Button
        size="small"
        color="inherit"
        startIcon={<LayersIcon />}
        aria-haspopup="dialog"
        aria-label={`Variants: ${name}${frozen ? ', frozen' : ''}`}
        onClick={() => {
          setOpen(true);
          setWasOpen(true);
        }}
        sx={{ ml: 1, maxWidth: 240, whiteSpace: 'nowrap', overflow: 'hidden' }}
      >
        {frozen ? `▣ ${name}` : name}
      </Button>
      {wasOpen && <TheDrawer open={open} onClose={() => setOpen(false)} />}
    </>
  );
}

function TheDrawer({ open, onClose }: { open: boolean; onClose: () => void }) {
  const build = useBuild((state) => state.build);
  const edit = useBuild((state) => state.edit);
  const replace = useBuild((state) => state.replace);
  const { unit, compared } = useView();
  const wheel = useWheel(build);
  return (
    <VariantsDrawer
      open={open}
      onClose={onClose}
      build={build}
      wheel={wheel}
      unit={unit}
      compared={compared}
      onCompare={compare}
      onEdit={edit}
      // The page stays: what measures a save's bodies out of files is there before them.
      onReplace={(next) =>
        void readyFor(next).then(
          () => replace(next),
          () => replace(next),
        )
      }
    />
  );
}
