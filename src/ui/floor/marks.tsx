import type { LengthUnit } from '@/core/model/units';
import { FIGURES, SLATE } from '../theme';

/** What a joint is called, and what is wrong with it. */
export function JointLabel({
  at: [x, y],
  label,
  more,
  width,
}: {
  at: [number, number];
  label: string;
  more?: string;
  width: number;
}) {
  const left = x > width / 2;
  const place = { x: left ? x - 12 : x + 12, textAnchor: left ? 'end' : 'start' } as const;
  return (
    <text
      y={y - 10}
      {...place}
      fill={SLATE.accent}
      stroke={SLATE.ground}
      strokeWidth={4}
      paintOrder="stroke"
      fontSize={13}
      fontWeight={600}
      pointerEvents="none"
    >
      {label}
      {more && (
        <tspan x={place.x} dy={-16} fill={SLATE.chalk} fontWeight={400}>
          {more}
        </tspan>
      )}
    </text>
  );
}

/** The contact point as a notch under the ground, and where the steering axis meets it, if there is one. */
export function ContactMark({ at, foot }: { at: [number, number]; foot: [number, number] | null }) {
  return (
    <g stroke={SLATE.accent} fill="none" strokeWidth={1.4}>
      <path d={`M${at[0] - 5} ${at[1] + 8}L${at[0]} ${at[1]}L${at[0] + 5} ${at[1] + 8}`} />
      {foot && <path d={`M${foot[0] - 5} ${foot[1]}h10`} />}
    </g>
  );
}

export function ScaleBar({
  unit,
  scale,
  x,
  y,
}: {
  unit: LengthUnit;
  scale: number;
  x: number;
  y: number;
}) {
  const length = (unit === 'mm' ? 100 : 4 * 25.4) * scale;
  return (
    <g>
      <path d={`M${x} ${y - 4}v4h${length}v-4`} stroke={SLATE.soft} fill="none" strokeWidth={1} />
      <text x={x + length + 6} y={y} fill={SLATE.soft} fontSize={12} fontFamily={FIGURES}>
        {unit === 'mm' ? '100 mm' : '4 in'}
      </text>
    </g>
  );
}
