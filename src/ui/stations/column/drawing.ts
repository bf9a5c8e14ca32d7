import { columnPoints } from '@/core/column/move';
import { placesOf, shaftLinesOf } from '@/core/column/places';
import { roundsOf } from '@/core/column/clearance';
import { plateFrame } from '@/core/column/firewall';
import { add, cross, scale, unit } from '@/core/geometry/vec';
import type { Vec } from '@/core/geometry/vec';
import type { Column } from '@/core/model/column';
import { placeVec } from '@/core/model/place';
import { onFloor } from '../../floor/drawing';
import type { Box, ViewName } from '../../floor/drawing';

export const VIEWS: readonly ViewName[] = ['side', 'above', 'front'];

/** Round a column in its views, mm. */
const MARGIN = 70;

/** The part of a view that shows a whole column, mm. */
export function columnBox(view: ViewName, columns: readonly Column[], more: readonly Vec[]): Box {
  const all = columns.flatMap((column) => [
    ...columnPoints(column).map(({ at }) => at),
    ...rimOf(column),
  ]);
  const flat = [...all, ...more].map((p) => onFloor(view, 1, p));
  const xs = flat.map(([x]) => x);
  const ys = flat.map(([, y]) => y);
  return {
    left: Math.min(...xs) - MARGIN,
    right: Math.max(...xs) + MARGIN,
    top: Math.min(...ys) - MARGIN,
    bottom: Math.max(...ys) + MARGIN,
  };
}

const ROUND = 48;

/** The handwheel's rim as a round of places, its bottom cut off where it is. */
export function rimOf(column: Column): Vec[] {
  const { wheel } = column;
  const places = placesOf(column);
  const [{ way }] = shaftLinesOf(places);
  const across: Vec = Math.hypot(way[0], way[1]) > 1e-6 ? unit(cross([0, 0, 1], way)) : [0, 1, 0];
  const upward = cross(way, across);
  const radius = wheel.diameter / 2 - wheel.rim / 2;
  const low = (wheel.flat ?? 0) - radius;
  return Array.from({ length: ROUND }, (_, i) => {
    const angle = (2 * Math.PI * i) / ROUND;
    return add(
      places.wheel,
      add(
        scale(across, radius * Math.cos(angle)),
        scale(upward, Math.max(radius * Math.sin(angle), low)),
      ),
    );
  });
}

/** A piece of the firewall as four corners, mm from its place. */
const WALL = 160;
export function wallOf({ firewall }: Column): Vec[] {
  if (!firewall) return [];
  const { left, up } = plateFrame(firewall);
  const middle = placeVec(firewall.at);
  return [
    [1, 1],
    [-1, 1],
    [-1, -1],
    [1, -1],
  ].map(([a, b]) => add(middle, add(scale(left, a * WALL), scale(up, b * WALL))));
}

/** What of a column is drawn: its round parts, shafts before joints, and the pinion's shaft. */
export function drawnRounds(column: Column) {
  const places = placesOf(column);
  return [
    ...roundsOf(column, places),
    {
      name: 'pinion’s shaft',
      from: places.lower[places.lower.length - 1],
      to: places.foot,
      radius: PINION,
    },
  ];
}
const PINION = 9;
