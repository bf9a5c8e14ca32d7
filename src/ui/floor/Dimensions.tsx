import { add, scale } from '@/core/geometry/vec';
import type { Vec } from '@/core/geometry/vec';
import type { SteeringAxis } from '@/core/kinematics/joints';
import type { AxleDesign } from '@/core/model/build';
import type { Values } from '@/core/motion/quantities';
import { printLength, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { FIGURES, SLATE } from '../theme';
import { kingpinString, wheelOutlines } from './drawing';
import type { Drawn, ViewName } from './drawing';

/** How the wheel stands on its kingpin in the position drawn, mm. */
export type Figures = Pick<Values, 'scrub' | 'trail' | 'spindleLength'>;

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
  const foot = kingpinString(drawn, contact[2])?.[1];
  if (!foot || !drawn.axis) return null;
  const show = (mm = 0) => readable(printLength(Math.round(mm * 10) / 10, unit));
  if (view === 'above')
    return (
      <g stroke={SLATE.accent} fill="none" strokeWidth={1.3}>
        <path d={cross(px(contact))} />
        <circle cx={px(foot)[0]} cy={px(foot)[1]} r={4} />
      </g>
    );
  const [cx, cy] = px(contact);
  const [fx] = px(foot);
  const [sx] = px(hubOn(drawn.axis, drawn.at.wheelCentre[2]));
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

/** Where the axis passes the hub's height. */
const hubOn = ({ at, along }: SteeringAxis, height: number): Vec =>
  add(at, scale(along, (height - at[2]) / along[2]));
