'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import type { Part, PartKind } from '@/core/model/parts';
import { ShelfPicker } from './ShelfPicker';

/** A button that takes a part of one kind from the shelf. */
export function FromShelf<K extends PartKind>({
  kind,
  title,
  onPick,
}: {
  kind: K;
  title: string;
  onPick: (part: Extract<Part, { kind: K }>) => void;
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
        onPick={onPick}
      />
    </>
  );
}
