'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { createContext, memo, useContext, useMemo } from 'react';
import {
  Scatter,
  ScatterChart,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  DefaultZIndexes,
  XAxis,
  ZIndexLayer,
  YAxis,
  usePlotArea,
  useXAxisScale,
  useYAxisScale,
} from 'recharts';
import type { Targets } from '@/core/model/brief';
import type { Travel } from '@/core/model/build';
import { printLength, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { valueAt } from '@/core/motion/sweep';
import type { Sweep } from '@/core/motion/sweep';
import type { Bands } from '@/core/tolerance/bands';
import { FIGURES, PAPER } from '../theme';
import { aboutNought, around, travelTicks } from './axes';
import type { DegreeAxis } from './axes';

/** Quantities that have a trace: toe as change from ride height, camber as it stands. */
export const TRACED = ['toe', 'camber'] as const;
export type Traced = (typeof TRACED)[number];

interface Props {
  quantity: Traced;
  /** Over the travel at the rack position shown, and the quantity at ride height there. */
  sweep: Sweep;
  ride: Record<Traced, number>;
  /** The same for a proposal beside it. */
  proposed: { sweep: Sweep; ride: Record<Traced, number> } | null;
  bands: Bands | null;
  targets: Targets;
  travel: Travel;
  /** The position shown; `value` is null where it cannot be reached. */
  now: { travel: number; value: number | null };
  unit: LengthUnit;
}

/** One quantity against travel, bump up, with the brief's bands behind it and what the ± leaves open. */
export const Trace = memo(function Trace(props: Props) {
  const { quantity, sweep, ride, proposed, bands, targets, travel, now, unit } = props;
  const zero = quantity === 'toe' ? ride.toe : 0;
  const line = lineOf(sweep, quantity, zero);
  const ghost =
    proposed && lineOf(proposed.sweep, quantity, quantity === 'toe' ? proposed.ride.toe : 0);
  const values = [...line, ...(ghost ?? [])].map(([value]) => value);
  const axis =
    quantity === 'toe'
      ? aboutNought(Math.max(0, ...values.map(Math.abs)))
      : around(Math.min(ride.camber, ...values), Math.max(ride.camber, ...values));
  const curves: Curves = {
    quantity,
    line,
    ghost,
    open: bands && bandOf(line, bands, quantity),
    wanted: quantity === 'camber' ? wedge(targets.camberGain, ride.camber, travel.bump) : null,
    cursor: now.value === null ? null : { value: now.value - zero, travel: now.travel },
  };
  const edges = axis.ticks.join();
  // The frame redraws all its axes: it is given the same axis as long as that says the same.
  const kept = useMemo(
    () => ({ from: axis.from, to: axis.to, ticks: edges.split(',').map(Number) }),
    [axis.from, axis.to, edges],
  );
  return (
    <Box sx={{ flex: 1, minHeight: 0, position: 'relative' }} data-trace={quantity}>
      <CurvesContext.Provider value={curves}>
        <Frame
          axis={kept}
          limits={quantity === 'toe' ? targets.bumpSteer : NO_LIMITS}
          bump={travel.bump}
          droop={travel.droop}
          unit={unit}
        />
      </CurvesContext.Provider>
      {line.length === 0 && (
        <Typography sx={{ position: 'absolute', inset: '40% 20% auto', textAlign: 'center' }}>
          No curve: no part of the travel can be reached.
        </Typography>
      )}
    </Box>
  );
});

type Line = [value: number, travel: number][];

interface Curves {
  quantity: Traced;
  line: Line;
  ghost: Line | null;
  /** Outline of what nine cars in ten do. */
  open: Line | null;
  /** Outline of what the brief wants. */
  wanted: Line | null;
  cursor: { value: number; travel: number } | null;
}

/** What changes with every keystroke goes past the frame, which would redraw all its axes. */
const CurvesContext = createContext<Curves>({
  quantity: 'toe',
  line: [],
  ghost: null,
  open: null,
  wanted: null,
  cursor: null,
});

const lineOf = (sweep: Sweep, quantity: Traced, zero: number): Line =>
  Array.from(sweep.travel).flatMap((travel, i): Line =>
    sweep.reachable[i] ? [[valueAt(sweep, i, quantity) - zero, travel]] : [],
  );

/** The band round a line: up one side and down the other. */
function bandOf(line: Line, bands: Bands, quantity: Traced): Line {
  const side = (list: Float64Array) =>
    line.flatMap(([value, travel]): Line => {
      const i = bands.travel.indexOf(travel);
      return i < 0 || Number.isNaN(list[i]) ? [] : [[value + list[i], travel]];
    });
  return [...side(bands.low[quantity]), ...side(bands.high[quantity]).reverse()];
}

/** Between the least and the most gain per 25 mm of bump. */
const wedge = ([least, most]: [number, number], ride: number, bump: number): Line => [
  [ride, 0],
  [ride + (least * bump) / 25, bump],
  [ride + (most * bump) / 25, bump],
];

const tick = { fill: PAPER.soft, fontSize: 13, fontFamily: FIGURES };
const BAND_FILLS = ['#e9e0c9', '#dfe3d2', '#cfdccb'];
const NO_LIMITS: number[] = [];

/** Axes and bands; the curves inside redraw without it. */
const Frame = memo(function Frame({
  axis,
  limits,
  bump,
  droop,
  unit,
}: {
  axis: DegreeAxis;
  limits: readonly number[];
  bump: number;
  droop: number;
  unit: LengthUnit;
}) {
  const bands = [...limits].reverse().map((limit, i) => ({ limit, fill: BAND_FILLS[i] }));
  // The axes go by data: the plot's own corners.
  const corners = [
    { value: axis.from, travel: -droop },
    { value: axis.to, travel: bump },
  ];
  return (
    <ResponsiveContainer width="100%" height="100%">
      <ScatterChart margin={{ top: 6, right: 14, bottom: 2, left: 0 }} accessibilityLayer={false}>
        <XAxis
          type="number"
          dataKey="value"
          domain={[axis.from, axis.to]}
          ticks={axis.ticks}
          allowDataOverflow
          tick={tick}
          stroke={PAPER.soft}
          height={24}
          tickFormatter={(value: number) => readable(`${value > 0 ? '+' : ''}${value}°`)}
        />
        <YAxis
          type="number"
          dataKey="travel"
          domain={[-droop, bump]}
          ticks={travelTicks(bump, droop, unit === 'mm' ? 1 : 25.4)}
          allowDataOverflow
          tick={tick}
          stroke={PAPER.soft}
          width={46}
          tickFormatter={(mm: number) => readable(printLength(mm, unit))}
        />
        {bands.map(({ limit, fill }, i) => (
          <ReferenceArea
            key={limit}
            x1={-Math.min(limit, axis.to)}
            x2={Math.min(limit, axis.to)}
            fill={fill}
            fillOpacity={1}
            zIndex={DefaultZIndexes.area + i}
          />
        ))}
        {axis.from <= 0 && axis.to >= 0 && (
          <ReferenceLine x={0} stroke={PAPER.soft} strokeWidth={1} />
        )}
        <ReferenceLine y={0} stroke={PAPER.soft} strokeDasharray="3 4" />
        <Scatter data={corners} shape={NOTHING} isAnimationActive={false} />
        <ZIndexLayer zIndex={DefaultZIndexes.scatter}>
          <CurveLayer />
        </ZIndexLayer>
      </ScatterChart>
    </ResponsiveContainer>
  );
});

const NOTHING = () => <g />;

function CurveLayer() {
  const { quantity, line, ghost, open, wanted, cursor } = useContext(CurvesContext);
  const x = useXAxisScale();
  const y = useYAxisScale();
  const area = usePlotArea();
  if (!x || !y || !area) return null;
  const path = (points: Line) =>
    points
      .map(
        ([value, travel], i) =>
          `${i ? 'L' : 'M'}${Number(x(value)).toFixed(2)} ${Number(y(travel)).toFixed(2)}`,
      )
      .join('');
  const cx = cursor && Math.max(area.x, Math.min(area.x + area.width, Number(x(cursor.value))));
  const cy = cursor && Number(y(cursor.travel));
  return (
    <>
      <clipPath id="trace-plot">
        <rect x={area.x} y={area.y} width={area.width} height={area.height} />
      </clipPath>
      <g clipPath="url(#trace-plot)">
        {wanted && <path d={`${path(wanted)}Z`} fill={BAND_FILLS[2]} data-curve="wanted" />}
        {open && open.length > 0 && (
          <path
            d={`${path(open)}Z`}
            fill={PAPER.accent}
            fillOpacity={0.16}
            stroke={PAPER.accent}
            strokeOpacity={0.5}
            strokeWidth={0.8}
            data-curve="built"
          />
        )}
        {ghost && (
          <path
            d={path(ghost)}
            fill="none"
            stroke={PAPER.accent}
            strokeWidth={1.8}
            strokeDasharray="6 4"
            data-curve="proposed"
          />
        )}
        <path
          d={path(line)}
          fill="none"
          stroke={PAPER.ink}
          strokeWidth={2.6}
          data-curve={quantity}
        />
      </g>
      {cursor && (
        <g>
          <path d={`M${area.x} ${cy}h${area.width}`} stroke={PAPER.accent} strokeWidth={1} />
          <circle
            cx={cx ?? 0}
            cy={cy ?? 0}
            r={5.5}
            fill={PAPER.sheet}
            stroke={PAPER.accent}
            strokeWidth={2.5}
          />
        </g>
      )}
    </>
  );
}
