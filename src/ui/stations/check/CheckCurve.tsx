import { memo } from 'react';
import {
  DefaultZIndexes,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  ScatterChart,
  XAxis,
  YAxis,
  ZIndexLayer,
} from 'recharts';
import type { MeasuredPoint } from '@/core/check/measuredCurve';
import { printLength, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { BAND, FIGURES, PAPER } from '../../theme';
import { aboutNought, around, travelTicks } from '../../traces/axes';
import { Inside, NOTHING, usePlot } from '../../traces/plot';
import { useKept } from '../../traces/useKept';

const tick = { fill: PAPER.soft, fontSize: 13, fontFamily: FIGURES };
const BAND_FILLS = [BAND.far, BAND.near, BAND.within];

/** Places on the curve: degrees, and travel, mm. */
export type CurveLine = readonly (readonly [number, number])[];

export interface CurveProps {
  shows: 'toe' | 'camber';
  points: readonly MeasuredPoint[];
  /** The last round's points are filled, older ones are not. */
  round: number;
  /** As drawn; one line a wheel. */
  drawn: readonly CurveLine[];
  /** Between these lie nine in ten cars built within their ±. */
  band: CurveLine | null;
  limits: readonly number[];
  travel: { bump: number; droop: number };
  unit: LengthUnit;
}

/** What was read over what was drawn: points with their error bars, bump up. */
export const CheckCurve = memo(function CheckCurve(props: CurveProps) {
  const { shows, points, drawn, limits, travel, unit } = props;
  const values = [
    ...points.flatMap(({ value, plusMinus }) => [value - plusMinus, value + plusMinus]),
    ...drawn.flatMap((line) => line.map(([value]) => value)),
  ];
  const axis = useKept(
    shows === 'toe' ? aboutNought(Math.max(0, ...values.map(Math.abs))) : around(values, false, 1),
  );
  const bands = shows === 'toe' ? [...limits].reverse() : [];
  const from = -travel.droop - 4;
  const to = travel.bump + 4;
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
          tickFormatter={(value: number) => readable(`${value > 0 ? '+' : ''}${value}°`)}
        />
        <YAxis
          type="number"
          dataKey="travel"
          domain={[from, to]}
          ticks={travelTicks(travel.bump, travel.droop, unit === 'mm' ? 1 : 25.4)}
          allowDataOverflow
          tick={tick}
          stroke={PAPER.soft}
          width={46}
          tickFormatter={(at: number) => readable(printLength(at, unit))}
        />
        {bands.map((limit, i) => (
          <ReferenceArea
            key={limit}
            x1={-Math.min(limit, axis.to)}
            x2={Math.min(limit, axis.to)}
            fill={BAND_FILLS[i]}
            fillOpacity={1}
            zIndex={DefaultZIndexes.area + i}
          />
        ))}
        <ReferenceLine y={0} stroke={PAPER.soft} strokeDasharray="3 4" />
        <Scatter data={corners} shape={NOTHING} isAnimationActive={false} />
        <ZIndexLayer zIndex={DefaultZIndexes.scatter}>
          <Layer {...props} />
        </ZIndexLayer>
      </ScatterChart>
    </ResponsiveContainer>
  );
});

function Layer({ points, round, drawn, band }: CurveProps) {
  const plot = usePlot();
  if (!plot) return null;
  const { x, y, clip } = plot;
  const path = (line: CurveLine) =>
    line
      .map(([value, travel], i) => `${i ? 'L' : 'M'}${x(value).toFixed(1)} ${y(travel).toFixed(1)}`)
      .join('');
  return (
    <>
      <Inside {...plot} />
      <g clipPath={clip}>
        {band && band.length > 0 && (
          <path d={`${path(band)}Z`} fill={PAPER.accent} fillOpacity={0.16} data-curve="built" />
        )}
        {drawn.map((line, i) => (
          <path
            key={i}
            d={path(line)}
            fill="none"
            stroke={PAPER.ink}
            strokeWidth={2.2}
            strokeDasharray={i > 0 ? '6 4' : undefined}
            data-curve="drawn"
          />
        ))}
        {points.map((point) => {
          const [at, up] = [x(point.value), y(point.travel)];
          const [low, high] = [x(point.value - point.plusMinus), x(point.value + point.plusMinus)];
          const last = point.round === round;
          return (
            <g
              key={`${point.ids.join()} ${point.side}`}
              stroke={PAPER.accent}
              strokeWidth={1.6}
              opacity={last ? 1 : 0.55}
              data-measured={point.side}
            >
              <path
                d={`M${low} ${up}H${high}M${low} ${up - 4}v8M${high} ${up - 4}v8`}
                fill="none"
              />
              {point.side === 'left' ? (
                <circle cx={at} cy={up} r={4.5} fill={last ? PAPER.accent : PAPER.sheet} />
              ) : (
                <path
                  d={`M${at} ${up - 6}l6 6l-6 6l-6 -6Z`}
                  fill={last ? PAPER.accent : PAPER.sheet}
                />
              )}
            </g>
          );
        })}
      </g>
    </>
  );
}
