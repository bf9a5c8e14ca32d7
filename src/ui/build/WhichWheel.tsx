'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { memo } from 'react';
import type { AxleName, Side } from '@/core/model/build';
import { NARROW } from '../theme';
import { Choice } from '../fields/Choice';

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
    <Box
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        minHeight: 30,
        [NARROW]: { flexWrap: 'wrap' },
      }}
    >
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
      <Typography
        variant="caption"
        color="text.secondary"
        sx={{ flex: 1, textAlign: 'right', whiteSpace: 'nowrap' }}
      >
        {own ? 'Each side has its own points.' : 'Right mirrors left.'}
      </Typography>
      <Button size="small" onClick={() => onOwn(!own)} sx={{ whiteSpace: 'nowrap', minWidth: 0 }}>
        {own ? 'Mirror the left' : 'Separate the sides'}
      </Button>
    </Box>
  );
});
