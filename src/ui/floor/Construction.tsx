import { add, distance, scale, sub } from '@/core/geometry/vec';
import type { Vec } from '@/core/geometry/vec';
import type { Values } from '@/core/motion/quantities';
import { printLength } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { SLATE } from '../theme';
import type { Label } from './labels';
import { lowerArmOf, upperArmOf } from '@/core/kinematics/arms';
import { wheelOutlines } from './drawing';
import type { Drawn, ViewName } from './drawing';
import type { Strings } from './strings';
import type { AxleDesign } from '@/core/model/build';

interface Props {
  view: ViewName;
  drawn: Drawn;
  ghosts: Drawn[];
  tyre: AxleDesign['tyre'];
  strings: Strings;
  /** Where the instant and roll centres are in the position drawn; null out of reach. */
  centres: Pick<Values, 'instantOut' | 'instantUp' | 'rollCentre'> | null;
  px: (p: Vec) => [number, number];
  unit: LengthUnit;
}

/** How far a line through two joints is drawn past them, as a part of its length. */
const PAST = 0.6;

/** Taut strings over the drawing: ghosts, lines through joints, instant centre, roll centre, lengths. */
export function Construction(props: Props) {
  const { view, drawn, ghosts, strings, px } = props;
  const line = (a: Vec, b: Vec) => {
    const [x1, y1] = px(a);
    const [x2, y2] = px(b);
    return `M${x1} ${y1}L${x2} ${y2}`;
  };
  const through = (a: Vec, b: Vec) => {
    const along = scale(sub(b, a), PAST);
    return line(sub(a, along), add(b, along));
  };
  const { at, type } = drawn;
  const [lower, upper] = [lowerArmOf(type), upperArmOf(type)];
  return (
    <g fill="none" strokeWidth={1} pointerEvents="none">
      {strings.ghosts &&
        ghosts.map((ghost, i) => (
          <path
            key={i}
            d={type.members.map(({ from, to }) => line(ghost.at[from], ghost.at[to])).join('')}
            stroke={SLATE.soft}
            strokeOpacity={0.5}
            data-part="ghost"
          />
        ))}
      {strings.lines && view === 'front' && lower && upper && (
        <path
          d={
            through(at[lower.through[0]], at[upper.through[0]]) +
            through(at[lower.carries!], at[upper.carries!])
          }
          stroke={SLATE.string}
          data-part="lines"
        />
      )}
      {strings.instant && view === 'front' && <Instant {...props} line={line} />}
    </g>
  );
}

/** Lines along the arms to the instant centre, and from the contact to it: the roll centre on the centreline. */
function Instant({ drawn, tyre, centres, px, line }: Props & { line: (a: Vec, b: Vec) => string }) {
  const { instantOut, instantUp, rollCentre } = centres ?? {};
  if (instantOut === undefined || instantUp === undefined || rollCentre === undefined) return null;
  const { contact } = wheelOutlines(drawn, tyre);
  const ahead = contact[0];
  const instant: Vec = [ahead, instantOut, instantUp];
  const [rx, ry] = px([ahead, 0, rollCentre]);
  const [ix, iy] = px(instant);
  const near = Math.abs(instantOut) + Math.abs(instantUp) < 20_000;
  return (
    <g stroke={SLATE.accent} data-part="instant">
      {near && (
        <path
          d={
            drawn.type.towardsInstant.map((name) => line(drawn.at[name], instant)).join('') +
            line(contact, instant)
          }
          strokeOpacity={0.55}
        />
      )}
      <path d={line(contact, [ahead, 0, rollCentre])} strokeOpacity={0.55} />
      {near && <circle cx={ix} cy={iy} r={4} />}
      <path d={`M${rx - 6} ${ry}h12M${rx} ${ry - 6}v12`} strokeWidth={1.6} />
    </g>
  );
}

/** What the strings are called, and how long the members are. */
export function constructionLabels({
  view,
  drawn,
  tyre,
  strings,
  centres,
  px,
  unit,
}: Props): Label[] {
  if (view !== 'front') return [];
  const labels: Label[] = [];
  if (strings.instant && centres?.rollCentre !== undefined) {
    const ahead = wheelOutlines(drawn, tyre).contact[0];
    labels.push({
      text: 'roll centre',
      at: px([ahead, 0, centres.rollCentre]),
      tone: 'accent',
      size: 13,
      figures: true,
    });
  }
  if (strings.lengths)
    for (const { from, to, role } of drawn.type.members) {
      if (role === 'upright') continue;
      const [a, b] = [drawn.at[from], drawn.at[to]];
      labels.push({
        text: printLength(Math.round(distance(a, b) * 10) / 10, unit),
        at: px(scale(add(a, b), 0.5)),
        tone: 'chalk',
        size: 13,
        figures: true,
        middle: true,
        part: 'length',
      });
    }
  return labels;
}
