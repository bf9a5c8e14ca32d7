import type { Targets } from '@/core/model/brief';
import type { Wheel } from '@/core/kinematics/wheel';
import type { AxleDesign, Build } from '@/core/model/build';
import type { PointName } from '@/core/model/points';
import type { LengthUnit } from '@/core/model/units';
import type { EditPoints } from './rack/PointsTable';
import type { Clearances } from './arms/useClearances';

/** What a station under the floor knows of the page, and what it may do there. */
export interface FloorStation {
  build: Build;
  wheel: Wheel;
  targets: Targets;
  unit: LengthUnit;
  selected: PointName | null;
  onSelect: (name: PointName) => void;
  onPoints: EditPoints;
  onEdit: (change: (build: Build) => void, step?: string) => void;
  /** The tightest places of the wheel; undefined while they are still looked for. */
  clearances: Clearances;
  /** An axle looked at beside the present one. */
  tried: AxleDesign | null;
  onTry: (design: AxleDesign | null) => void;
  /** Cycles the wheel to a position. */
  onShow: (position: { travel: number; rack: number }) => void;
}
