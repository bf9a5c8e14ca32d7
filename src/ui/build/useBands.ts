import { useEffect, useState } from 'react';
import { create } from 'zustand';
import type { Wheel } from '@/core/kinematics/wheel';
import type { Build } from '@/core/model/build';
import type { Bands } from '@/core/tolerance/bands';
import { buildBands, stopCars } from './toleranceWorker';

/** How long the page waits for the typing to rest before it builds cars, ms. */
const REST = 250;

export interface BandsView {
  /** What the ± leaves open of the wheel shown; the last known while new cars are being built. */
  bands: Bands | null;
  /** The bands belong to what is shown. */
  fresh: boolean;
}

/** Part of the cars that are built, 0 to 1; null when none are being built. Apart, so that only its mark redraws. */
export const useProgress = create<{ part: number | null }>(() => ({ part: null }));
const setProgress = (part: number | null) => useProgress.setState({ part });

/** Stops the building of cars; the next edit starts it again. */
export const stopBuilding = stopCars;

interface Known {
  bands: Bands | null;
  of: { build: Build; wheel: Wheel; rack: number };
}

/** Builds cars from the measurements of the wheel shown, in workers, whenever the layout has come to rest. */
export function useBands(build: Build, wheel: Wheel, rack: number): BandsView {
  const [known, setKnown] = useState<Known | null>(null);

  useEffect(() => {
    let wanted = true;
    let building = false;
    const timer = setTimeout(() => {
      building = true;
      setProgress(0);
      const onProgress = (part: number) => {
        if (wanted) setProgress(part);
      };
      void buildBands(build, wheel.axle, wheel.side, rack, onProgress).then((bands) => {
        building = false;
        if (!wanted) return;
        setProgress(null);
        if (bands) setKnown({ bands, of: { build, wheel, rack } });
      });
    }, REST);
    return () => {
      wanted = false;
      // Cars of what is gone would keep the machine from what is being typed or dragged.
      if (building) stopCars();
      clearTimeout(timer);
      setProgress(null);
    };
  }, [build, wheel, rack]);

  // Bands of another wheel say nothing about this one.
  const same =
    known !== null && known.of.wheel.axle === wheel.axle && known.of.wheel.side === wheel.side;
  return {
    bands: same ? known.bands : null,
    fresh: same && known.of.build === build && known.of.rack === rack,
  };
}
