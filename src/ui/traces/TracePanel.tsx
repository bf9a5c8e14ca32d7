'use client';

import Typography from '@mui/material/Typography';
import { memo } from 'react';
import type { Targets } from '@/core/model/brief';
import type { Travel } from '@/core/model/build';
import type { LengthUnit } from '@/core/model/units';
import type { Reading } from '@/core/motion/sweep';
import type { Bands } from '@/core/tolerance/bands';
import type { CornerView } from '../bench/useCorner';
import { Column } from '../bench/frame';
import { Choice } from '../fields/Choice';
import { TRACED, Trace } from './Trace';
import type { Traced } from './Trace';

interface Props {
  corner: CornerView;
  proposed: CornerView | null;
  bands: Bands | null;
  traced: Traced;
  targets: Targets;
  travel: Travel;
  position: { travel: number; rack: number };
  unit: LengthUnit;
  onTrace: (traced: Traced) => void;
}

/** The station's curve and which one it is. */
export function TracePanel({ corner, traced, position, unit, onTrace, ...rest }: Props) {
  return (
    <Column aria-label="Trace">
      <Heading traced={traced} unit={unit} rack={position.rack} onTrace={onTrace} />
      <Trace
        quantity={traced}
        sweep={corner.sweep}
        ride={corner.ride}
        now={{ travel: position.travel, value: valueOf(corner.reading, traced) }}
        unit={unit}
        {...rest}
      />
    </Column>
  );
}

const valueOf = (reading: Reading, traced: Traced) => (reading.ok ? reading.value[traced] : null);

const WAYS: Record<Traced, string> = { toe: 'toe-in right', camber: 'top out right' };

const Heading = memo(function Heading({
  traced,
  unit,
  rack,
  onTrace,
}: {
  traced: Traced;
  unit: LengthUnit;
  rack: number;
  onTrace: (traced: Traced) => void;
}) {
  const steered = rack !== 0 && `, rack ${Math.abs(rack)} mm ${rack > 0 ? 'left' : 'right'}`;
  return (
    <Typography component="h2" sx={{ fontSize: 15, fontWeight: 600, whiteSpace: 'nowrap' }}>
      <Choice label="Curve shown" value={traced} options={TRACED} onPick={onTrace} /> over the
      travel
      <Typography component="span" variant="caption" color="text.secondary" sx={{ ml: 1 }}>
        {unit === 'mm' ? 'mm' : 'inches'}, bump up, {WAYS[traced]}
        {steered}
      </Typography>
    </Typography>
  );
});
