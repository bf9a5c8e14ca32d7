import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import { NARROW } from '../../theme';

/** Two parts side by side, one below the other where the window is narrow. */
export const TwoColumns = ({
  wider = 'left',
  children,
}: {
  wider?: 'left' | 'right';
  children: ReactNode;
}) => (
  <Box
    sx={{
      display: 'grid',
      gridTemplateColumns:
        wider === 'left' ? 'minmax(0, 1.2fr) minmax(0, 1fr)' : 'minmax(0, 1fr) minmax(0, 1.2fr)',
      gap: 2,
      alignItems: 'start',
      [NARROW]: { gridTemplateColumns: 'minmax(0, 1fr)' },
    }}
  >
    {children}
  </Box>
);
