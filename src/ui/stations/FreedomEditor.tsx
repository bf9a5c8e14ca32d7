'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Wheel } from '@/core/kinematics/wheel';
import type { Freedom } from '@/core/model/freedoms';
import { pointLabel } from '@/core/model/labels';
import { COORDINATES } from '@/core/model/points';
import type { Coordinate, PointName } from '@/core/model/points';
import type { LengthUnit } from '@/core/model/units';
import { FREEDOM_WORDS, FreedomRow } from './FreedomRow';
import type { FreedomChoice } from './FreedomRow';

interface Props {
  wheel: Wheel;
  point: PointName;
  unit: LengthUnit;
  onFreedom: (coordinate: Coordinate, freedom: Freedom | null, step?: string) => void;
}

/** Kinds that a coordinate of a joint may have: a rack's own only where a rack moves it. */
function kindsOf(
  { design, type, steered, steersBy }: Wheel,
  point: PointName,
  coordinate: Coordinate,
) {
  const has = design.freedoms?.[point]?.[coordinate]?.kind;
  const onRack = steered && steersBy === 'rack' && point === type.tieRod?.inner;
  return (Object.keys(FREEDOM_WORDS) as FreedomChoice[]).filter(
    (kind) =>
      kind === has ||
      ((kind !== 'plate' || onRack) && (kind !== 'rackWidth' || (onRack && coordinate === 'out'))),
  );
}

/** What can still be changed of one point, coordinate by coordinate. */
export function FreedomEditor({ wheel, point, unit, onFreedom }: Props) {
  const { design, points } = wheel;
  return (
    <Box component="section" aria-label="Freedoms" sx={{ overflow: 'auto', minHeight: 0 }}>
      <Typography variant="h3" sx={{ '&::first-letter': { textTransform: 'uppercase' } }}>
        {pointLabel(design, point)}: what can still be changed?
      </Typography>
      {COORDINATES.map((coordinate) => (
        <FreedomRow
          key={coordinate}
          coordinate={coordinate}
          kinds={kindsOf(wheel, point, coordinate)}
          now={points[point][coordinate]}
          freedom={design.freedoms?.[point]?.[coordinate]}
          unit={unit}
          onFreedom={(freedom, step) => onFreedom(coordinate, freedom, step)}
        />
      ))}
      <Typography variant="caption" color="text.secondary" component="p">
        Finders move only what is neither fixed nor undecided, and rank a washer before a thread, a
        hole, a moved bracket, a plate, a rack cut to another width: that is work on a steering
        part, for who may. Both sides share these. Not decided: may be drawn anywhere, is left alone
        by finders.
      </Typography>
    </Box>
  );
}
