import { createContext, memo, useContext } from 'react';
import {
  CartesianGrid,
  DefaultZIndexes,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  ScatterChart,
  XAxis,
  YAxis,
  ZIndexLayer,
} from 'recharts';
import { printLength, readable, trimmed } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { FIGURES, PAPER } from '../../theme';
import type { ValueAxis } from '../../traces/axes';
import { Inside, NOTHING, usePlot } from '../../traces/plot';

const tick = { fill: PAPER.soft, fontSize: 13, fontFamily: FIGURES };

/** A line of the curve. */
export interface Line {
  /** Places of the rack, mm, and values, in runs without a gap. */
  runs: [rack: number, value: number][][];
  thin: boolean;
  dashed: boolean;
}

/** What changes while a joint is dragged goes past the frame, which would redraw its axes. */
export const LinesContext = createContext<{ lines: readonly Line[]; along: number; rack: number }>({
  lines: [],
  along: 1,
  rack: 0,
});

/** Axes; the lines inside redraw without it. */
export const Frame = memo(function Frame({
  axis,
  limit,
  ticks,
  byHand,
  length,
  ending,
  unit,
}: {
  axis: ValueAxis;
  limit: number;
  ticks: number[];
  byHand: boolean;
  length: boolean;
  ending: string;
  unit: LengthUnit;
}) {
  const print = (value: number) =>
    readable(
      length ? printLength(Math.round(value * 100) / 100, unit) : `${trimmed(value, 2)}${ending}`,
    );
  // The axes go by data: the plot's own corners.
  const corners = [
    { at: -limit, value: axis.from },
    { at: limit, value: axis.to },
  ];
  return (
    <ResponsiveContainer width="100%" height="100%">
      <ScatterChart margin={{ top: 8, right: 16, bottom: 0, left: 0 }} accessibilityLayer={false}>
        <CartesianGrid stroke={PAPER.line} vertical={false} />
        <XAxis
          type="number"
          dataKey="at"
          domain={[-limit, limit]}
          ticks={ticks}
          allowDataOverflow
          tick={tick}
          stroke={PAPER.soft}
          height={24}
          tickFormatter={(at: number) =>
            byHand ? `${readable(at.toFixed(0))}°` : readable(printLength(at, unit))
          }
        />
        <YAxis
          type="number"
          dataKey="value"
          domain={[axis.from, axis.to]}
          ticks={axis.ticks}
          allowDataOverflow
          tick={tick}
          stroke={PAPER.soft}
          width={58}
          tickFormatter={print}
        />
        <ReferenceLine x={0} stroke={PAPER.soft} strokeDasharray="3 4" />
        <Scatter data={corners} shape={NOTHING} isAnimationActive={false} />
        <ZIndexLayer zIndex={DefaultZIndexes.scatter}>
          <Lines />
        </ZIndexLayer>
      </ScatterChart>
    </ResponsiveContainer>
  );
});

function Lines() {
  const { lines, along, rack } = useContext(LinesContext);
  const plot = usePlot();
  if (!plot) return null;
  const { x, y, area, clip } = plot;
  const path = (runs: Line['runs']) =>
    runs
      .map((run) =>
        run
          .map(
            ([at, value], i) =>
              `${i ? 'L' : 'M'}${x(at * along).toFixed(1)} ${y(value).toFixed(1)}`,
          )
          .join(''),
      )
      .join('');
  return (
    <>
      <Inside {...plot} />
      <path d={`M${x(rack * along).toFixed(1)} ${area.y}v${area.height}`} stroke={PAPER.accent} />
      <g clipPath={clip} fill="none" stroke={PAPER.ink}>
        {lines.map(({ runs, thin, dashed }, i) => (
          <path
            key={i}
            d={path(runs)}
            strokeWidth={thin ? 1 : 2.4}
            strokeDasharray={dashed ? '6 4' : undefined}
            data-steer-line={thin ? 'compared' : dashed ? 'right' : 'left'}
          />
        ))}
      </g>
    </>
  );
}
