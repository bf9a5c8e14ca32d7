import { drawnCorner } from '@/core/kinematics/axle';
import type { AxleDesign, Travel } from '@/core/model/build';
import type { PointName } from '@/core/model/points';
import { SLATE } from '../theme';
import { drawnAsTyped, onFloor, viewBox, wheelOutlines } from './drawing';
import type { ViewName } from './drawing';

/** A left corner as it is drawn, small. */
export function CornerSketch({
  design,
  travel,
  view,
}: {
  design: Pick<AxleDesign, 'kind' | 'points' | 'static' | 'tyre'>;
  travel: Travel;
  view: ViewName;
}) {
  const corner = drawnCorner(design, 'left');
  const drawn = drawnAsTyped(corner);
  const box = viewBox(view, 1, corner, design.tyre, travel);
  const at = (name: PointName) => onFloor(view, 1, drawn.at[name]);
  const { rod, beam, leaf } = drawn.across ?? {};
  const across = [rod, beam, leaf].flatMap((line) => (line ? [line] : []));
  const tyre = wheelOutlines(drawn, design.tyre)[view].map((p) => onFloor(view, 1, p).join(','));
  return (
    <svg
      width="100%"
      height="100%"
      viewBox={`${box.left} ${box.top} ${box.right - box.left} ${box.bottom - box.top}`}
      aria-hidden="true"
    >
      <polygon points={tyre.join(' ')} fill={SLATE.raised} stroke={SLATE.string} strokeWidth={4} />
      <g stroke={SLATE.chalk} strokeWidth={20} strokeLinecap="round">
        {drawn.type.members.map(({ from, to }) => {
          const [x1, y1] = at(from);
          const [x2, y2] = at(to);
          return <line key={from + to} x1={x1} y1={y1} x2={x2} y2={y2} />;
        })}
        {across.map((line, i) => (
          <polyline
            key={i}
            points={line.map((p) => onFloor(view, 1, p).join(',')).join(' ')}
            fill="none"
            stroke={line === leaf ? SLATE.string : SLATE.chalk}
          />
        ))}
      </g>
    </svg>
  );
}
