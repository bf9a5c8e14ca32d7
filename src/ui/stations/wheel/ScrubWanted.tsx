'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { AxleDesign, AxleName, Build } from '@/core/model/build';
import { kingpinOf, typeOf } from '@/core/corners/kinds';
import { pointLabel } from '@/core/model/labels';
import type { PointName } from '@/core/model/points';
import { mayMove } from '@/core/takeoff/solid';
import { printLength, readable, unitName } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { measure } from '@/core/model/wording';
import { trackOf } from '@/core/upright/place';
import { waysToScrub } from '@/core/upright/scrub';
import type { Reached, Way } from '@/core/upright/scrub';
import { LengthField } from '../../fields/NumberField';
import { FIGURES } from '../../theme';
import type { FloorStation } from '../floorStation';
import { LookTake } from '../LookTake';
import { askedOf } from '../useAsked';

const scrubSchema = measure('mm', -150, 250);

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** What a way is called, on a kingpin between two joints. */
function wordsOf(way: Way, design: AxleDesign): string {
  const [lower, upper] = kingpinOf(typeOf(design)) ?? ['', ''];
  return {
    kpi: 'Lean the kingpin: KPI',
    offset: 'Another rim: offset',
    lower: `${capital(pointLabel(design, lower))}: out`,
    upper: `${capital(pointLabel(design, upper))}: out`,
  }[way];
}

interface Props {
  build: Build;
  axle: AxleName;
  design: AxleDesign;
  kingpin: readonly [PointName, PointName];
  scrub: number;
  keep: Parameters<typeof waysToScrub>[2];
  unit: LengthUnit;
  tried: AxleDesign | null;
  onTry: (design: AxleDesign | null) => void;
  onTake: (design: AxleDesign) => void;
  onEdit: FloorStation['onEdit'];
}

/** A scrub radius asked for, and what alone would give it. */
export function ScrubWanted(props: Props) {
  const { build, axle, design, kingpin, scrub, keep, unit, tried, onTry, onTake, onEdit } = props;
  const [asked, setAsked] = useState<{ of: AxleDesign; wanted: number; ways: Reached[] } | null>(
    null,
  );
  const found = asked?.of === design ? asked : null;
  const value = build.asked?.scrub ?? Math.round(scrub);
  const may = (point: PointName) => mayMove(build, axle, point, 'out');
  const solid = !kingpin.every(may);
  return (
    <Box component="section" aria-label="Scrub radius wanted" sx={{ pt: 1 }}>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
        <LengthField
          label="Scrub radius wanted"
          value={value}
          unit={unit}
          schema={scrubSchema}
          onValue={(mm, step) => askedOf(onEdit)('scrub', mm, step)}
          width={150}
        />
        <Button
          variant="outlined"
          sx={{ height: 37 }}
          onClick={() => {
            setAsked({ of: design, wanted: value, ways: waysToScrub(design, value, keep, may) });
            onTry(null);
          }}
        >
          What gives it?
        </Button>
      </Box>
      {solid && (
        <Typography variant="caption" component="p" color="text.secondary">
          The upright was measured as one solid part (or its joints are fixed): they do not move on
          it, so another rim is what is left, or another upright.
        </Typography>
      )}
      {found && found.ways.length === 0 && (
        <Typography role="alert" variant="body2" color="error">
          Nothing alone gives {printLength(found.wanted, unit)} {unitName(unit)} within reason:
          change two things.
        </Typography>
      )}
      {found?.ways.map((reached) => (
        <WayRow
          key={reached.way}
          reached={reached}
          now={design}
          unit={unit}
          looked={tried === reached.design}
          onLook={() => onTry(tried === reached.design ? null : reached.design)}
          onTake={() => {
            onTry(null);
            onTake(reached.design);
          }}
        />
      ))}
    </Box>
  );
}

function WayRow({
  reached,
  now,
  unit,
  looked,
  onLook,
  onTake,
}: {
  reached: Reached;
  now: AxleDesign;
  unit: LengthUnit;
  looked: boolean;
  onLook: () => void;
  onTake: () => void;
}) {
  const { way, from, to, design } = reached;
  const show = (value: number) =>
    readable(
      way === 'kpi'
        ? `${value.toFixed(1)}°`
        : `${printLength(Math.round(value * 10) / 10, way === 'offset' ? 'mm' : unit)} ${way === 'offset' ? 'mm' : unit}`,
    );
  const wider = trackOf(design) - trackOf(now);
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, minHeight: 30 }} data-way={way}>
      <Typography variant="body2" sx={{ flex: 1 }}>
        {wordsOf(way, design)}{' '}
        <Box component="span" sx={{ fontFamily: FIGURES, fontWeight: 600 }}>
          {show(from)} → {show(to)}
        </Box>
        {Math.abs(wider) > 0.5 && (
          <Typography component="span" variant="caption" color="text.secondary">
            {' '}
            track {wider > 0 ? '+' : '−'}
            {printLength(Math.round(Math.abs(wider) * 10) / 10, unit)}
          </Typography>
        )}
      </Typography>
      <LookTake what={wordsOf(way, design)} looked={looked} onLook={onLook} onTake={onTake} />
    </Box>
  );
}
