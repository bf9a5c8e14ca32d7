import type { LengthUnit } from '@/core/model/units';
import { FIGURES, SLATE } from '../theme';
import type { Placed } from './labels';

/** Words beside the places they belong to, none on another. */
export const Labels = ({ placed }: { placed: readonly Placed[] }) => (
  <g stroke={SLATE.ground} strokeWidth={4} paintOrder="stroke" pointerEvents="none">
    {placed.map(({ label: { text, more, tone, size, figures, bold, part }, x, y }, i) => (
      <text
        key={i}
        x={x}
        y={y}
        fill={SLATE[tone]}
        fontSize={size}
        fontFamily={figures && FIGURES}
        fontWeight={bold && 600}
        data-label={part ?? text}
      >
        {text}
        {more && (
          <tspan x={x} dy={-1.25 * size} fill={SLATE.chalk} fontWeight={400}>
            {more}
          </tspan>
        )}
      </text>
    ))}
  </g>
);

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
