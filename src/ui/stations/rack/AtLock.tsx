import type { LengthUnit } from '@/core/model/units';
import { printLength, unitName } from '@/core/model/units';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { rangesAtLock } from '@/core/bumpsteer/atLock';
import type { Wheel } from '@/core/kinematics/wheel';
import { Table } from '../../fields/Table';

/** Toe range over the travel with the rack part of the way: what is perfect straight ahead may not be at lock. */
export function AtLock({ wheel, unit }: { wheel: Wheel; unit: LengthUnit }) {
  const ranges = useMemo(() => rangesAtLock(wheel), [wheel]);
  return (
    <>
      <Typography variant="h3">At part lock</Typography>
      <Table aria-label="Toe range at part lock" sx={{ '& th, & td': { px: '3px' } }}>
        <thead>
          <tr>
            <th scope="col">Rack, {unitName(unit)}</th>
            {ranges.map(({ rack }) => (
              <th key={rack} scope="col" className="number">
                {rack === 0
                  ? '0'
                  : `${printLength(Math.round(Math.abs(rack) * 10) / 10, unit)} ${rack > 0 ? 'L' : 'R'}`}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr>
            <td>toe range</td>
            {ranges.map(({ rack, range }) => (
              <td key={rack} className="number">
                {range === null ? '–' : `${range.toFixed(2)}°`}
              </td>
            ))}
          </tr>
        </tbody>
      </Table>
    </>
  );
}
