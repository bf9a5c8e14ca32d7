'use client';

import Box from '@mui/material/Box';
import { useSnackbar } from 'notistack';
import { useEffect, useState } from 'react';
import type { ReactNode } from 'react';
import { canAsk, readyFor } from '@/core/clearance/surfaces';
import type { Opened } from '@/server/reading';
import { fetchWhenIdle } from '../stations/lazy';
import { PageBody } from './PageBody';
import { createBuildStore } from './buildStore';
import { afterDeparture, isLeaving } from './departures';
import { BuildContext, useBuild, useBuildContext } from './useBuildStore';

/**
 * One open build: floor, pad, readouts and trace around the station that is open. Where this window has
 * just left the same build, what was typed there is sent first.
 */
export function BuildPage(opened: Opened) {
  const [current, setCurrent] = useState(() => (isLeaving(opened.id) ? null : opened));
  useEffect(() => {
    if (!current) void afterDeparture(opened).then(setCurrent);
  }, [current, opened]);
  return current ? <PageOf {...current} /> : null;
}

function PageOf({ id, version, build }: Opened) {
  const { enqueueSnackbar } = useSnackbar();
  const [store] = useState(() =>
    createBuildStore(build, (why) =>
      enqueueSnackbar(why, {
        variant: 'warning',
        key: 'refused',
        preventDuplicate: true,
      }),
    ),
  );
  useEffect(() => fetchWhenIdle(), []);
  return (
    <BuildContext.Provider value={store}>
      <WhenAsked>
        <PageBody id={id} version={version} />
      </WhenAsked>
    </BuildContext.Provider>
  );
}

/** The page once all bodies of its build can be asked for their distances: none of them is taken for none. */
function WhenAsked({ children }: { children: ReactNode }) {
  const waits = useBuild(({ build }) => !canAsk(build));
  const [, setFetched] = useState(false);
  const [trouble, setTrouble] = useState('');
  const { store } = useBuildContext();
  useEffect(() => {
    if (!waits) return;
    void readyFor(store.getState().build).then(
      () => setFetched(true),
      () =>
        setTrouble('What measures bodies out of files could not be fetched: load this page again.'),
    );
  }, [waits, store]);
  return waits && !canAsk(store.getState().build) ? (
    <Box role="status" sx={{ p: 2 }}>
      {trouble || 'Opening …'}
    </Box>
  ) : (
    children
  );
}
