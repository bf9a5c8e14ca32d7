import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import type { Axle } from '@/core/kinematics/axle';
import { lengthIn } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { stopsFor } from '@/core/steering/stops';
import { Table } from '../../fields/Table';
import { VERDICT } from '../../theme';

/** The collars that stop the rack at the lock wanted. */
export function Stops({
  axle,
  wheelbase,
  lock,
  unit,
}: {
  axle: Axle;
  wheelbase: number;
  /** Of the inner wheel, degrees. */
  lock: number;
  unit: LengthUnit;
}) {
  const stops = useMemo(() => stopsFor(axle, wheelbase, lock), [axle, wheelbase, lock]);
  if (!stops) return null;
  return (
    <>
      <Table aria-label="Stops">
        <thead>
          <tr>
            <th scope="col">turning</th>
            <th scope="col">collar on the rack</th>
            <th scope="col" className="number">
              inner
            </th>
            <th scope="col" className="number">
              outer
            </th>
          </tr>
        </thead>
        <tbody>
          {stops.map(({ turn, rack, collar, inner, outer, reached, cut }) => (
            <tr key={turn} data-stop={turn}>
              <th scope="row">{turn}</th>
              <td style={reached ? undefined : { color: VERDICT.edge }}>
                {reached
                  ? `${lengthIn(collar, unit, 1)}, on its ${rack > 0 ? 'right' : 'left'} side`
                  : cut
                    ? `△ out of reach past ${lengthIn(Math.abs(rack), unit, 1)}`
                    : `△ none: it ends before ${lock}°`}
              </td>
              <td className="number">{inner.toFixed(1)}°</td>
              <td className="number">{outer.toFixed(1)}°</td>
            </tr>
          ))}
        </tbody>
      </Table>
      <Typography variant="caption" component="p" color="text.secondary">
        For {lock}° of the inner wheel (the brief’s lock), at ride height. What else may stop it
        first, as a tyre against an arm, is under “room” at the arms: try the wheels to both locks,
        at full bump and droop, before the car moves.
      </Typography>
    </>
  );
}
