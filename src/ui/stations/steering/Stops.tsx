import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import type { Axle } from '@/core/kinematics/axle';
import { lengthIn } from '@/core/model/units';
import { rackSchema } from '@/core/model/build';
import type { Rack } from '@/core/model/build';
import type { LengthUnit } from '@/core/model/units';
import { stopsFor } from '@/core/steering/stops';
import { LengthField } from '../../fields/NumberField';
import { Table } from '../../fields/Table';
import { VERDICT } from '../../theme';
import type { Edit } from './take';

/** The collars that stop the rack at the lock wanted. */
export function Stops({
  axle: stopped,
  rack,
  wheelbase,
  lock,
  unit,
  onEdit,
}: {
  axle: Axle;
  rack: Rack;
  wheelbase: number;
  /** Of the inner wheel, degrees. */
  lock: number;
  unit: LengthUnit;
  onEdit: Edit;
}) {
  // Collars are reckoned from the rack's own end.
  const axle = useMemo(() => ({ ...stopped, steerRange: rack.travel }), [stopped, rack.travel]);
  const stops = useMemo(() => stopsFor(axle, wheelbase, lock), [axle, wheelbase, lock]);
  // As far as the rack alone would go.
  const most = useMemo(
    () => stopsFor(axle, wheelbase, 179)?.map(({ inner }) => inner) ?? [],
    [axle, wheelbase],
  );
  if (!stops) return null;
  const put = (mm: number | undefined, step?: string) =>
    onEdit((draft) => {
      const own = draft.front.rack;
      if (!own) return;
      if (mm === undefined) delete own.stop;
      else own.stop = mm;
    }, step);
  // The longer one on both sides, rounded so that no lock is lost by it.
  const longest = Math.floor(10 * Math.max(...stops.map(({ collar }) => collar)) + 1e-6) / 10;
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
          {stops.map(({ turn, rack: at, collar, inner, outer, reached, cut }) => (
            <tr key={turn} data-stop={turn}>
              <th scope="row">{turn}</th>
              <td style={reached ? undefined : { color: VERDICT.edge }}>
                {reached
                  ? `${lengthIn(collar, unit, 1)}, on its ${at > 0 ? 'right' : 'left'} side`
                  : cut
                    ? `△ out of reach past ${lengthIn(Math.abs(at), unit, 1)}`
                    : `△ none: it ends before ${lock}°`}
              </td>
              <td className="number">{inner.toFixed(1)}°</td>
              <td className="number">{outer.toFixed(1)}°</td>
            </tr>
          ))}
        </tbody>
      </Table>
      {stops.some(({ collar }) => collar > 0) && (
        <Typography variant="body2" data-lost>
          {stops.map(({ turn, inner }, i) => `${turn} ${(most[i] - inner).toFixed(1)}°`).join(', ')}{' '}
          of lock that the rack would give are stopped off.
        </Typography>
      )}
      {Math.abs(stops[0].collar - stops[1].collar) > 0.5 && (
        <Typography variant="body2" sx={{ fontWeight: 600, color: VERDICT.edge }}>
          △ The collars are not alike: the axle is not.
        </Typography>
      )}
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'start', pt: 1.25, pb: 0.5 }}>
        <LengthField
          label="collars fitted, each side"
          width={190}
          value={rack.stop}
          placeholder="none"
          unit={unit}
          schema={rackSchema.shape.stop.unwrap()}
          onValue={(mm, step) => put(mm, step)}
          onClear={(step) => put(undefined, step)}
        />
        {longest > 0 && Math.abs(longest - (rack.stop ?? 0)) > 0.05 && (
          <Button
            size="small"
            variant="outlined"
            aria-label={`Take: collars of ${lengthIn(longest, unit, 1)}`}
            onClick={() => put(longest)}
          >
            Take
          </Button>
        )}
      </Box>
      <Typography variant="caption" component="p" color="text.secondary">
        For {lock}° of the inner wheel, at ride height, by the rack’s own travel: what else ends the
        lock first stands beside. Lock that is stopped short is lost to the turning circle.
      </Typography>
    </>
  );
}
