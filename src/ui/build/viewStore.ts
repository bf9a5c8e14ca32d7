import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { Station } from '@/core/judging/stations';
import type { AxleName, Side } from '@/core/model/build';
import type { AngleUnit, LengthUnit } from '@/core/model/units';
import type { PointName } from '@/core/model/points';
import { AS_LAID } from '../floor/strings';
import type { Strings } from '../floor/strings';
import type { ViewName } from '../floor/drawing';
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
  /** A joint is being dragged: what takes long waits. */
  dragging: boolean;
  /** Which curves stand under the floor in each station, side by side. */
  traces: Record<Station, readonly Traced[]>;
  against: Against;
  /** The view that fills the floor; all of them without. */
  filled: ViewName | null;
  /** What is laid on the floor. */
  strings: Strings;
  /** What the open variant is compared with; without it, with itself as it was opened. */
  compared: Compared | null;
  /** How much of the page's height is under the floor, px. */
  under: number;
  unit: LengthUnit;
  /** What the button for inches turns to: decimals, or which fractions. */
  inches: Exclude<LengthUnit, 'mm'>;
  angles: AngleUnit;
  /** Who works at this window: signs what is done. */
  who: string;
  show: (change: Partial<Omit<ViewState, 'show'>>) => void;
}

export const AT_REST = {
  travel: 0,
  rack: 0,
  selected: null,
  axle: 'front',
  side: 'left',
  compared: null,
  filled: null,
  dragging: false,
} as const;

/** What each station is about, as a curve. */
const OWN_TRACES: Record<Station, readonly Traced[]> = {
  brief: ['toe'],
  takeoff: ['toe'],
  wheel: ['scrub'],
  arms: ['camber'],
  rack: ['toe'],
  steering: ['toe'],
  column: ['toe'],
  damper: ['motionRatio'],
  shop: ['toe'],
  check: ['toe'],
  setup: ['toe', 'camber'],
  plan: ['toe'],
};
export const USUAL_UNDER = 448;

/**
 * One window looks at one build at a time, so this is one store; the unit, the strings and how the page is parted
 * are remembered; a station opens with its own curve.
 */
export const useView = create<ViewState>()(
  persist(
    (set) => ({
      ...AT_REST,
      station: 'rack',
      traces: OWN_TRACES,
      under: USUAL_UNDER,
      against: 'travel',
      strings: AS_LAID,
      unit: 'mm',
      inches: 'in',
      angles: 'deg',
      who: '',
      show: (change) => set(change),
    }),
    {
      name: 'havrik-view',
      partialize: ({ unit, inches, angles, strings, under, who }) => ({
        ...{ unit, inches, angles, strings, under, who },
      }),
      // Strings that are new since were not remembered.
      merge: (kept, now) => {
        const { strings, ...rest } = (kept ?? {}) as Partial<ViewState>;
        return {
          ...now,
          ...rest,
          strings: { ...AS_LAID, ...strings },
        };
      },
      skipHydration: true,
    },
  ),
);
