import { limitsOf, placesOf } from '@/core/freedoms/freedoms';
import type { Freedom } from '@/core/model/freedoms';
import type { Vec } from '@/core/geometry/vec';
import { COORDINATES } from '@/core/model/points';
import type { Coordinate, Point } from '@/core/model/points';
import { SLATE } from '../theme';
import type { ViewName } from './drawing';

/** Axes that a view shows. */
const SEEN: Record<ViewName, Coordinate[]> = {
  front: ['out', 'up'],
  side: ['ahead', 'up'],
  above: ['ahead', 'out'],
};

/** Places that are drawn one by one; more are a band. */
const MOST_MARKS = 120;

/** What the selected point's freedoms are on the floor: a slot, a row of holes, a stack of washers, a thread. */
export function FreedomMarks({
  view,
  point,
  freedoms,
  px,
}: {
  view: ViewName;
  point: Point;
  freedoms: Partial<Record<Coordinate, Freedom>> | undefined;
  px: (p: Vec) => [number, number];
}) {
  const place = (coordinate: Coordinate, value: number): [number, number] => {
    const moved = { ...point, [coordinate]: value };
    return px([moved.ahead, moved.out, moved.up]);
  };
  return (
    <g stroke={SLATE.accent} fill="none" strokeWidth={1.4} pointerEvents="none">
      {COORDINATES.filter((c) => SEEN[view].includes(c)).map((coordinate) => {
        const freedom = freedoms?.[coordinate];
        if (!freedom) return null;
        const now = point[coordinate];
        if (freedom.kind === 'fixed') {
          const [x, y] = place(coordinate, now);
          const level = coordinate !== 'up' && !(view === 'above' && coordinate === 'out');
          // A wall across the way it may not go.
          return (
            <path
              key={coordinate}
              d={
                level
                  ? `M${x - 9} ${y - 8}v16M${x + 9} ${y - 8}v16`
                  : `M${x - 8} ${y - 9}h16M${x - 8} ${y + 9}h16`
              }
              data-mark="fixed"
            />
          );
        }
        const places = placesOf(freedom, now);
        if (places && places.length <= MOST_MARKS)
          return (
            <g key={coordinate} data-mark={freedom.kind}>
              {places.map((value) => {
                const [x, y] = place(coordinate, value);
                return freedom.kind !== 'shims' ? (
                  <circle key={value} cx={x} cy={y} r={3.5} />
                ) : (
                  <path key={value} d={`M${x - 4} ${y}h8`} strokeWidth={0.8} />
                );
              })}
            </g>
          );
        const [min, max] = limitsOf(freedom, now);
        const [x1, y1] = place(coordinate, min);
        const [x2, y2] = place(coordinate, max);
        return (
          <path
            key={coordinate}
            d={`M${x1} ${y1}L${x2} ${y2}`}
            strokeWidth={7}
            strokeOpacity={0.45}
            strokeLinecap="round"
            strokeDasharray={freedom.kind === 'thread' ? '1.5 3' : undefined}
            data-mark={freedom.kind}
          />
        );
      })}
    </g>
  );
}
