import { create } from 'zustand';
import { readTable } from '@/core/file/pointsTable';
import type { PointRow } from '@/core/file/pointsCsv';
import type { PointsTable } from '@/core/file/pointsTable';
import { pointNames, typeOf } from '@/core/corners/kinds';
import type { AxleDesign } from '@/core/model/build';
import { pointLabel } from '@/core/model/labels';
import type { PointName, Points } from '@/core/model/points';
import type { Problem } from '@/core/model/problems';

/** A table that was read, and waits for somebody to say that it goes in as it is shown. */
interface Pending {
  table: PointsTable;
  design: AxleDesign;
  /** Where the points are now. */
  points: Points;
  onTake: (rows: PointRow[]) => void;
}

export const usePreview = create<{ pending: Pending | null }>()(() => ({ pending: null }));

export const labelsOf = (design: AxleDesign): Record<PointName, string> =>
  Object.fromEntries(pointNames(typeOf(design)).map((name) => [name, pointLabel(design, name)]));

/** Reads a table and shows what of it would go where; what it cannot read is answered with why. */
export function askWhere(
  text: string,
  { design, points, onTake }: Omit<Pending, 'table'>,
): Problem[] | null {
  const read = readTable(typeOf(design), text, labelsOf(design));
  if (!read.ok) return read.problems;
  usePreview.setState({ pending: { table: read.value, design, points, onTake } });
  return null;
}
