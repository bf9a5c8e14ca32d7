import { usePathname, useSearchParams } from 'next/navigation';
import { useLayoutEffect } from 'react';
import { z } from 'zod';
import { STATIONS } from '@/core/judging/stations';
import type { Station } from '@/core/judging/stations';
import type { AxleName, Side } from '@/core/model/build';
import { AT_REST, useView } from './viewStore';

/** Where in a build somebody is: what Back, a reload and a link bring up again. */
export interface Place {
  station: Station;
  axle: AxleName;
  side: Side;
}

/** Where a build opens whose address names no station. */
const USUAL: Place = { station: 'rack', axle: 'front', side: 'left' };

export const stationSchema = z.enum(STATIONS);
const wheelSchema = z.templateLiteral([z.enum(['front', 'rear']), '-', z.enum(['left', 'right'])]);

/** `/builds/{id}/{station}`, with `?wheel=rear-right` where it is not the front left one. */
export function addressOf(id: string, { station, axle, side }: Place): string {
  const wheel = `${axle}-${side}`;
  return `/builds/${id}/${station}${wheel === 'front-left' ? '' : `?wheel=${wheel}`}`;
}

/** The build that an address is of; empty where it is of none. */
export const buildIdIn = (path: string): string => /^\/builds\/([^/]+)/u.exec(path)?.[1] ?? '';

/** The place an address names; what it does not name, or names as nothing there is, is the usual one. */
export function placeAt(path: string, search: Pick<URLSearchParams, 'get'>): Place {
  const station = stationSchema.safeParse(path.split('/')[3]);
  const wheel = wheelSchema.safeParse(search.get('wheel'));
  const [axle, side] = (wheel.success ? wheel.data : 'front-left').split('-');
  return {
    station: station.success ? station.data : USUAL.station,
    axle: axle as AxleName,
    side: side as Side,
  };
}

const here = (): Place => {
  const { station, axle, side } = useView.getState();
  return { station, axle, side };
};

/** Goes on to another station, which Back leaves again, or to another wheel of this one. */
export function goTo(change: Partial<Place>): void {
  const { show, station } = useView.getState();
  show(change);
  const address = addressOf(buildIdIn(window.location.pathname), here());
  const newStation = change.station !== undefined && change.station !== station;
  window.history[newStation ? 'pushState' : 'replaceState'](null, '', address);
}

/** The page goes on as another build of the server's, at the same place. */
export const goOnAs = (id: string): void =>
  window.history.replaceState(null, '', addressOf(id, here()));

/** Shows what the address names: when the page is opened, and when Back or Forward change it. */
export function usePlace(id: string): void {
  const path = usePathname();
  const search = useSearchParams();
  useLayoutEffect(() => {
    void useView.persist.rehydrate();
    useView.getState().show(AT_REST);
  }, [id]);
  useLayoutEffect(() => {
    const place = placeAt(path, search);
    const { show, ...now } = useView.getState();
    if (now.station !== place.station || now.axle !== place.axle || now.side !== place.side)
      show(place);
  }, [path, search, id]);
}
