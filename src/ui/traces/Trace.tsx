'use client';

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
} from 'recharts';
import { printLength, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { BAND, FIGURES, PAPER } from '../theme';
import { aboutNought, around, travelTicks } from './axes';
import type { ValueAxis } from './axes';
import { Inside, NOTHING, usePlot } from './plot';
import { TRACES } from './traced';
import type { Against, Line, Traced } from './traced';
import { useKept } from './useKept';

interface Props {
  traced: Traced;
  /** What is drawn: values against travel (mm) or roll (degrees). */
  line: Line;
  /** The same for a proposal beside it. */
  ghost: Line | null;
  /** And for a variant it is compared with. */
  compared: Line | null;
  /** Outlines of what nine cars in ten do, and of what the brief wants. */
  open: Line | null;
  wanted: Line | null;
  cursor: { value: number; travel: number } | null;
  /** Verdict bands about nought, degrees. */
  limits: readonly number[];
  /** Ends of the upright axis, and what it counts. */
  from: number;
  to: number;
  against: Against;
  unit: LengthUnit;
}

const NO_LIMITS: number[] = [];

/** One quantity against travel or roll, bump up, with the brief's bands behind it and what the ± leaves open. */
export const Trace = memo(function Trace(props: Props) {
  const { traced, line, ghost, compared, open, wanted, cursor, unit } = props;
  const { change, unit: kind } = TRACES[traced];
  const values = [...line, ...(ghost ?? []), ...(compared ?? [])].map(([value]) => value);
  const grain = kind === 'length' ? (unit === 'mm' ? 1 : 25.4) : 1;
  const axis =
    traced === 'toe'
      ? aboutNought(Math.max(0, ...values.map(Math.abs)))
      : around(values, change === true, grain);
  const kept = useKept(axis);
  return (
    <div style={PLACE} data-trace={traced}>
      <CurvesContext.Provider value={{ traced, line, ghost, compared, open, wanted, cursor }}>
        <Frame
          axis={kept}
          kind={kind}
          limits={traced === 'toe' ? props.limits : NO_LIMITS}
          from={props.from}
          to={props.to}
          against={props.against}
          unit={unit}
        />
      </CurvesContext.Provider>
      {line.length === 0 && (
        <Typography sx={{ position: 'absolute', inset: '40% 20% auto', textAlign: 'center' }}>
          No curve: no part of the travel can be reached.
        </Typography>
      )}
    </div>
  );
});

const PLACE = { flex: 1, minHeight: 0, position: 'relative' } as const;

type Curves = Pick<Props, 'traced' | 'line' | 'ghost' | 'compared' | 'open' | 'wanted' | 'cursor'>;

/** What changes with every keystroke goes past the frame, which would redraw all its axes. */
const CurvesContext = createContext<Curves>({
  traced: 'toe',
  line: [],
  ghost: null,
  compared: null,
  open: null,
  wanted: null,
  cursor: null,
});

const tick = { fill: PAPER.soft, fontSize: 13, fontFamily: FIGURES };
const BAND_FILLS = [BAND.far, BAND.near, BAND.within];
/** Axes and bands; the curves inside redraw without it. */
const Frame = memo(function Frame({
  axis,
  kind,
  limits,
  from,
  to,
  against,
  unit,
}: Pick<Props, 'limits' | 'from' | 'to' | 'against' | 'unit'> & {
  axis: ValueAxis;
  kind: 'angle' | 'length' | 'percent' | 'ratio';
}) {
  const bands = [...limits].reverse().map((limit, i) => ({ limit, fill: BAND_FILLS[i] }));
  // The axes go by data: the plot's own corners.
  const corners = [
    { value: axis.from, travel: from },
    { value: axis.to, travel: to },
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
          tickFormatter={(value: number) => printValue(value, kind, unit)}
        />
        <YAxis
          type="number"
          dataKey="travel"
          domain={[from, to]}
          ticks={travelTicks(to, -from, against === 'roll' || unit === 'mm' ? 1 : 25.4)}
          allowDataOverflow
          tick={tick}
          stroke={PAPER.soft}
          width={46}
          tickFormatter={(at: number) =>
            against === 'roll' ? `${readable(String(at))}°` : readable(printLength(at, unit))
          }
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

function printValue(
  value: number,
  kind: 'angle' | 'length' | 'percent' | 'ratio',
  unit: LengthUnit,
): string {
  if (kind === 'length') return readable(printLength(Math.round(value * 100) / 100, unit));
  const ending = { angle: '°', percent: ' %', ratio: '' }[kind];
  return readable(`${value > 0 && kind === 'angle' ? '+' : ''}${value}${ending}`);
}

function CurveLayer() {
  const { traced, line, ghost, compared, open, wanted, cursor } = useContext(CurvesContext);
  const plot = usePlot();
  if (!plot) return null;
  const { x, y, area, clip } = plot;
  const path = (points: Line) =>
    points
      .map(([value, travel], i) => `${i ? 'L' : 'M'}${x(value).toFixed(2)} ${y(travel).toFixed(2)}`)
      .join('');
  const cx = cursor && Math.max(area.x, Math.min(area.x + area.width, x(cursor.value)));
  const cy = cursor && y(cursor.travel);
  return (
    <>
      <Inside {...plot} />
      <g clipPath={clip}>
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
        {compared && (
          <path
            d={path(compared)}
            fill="none"
            stroke={PAPER.ink}
            strokeWidth={1}
            data-curve="compared"
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
        <path d={path(line)} fill="none" stroke={PAPER.ink} strokeWidth={2.6} data-curve={traced} />
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
