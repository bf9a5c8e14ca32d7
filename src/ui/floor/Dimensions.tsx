import { add, scale } from '@/core/geometry/vec';
import type { Vec } from '@/core/geometry/vec';
import type { SteeringAxis } from '@/core/kinematics/joints';
import type { AxleDesign } from '@/core/model/build';
import type { Values } from '@/core/motion/quantities';
import { printLength, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { SLATE } from '../theme';
import type { Label } from './labels';
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
export function Dimensions(props: Props) {
  const marks = placesOf(props);
  if (!marks) return null;
  const { view } = props;
  const { contact, foot, hub, wheel, below } = marks;
  if (view === 'above')
    return (
      <g stroke={SLATE.accent} fill="none" strokeWidth={1.3}>
        <path d={cross(contact)} />
        <circle cx={foot[0]} cy={foot[1]} r={4} />
      </g>
    );
  return (
    <g stroke={SLATE.accent} strokeWidth={1.2} fill="none">
      <path
        d={`M${contact[0]} ${contact[1]}V${below}M${foot[0]} ${contact[1]}V${below}`}
        strokeOpacity={0.6}
      />
      {view === 'front' && <path d={`M${hub[0]} ${wheel[1]}H${wheel[0]}`} strokeDasharray="4 3" />}
    </g>
  );
}

/** The figures beside those marks. */
export function dimensionLabels(props: Props): Label[] {
  const marks = placesOf(props);
  const { view, figures, unit } = props;
  if (!marks || view === 'above') return [];
  const { contact, foot, hub, wheel, below } = marks;
  const show = (mm = 0) => readable(printLength(Math.round(mm * 10) / 10, unit));
  const look = { tone: 'accent', size: 14, figures: true, bold: true } as const;
  const under = [Math.min(contact[0], foot[0]), below] as const;
  return [
    {
      text: view === 'front' ? `scrub ${show(figures.scrub)}` : `trail ${show(figures.trail)}`,
      at: under,
      ...look,
    },
    ...(view === 'front'
      ? [
          {
            text: `spindle ${show(figures.spindleLength)}`,
            at: [Math.max(hub[0], wheel[0]), wheel[1]] as const,
            ...look,
          },
        ]
      : []),
  ];
}

/** Where contact, kingpin and wheel are in a view, px; null where the wheel has no kingpin. */
function placesOf({ drawn, tyre, px, height }: Props) {
  const { contact } = wheelOutlines(drawn, tyre);
  const foot = kingpinString(drawn, contact[2])?.[1];
  if (!foot || !drawn.axis) return null;
  const at = px(contact);
  return {
    contact: at,
    foot: px(foot),
    hub: px(hubOn(drawn.axis, drawn.at.wheelCentre[2])),
    wheel: px(drawn.at.wheelCentre),
    below: Math.min(height - 4, at[1] + 15),
  };
}

const cross = ([x, y]: [number, number]) => `M${x - 5} ${y}h10M${x} ${y - 5}v10`;

/** Where the axis passes the hub's height. */
const hubOn = ({ at, along }: SteeringAxis, height: number): Vec =>
  add(at, scale(along, (height - at[2]) / along[2]));
