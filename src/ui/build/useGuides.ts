import { useMemo } from 'react';
import { guideAt } from '@/core/judging/guide';
import type { Guide } from '@/core/judging/guide';
import type { StationState } from '@/core/judging/stationStates';
import { STATIONS } from '@/core/judging/stations';
import type { Station } from '@/core/judging/stations';
import type { Wheel } from '@/core/kinematics/wheel';
import type { Build } from '@/core/model/build';
import { useChecks } from '../stations/check/checkStore';
import { finderWorker } from './finderWorker';
import { useAnswer } from './useAnswer';

export type Guides = Record<Station, Guide>;

/** What every station waits for, what of it is old, what is next there: of the wheel shown. */
export function useGuides(
  id: string,
  { build, wheel }: { build: Build; wheel: Wheel },
  states: Record<Station, StationState>,
): Guides {
  const checks = useChecks(({ buildId, list }) => (buildId === id ? list : null));
  const asked = useMemo(() => ({ build }), [build]);
  const oldSheets = useAnswer(asked, askOldSheets).of ?? null;
  return useMemo(
    () =>
      Object.fromEntries(
        STATIONS.map((station) => [
          station,
          guideAt(build, wheel, station, states[station], { checks, oldSheets }),
        ]),
      ) as Guides,
    [build, wheel, states, checks, oldSheets],
  );
}

const askOldSheets = async ({ build }: { build: Build }): Promise<number> =>
  build.shop?.taken?.length ? finderWorker().oldSheets(build) : 0;
