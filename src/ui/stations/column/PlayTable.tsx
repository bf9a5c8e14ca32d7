'use client';

import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { playOf } from '@/core/column/play';
import { ratioOf } from '@/core/steering/lock';
import { counted } from '@/core/model/wording';
import { lengthIn } from '@/core/model/units';
import { FiguresTable } from '../../fields/FiguresTable';
import type { PartProps } from './parts';

/** What splines, joints and bearings give away, summed at the handwheel and at the wheels. */
export function PlayTable({ build, column, unit }: PartProps) {
  const play = useMemo(() => playOf(column, ratioOf(build)), [build, column]);
  if (!play) return null;
  const { parts, handwheel, wheels, rim, silent } = play;
  const rows: [string, string][] = [
    ...parts.map(({ what, atHandwheel, measured }): [string, string] => [
      `${what}, ${measured ? 'measured' : 'as stated'}`,
      `${atHandwheel.toFixed(2)}°`,
    ]),
    ...(parts.length > 0
      ? ([
          ['together at the handwheel', `${handwheel.toFixed(2)}°`],
          ['at the wheels, straight ahead', wheels === null ? 'no ratio' : `${wheels.toFixed(3)}°`],
        ] as [string, string][])
      : []),
    ...(rim === null
      ? []
      : ([['the rim, up and down, either way, by its bearings', lengthIn(rim, unit, 2)]] as [
          string,
          string,
        ][])),
  ];
  return (
    <>
      {rows.length > 0 && (
        <FiguresTable label="Free play" heading="from stop to stop" rows={rows} />
      )}
      <Typography variant="caption" component="p" color="text.secondary">
        {silent > 0
          ? `Of ${counted(silent, 'joint or spline', 'joints and splines')} nothing is said: their play is not in these sums. `
          : ''}
        The rack’s own play comes on top.
      </Typography>
    </>
  );
}
