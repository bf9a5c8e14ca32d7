'use client';

import Box from '@mui/material/Box';
import dynamic from 'next/dynamic';
import '@/workers/unevaluated';

/**
 * The screens as the browser alone draws them. The page measures its floor before it draws anything,
 * so a server could only send it empty; and screens that are not also compiled for the server make the
 * first build a good deal quicker.
 */
const loading = () => (
  <Box role="status" sx={{ p: 4, color: 'text.secondary' }}>
    Opening …
  </Box>
);

export { BuildsPage } from './builds/BuildsPage';

export const BuildPage = dynamic(
  () => import('./build/BuildPage').then((module) => module.BuildPage),
  {
    ssr: false,
    loading,
  },
);

export const ShelfPage = dynamic(
  () => import('./shelf/ShelfPage').then((module) => module.ShelfPage),
  {
    ssr: false,
    loading,
  },
);

export const BinPage = dynamic(() => import('./bin/BinPage').then((module) => module.BinPage), {
  ssr: false,
  loading,
});
