import type { AxleDesign, Build } from '@/core/model/build';
import type { LengthUnit } from '@/core/model/units';
import type { Edit } from './take';

/** What a part of the station knows, and what it may do. */
export interface PartProps {
  build: Build;
  unit: LengthUnit;
  onEdit: Edit;
  /** A front axle looked at beside the present one. */
  tried: AxleDesign | null;
  onTry: (design: AxleDesign | null) => void;
}
