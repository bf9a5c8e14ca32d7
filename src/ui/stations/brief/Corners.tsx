'use client';

import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { CORNER_TYPES, typeOf } from '@/core/corners/kinds';
import type { AxleName, Build } from '@/core/model/build';
import { changeKind } from '@/core/model/starts';
import { Section } from './parts';

/** What kind of corners an axle has. */
export function Corners({
  build,
  axle,
  onEdit,
}: {
  build: Build;
  axle: AxleName;
  onEdit: (change: (build: Build) => void, step?: string) => void;
}) {
  const design = build[axle]!;
  const type = typeOf(design);
  const [changed, setChanged] = useState(false);
  return (
    <Section title={axle === 'front' ? 'Front corners' : 'Rear corners'}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center' }}>
        <TextField
          select
          label="Kind"
          value={design.kind}
          onChange={(event) => {
            const kind = event.target.value;
            setChanged(true);
            onEdit((b) => changeKind(b, axle, kind));
          }}
          sx={{ width: 220, flex: 'none' }}
        >
          {CORNER_TYPES.map(({ kind, label }) => (
            <MenuItem key={kind} value={kind}>
              {label}
            </MenuItem>
          ))}
        </TextField>
        <Typography variant="body2" color="text.secondary">
          {type.use} {type.special}
        </Typography>
      </Box>
      {changed && (
        <Typography variant="caption" component="p" role="status" color="text.secondary">
          Joints that both kinds have stay where they were; the others stand where a blank layout
          has them. Undo brings the old corners back; “Variants” keeps both side by side.
        </Typography>
      )}
    </Section>
  );
}
