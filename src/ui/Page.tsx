'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import type { ReactNode } from 'react';

/** A page beside the page: what it is, what can be done on it, what is on it. */
export function Page({
  title,
  about,
  actions,
  children,
}: {
  title: string;
  about: string;
  actions: ReactNode;
  children: ReactNode;
}) {
  return (
    <Box component="main" sx={{ maxWidth: 1080, mx: 'auto', px: 3, pt: 6, pb: 8 }}>
      <Box sx={{ display: 'flex', alignItems: 'flex-end', flexWrap: 'wrap', gap: 1.5, mb: 3 }}>
        <Box sx={{ flex: '1 1 320px' }}>
          <Typography variant="h1">{title}</Typography>
          <Typography color="text.secondary">{about}</Typography>
        </Box>
        {actions}
      </Box>
      {children}
    </Box>
  );
}

/** A way to another page. */
export const PageLink = ({ href, children }: { href: string; children: ReactNode }) => (
  <Button component={Link} href={href} variant="outlined">
    {children}
  </Button>
);
