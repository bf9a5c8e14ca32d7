'use client';

import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { parseLengths, printLength } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';

/** Several lengths in one line: drilled holes, a stock of washers. Taken when the field is left. */
export function LengthsField({
  label,
  value,
  unit,
  onValue,
  width = 220,
}: {
  label: string;
  value: readonly number[];
  unit: LengthUnit;
  /** Says what is wrong with a list, or null where it is taken. */
  onValue: (list: number[]) => string | null;
  width?: number;
}) {
  const [text, setText] = useState<string | null>(null);
  const [why, setWhy] = useState<string | null>(null);
  const take = () => {
    if (text === null) return;
    const parsed = parseLengths(text, unit);
    const refused = parsed.ok ? onValue(parsed.value) : parsed.why;
    setWhy(refused);
    if (refused === null) setText(null);
  };
  return (
    <TextField
      label={label}
      value={text ?? value.map((mm) => printLength(mm, unit)).join('; ')}
      onChange={(event) => setText(event.target.value)}
      onBlur={take}
      onKeyDown={(event) => {
        if (event.key === 'Enter') take();
        if (event.key === 'Escape') {
          setText(null);
          setWhy(null);
        }
      }}
      error={why !== null}
      helperText={why ?? undefined}
      sx={{ width }}
      slotProps={{
        htmlInput: { autoComplete: 'off', spellCheck: false },
        formHelperText: { sx: { mx: 0 } },
      }}
    />
  );
}
