import dynamic from 'next/dynamic';
import Box from '@mui/material/Box';

/** Stations that are fetched when they are first opened. */
const loading = () => (
  <Box role="status" sx={{ py: 2, color: 'text.secondary' }}>
    Opening …
  </Box>
);

export const Brief = dynamic(() => import('./brief/Brief').then((m) => m.Brief), {
  ssr: false,
  loading,
});
export const TakeOff = dynamic(() => import('./takeoff/TakeOff').then((m) => m.TakeOff), {
  ssr: false,
  loading,
});
export const Arms = dynamic(() => import('./arms/Arms').then((m) => m.Arms), {
  ssr: false,
  loading,
});
export const Wheel = dynamic(() => import('./wheel/Wheel').then((m) => m.Wheel), {
  ssr: false,
  loading,
});
