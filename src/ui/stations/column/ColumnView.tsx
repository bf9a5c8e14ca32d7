'use client';

import { useDrag } from '@use-gesture/react';
import { memo } from 'react';
import type { Near } from '@/core/column/clearance';
import type { ColumnPoint } from '@/core/column/move';
import type { Vec } from '@/core/geometry/vec';
import type { Column } from '@/core/model/column';
import type { KeepOut } from '@/core/model/room';
import { saidIn } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { FreedomMarks } from '../../floor/FreedomMarks';
import { Joint } from '../../floor/Joint';
import type { JointDrag } from '../../floor/Joint';
import { KeepOuts } from '../../floor/KeepOuts';
import { onFloor } from '../../floor/drawing';
import type { Box, ViewName } from '../../floor/drawing';
import { placeLabels } from '../../floor/labels';
import type { Label } from '../../floor/labels';
import { Caption, Labels, ScaleBar } from '../../floor/marks';
import type { Zoom } from '../../floor/zoom';
import { SLATE } from '../../theme';
import { drawnRounds, rimOf, wallOf } from './drawing';

/** A thin line of who drives: a line of sight, the hoops' line. */
export interface Sightline {
  name: string;
  from: Vec;
  to: Vec;
}

interface Props {
  view: ViewName;
  caption: string;
  column: Column;
  tried: Column | null;
  points: readonly ColumnPoint[];
  /** Of each joint that is near its limit or past it, by its point. */
  states: Readonly<Record<string, 'near' | 'out'>>;
  /** Where it comes too near a body. */
  tight: readonly Near[];
  bodies: KeepOut[];
  rack: readonly [Vec, Vec] | null;
  strings: readonly Sightline[];
  box: Box;
  /** Pixels per mm of the view when it is fitted. */
  scale: number;
  zoom: Zoom;
  width: number;
  height: number;
  unit: LengthUnit;
  selected: string | null;
  onSelect: (id: string) => void;
  onDrag: (view: ViewName, drag: JointDrag, scale: number) => void;
  onZoom: (view: ViewName, change: (zoom: Zoom) => Zoom) => void;
  onFill: (view: ViewName) => void;
}

/** One view of a column, to scale: chalk on slate. */
export const ColumnView = memo(function ColumnView(props: Props) {
  const { view, column, tried, points, box, width, height, selected, zoom } = props;
  const scale = props.scale * zoom.k;
  const offsetX =
    ((width - (box.right - box.left) * props.scale) / 2 - box.left * props.scale) * zoom.k + zoom.x;
  const offsetY =
    ((height - (box.bottom - box.top) * props.scale) / 2 - box.top * props.scale) * zoom.k + zoom.y;
  const px = (p: Vec): [number, number] => {
    const [x, y] = onFloor(view, 1, p);
    return [x * scale + offsetX, y * scale + offsetY];
  };
  const line = (from: Vec, to: Vec) => {
    const [x1, y1] = px(from);
    const [x2, y2] = px(to);
    return { x1, y1, x2, y2 };
  };
  const round = (places: readonly Vec[]) =>
    places
      .map((p) =>
        px(p)
          .map((v) => v.toFixed(1))
          .join(','),
      )
      .join(' ');
  const pan = useDrag(({ delta: [dx, dy] }) =>
    props.onZoom(view, (now) => ({ ...now, x: now.x + dx, y: now.y + dy })),
  );
  const handleWheel = (event: React.WheelEvent<SVGSVGElement>) => {
    const frame = event.currentTarget.getBoundingClientRect();
    const [x, y] = [event.clientX - frame.left, event.clientY - frame.top];
    const factor = Math.exp(-event.deltaY / 500);
    props.onZoom(view, (now) => {
      const k = Math.min(20, Math.max(0.5, now.k * factor));
      const part = k / now.k;
      return { k, x: x - (x - now.x) * part, y: y - (y - now.y) * part };
    });
  };
  const picked = points.find(({ id }) => id === selected);
  const labels: Label[] = picked
    ? [{ text: picked.label, at: px(picked.at), tone: 'accent', size: 13, bold: true }]
    : [];
  for (const { what, to, clearance, at } of props.tight)
    labels.push({
      text: saidIn(
        `${what}: ${clearance < 0 ? `${(-clearance).toFixed(0)} mm into` : `${clearance.toFixed(0)} mm from`} ${to}`,
        props.unit,
      ),
      at: px(at),
      tone: 'chalk',
      size: 12,
    });
  for (const { name, from, to } of props.strings) {
    const [[x1, y1], [x2, y2]] = [px(from), px(to)];
    const at = [(x1 + x2) / 2, (y1 + y2) / 2] as const;
    labels.push({ text: name, at, tone: 'soft', size: 12, middle: true });
  }
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={`${props.caption}, to scale`}
      data-column-view={view}
      onWheel={handleWheel}
      onDoubleClick={() => props.onFill(view)}
      style={{ display: 'block' }}
    >
      <rect
        {...pan()}
        width={width}
        height={height}
        fill="transparent"
        style={{ touchAction: 'none' }}
      />
      <g pointerEvents="none">
        <KeepOuts bodies={props.bodies} px={px} scale={scale} />
        {props.rack && (
          <line
            {...line(...props.rack)}
            stroke={SLATE.string}
            strokeWidth={Math.max(2, 32 * scale)}
            strokeOpacity={0.6}
            strokeLinecap="round"
            data-part="rack"
          />
        )}
        {props.strings.map(({ name, from, to }) => (
          <line
            key={name}
            {...line(from, to)}
            stroke={SLATE.accent}
            strokeDasharray="6 4"
            data-string={name}
          />
        ))}
        {column.firewall && (
          <polygon
            points={round(wallOf(column))}
            fill={SLATE.raised}
            fillOpacity={0.5}
            stroke={SLATE.string}
            data-part="firewall"
          />
        )}
        <Chain column={column} {...{ line, round, scale }} />
        {tried && <Chain column={tried} {...{ line, round, scale }} thin />}
        {picked && (
          <FreedomMarks
            view={view}
            point={{ ahead: picked.at[0], out: picked.at[1], up: picked.at[2] }}
            freedoms={{
              ahead: picked.freedoms?.ahead,
              out: picked.freedoms?.left,
              up: picked.freedoms?.up,
            }}
            px={px}
          />
        )}
      </g>
      {props.tight.map(({ what, to, id, clearance, at }) => {
        const [x, y] = px(at);
        return (
          <path
            key={what + id}
            d={
              clearance < 0
                ? `M${x - 7} ${y - 7}l14 14M${x + 7} ${y - 7}l-14 14`
                : `M${x - 7} ${y - 7}h14v14h-14z`
            }
            stroke={SLATE.accent}
            strokeWidth={2}
            fill="none"
            pointerEvents="none"
            data-tight={`${what}|${to}`}
          />
        );
      })}
      {points.map(({ id, label, at }) => {
        const [x, y] = px(at);
        return (
          <Joint
            key={id}
            name={id}
            label={label}
            x={x}
            y={y}
            state={props.states[id]}
            selected={id === selected}
            sketched={false}
            onSelect={props.onSelect}
            onDrag={(drag) => props.onDrag(view, drag, scale)}
          />
        );
      })}
      <Caption view={view} caption={props.caption} mirror={1} width={width} />
      <Labels placed={placeLabels(labels, width, height)} />
      {view === 'side' && <ScaleBar unit={props.unit} scale={scale} x={12} y={height - 12} />}
    </svg>
  );
});

/** Handwheel, shafts, joints: full, or thin and dashed where it is looked at beside. */
function Chain({
  column,
  line,
  round,
  scale,
  thin = false,
}: {
  column: Column;
  line: (from: Vec, to: Vec) => object;
  round: (places: readonly Vec[]) => string;
  scale: number;
  thin?: boolean;
}) {
  const colour = thin ? SLATE.accent : SLATE.chalk;
  return (
    <g
      stroke={colour}
      fill="none"
      strokeLinecap="round"
      strokeOpacity={0.88}
      strokeDasharray={thin ? '5 4' : undefined}
      data-part={thin ? 'looked at' : 'column'}
    >
      <polygon
        points={round(rimOf(column))}
        strokeWidth={thin ? 1.4 : Math.max(1.5, column.wheel.rim * scale)}
        strokeLinejoin="round"
        strokeOpacity={thin ? 0.9 : 0.5}
      />
      {drawnRounds(column).map(({ from, to, radius }, i) => (
        <line
          key={i}
          {...line(from, to)}
          strokeWidth={thin ? 1.6 : Math.max(1.5, 2 * radius * scale)}
          strokeOpacity={thin || i < column.shafts.length ? 0.9 : 0.6}
        />
      ))}
    </g>
  );
}
