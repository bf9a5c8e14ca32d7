'use client';

import { useSnackbar } from 'notistack';
import { useEffect, useState } from 'react';
import type { Opened } from '@/server/reading';
import { PageBody } from './PageBody';
import { createBuildStore } from './buildStore';
import { afterDeparture, isLeaving } from './departures';
import { BuildContext } from './useBuildStore';

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
  return (
    <BuildContext.Provider value={store}>
      <PageBody id={id} version={version} />
    </BuildContext.Provider>
  );
}
