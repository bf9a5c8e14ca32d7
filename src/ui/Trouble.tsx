'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import type { ReactNode } from 'react';

/** A whole page that says what is wrong and the way out. */
export function Trouble({
  title,
  again,
  children,
}: {
  title: string;
  again?: () => void;
  children: ReactNode;
}) {
  return (
    <Box component="main" sx={{ maxWidth: 560, mx: 'auto', pt: 14, px: 3 }}>
      <Typography variant="h1">{title}</Typography>
      <Typography component="div" sx={{ my: 2, whiteSpace: 'pre-line', overflowWrap: 'anywhere' }}>
        {children}
      </Typography>
      <Stack direction="row" spacing={1.5}>
        {again && (
          <Button variant="contained" onClick={again}>
            Try again
          </Button>
        )}
        <Button component={Link} href="/" variant={again ? 'outlined' : 'contained'}>
          All builds
        </Button>
      </Stack>
    </Box>
  );
}

/** What the database would not give, in words. */
export const Unread = ({ why }: { why: string }) => (
  <Trouble title="This cannot be read">{why}</Trouble>
);
