'use client';

import './plainly';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { SnackbarProvider } from 'notistack';
import type { ReactNode } from 'react';
import { theme } from './theme';

/** Theme, base styles and notices around every page. */
export function Look({ children }: { children: ReactNode }) {
  return (
    <ThemeProvider theme={theme}>
      <CssBaseline />
      <SnackbarProvider
        maxSnack={3}
        autoHideDuration={8000}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
      >
        {children}
      </SnackbarProvider>
    </ThemeProvider>
  );
}
