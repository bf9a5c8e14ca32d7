import { seatLeft, whole } from '@/core/column/driver';
import type { Vec } from '@/core/geometry/vec';
import type { Column } from '@/core/model/column';
import type { Sightline } from './ColumnView';

/** The driver's line of sight and the line over the hoops, seen from the side. */
export function sightlinesOf(column: Column): Sightline[] {
  const { driver } = column;
  if (!driver) return [];
  const left = seatLeft(column);
  const line = (name: string, from: typeof driver.eye, to: typeof driver.eye): Sightline[] => {
    const [a, b] = [whole(from), whole(to)];
    const at = ({ ahead, up }: { ahead: number; up: number }): Vec => [ahead, left, up];
    return a && b ? [{ name, from: at(a), to: at(b) }] : [];
  };
  return [
    ...line('line of sight', driver.eye, driver.sight),
    ...line('line of the hoops', driver.mainHoop, driver.frontHoop),
    ...line('helmet', driver.eye, driver.helmet),
  ];
}
