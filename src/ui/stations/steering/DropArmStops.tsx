import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import type { Axle } from '@/core/kinematics/axle';
import type { Build, DropArm } from '@/core/model/build';
import { stopsFor } from '@/core/steering/stops';
import { Table } from '../../fields/Table';
import { VERDICT } from '../../theme';
import type { Edit } from './take';

/** As far as anybody would turn a handwheel that sits on the drop arm's own shaft, degrees. */
const FARTHEST = 120;

/** How far column or drop arm are to turn for the lock wanted, and where their stops go. */
export function DropArmStops({
  axle: stopped,
  dropArm,
  build,
  lock,
  onEdit,
}: {
  axle: Axle;
  dropArm: DropArm;
  build: Pick<Build, 'wheelbase'>;
  lock: number;
  onEdit: Edit;
}) {
  // Reckoned past the stops there are.
  const axle = useMemo(() => ({ ...stopped, steerRange: FARTHEST }), [stopped]);
  const stops = useMemo(() => stopsFor(axle, build.wheelbase, lock), [axle, build.wheelbase, lock]);
  if (!stops) return null;
  const all = stops.every(({ reached }) => reached);
  const most = Math.ceil(10 * Math.max(...stops.map(({ rack }) => Math.abs(rack))) - 1e-6) / 10;
  return (
    <>
      <Table aria-label="Stops">
        <thead>
          <tr>
            <th scope="col">turning</th>
            <th scope="col">{dropArm.ratio === undefined ? 'handwheel' : 'drop arm'}</th>
            {dropArm.ratio !== undefined && <th scope="col">handwheel</th>}
            <th scope="col" className="number">
              inner
            </th>
            <th scope="col" className="number">
              outer
            </th>
          </tr>
        </thead>
        <tbody>
          {stops.map(({ turn, rack: at, inner, outer, reached, cut }) => (
            <tr key={turn} data-stop={turn}>
              <th scope="row">{turn}</th>
              <td style={reached ? undefined : { color: VERDICT.edge }}>
                {reached
                  ? `${Math.abs(at).toFixed(1)}°`
                  : cut
                    ? `△ out of reach past ${Math.abs(at).toFixed(1)}°`
                    : `△ not within ${FARTHEST}°`}
              </td>
              {dropArm.ratio !== undefined && (
                <td>
                  {reached ? `${((Math.abs(at) * dropArm.ratio) / 360).toFixed(2)} turns` : '–'}
                </td>
              )}
              <td className="number">{inner.toFixed(1)}°</td>
              <td className="number">{outer.toFixed(1)}°</td>
            </tr>
          ))}
        </tbody>
      </Table>
      <Typography variant="body2" sx={{ py: 0.75 }}>
        The {dropArm.ratio === undefined ? 'column' : 'drop arm'} is stopped at{' '}
        {dropArm.lock.toFixed(1)}° each way now.{' '}
        {all && Math.abs(most - dropArm.lock) > 0.05 && (
          <Button
            size="small"
            variant="outlined"
            aria-label={`Take: stops at ${most.toFixed(1)}°`}
            onClick={() =>
              onEdit((draft) => {
                if (draft.front.dropArm) draft.front.dropArm.lock = most;
              })
            }
          >
            Take {most.toFixed(1)}°
          </Button>
        )}
      </Typography>
      <Typography variant="caption" component="p" color="text.secondary">
        For {lock}° of the inner wheel. Stops belong on the steering arms or the stubs, so that the
        column and its joints carry none of the blow.
      </Typography>
    </>
  );
}
