'use client';

import dynamic from 'next/dynamic';
import useMeasure from 'react-use-measure';
import { memo, useMemo, useRef, useState } from 'react';
import { columnPoints, movePoint } from '@/core/column/move';
import { snap } from '@/core/freedoms/freedoms';
import { wantedOf } from '@/core/column/measure';
import type { ColumnMeasured } from '@/core/column/measure';
import type { Vec } from '@/core/geometry/vec';
import { rackWay } from '@/core/kinematics/axle';
import { rodEnds, typeOf } from '@/core/corners/kinds';
import type { Build } from '@/core/model/build';
import type { Column } from '@/core/model/column';
import { PLACE_WAYS } from '@/core/model/place';
import { toVec } from '@/core/model/points';
import type { LengthUnit } from '@/core/model/units';
import { useView } from '../../build/viewStore';
import { Choice } from '../../fields/Choice';
import type { JointDrag } from '../../floor/Joint';
import { offFloor } from '../../floor/drawing';
import type { ViewName } from '../../floor/drawing';
import { FITTED } from '../../floor/zoom';
import type { Zoom } from '../../floor/zoom';
import { SLATE } from '../../theme';
import { useStable } from '../../useStable';
import type { DeskProps } from '../list';
import { ColumnView } from './ColumnView';
import type { Sightline } from './ColumnView';
import { bodiesInCar } from './bodies';
import { VIEWS, columnBox } from './drawing';

const ColumnSpace = dynamic(() => import('./ColumnSpace').then((m) => m.ColumnSpace), {
  ssr: false,
});

const SHOWN = ['all', 'side', 'above', 'front', 'space'] as const;
type Shown = (typeof SHOWN)[number];
const WORDS: Record<Shown, string> = {
  all: 'all views',
  side: 'side',
  above: 'above',
  front: 'front',
  space: 'in space',
};
const CAPTIONS: Record<ViewName, string> = {
  side: 'From the left side',
  above: 'From above',
  front: 'From the front',
};
const HEIGHT = 290;
const ALL_FITTED: Record<ViewName, Zoom> = { front: FITTED, side: FITTED, above: FITTED };
let drags = 0;

/** A rack's axis, [ahead, left, up] of length 1, where a column's pinion turns with it. */
export const axisOfRack = ({ front }: Pick<Build, 'front'>): Vec => rackWay(front.rack, 'left');

/** The column on the slate: three views at one scale, or in space; its places are dragged as their freedoms let them. */
export const ColumnFloor = memo(function ColumnFloor({
  build,
  column,
  measured,
  tried,
  strings,
  unit,
  selected,
  onSelect,
  onEdit,
}: {
  build: Build;
  column: Column;
  measured: ColumnMeasured;
  tried: Column | null;
  strings: readonly Sightline[];
  unit: LengthUnit;
  selected: string | null;
  onSelect: (id: string) => void;
  onEdit: DeskProps['onEdit'];
}) {
  const [ref, bounds] = useMeasure();
  const [shown, setShown] = useState<Shown>('all');
  const [zooms, setZooms] = useState(ALL_FITTED);
  const [held, setHeld] = useState<ReturnType<typeof columnBox>[] | null>(null);
  const drag = useRef<{ start: Column; at: Vec; step: string } | null>(null);
  const points = useMemo(() => columnPoints(column), [column]);
  const bodies = useMemo(() => bodiesInCar(build, column), [build, column]);
  const rack = useMemo(() => rackOf(build), [build]);
  // The views stay where they are while a place is dragged over them.
  const boxes = useMemo(
    () =>
      held ??
      VIEWS.map((view) =>
        columnBox(
          view,
          tried ? [column, tried] : [column],
          view === 'side' ? strings.flatMap(({ from, to }) => [from, to]) : [],
        ),
      ),
    [held, column, tried, strings],
  );
  const states = useMemo(() => statesOf(measured), [measured]);
  const tight = useMemo(() => {
    const { clear } = wantedOf(column);
    return measured.ok
      ? measured.near.filter(({ clearance }) => clearance < clear).slice(0, MOST_TIGHT)
      : [];
  }, [measured, column]);

  const handleHold = (id: string) => {
    const point = points.find((one) => one.id === id);
    if (!point) return;
    drag.current = { start: column, at: point.at, step: `column-${++drags}` };
    setHeld(boxes);
    useView.getState().show({ dragging: true });
    onSelect(id);
  };
  const handleLeave = () => {
    drag.current = null;
    setHeld(null);
    useView.getState().show({ dragging: false });
  };
  const handleTo = (id: string, wanted: Vec) => {
    if (!drag.current) return;
    const { start, at, step } = drag.current;
    const freedoms = points.find((one) => one.id === id)?.freedoms;
    const to = wanted.map((mm, i) =>
      tidy(Math.abs(mm - at[i]) < 1e-9 ? at[i] : snap(freedoms?.[PLACE_WAYS[i]], mm, at[i])),
    ) as unknown as Vec;
    const next = movePoint(start, id, to, axisOfRack(build));
    onEdit((draft) => {
      draft.front.column = structuredClone(next);
    }, step);
  };
  const handleDrag = useStable(
    (view: ViewName, { name, by, first, last }: JointDrag, scale: number) => {
      if (first) handleHold(name);
      if (drag.current) {
        const { at } = drag.current;
        const moved = offFloor(view, 1, [by[0] / scale, by[1] / scale]);
        handleTo(name, [
          at[0] + (moved.ahead ?? 0),
          at[1] + (moved.out ?? 0),
          at[2] + (moved.up ?? 0),
        ]);
      }
      if (last) handleLeave();
    },
  );
  const handleMove = useStable((id: string, to: Vec, first: boolean, last: boolean) => {
    if (first) handleHold(id);
    handleTo(id, to);
    if (last) handleLeave();
  });
  const handleZoom = useStable((view: ViewName, change: (zoom: Zoom) => Zoom) =>
    setZooms((before) => ({ ...before, [view]: change(before[view]) })),
  );
  const handleSelect = useStable(onSelect);
  const handleFill = useStable((view: ViewName) => {
    setZooms(ALL_FITTED);
    setShown((before) => (before === view ? 'all' : view));
  });

  const views = shown === 'all' ? VIEWS : VIEWS.filter((view) => view === shown);
  const boxOf = (view: ViewName) => boxes[VIEWS.indexOf(view)];
  const widths = views.map((view) => boxOf(view).right - boxOf(view).left);
  const total = widths.reduce((sum, width) => sum + width, 0);
  const tallest = Math.max(...views.map((view) => boxOf(view).bottom - boxOf(view).top));
  const scale = Math.max(0, Math.min(bounds.width / total, (HEIGHT - 24) / tallest));
  return (
    <section aria-label="Column on the floor" style={{ backgroundColor: SLATE.ground }}>
      <div ref={ref} style={{ display: 'flex', height: HEIGHT, overflow: 'hidden' }}>
        {shown === 'space' ? (
          <ColumnSpace
            column={column}
            tried={tried}
            points={points}
            bodies={bodies}
            rack={rack}
            selected={selected}
            onSelect={handleSelect}
            onMove={handleMove}
          />
        ) : (
          bounds.width > 0 &&
          views.map((view, i) => (
            <ColumnView
              key={view}
              view={view}
              caption={CAPTIONS[view]}
              column={column}
              tried={tried}
              points={points}
              states={states}
              tight={tight}
              bodies={bodies}
              rack={rack}
              strings={view === 'side' ? strings : NONE}
              box={boxOf(view)}
              scale={scale}
              zoom={zooms[view]}
              width={(bounds.width * widths[i]) / total}
              height={HEIGHT}
              unit={unit}
              selected={selected}
              onSelect={handleSelect}
              onDrag={handleDrag}
              onZoom={handleZoom}
              onFill={handleFill}
            />
          ))
        )}
      </div>
      <div style={{ padding: '0 8px 8px', display: 'flex' }}>
        <div style={{ backgroundColor: 'var(--paper-sheet)', borderRadius: 3 }}>
          <Choice
            label="Views of the column"
            value={shown}
            options={SHOWN}
            words={WORDS}
            onPick={(next) => {
              setZooms(ALL_FITTED);
              setShown(next);
            }}
          />
        </div>
      </div>
    </section>
  );
});

const NONE: readonly Sightline[] = [];
/** So many places without room are marked. */
const MOST_TIGHT = 3;

/** To a tenth of a mm: nobody drags finer. */
const tidy = (mm: number): number => Math.round(10 * mm) / 10;

/** The rack's bar between both inner joints; null where nothing of the kind steers. */
export function rackOf({ front }: Pick<Build, 'front'>): readonly [Vec, Vec] | null {
  if (!front.rack) return null;
  const { inner } = rodEnds(typeOf(front));
  const [ahead, left, up] = toVec(front.points[inner]);
  const [a, l, u] = toVec((front.rightPoints ?? front.points)[inner]);
  return [
    [ahead, left, up],
    [a, -l, u],
  ];
}

/** Joints past comfort and past their limit, by the point that shows them; a joint that binds. */
function statesOf(measured: ColumnMeasured): Record<string, 'near' | 'out'> {
  if (!measured.ok) return { [`joint ${measured.joint}`]: 'out' };
  return Object.fromEntries(
    measured.joints.flatMap(({ joint, state }) =>
      state === 'fine' ? [] : [[`joint ${joint}`, state === 'too sharp' ? 'out' : 'near']],
    ),
  ) as Record<string, 'near' | 'out'>;
}
