'use client';

import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import { COORDINATES } from '@/core/model/points';
import type { Coordinate } from '@/core/model/points';
import { coordinate, label } from '@/core/model/wording';
import { takeOffOf } from '@/core/model/takeOff';
import type { Plane } from '@/core/model/takeOff';
import { Choice } from '../../fields/Choice';
import { LengthField } from '../../fields/NumberField';
import { TextLine } from '../../fields/TextLine';
import { PAPER } from '../../theme';
import type { StationProps } from './TakeOff';

const nameSchema = label();

const FACING: Record<Coordinate, [plus: string, minus: string]> = {
  ahead: ['forward', 'backward'],
  out: ['outward', 'inward'],
  up: ['upward', 'downward'],
};

/** The builder's own planes to measure from: a floor plate, a chassis rail. */
export function Planes({ build, unit, onTakeOff }: StationProps) {
  const { planes, measured } = takeOffOf(build);
  const edit = (i: number, act: (plane: Plane) => void, step?: string) =>
    onTakeOff((draft) => act(draft.planes[i]), step);
  const used = (id: string) =>
    measured.some((m) => m.method === 'direct' && COORDINATES.some((c) => m[c].plane === id));
  return (
    <Box sx={{ maxWidth: 760 }}>
      <Typography variant="body2" sx={{ mb: 1.5 }}>
        A plane stands square to one axis. Say where it is, and which way you measure from it: a
        floor plate 40 mm up is measured upward, a straightedge across the tyres inward.
      </Typography>
      {planes.map((plane, i) => (
        <Box
          key={plane.id}
          data-plane={plane.name}
          sx={{
            display: 'flex',
            gap: 1.25,
            py: 1.25,
            alignItems: 'center',
            borderTop: `1px solid ${PAPER.line}`,
          }}
        >
          <TextLine
            label="Plane"
            value={plane.name}
            schema={nameSchema}
            onValue={(name) => edit(i, (p) => void (p.name = name), `plane-name-${plane.id}`)}
            width={200}
          />
          <Choice
            label="Square to"
            value={plane.axis}
            options={COORDINATES}
            onPick={(axis) => edit(i, (p) => void (p.axis = axis))}
          />
          <LengthField
            label={`at, ${plane.axis}`}
            value={plane.at}
            unit={unit}
            schema={coordinate}
            onValue={(mm, step) => edit(i, (p) => void (p.at = mm), step)}
            width={118}
          />
          <Choice
            label="Measured"
            value={plane.facing === 1 ? 'plus' : 'minus'}
            options={['plus', 'minus']}
            words={{ plus: FACING[plane.axis][0], minus: FACING[plane.axis][1] }}
            onPick={(way) => edit(i, (p) => void (p.facing = way === 'plus' ? 1 : -1))}
          />
          <IconButton
            size="small"
            aria-label={`Remove ${plane.name}`}
            title={used(plane.id) ? 'Points are measured from it' : 'Remove'}
            disabled={used(plane.id)}
            onClick={() => onTakeOff((draft) => void draft.planes.splice(i, 1))}
          >
            <DeleteIcon fontSize="small" />
          </IconButton>
        </Box>
      ))}
      <Box sx={{ display: 'flex', gap: 1, mt: 1.5 }}>
        {(
          [
            ['Floor plate', 'up', 40],
            ['Chassis rail', 'out', 250],
            ['Bulkhead', 'ahead', 0],
          ] as const
        ).map(([name, axis, at]) => (
          <Button
            key={name}
            variant="outlined"
            size="small"
            onClick={() =>
              onTakeOff((draft) =>
                draft.planes.push({ id: crypto.randomUUID(), name, axis, at, facing: 1 }),
              )
            }
          >
            Add a {name.toLowerCase()}
          </Button>
        ))}
      </Box>
    </Box>
  );
}
