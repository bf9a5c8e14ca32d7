import { distance } from '@/core/geometry/vec';
import type { Vec } from '@/core/geometry/vec';
import type { AxleDesign } from '@/core/model/build';
import { pointNames } from '@/core/corners/kinds';
import type { Member } from '@/core/corners/cornerType';
import type { PointName } from '@/core/model/points';
import { SLATE } from '../theme';
import { kingpinString, rimOutline, spindleRoot, wheelOutlines } from './drawing';
import type { Across, Drawn, ViewName } from './drawing';
import { ContactMark } from './marks';
import type { Strings } from './strings';

type ToPixels = (p: Vec) => [number, number];

const FILL: Record<Member['role'], string> = {
  arm: SLATE.chalk,
  link: SLATE.chalk,
  strut: SLATE.string,
  upright: SLATE.soft,
  rod: SLATE.chalk,
  damper: SLATE.string,
  rocker: SLATE.soft,
};

/** As they usually are, mm. */
const COLUMN = 20;
const DROP_ARM = 14;

const lineOf = (px: ToPixels) => (from: Vec, to: Vec) => {
  const [x1, y1] = px(from);
  const [x2, y2] = px(to);
  return { x1, y1, x2, y2 };
};

/** The corner itself in one view: tyre, rim, arms, upright and rod at their drawn diameters, its strings. */
export function CornerDrawing({
  view,
  drawn,
  px,
  scale,
  strings,
  tyre,
  rim,
  shaft,
}: {
  view: ViewName;
  drawn: Drawn;
  px: ToPixels;
  /** Pixels per mm. */
  scale: number;
  strings: Strings;
  tyre: AxleDesign['tyre'];
  rim: AxleDesign['rim'];
  shaft: readonly [Vec, Vec] | null;
}) {
  const { at, type } = drawn;
  const line = lineOf(px);
  const outline = wheelOutlines(drawn, tyre);
  const kingpin = kingpinString(drawn, outline.contact[2]);
  const root = spindleRoot(drawn);
  const list = (points: Vec[]) =>
    points
      .map((p) =>
        px(p)
          .map((v) => v.toFixed(2))
          .join(','),
      )
      .join(' ');
  return (
    <>
      <g fill={SLATE.raised} fillOpacity={0.7} stroke={SLATE.string} strokeLinejoin="round">
        <polygon points={list(outline[view])} strokeWidth={1.5} data-part="tyre" />
        {view === 'side' && <polygon points={list(outline.rim)} strokeWidth={1} fill="none" />}
      </g>
      {rim && view !== 'side' && (
        <polygon
          points={list(rimOutline(drawn, rim, view))}
          fill="none"
          stroke={SLATE.string}
          strokeDasharray="3 3"
          data-part="rim"
        />
      )}
      {strings.pivots && (
        <g stroke={SLATE.string} strokeDasharray="7 4" strokeWidth={1}>
          {type.pivots.map(({ label, through: [a, b] }) => (
            <line key={label} {...line(at[a], at[b])} />
          ))}
        </g>
      )}
      {drawn.across && <AcrossAxle across={drawn.across} {...{ px, scale, list }} />}
      <g strokeLinecap="round" strokeOpacity={0.88}>
        {type.members.map(({ from, to, diameter, role }) => (
          <line
            key={from + to}
            {...line(at[from], at[to])}
            stroke={FILL[role]}
            strokeWidth={Math.max(1.5, diameter * scale)}
          />
        ))}
        {root && (
          <line
            {...line(at.wheelCentre, root)}
            stroke={SLATE.soft}
            strokeWidth={Math.max(1.5, 26 * scale)}
          />
        )}
      </g>
      {drawn.dropArm && type.tieRod && (
        <g strokeLinecap="round" stroke={SLATE.string} strokeOpacity={0.75} data-part="drop arm">
          <line {...line(...drawn.dropArm.shaft)} strokeWidth={Math.max(1.5, COLUMN * scale)} />
          <line
            {...line(drawn.dropArm.foot, at[type.tieRod.inner])}
            strokeWidth={Math.max(1.5, DROP_ARM * scale)}
          />
        </g>
      )}
      {shaft && (
        <line
          {...line(...shaft)}
          stroke={SLATE.string}
          strokeWidth={Math.max(1.5, 28 * scale)}
          strokeOpacity={0.7}
          strokeLinecap="round"
          data-part="half-shaft"
        />
      )}
      {strings.kingpin && kingpin && (
        <line {...line(...kingpin)} stroke={SLATE.accent} strokeWidth={1} strokeOpacity={0.9} />
      )}
      {view !== 'above' && (
        <ContactMark at={px(outline.contact)} foot={kingpin && px(kingpin[1])} />
      )}
    </>
  );
}

/** As they usually are, mm. */
const LEAF = 26;
const BEAM = 45;
const CROSS_ROD = 18;

/** What goes across to the other wheel: the beam, the rod from arm to arm, and the leaf that this end hangs on. */
function AcrossAxle({
  across: { rod, beam, leaf },
  px,
  scale,
  list,
}: {
  across: Across;
  px: ToPixels;
  scale: number;
  list: (points: Vec[]) => string;
}) {
  const line = lineOf(px);
  const wide = (mm: number) => Math.max(1.5, mm * scale);
  return (
    <g strokeLinecap="round" strokeOpacity={0.88} fill="none">
      {beam && <line {...line(...beam)} stroke={SLATE.chalk} strokeWidth={wide(BEAM)} />}
      {leaf && (
        <polyline
          points={list(leaf)}
          stroke={SLATE.string}
          strokeWidth={wide(LEAF)}
          data-part="leaf spring"
        />
      )}
      <line
        {...line(...rod)}
        stroke={SLATE.chalk}
        strokeWidth={wide(CROSS_ROD)}
        data-part="tie rod"
      />
    </g>
  );
}

/** Another layout in the same position, thin, a cross at every joint. */
export function ComparedCorner({ drawn, px }: { drawn: Drawn; px: ToPixels }) {
  const line = lineOf(px);
  return (
    <g stroke={SLATE.chalk} strokeOpacity={0.75} fill="none" strokeWidth={1} data-part="compared">
      {drawn.type.members.map(({ from, to }) => (
        <line key={from + to} {...line(drawn.at[from], drawn.at[to])} />
      ))}
      {pointNames(drawn.type).map((name) => {
        const [x, y] = px(drawn.at[name]);
        return <path key={name} d={`M${x - 3} ${y}h6M${x} ${y - 3}v6`} />;
      })}
    </g>
  );
}

/** What would move if a proposal were taken. */
export function ProposedCorner({
  drawn,
  proposed,
  px,
}: {
  drawn: Drawn;
  proposed: Drawn;
  px: ToPixels;
}) {
  const line = lineOf(px);
  const { type } = proposed;
  // Of another kind all of it is new.
  const moved = (name: PointName) =>
    !(name in drawn.at) || distance(proposed.at[name], drawn.at[name]) > 0.02;
  return (
    <g stroke={SLATE.accent} fill="none" strokeDasharray="5 4" strokeWidth={1.6}>
      {type.members
        .filter(({ from, to }) => moved(from) || moved(to))
        .map(({ from, to }) => (
          <line key={from + to} {...line(proposed.at[from], proposed.at[to])} />
        ))}
      {pointNames(type)
        .filter(moved)
        .map((name) => {
          const [x, y] = px(proposed.at[name]);
          return <circle key={name} cx={x} cy={y} r={7} />;
        })}
    </g>
  );
}
