import Box from '@mui/material/Box';
import { CartesianGrid, ResponsiveContainer, Scatter, ScatterChart, XAxis, YAxis } from 'recharts';
import type { AckermannFinding } from '@/core/ackermann/findAckermann';
import type { AckermannFound } from '@/core/ackermann/judge';
import { FIGURES, PAPER } from '../../theme';

const tick = { fill: PAPER.soft, fontSize: 12, fontFamily: FIGURES };

/** Answers as places: how far off in Ackermann against bump steer, by number; a click looks at one. */
export function Front({
  found,
  before,
  looked,
  onLook,
}: {
  found: readonly AckermannFound[];
  before: AckermannFinding['before'];
  looked: number;
  onLook: (index: number) => void;
}) {
  const data = found.map(({ ackermann, steer }, i) => ({
    x: Math.abs(ackermann.worst),
    y: steer.span.range,
    i,
  }));
  const most = Math.max(...data.map(({ y }) => y), before.steer.span.range);
  return (
    <Box
      sx={{ height: 190, my: 0.5 }}
      role="img"
      aria-label="Answers: degrees off the Ackermann wanted against toe range over bumps; as it is, a cross"
    >
      <ResponsiveContainer width="100%" height="100%">
        <ScatterChart
          margin={{ top: 10, right: 20, bottom: 16, left: 0 }}
          accessibilityLayer={false}
        >
          <CartesianGrid stroke={PAPER.line} />
          <XAxis
            type="number"
            dataKey="x"
            domain={[0, 'auto']}
            tick={tick}
            stroke={PAPER.soft}
            label={{ value: 'off Ackermann, °', position: 'insideBottom', offset: -10, ...tick }}
          />
          <YAxis
            type="number"
            dataKey="y"
            domain={[0, Math.ceil(most * 10) / 10]}
            tick={tick}
            stroke={PAPER.soft}
            width={46}
            label={{ value: 'toe range, °', angle: -90, position: 'insideLeft', dy: 36, ...tick }}
          />
          <Scatter
            data={[{ x: Math.abs(before.ackermann.worst), y: before.steer.span.range }]}
            shape={Cross}
            isAnimationActive={false}
          />
          <Scatter
            data={data}
            isAnimationActive={false}
            shape={(props: unknown) => {
              const { cx, cy, i } = props as { cx: number; cy: number; i: number };
              return (
                <g onClick={() => onLook(i)} style={{ cursor: 'pointer' }} data-front={i}>
                  <circle
                    cx={cx}
                    cy={cy}
                    r={9}
                    fill={i === looked ? PAPER.accent : PAPER.sheet}
                    stroke={PAPER.ink}
                  />
                  <text
                    x={cx}
                    y={cy + 4}
                    textAnchor="middle"
                    fontSize={11}
                    fill={i === looked ? PAPER.sheet : PAPER.ink}
                  >
                    {i + 1}
                  </text>
                </g>
              );
            }}
          />
        </ScatterChart>
      </ResponsiveContainer>
    </Box>
  );
}

const Cross = (props: unknown) => {
  const { cx, cy } = props as { cx: number; cy: number };
  return (
    <path
      d={`M${cx - 6} ${cy - 6}l12 12M${cx + 6} ${cy - 6}l-12 12`}
      stroke={PAPER.ink}
      strokeWidth={2}
    />
  );
};
