import type { ColumnMeasured } from '@/core/column/measure';
import type { Build } from '@/core/model/build';
import type { Column } from '@/core/model/column';
import type { LengthUnit } from '@/core/model/units';
import type { DeskProps } from '../list';

/** Changes the column of a build. */
export type EditColumn = (change: (column: Column) => void, step?: string) => void;

/** What a part of the station knows, and what it may do. */
export interface PartProps {
  build: Build;
  column: Column;
  measured: ColumnMeasured;
  unit: LengthUnit;
  selected: string | null;
  onSelect: (id: string) => void;
  onColumn: EditColumn;
  onEdit: DeskProps['onEdit'];
  /** A column looked at beside the present one. */
  tried: Column | null;
  onTry: (column: Column | null) => void;
}

export const columnEdit =
  (onEdit: DeskProps['onEdit']): EditColumn =>
  (change, step) =>
    onEdit((draft) => {
      if (draft.front.column) change(draft.front.column);
    }, step);

/** Puts another column in the place of the present one. */
export const takeColumn = (onEdit: DeskProps['onEdit'], next: Column, step?: string): void =>
  onEdit((draft) => {
    draft.front.column = structuredClone(next);
  }, step);
