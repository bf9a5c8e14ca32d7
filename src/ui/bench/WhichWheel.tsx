'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { memo } from 'react';
import type { AxleName, Side } from '@/core/model/build';
import { PAPER } from '../theme';

interface Props {
  axle: AxleName;
  side: Side;
  hasRear: boolean;
  /** The right side has points of its own. */
  own: boolean;
  onShow: (change: { axle?: AxleName; side?: Side }) => void;
  onOwn: (own: boolean) => void;
}

/** Which wheel is shown and typed, and whether the right one has points of its own. */
export const WhichWheel = memo(function WhichWheel({
  axle,
  side,
  hasRear,
  own,
  onShow,
  onOwn,
}: Props) {
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, minHeight: 30 }}>
      {hasRear && (
        <Choice
          label="Axle"
          value={axle}
          options={['front', 'rear']}
          onPick={(value) => onShow({ axle: value })}
        />
      )}
      <Choice
        label="Side"
        value={side}
        options={['left', 'right']}
        onPick={(value) => onShow({ side: value })}
      />
      <Typography variant="caption" color="text.secondary" sx={{ flex: 1, textAlign: 'right' }}>
        {own ? 'Each side has its own points.' : 'Right mirrors left.'}
      </Typography>
      <Button size="small" onClick={() => onOwn(!own)} sx={{ whiteSpace: 'nowrap', minWidth: 0 }}>
        {own ? 'Mirror the left' : 'Separate the sides'}
      </Button>
    </Box>
  );
});

function Choice<T extends string>({
  label,
  value,
  options,
  onPick,
}: {
  label: string;
  value: T;
  options: T[];
  onPick: (value: T) => void;
}) {
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      value={value}
      onChange={(_, next: T | null) => next && onPick(next)}
      aria-label={label}
      sx={{ '& .MuiToggleButton-root': { py: 0.1, px: 1.1, color: PAPER.ink } }}
    >
      {options.map((option) => (
        <ToggleButton key={option} value={option}>
          {option}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}
