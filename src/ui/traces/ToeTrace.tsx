'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { createContext, memo, useContext } from 'react';
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
import { BUMP_STEER_BANDS } from '@/core/bumpsteer/bumpSteer';
import type { Travel } from '@/core/model/build';
import { printLength, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { valueAt } from '@/core/motion/sweep';
import type { Sweep } from '@/core/motion/sweep';
import { FIGURES, PAPER } from '../theme';

interface Props {
  /** Toe over the travel at the rack position shown, and toe at ride height there. */
  sweep: Sweep;
  rideToe: number;
  /** The same for a proposal beside it. */
  proposed: { sweep: Sweep; rideToe: number } | null;
  travel: Travel;
  /** The position shown; `toe` is null where it cannot be reached. */
  now: { travel: number; toe: number | null };
  unit: LengthUnit;
}

/** Half-widths the chart may have, degrees, with their ticks: the least that holds the curve. */
const HALF_WIDTHS: [half: number, ticks: number[]][] = [
  [0.6, [0.25, 0.5]],
  [1.2, [0.5, 1]],
  [2.5, [1, 2]],
  [5, [2, 4]],
  [10, [5, 10]],
  [20, [10, 20]],
  [45, [20, 40]],
  [90, [45, 90]],
];

/** Toe change against travel, bump up, with the verdict bands behind it. */
export const ToeTrace = memo(function ToeTrace(props: Props) {
  const { sweep, rideToe, proposed, travel, now, unit } = props;
  const change = toeChange(sweep, rideToe);
  const ghost = proposed && toeChange(proposed.sweep, proposed.rideToe);
  const worst = Math.max(0, ...[...change, ...(ghost ?? [])].map(([toe]) => Math.abs(toe)));
  const half = HALF_WIDTHS.find(([width]) => worst <= width * 0.97)?.[0] ?? 90;
  const curves = {
    change,
    ghost,
    cursor: now.toe === null ? null : { toe: now.toe - rideToe, travel: now.travel },
  };
  return (
    <Box sx={{ flex: 1, minHeight: 0, position: 'relative' }} data-trace="toe">
      <CurvesContext.Provider value={curves}>
        <Frame half={half} bump={travel.bump} droop={travel.droop} unit={unit} />
      </CurvesContext.Provider>
      {change.length === 0 && (
        <Typography sx={{ position: 'absolute', inset: '40% 20% auto', textAlign: 'center' }}>
          No curve: no part of the travel can be reached.
        </Typography>
      )}
    </Box>
  );
});

type Line = [toe: number, travel: number][];

/** What changes with every keystroke goes past the frame, which would redraw all its axes. */
const CurvesContext = createContext<{
  change: Line;
  ghost: Line | null;
  cursor: { toe: number; travel: number } | null;
}>({ change: [], ghost: null, cursor: null });

const toeChange = (sweep: Sweep, rideToe: number): Line =>
  Array.from(sweep.travel).flatMap((travel, i): [number, number][] =>
    sweep.reachable[i] ? [[valueAt(sweep, i, 'toe') - rideToe, travel]] : [],
  );

const tick = { fill: PAPER.soft, fontSize: 13, fontFamily: FIGURES };
const BAND_FILLS = ['#e9e0c9', '#dfe3d2', '#cfdccb'];

/** Axes and bands; the curves inside redraw without it. */
const Frame = memo(function Frame({
  half,
  bump,
  droop,
  unit,
}: {
  half: number;
  bump: number;
  droop: number;
  unit: LengthUnit;
}) {
  const bands = [...BUMP_STEER_BANDS].reverse().map((limit, i) => ({ limit, fill: BAND_FILLS[i] }));
  const marks = HALF_WIDTHS.find(([width]) => width === half)?.[1] ?? [];
  const xTicks = [...marks.map((mark) => -mark).reverse(), 0, ...marks];
  // The axes go by data: the plot's own corners.
  const corners = [
    { toe: -half, travel: -droop },
    { toe: half, travel: bump },
  ];
  const grain = unit === 'mm' ? 1 : 25.4;
  const step = grain * (STEPS.find((s) => (bump + droop) / (s * grain) <= 8) ?? 100);
  const yTicks: number[] = [];
  for (let i = -Math.floor(droop / step); i * step <= bump; i++) yTicks.push(i * step);
  return (
    <ResponsiveContainer width="100%" height="100%">
      <ScatterChart margin={{ top: 6, right: 14, bottom: 2, left: 0 }} accessibilityLayer={false}>
        <XAxis
          type="number"
          dataKey="toe"
          domain={[-half, half]}
          ticks={xTicks}
          allowDataOverflow
          tick={tick}
          stroke={PAPER.soft}
          height={24}
          tickFormatter={(toe: number) => readable(`${toe > 0 ? '+' : ''}${toe}°`)}
        />
        <YAxis
          type="number"
          dataKey="travel"
          domain={[-droop, bump]}
          ticks={yTicks}
          allowDataOverflow
          tick={tick}
          stroke={PAPER.soft}
          width={46}
          tickFormatter={(mm: number) => readable(printLength(mm, unit))}
        />
        {bands.map(({ limit, fill }, i) => (
          <ReferenceArea
            key={limit}
            x1={-Math.min(limit, half)}
            x2={Math.min(limit, half)}
            fill={fill}
            fillOpacity={1}
            zIndex={DefaultZIndexes.area + i}
          />
        ))}
        <ReferenceLine x={0} stroke={PAPER.soft} strokeWidth={1} />
        <ReferenceLine y={0} stroke={PAPER.soft} strokeDasharray="3 4" />
        <Scatter data={corners} shape={NOTHING} isAnimationActive={false} />
        <ZIndexLayer zIndex={DefaultZIndexes.scatter}>
          <Curves />
        </ZIndexLayer>
      </ScatterChart>
    </ResponsiveContainer>
  );
});

function Curves() {
  const { change, ghost, cursor } = useContext(CurvesContext);
  return (
    <>
      {ghost && <Curve points={ghost} ghost />}
      <Curve points={change} />
      {cursor && <Cursor {...cursor} />}
    </>
  );
}

/** Steps the travel axis may have, in the unit shown. */
const STEPS = [0.25, 0.5, 1, 2, 5, 10, 20, 25, 50, 100];
const NOTHING = () => <g />;

function Curve({ points, ghost = false }: { points: [number, number][]; ghost?: boolean }) {
  const x = useXAxisScale();
  const y = useYAxisScale();
  if (!x || !y) return null;
  const path = points
    .map(
      ([toe, travel], i) =>
        `${i ? 'L' : 'M'}${Number(x(toe)).toFixed(2)} ${Number(y(travel)).toFixed(2)}`,
    )
    .join('');
  return (
    <path
      d={path}
      fill="none"
      stroke={ghost ? PAPER.accent : PAPER.ink}
      strokeWidth={ghost ? 1.8 : 2.6}
      strokeDasharray={ghost ? '6 4' : undefined}
      data-curve={ghost ? 'proposed' : 'toe'}
    />
  );
}

function Cursor({ toe, travel }: { toe: number; travel: number }) {
  const x = useXAxisScale();
  const y = useYAxisScale();
  const area = usePlotArea();
  if (!x || !y || !area) return null;
  const cy = Number(y(travel));
  const cx = Math.max(area.x, Math.min(area.x + area.width, Number(x(toe))));
  return (
    <g>
      <path d={`M${area.x} ${cy}h${area.width}`} stroke={PAPER.accent} strokeWidth={1} />
      <circle cx={cx} cy={cy} r={5.5} fill={PAPER.sheet} stroke={PAPER.accent} strokeWidth={2.5} />
    </g>
  );
}
