'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import type { RackPart, TyrePart } from '@/core/model/parts';
import { ShelfPicker } from './ShelfPicker';

/** A button that takes a part of one kind from the shelf. */
export function FromShelf<K extends 'rack' | 'tyre'>({
  kind,
  title,
  onPick,
}: {
  kind: K;
  title: string;
  onPick: (part: { rack: RackPart; tyre: TyrePart }[K]) => void;
}) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button size="small" onClick={() => setOpen(true)}>
        {title}
      </Button>
      <ShelfPicker
        kind={kind}
        title={title}
        open={open}
        onClose={() => setOpen(false)}
        onPick={(part) => onPick(part as { rack: RackPart; tyre: TyrePart }[K])}
      />
    </>
  );
}
