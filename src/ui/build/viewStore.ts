import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { Station } from '@/core/judging/stationStates';
import type { AxleName, Side } from '@/core/model/build';
import type { LengthUnit } from '@/core/model/units';
import type { PointName } from '@/core/model/points';
import { AS_LAID } from '../floor/strings';
import type { Strings } from '../floor/strings';
import type { Compared } from '../variants/compared';
import type { Against, Traced } from '../traces/traced';

/** What is being looked at: nothing here changes the build. */
export interface ViewState {
  station: Station;
  axle: AxleName;
  side: Side;
  /** Wheel travel, mm, + bump, and rack travel, mm, + left, that floor and readouts show. */
  travel: number;
  rack: number;
  selected: PointName | null;
  /** Which curve stands under the floor. */
  traced: Traced;
  against: Against;
  /** What is laid on the floor. */
  strings: Strings;
  /** What the open variant is compared with; without it, with itself as it was opened. */
  compared: Compared | null;
  unit: LengthUnit;
  show: (change: Partial<Omit<ViewState, 'show'>>) => void;
}

export const AT_REST = {
  travel: 0,
  rack: 0,
  selected: null,
  axle: 'front',
  side: 'left',
  compared: null,
} as const;

/** One window looks at one build at a time, so this is one store; the unit and the strings are remembered. */
export const useView = create<ViewState>()(
  persist(
    (set) => ({
      ...AT_REST,
      station: 'rack',
      traced: 'toe',
      against: 'travel',
      strings: AS_LAID,
      unit: 'mm',
      show: (change) => set(change),
    }),
    {
      name: 'havrik-view',
      partialize: ({ unit, strings }) => ({ unit, strings }),
      // Strings that are new since were not remembered.
      merge: (kept, now) => {
        const { strings, ...rest } = (kept ?? {}) as Partial<ViewState>;
        return { ...now, ...rest, strings: { ...AS_LAID, ...strings } };
      },
      skipHydration: true,
    },
  ),
);
