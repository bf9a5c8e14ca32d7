import type { Vec } from '@/core/geometry/vec';
import type { AxleDesign } from '@/core/model/build';
import type { Quantity } from '@/core/motion/quantities';
import { printLength, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { FIGURES, SLATE } from '../theme';
import { kingpinString, wheelOutlines } from './drawing';
import type { Drawn, ViewName } from './drawing';

/** How the wheel stands on its kingpin in the position drawn, mm. */
export type Figures = Pick<Record<Quantity, number>, 'scrub' | 'trail' | 'spindleLength'>;

interface Props {
  view: ViewName;
  drawn: Drawn;
  tyre: AxleDesign['tyre'];
  figures: Figures;
  px: (p: Vec) => [number, number];
  unit: LengthUnit;
  height: number;
}

/** What each view can show of how the wheel stands on its kingpin: scrub radius, trail, spindle length. */
export function Dimensions({ view, drawn, tyre, figures, px, unit, height }: Props) {
  const { contact } = wheelOutlines(drawn, tyre);
  const [, foot] = kingpinString(drawn, contact[2]);
  const show = (mm: number) => readable(printLength(Math.round(mm * 10) / 10, unit));
  if (view === 'above')
    return (
      <g stroke={SLATE.accent} fill="none" strokeWidth={1.3}>
        <path d={cross(px(contact))} />
        <circle cx={px(foot)[0]} cy={px(foot)[1]} r={4} />
      </g>
    );
  const [cx, cy] = px(contact);
  const [fx] = px(foot);
  const [sx] = px(hubOnKingpin(drawn));
  const [wx, wy] = px(drawn.at.wheelCentre);
  const below = Math.min(height - 4, cy + 15);
  return (
    <g stroke={SLATE.accent} strokeWidth={1.2} fill="none">
      <path d={`M${cx} ${cy}V${below}M${fx} ${cy}V${below}`} strokeOpacity={0.6} />
      <Figure
        x={Math.min(cx, fx) - 6}
        y={below}
        anchor="end"
        text={view === 'front' ? `scrub ${show(figures.scrub)}` : `trail ${show(figures.trail)}`}
      />
      {view === 'front' && (
        <>
          <path d={`M${sx} ${wy}H${wx}`} strokeDasharray="4 3" />
          <Figure
            x={Math.max(sx, wx) + 10}
            y={wy + 5}
            anchor="start"
            text={`spindle ${show(figures.spindleLength)}`}
          />
        </>
      )}
    </g>
  );
}

function Figure({
  x,
  y,
  anchor,
  text,
}: {
  x: number;
  y: number;
  anchor: 'start' | 'end';
  text: string;
}) {
  return (
    <text
      x={x}
      y={y}
      textAnchor={anchor}
      fill={SLATE.accent}
      stroke={SLATE.ground}
      strokeWidth={4}
      paintOrder="stroke"
      fontFamily={FIGURES}
      fontWeight={600}
      fontSize={14}
    >
      {text}
    </text>
  );
}

const cross = ([x, y]: [number, number]) => `M${x - 5} ${y}h10M${x} ${y - 5}v10`;

/** Where the kingpin axis passes the hub's height. */
function hubOnKingpin({ at }: Drawn): Vec {
  const [l, u, w] = [at.lowerOuter, at.upperOuter, at.wheelCentre];
  const t = (w[2] - l[2]) / (u[2] - l[2]);
  return [l[0] + t * (u[0] - l[0]), l[1] + t * (u[1] - l[1]), w[2]];
}
