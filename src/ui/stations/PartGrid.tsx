import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

/** A part of a station in as many columns as there is room for, scrolled by itself. */
export const PartGrid = ({
  label,
  least,
  children,
}: {
  label: string;
  /** Width of a column at the least, px. */
  least: number;
  children: ReactNode;
}) => (
  <Box
    component="section"
    aria-label={label}
    sx={{
      overflow: 'auto',
      minHeight: 0,
      display: 'grid',
      gridTemplateColumns: `repeat(auto-fit, minmax(${least}px, 1fr))`,
      columnGap: 3,
      rowGap: 1,
      alignItems: 'start',
    }}
  >
    {children}
  </Box>
);
