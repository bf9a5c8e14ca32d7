import type { LengthUnit } from '@/core/model/units';
import { FIGURES, SLATE } from '../theme';
import type { ViewName } from './drawing';
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

/** A view narrower than this has what it is called and where ahead is on two lines, px. */
const TIGHT = 185;

/** What a view is called, and where ahead is. */
export const Caption = ({
  view,
  caption,
  mirror,
  width,
}: {
  view: ViewName;
  caption: string;
  mirror: 1 | -1;
  width: number;
}) => (
  <text
    x={12}
    y={18}
    fill={SLATE.soft}
    stroke={SLATE.ground}
    strokeWidth={4}
    paintOrder="stroke"
    fontSize={13}
    pointerEvents="none"
  >
    {caption}
    {view !== 'front' && (
      <tspan {...(width < TIGHT ? { x: 12, dy: 16 } : { dx: 8 })} fontSize={12}>
        {mirror === 1 ? '← ahead' : 'ahead →'}
      </tspan>
    )}
  </text>
);

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
