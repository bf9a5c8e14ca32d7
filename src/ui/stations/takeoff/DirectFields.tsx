'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { COORDINATES } from '@/core/model/points';
import type { Coordinate, Point } from '@/core/model/points';
import { printLength, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import type { Direct, Plane } from '@/core/model/takeOff';
import type { RecordChange } from './RecordEditor';
import { VERDICT } from '../../theme';
import { ReadFields, putRead } from './ReadFields';

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
  drawn,
  unit,
  change,
}: {
  record: Direct;
  planes: Plane[];
  /** Where the model has the point. */
  drawn: Point;
  unit: LengthUnit;
  change: RecordChange;
}) {
  const [moved, setMoved] = useState<{
    coordinate: Coordinate;
    from: number;
    to: number;
    /** What it would have to read from there to stay. */
    stays: number;
  } | null>(null);
  const placeOf = (plane: string | undefined) => {
    const found = planes.find(({ id }) => id === plane);
    return { at: found?.at ?? 0, facing: found?.facing ?? 1 };
  };
  const edit = (
    coordinate: Coordinate,
    what: 'value' | 'tolerance',
    mm: number | undefined,
    step: string,
  ) =>
    change((draft) => {
      if (draft.method === 'direct') putRead(draft[coordinate], what, mm);
    }, step);
  const from = (coordinate: Coordinate, next: string) => {
    const { value, plane } = record[coordinate];
    const [old, now] = [placeOf(plane), placeOf(next === '' ? undefined : next)];
    change((draft) => {
      if (draft.method !== 'direct') return;
      if (next === '') delete draft[coordinate].plane;
      else draft[coordinate].plane = next;
    });
    const was = value === undefined ? null : old.at + old.facing * value;
    const is = value === undefined ? null : now.at + now.facing * value;
    setMoved(
      was === null || is === null || Math.abs(was - is) < 0.05
        ? null
        : { coordinate, from: was, to: is, stays: now.facing * (was - now.at) },
    );
  };
  const length = (mm: number) => readable(printLength(Math.round(mm * 10) / 10, unit));
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
              drawn={
                placeOf(record[coordinate].plane).facing *
                (drawn[coordinate] - placeOf(record[coordinate].plane).at)
              }
              onRead={(what, mm, step) => edit(coordinate, what, mm, step)}
            />
            <TextField
              select
              label="from"
              value={record[coordinate].plane ?? ''}
              onChange={(event) => from(coordinate, event.target.value)}
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
      {moved && (
        <Typography role="status" variant="body2" component="div" sx={{ color: VERDICT.edge }}>
          △ The same reading from there puts the point at {length(moved.to)} {moved.coordinate}; it
          was at {length(moved.from)}.{' '}
          <Button
            size="small"
            onClick={() => {
              edit(moved.coordinate, 'value', Math.round(moved.stays * 1e4) / 1e4, '');
              setMoved(null);
            }}
          >
            Keep the point: {length(moved.stays)} from there
          </Button>
          <Button size="small" onClick={() => setMoved(null)}>
            It is what I read
          </Button>
        </Typography>
      )}
      <Typography variant="caption" color="text.secondary">
        By tape and plumb line ±1.5 mm, by steel rule ±0.5 mm is usual. Other planes to measure from
        (a floor plate, a chassis rail) are set under “Datum planes”.
      </Typography>
    </Box>
  );
}
