import type { Metadata, Viewport } from 'next';
import type { ReactNode } from 'react';
import { connection } from 'next/server';
import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter';
import '@fontsource/atkinson-hyperlegible-next/latin-400.css';
import '@fontsource/atkinson-hyperlegible-next/latin-ext-400.css';
import '@fontsource/atkinson-hyperlegible-next/latin-600.css';
import '@fontsource/atkinson-hyperlegible-next/latin-ext-600.css';
import '@fontsource/barlow-semi-condensed/latin-500.css';
import '@fontsource/barlow-semi-condensed/latin-600.css';
import { Look } from '@/ui/Look';

export const metadata: Metadata = {
  title: { default: 'Havrik', template: '%s · Havrik' },
  description: 'Suspension and steering geometry for one-off chassis.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1, themeColor: '#2a3137' };

export default async function RootLayout({ children }: { children: ReactNode }) {
  // Pages are made when they are asked for: their scripts carry the answer's own nonce.
  await connection();
  return (
    <html lang="en">
      <body>
        <AppRouterCacheProvider>
          <Look>{children}</Look>
        </AppRouterCacheProvider>
      </body>
    </html>
  );
}
