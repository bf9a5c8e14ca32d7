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
export const WheelAndUpright = dynamic(
  () => import('./wheel/WheelAndUpright').then((m) => m.WheelAndUpright),
  {
    ssr: false,
    loading,
  },
);
export const Steering = dynamic(() => import('./steering/Steering').then((m) => m.Steering), {
  ssr: false,
  loading,
});
export const Column = dynamic(() => import('./column/Column').then((m) => m.Column), {
  ssr: false,
  loading,
});
export const Damper = dynamic(() => import('./damper/Damper').then((m) => m.Damper), {
  ssr: false,
  loading,
});
export const Shop = dynamic(() => import('./shop/Shop').then((m) => m.Shop), {
  ssr: false,
  loading,
});
export const Check = dynamic(() => import('./check/Check').then((m) => m.Check), {
  ssr: false,
  loading,
});
export const Setup = dynamic(() => import('./setup/Setup').then((m) => m.Setup), {
  ssr: false,
  loading,
});
export const Plan = dynamic(() => import('./plan/Plan').then((m) => m.Plan), {
  ssr: false,
  loading,
});
export const FreedomEditor = dynamic(() => import('./FreedomEditor').then((m) => m.FreedomEditor), {
  ssr: false,
  loading,
});
export const CarSteerPart = dynamic(
  () => import('./rack/CarSteerPart').then((m) => m.CarSteerPart),
  {
    ssr: false,
    loading,
  },
);
export const AxlePart = dynamic(() => import('./arms/AxlePart').then((m) => m.AxlePart), {
  ssr: false,
  loading,
});
export const NullPanel = dynamic(() => import('./rack/NullPanel').then((m) => m.NullPanel), {
  ssr: false,
  loading,
});
export const NullMap = dynamic(() => import('./rack/NullMap').then((m) => m.NullMap), {
  ssr: false,
  loading,
});
export const NullFinder = dynamic(() => import('./rack/NullFinder').then((m) => m.NullFinder), {
  ssr: false,
  loading,
});
export const RodStrength = dynamic(() => import('./rack/RodStrength').then((m) => m.RodStrength), {
  ssr: false,
  loading,
});

/** Stations by what fetches them, the heaviest last. */
const STATIONS = [
  () => import('./arms/Arms'),
  () => import('./wheel/WheelAndUpright'),
  () => import('./takeoff/TakeOff'),
  () => import('./brief/Brief'),
  () => import('./steering/Steering'),
  () => import('./column/Column'),
  () => import('./damper/Damper'),
  () => import('./check/Check'),
  () => import('./shop/Shop'),
];

/** Fetches the stations that may be opened next, one at a time whenever the page has nothing to do; answers how to stop. */
export function fetchWhenIdle(): () => void {
  if (typeof requestIdleCallback === 'undefined') return () => undefined;
  let ended = false;
  const next = (i: number): void => {
    if (ended || i >= STATIONS.length) return;
    requestIdleCallback(() => {
      if (ended) return;
      // What cannot be fetched now is fetched when it is opened, and says so then.
      void STATIONS[i]().then(
        () => next(i + 1),
        () => undefined,
      );
    });
  };
  next(0);
  return () => {
    ended = true;
  };
}
