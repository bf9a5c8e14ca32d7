'use client';

import Typography from '@mui/material/Typography';
import { styled } from '@mui/material/styles';
import { memo } from 'react';
import { toRad } from '@/core/geometry/angle';
import type { Targets } from '@/core/model/brief';
import { anglesIn, printLength, readable, unitName } from '@/core/model/units';
import type { AngleUnit, LengthUnit } from '@/core/model/units';
import { typeOf } from '@/core/corners/kinds';
import type { AxleDesign } from '@/core/model/build';
import { isOfAxis } from '@/core/motion/quantities';
import { NAMES, titled } from '@/core/motion/names';
import { spanOf } from '@/core/motion/range';
import type { Reading, Sweep } from '@/core/motion/sweep';
import { bandAt } from '@/core/tolerance/bands';
import type { Banded, Bands } from '@/core/tolerance/bands';
import { useBeat } from '../build/useCalm';
import { useView } from '../build/viewStore';
import { FIGURES, PAPER, PHONE } from '../theme';
import { Meant } from './Meant';
import { Ruler } from './Ruler';

interface Figure {
  quantity: Banded;
  label: string;
  kind: 'angle' | 'length';
  meaning: string;
}

const FIGURES_SHOWN: Figure[] = [
  { quantity: 'toe', label: titled(NAMES.toe), kind: 'angle', meaning: '+ is toe-in' },
  { quantity: 'camber', label: titled(NAMES.camber), kind: 'angle', meaning: '+ is top out' },
  { quantity: 'caster', label: titled(NAMES.caster), kind: 'angle', meaning: '+ is top rearward' },
  { quantity: 'kpi', label: titled(NAMES.kpi), kind: 'angle', meaning: '+ is top inward' },
  {
    quantity: 'scrub',
    label: titled(NAMES.scrub),
    kind: 'length',
    meaning: '+ where the kingpin axis meets the ground inboard of the contact point',
  },
  {
    quantity: 'trail',
    label: titled(NAMES.trail),
    kind: 'length',
    meaning: '+ where the kingpin axis meets the ground ahead of the contact point',
  },
];

interface Props {
  reading: Reading;
  /** The same position in the build as it was opened, in a variant it is compared with, or without what is looked at. */
  before: Reading | null;
  /** What has changed it from there. */
  since: string;
  /** It is of something that is looked at, and not taken yet. */
  looked: boolean;
  sweep: Sweep | null;
  /** The brief's; null where KPI and caster are nobody's concern. */
  targets: Targets | null;
  /** What the ± of the measurements leaves open, and the travel shown. */
  bands: Bands | null;
  travel: number;
  /** The wheel's axle: what does not apply to its kind is not shown. */
  design: AxleDesign;
  unit: LengthUnit;
}

/** The figures of one wheel, large enough to read from a step away. */
export const Readouts = memo(function Readouts(props: Props) {
  // Nobody reads figures faster.
  return <Rows {...useBeat(props, 100, 25)} />;
});

const Rows = memo(function Rows(props: Props) {
  const { reading, before: earlier, since, sweep, targets, bands, travel, design, unit } = props;
  const { radius } = design.tyre;
  const hasAxis = typeOf(design).steersAbout !== null;
  const applies = (quantity: Banded) => hasAxis || !isOfAxis(quantity);
  return (
    <Figures aria-label="Readouts">
      {FIGURES_SHOWN.filter(({ quantity }) => applies(quantity)).map((figure) => {
        const now = reading.ok ? (reading.value[figure.quantity] ?? null) : null;
        const before = earlier?.ok ? (earlier.value[figure.quantity] ?? null) : null;
        return (
          <ReadoutRow
            key={figure.quantity}
            figure={figure}
            now={now}
            change={now === null || before === null ? null : now - before}
            since={since}
            span={sweep && spanOf(sweep, figure.quantity)}
            band={
              targets && (figure.quantity === 'kpi' || figure.quantity === 'caster')
                ? targets[figure.quantity]
                : null
            }
            built={bands && bandAt(bands, figure.quantity, travel)}
            radius={radius}
            looked={props.looked && figure.quantity === 'toe'}
            unit={unit}
          />
        );
      })}
    </Figures>
  );
});

/** One rule for the rows' parts: they follow every move of a hand, and each styled part would cost it. */
const Figures = styled('section')({
  display: 'grid',
  gap: 4,
  gridTemplateColumns: 'minmax(0, 1fr)',
  [PHONE]: { gridTemplateColumns: 'repeat(2, minmax(0, 1fr))', columnGap: 16 },
  '& .line': {
    display: 'flex',
    alignItems: 'baseline',
    justifyContent: 'space-between',
    gap: 8,
  },
  '& output': { fontFamily: FIGURES, fontSize: 23, fontWeight: 600, lineHeight: 1.1 },
  '& .unit': { fontSize: 14, marginLeft: 3, color: PAPER.soft },
  '& .built': {
    marginLeft: 'auto',
    color: PAPER.soft,
    fontFamily: FIGURES,
    fontSize: 13,
    whiteSpace: 'nowrap',
  },
  '& .note': {
    color: PAPER.soft,
    fontFamily: FIGURES,
    fontSize: 12,
    lineHeight: 1.35,
    minHeight: 17,
  },
});

function ReadoutRow({
  figure,
  now,
  change,
  since,
  span,
  band,
  built,
  radius,
  looked,
  unit,
}: {
  figure: Figure;
  now: number | null;
  change: number | null;
  /** What it has changed from. */
  since: string;
  span: { min: number; max: number } | null;
  band: readonly [number, number] | null;
  /** Nine in ten cars built so deviate by this. */
  built: { low: number; high: number } | null;
  radius: number;
  /** It says that all are of what is looked at: the first of them does. */
  looked: boolean;
  unit: LengthUnit;
}) {
  const angles = useView((view) => view.angles);
  const show = (value: number) => printed(figure.kind, value, unit, angles);
  const smallest = figure.kind === 'angle' ? 0.005 : 0.05;
  const notes = [
    span ? `${show(span.min)} to ${show(span.max)} over travel` : null,
    figure.quantity === 'toe' && now !== null
      ? `${readable(printLength(acrossTyre(now, radius, unit), unit))} ${unitName(unit)} at the tyre`
      : null,
    change !== null && Math.abs(change) >= smallest
      ? `${change > 0 ? '+' : '−'}${show(Math.abs(change))} ${since}`
      : null,
  ].filter(Boolean);
  return (
    <div data-readout={figure.quantity}>
      <div className="line">
        <Label figure={figure} looked={looked} />
        {built && built.high - built.low >= smallest && (
          <span className="built" data-built>
            {asBuilt(built, show)}
          </span>
        )}
        <output aria-label={figure.label}>
          {now === null ? '–' : show(now)}
          <span className="unit">{ending(figure.kind, unit, angles)}</span>
        </output>
      </div>
      {now !== null && <Ruler now={now} span={span} band={band} built={built} />}
      <div className="note">{notes.join('; ')}</div>
    </div>
  );
}

const Label = memo(function Label({ figure, looked }: { figure: Figure; looked: boolean }) {
  return (
    <Typography variant="body2" component="div" noWrap>
      <Meant of={figure.quantity} label={figure.label} sign={figure.meaning} />
      {looked && <b style={{ color: PAPER.accent }}>, all as looked at</b>}
    </Typography>
  );
});

/** What the ± of the measurements makes of a figure: one ± where it is even, both ways where not. */
function asBuilt(
  { low, high }: { low: number; high: number },
  show: (value: number) => string,
): string {
  const even = Math.abs(high + low) < 0.2 * (high - low);
  return even
    ? `±${show((high - low) / 2)}`
    : `+${show(Math.max(0, high))} ${show(Math.min(0, low))}`;
}

/** Toe as a tape reads it, mm over the tyre's diameter, rounded as it is shown. */
function acrossTyre(toe: number, radius: number, unit: LengthUnit): number {
  const mm = 2 * radius * Math.sin(toRad(toe));
  const grain = unit === 'mm' ? 0.1 : 0.254;
  return Math.round(mm / grain) * grain;
}

const ending = (kind: Figure['kind'], unit: LengthUnit, angles: AngleUnit): string =>
  kind === 'length' ? unitName(unit) : angles === 'deg' ? '°' : '';

function printed(kind: Figure['kind'], value: number, unit: LengthUnit, angles: AngleUnit): string {
  if (kind === 'angle' && angles === 'min')
    return anglesIn(`${readable(value.toFixed(2))}°`, angles);
  const [shown, decimals] =
    kind === 'angle' ? [value, 2] : unit === 'mm' ? [value, 1] : [value / 25.4, 2];
  const text = shown.toFixed(decimals);
  return readable(Number(text) === 0 ? (0).toFixed(decimals) : text);
}
