import type { CornerType } from '@/core/corners/cornerType';
import { uprightPoints } from '@/core/corners/kinds';
import { toVec } from '@/core/model/points';
import type { PointName, Points } from '@/core/model/points';
import { chassisToBench } from '@/core/takeoff/bench';
import { benchKingpin } from '@/core/takeoff/hang';
import type { BenchPoint } from '@/core/model/parts';
import type { Hung } from '@/core/takeoff/hang';
import { FIGURES, SLATE } from '../../theme';

const WIDTH = 326;
const HEIGHT = 210;

/**
 * An upright as it lies to be measured: from behind, with its hub face, and from the hub's side.
 * Letters are those of the fields.
 */
export function BenchDrawing({
  type,
  points,
  hung: { joints, frame },
  point,
  lean,
  stud,
}: {
  type: CornerType;
  /** Where the model has the joints, until they are measured. */
  points: Points;
  hung: Hung;
  point: PointName;
  lean: boolean;
  stud: boolean;
}) {
  const names = uprightPoints(type);
  const at: Record<PointName, BenchPoint> = Object.fromEntries(
    names.map((name) => [name, joints[name] ?? chassisToBench(frame, toVec(points[name]))]),
  );
  const posts = type.members.filter(({ role }) => role === 'upright');
  const kingpin = benchKingpin(type)?.map((name) => at[name]);
  const all = Object.values(at);
  const high = Math.max(60, ...all.map(({ above }) => above)) + 25;
  const low = Math.min(-60, ...all.map(({ above }) => above)) - 25;
  const deep = Math.max(120, ...all.map(({ inboard }) => inboard)) + 50;
  const reach = Math.max(90, ...all.map(({ ahead }) => Math.abs(ahead))) + 30;
  const scale = Math.min((HEIGHT - 50) / (high - low), (WIDTH - 30) / (deep + 2 * reach + 30));
  const y = (above: number) => 30 + (high - above) * scale;
  const faceX = 12 + deep * scale;
  const edge = (inboard: number) => faceX - inboard * scale;
  const middle = faceX + 24 + reach * scale;
  const side = (ahead: number) => middle - ahead * scale;
  const chosen = at[point];
  const views = [
    { x: (p: BenchPoint) => edge(p.inboard), key: 'edge' },
    { x: (p: BenchPoint) => side(p.ahead), key: 'face' },
  ];
  return (
    <svg
      width="100%"
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label="What to measure where on the upright"
      style={{ background: SLATE.ground, borderRadius: 3 }}
    >
      <g fill={SLATE.soft} fontSize={11.5}>
        <text x={10} y={17}>
          edge on, hub face right
        </text>
        <text x={WIDTH - 10} y={17} textAnchor="end">
          ← ahead, facing the hub
        </text>
      </g>
      {/* Hub: flange and stub edge on, circle face on. */}
      <rect
        x={faceX - 7}
        y={y(52)}
        width={7}
        height={104 * scale}
        fill={SLATE.raised}
        stroke={SLATE.chalk}
      />
      <path
        d={`M${faceX} ${y(high - 6)}V${y(low + 6)}`}
        stroke={SLATE.accent}
        strokeDasharray="7 3"
      />
      <circle cx={middle} cy={y(0)} r={52 * scale} fill={SLATE.raised} stroke={SLATE.string} />
      <g stroke={SLATE.string} strokeDasharray="2 4">
        <path d={`M10 ${y(0)}H${WIDTH - 10}`} />
        <path d={`M${middle} ${y(high - 6)}V${y(low + 6)}`} />
      </g>
      {views.map(({ x, key }) => (
        <g key={key}>
          <g stroke={SLATE.soft} strokeWidth={7} strokeLinecap="round" strokeOpacity={0.55}>
            {posts.map(({ from, to }) => (
              <path
                key={from + to}
                d={`M${x(at[from])} ${y(at[from].above)}L${x(at[to])} ${y(at[to].above)}`}
              />
            ))}
          </g>
          {names.map((name) => (
            <circle
              key={name}
              cx={x(at[name])}
              cy={y(at[name].above)}
              r={name === point ? 6 : 4}
              fill={SLATE.ground}
              stroke={name === point ? SLATE.accent : SLATE.chalk}
              strokeWidth={name === point ? 3 : 1.6}
              strokeDasharray={joints[name] ? undefined : '2 2'}
            />
          ))}
        </g>
      ))}
      <g stroke={SLATE.accent} strokeWidth={1.3}>
        {lean && kingpin ? (
          <path
            d={`M${edge(kingpin[0].inboard)} ${y(kingpin[0].above)}L${edge(kingpin[1].inboard)} ${y(kingpin[1].above)}`}
          />
        ) : (
          <Dimension
            x1={edge(chosen.inboard)}
            y1={y(chosen.above)}
            x2={faceX}
            y2={y(chosen.above)}
          />
        )}
        {stud && (
          <path
            d={`M${edge(chosen.inboard) - 5} ${y(chosen.above) - 26}l10 52`}
            strokeDasharray="4 2"
          />
        )}
        <Dimension x1={10} y1={y(0)} x2={10} y2={y(chosen.above)} />
        <Dimension x1={middle} y1={HEIGHT - 12} x2={side(chosen.ahead)} y2={HEIGHT - 12} />
      </g>
      <g fill={SLATE.accent} fontFamily={FIGURES} fontWeight={600} fontSize={14}>
        <text
          x={lean && kingpin ? edge(kingpin[1].inboard) + 8 : (edge(chosen.inboard) + faceX) / 2}
          y={y(lean && kingpin ? kingpin[1].above * 0.6 : chosen.above) - 6}
          textAnchor="middle"
        >
          {lean ? 'D' : 'A'}
        </text>
        {stud && (
          <text x={edge(chosen.inboard) - 20} y={y(chosen.above) + 26}>
            E
          </text>
        )}
        <text x={16} y={(y(0) + y(chosen.above)) / 2 + 5}>
          B
        </text>
        <text x={Math.max(middle, side(chosen.ahead)) + 9} y={HEIGHT - 8}>
          C
        </text>
      </g>
    </svg>
  );
}

/** A dimension line with a tick at each end. */
function Dimension({ x1, y1, x2, y2 }: { x1: number; y1: number; x2: number; y2: number }) {
  const level = Math.abs(y1 - y2) < 0.01;
  const tick = (x: number, y: number) => (level ? `M${x} ${y - 4}v8` : `M${x - 4} ${y}h8`);
  return <path d={`M${x1} ${y1}L${x2} ${y2}${tick(x1, y1)}${tick(x2, y2)}`} fill="none" />;
}
