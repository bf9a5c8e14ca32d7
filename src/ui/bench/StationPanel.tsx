'use client';

import { Arms, Wheel } from '../stations/lazy';
import { Rack } from '../stations/rack/Rack';
import type { RackProps } from '../stations/rack/Rack';
import type { useShim } from './useShim';
import type { Station } from './viewStore';

interface Props extends RackProps {
  station: Station;
  shim: ReturnType<typeof useShim>;
  onFind: () => void;
}

/** The open station's own part under the floor. */
export function StationPanel({ station, shim, onFind, ...props }: Props) {
  if (station === 'wheel') return <Wheel {...props} />;
  if (station === 'arms') return <Arms {...props} />;
  return <Rack {...props} shim={shim} onFind={onFind} />;
}
