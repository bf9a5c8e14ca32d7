'use client';

import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { memo } from 'react';
import { PAPER } from '../theme';

function Plain<T extends string>({
  label,
  value,
  options,
  words,
  onPick,
}: {
  label: string;
  value: T;
  options: readonly T[];
  /** What the options are called, where not by themselves. */
  words?: Record<T, string>;
  onPick: (value: T) => void;
}) {
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      value={value}
      onChange={(_, next: T | null) => next && onPick(next)}
      aria-label={label}
      sx={{
        '& .MuiToggleButton-root': { py: 0.1, px: 1.1, color: PAPER.ink, whiteSpace: 'nowrap' },
      }}
    >
      {options.map((option) => (
        <ToggleButton key={option} value={option}>
          {words?.[option] ?? option}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}

/** One of a few, all in sight. */
export const Choice = memo(Plain) as typeof Plain;
