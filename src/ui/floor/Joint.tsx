'use client';

import { useDrag } from '@use-gesture/react';
import { memo } from 'react';
import type { PointName } from '@/core/model/points';
import { SLATE } from '../theme';

/** A movement of a joint on the floor, px right and down since the drag began. */
export interface JointDrag {
  name: PointName;
  by: [number, number];
  first: boolean;
  last: boolean;
}

/** A joint as a ring: click to select it, drag to move it. One that stays where it is is not redrawn. */
export const Joint = memo(function Joint({
  name,
  label,
  x,
  y,
  selected,
  state,
  sketched,
  onSelect,
  onDrag,
}: {
  name: PointName;
  label: string;
  x: number;
  y: number;
  selected: boolean;
  /** Near a limit: a square round the ring. Past one: a cross through it. */
  state: 'near' | 'out' | undefined;
  /** Nobody has set it yet. */
  sketched: boolean;
  onSelect: (name: PointName, at: { x: number; y: number }) => void;
  onDrag: (drag: JointDrag) => void;
}) {
  const bind = useDrag(
    ({ xy, initial, first, last, tap, event }) => {
      event.stopPropagation();
      if (tap) onSelect(name, { x: xy[0], y: xy[1] });
      // From where it was taken hold of: the gesture’s own movement leaves out what tells it from a tap.
      else onDrag({ name, by: [xy[0] - initial[0], xy[1] - initial[1]], first, last });
    },
    { filterTaps: true, preventDefault: true },
  );
  return (
    <g
      {...bind()}
      style={{ cursor: 'grab', touchAction: 'none' }}
      data-joint={name}
      data-state={state}
    >
      <title>{label}</title>
      <circle cx={x} cy={y} r={11} fill="transparent" />
      <circle
        cx={x}
        cy={y}
        r={selected ? 6.5 : 4.5}
        fill={SLATE.ground}
        stroke={selected ? SLATE.accent : SLATE.chalk}
        strokeWidth={selected ? 3 : 1.8}
        strokeDasharray={sketched ? '2.5 2.5' : undefined}
      />
      {state && (
        <path
          d={state === 'near' ? square(x, y) : cross(x, y)}
          fill="none"
          stroke={SLATE.chalk}
          strokeWidth={1.8}
          pointerEvents="none"
        />
      )}
    </g>
  );
});

const square = (x: number, y: number): string => `M${x - 9} ${y - 9}h18v18h-18z`;
const cross = (x: number, y: number): string =>
  `M${x - 10} ${y - 10}l20 20M${x + 10} ${y - 10}l-20 20`;
