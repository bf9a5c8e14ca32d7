import { useState } from 'react';
import type { AxleDesign } from '@/core/model/build';
import { useStable } from '../useStable';
import type { Station } from '@/core/judging/stations';

/** An axle that is looked at beside the present one; any edit and any other station puts it away. */
export function useTrial(design: AxleDesign, station: Station) {
  const [trial, setTrial] = useState<{
    of: AxleDesign;
    at: Station;
    design: AxleDesign;
  } | null>(null);
  return {
    tried: trial?.of === design && trial.at === station ? trial.design : null,
    look: useStable((next: AxleDesign | null) =>
      setTrial(next && { of: design, at: station, design: next }),
    ),
  };
}
