'use client';

import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { UPRIGHT_JOINTS as SHELF_POINTS } from '@/core/model/parts';
import type { UprightPart } from '@/core/model/parts';
import { turnedRound } from '@/core/takeoff/bench';
import type { OnBench } from '@/core/model/takeOff';
import { ShelfPicker } from '../../shelf/ShelfPicker';
import type { StationProps } from './TakeOff';

/** Drops an upright from the shelf into the take-off of the side shown, as measured on the bench. */
export function UprightFromShelf({ wheel: { axle, side }, onTakeOff }: StationProps) {
  const [open, setOpen] = useState(false);
  const [round, setRound] = useState(false);
  const drop = (part: UprightPart) =>
    onTakeOff((draft) => {
      draft.measured = draft.measured.filter(
        (m) =>
          !(m.axle === axle && m.side === side && SHELF_POINTS.some((point) => point === m.point)),
      );
      const read = (value: number) => ({ value, tolerance: part.tolerance });
      for (const point of SHELF_POINTS) {
        const { inboard, above, ahead } = round ? turnedRound(part[point]) : part[point];
        const record: OnBench = {
          axle,
          side,
          point,
          method: 'bench',
          inboard: read(inboard),
          above: read(above),
          ahead: read(ahead),
        };
        draft.measured.push(record);
      }
    });
  return (
    <>
      <Button onClick={() => setOpen(true)}>Upright from the shelf</Button>
      <ShelfPicker
        kind="upright"
        title={`An upright for the ${axle} ${side}`}
        open={open}
        onClose={() => setOpen(false)}
        onPick={drop}
      >
        <FormControlLabel
          control={<Switch checked={round} onChange={(event) => setRound(event.target.checked)} />}
          label="Used on the other side of the car than it was made for"
        />
        <Typography variant="caption" component="div" color="text.secondary">
          A left part bolted to the right side is turned round: what was ahead of the spindle is
          then behind it, the steering arm too. Leave it off for the twin that was made for this
          side.
        </Typography>
      </ShelfPicker>
    </>
  );
}
