import Papa from 'papaparse';
import { parseLength } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { pointNames, typeOf } from '@/core/corners/kinds';
import type { AxleDesign } from '@/core/model/build';
import { pointLabel } from '@/core/model/labels';
import { COORDINATES } from '@/core/model/points';
import type { Coordinate, PointName, Points } from '@/core/model/points';
import type { Checked, Problem } from '@/core/model/problems';
import { coordinate as coordinateSchema } from '@/core/model/wording';

/**
 * What a paste of several cells does to the points: a bare block of lengths fills the table from the cell it lands
 * on. Null for a paste of one value, which is the cell's own business; a block with anything unreadable changes
 * nothing.
 */
export function pastedPoints(
  text: string,
  unit: LengthUnit,
  from: { point: PointName; coordinate: Coordinate },
  design: AxleDesign,
  points: Points,
): Checked<Partial<Points>> | null {
  const block = text.replace(/[\r\n]+$/u, '');
  if (!/[\t\n;]/u.test(block)) return null;
  const { data } = Papa.parse<string[]>(block, {
    delimiter: block.includes('\t') ? '\t' : block.includes(';') ? ';' : '\t',
  });
  // A damper's points stand in a table of their own.
  const type = typeOf(design);
  const ofDamper = type.points[from.point]?.ofDamper;
  const names = pointNames(type).filter((name) => type.points[name].ofDamper === ofDamper);
  const firstRow = names.indexOf(from.point);
  const firstColumn = COORDINATES.indexOf(from.coordinate);
  const problems: Problem[] = [];
  const result: Partial<Points> = {};
  data.forEach((cells, row) =>
    cells.forEach((cell, column) => {
      const name = names[firstRow + row];
      const coordinate = COORDINATES[firstColumn + column];
      if (!name || !coordinate) {
        if (cell.trim() !== '')
          problems.push({
            path: '',
            message: `the block has more cells than the table has room for (“${cell.slice(0, 20)}”)`,
          });
        return;
      }
      const parsed = parseLength(cell, unit);
      const checked = parsed.ok && coordinateSchema.safeParse(parsed.value);
      const why = !parsed.ok
        ? parsed.why
        : checked && !checked.success
          ? checked.error.issues[0].message
          : null;
      if (why !== null || !parsed.ok)
        problems.push({ path: `${pointLabel(design, name)}, ${coordinate}`, message: why ?? '' });
      else result[name] = { ...(result[name] ?? points[name]), [coordinate]: parsed.value };
    }),
  );
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: result };
}
