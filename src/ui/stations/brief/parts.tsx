import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

/** Width of the brief's fields, px. */
export const FIELD = 128;

/** A part of a station's page under its heading. */
export const Section = ({ title, children }: { title: string; children: ReactNode }) => (
  <Box component="section" aria-label={title} sx={{ mb: 2 }}>
    <Typography variant="h2" sx={{ mb: 1.25 }}>
      {title}
    </Typography>
    {children}
  </Box>
);

/** Fields side by side, as many as fit. */
export const Fields = ({ children }: { children: ReactNode }) => (
  <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1.25, rowGap: 1.75, mb: 0.75 }}>
    {children}
  </Box>
);
