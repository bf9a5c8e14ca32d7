'use client';

import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { COORDINATES } from '@/core/model/points';
import type { Coordinate } from '@/core/model/points';
import type { LengthUnit } from '@/core/model/units';
import type { Direct, Plane } from '@/core/takeoff/records';
import type { RecordChange } from './RecordEditor';
import { ReadFields } from './ReadFields';

/** Where each axis is measured from when not from a plane of the builder's own. */
const CAR: Record<Coordinate, string> = {
  ahead: 'the axle line',
  out: 'the centreline',
  up: 'the ground',
};

/** Ahead, out and up, each from the car's own planes or the builder's. */
export function DirectFields({
  record,
  planes,
  unit,
  change,
}: {
  record: Direct;
  planes: Plane[];
  unit: LengthUnit;
  change: RecordChange;
}) {
  const edit = (coordinate: Coordinate, what: 'value' | 'tolerance', mm: number, step: string) =>
    change((draft) => {
      if (draft.method === 'direct') draft[coordinate][what] = mm;
    }, step);
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      {COORDINATES.map((coordinate) => {
        const own = planes.filter(({ axis }) => axis === coordinate);
        return (
          <Box key={coordinate} sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
            <ReadFields
              label={coordinate}
              read={record[coordinate]}
              unit={unit}
              onRead={(what, mm, step) => edit(coordinate, what, mm, step)}
            />
            <TextField
              select
              label="from"
              value={record[coordinate].plane ?? ''}
              onChange={(event) =>
                change((draft) => {
                  if (draft.method !== 'direct') return;
                  if (event.target.value === '') delete draft[coordinate].plane;
                  else draft[coordinate].plane = event.target.value;
                })
              }
              sx={{ flex: 1, minWidth: 0 }}
              slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
            >
              <MenuItem value="">{CAR[coordinate]}</MenuItem>
              {own.map(({ id, name }) => (
                <MenuItem key={id} value={id}>
                  {name}
                </MenuItem>
              ))}
            </TextField>
          </Box>
        );
      })}
      <Typography variant="caption" color="text.secondary">
        By tape and plumb line ±1.5 mm, by steel rule ±0.5 mm is usual. Other planes to measure from
        (a floor plate, a chassis rail) are set under “Datum planes”.
      </Typography>
    </Box>
  );
}
