'use client';

import { useDrag } from '@use-gesture/react';
import { memo } from 'react';
import type { Nulls } from '@/core/bumpsteer/nulls';
import type { JointState } from '@/core/clearance/jointStates';
import type { KeepOut } from '@/core/model/room';
import type { Vec } from '@/core/geometry/vec';
import { pointNames } from '@/core/corners/kinds';
import type { AxleDesign } from '@/core/model/build';
import type { Values } from '@/core/motion/quantities';
import { pointLabel } from '@/core/model/labels';
import type { Point, PointName } from '@/core/model/points';
import { saidIn } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { SLATE } from '../theme';
import { useStable } from '../useStable';
import { Construction, constructionLabels } from './Construction';
import { ComparedCorner, CornerDrawing, ProposedCorner } from './CornerDrawing';
import { Dimensions, dimensionLabels } from './Dimensions';
import { FreedomMarks } from './FreedomMarks';
import { Joint } from './Joint';
import { NullStrings, nullLabels } from './NullStrings';
import { KeepOuts } from './KeepOuts';
import type { JointDrag } from './Joint';
import { onFloor } from './drawing';
import type { Box, Drawn, ViewName } from './drawing';
import { placeLabels } from './labels';
import type { Label } from './labels';
import { Caption, Labels, ScaleBar } from './marks';
import { linesOf, tapeOf } from './measuring';
import type { Spot } from './measuring';
import type { Strings } from './strings';
import type { Zoom } from './zoom';

interface Props {
  view: ViewName;
  caption: string;
  mirror: 1 | -1;
  drawn: Drawn;
  /** Joints that would move if a proposal were taken. */
  proposed: Drawn | null;
  /** Another layout in the same position. */
  compared: Drawn | null;
  /** The corner at full bump and droop. */
  ghosts: Drawn[];
  reached: boolean;
  design: AxleDesign;
  box: Box;
  /** Pixels per mm of the view when it is fitted. */
  scale: number;
  zoom: Zoom;
  width: number;
  height: number;
  unit: LengthUnit;
  selected: PointName | null;
  /** The selected point as designed, when the corner stands as designed. */
  place: Point | null;
  strings: Strings;
  keepOuts: KeepOut[];
  values: Values | null;
  /** Scrub radius, trail and spindle length are written beside the wheel. */
  dimensions: boolean;
  /** Joints and lines can be clicked to be measured; what has been. */
  measuring: boolean;
  measured: readonly Spot[];
  states: Partial<Record<PointName, JointState>>;
  /** Joints that nobody has set yet. */
  sketched: readonly PointName[];
  shaft: readonly [Vec, Vec] | null;
  nulls: Nulls | null;
  onLine: (name: string) => void;
  /** A joint was clicked; others may lie so near that they were meant. */
  onSelect: (name: PointName, near: PointName[], at: { x: number; y: number }) => void;
  onFill: (view: ViewName) => void;
  onDrag: (view: ViewName, drag: JointDrag, pixels: number) => void;
  onZoom: (view: ViewName, change: (zoom: Zoom) => Zoom) => void;
}

/** Joints nearer to each other than this lie on each other for a hand, px. */
const TOGETHER = 11;

/** One view of a corner, to scale: chalk on slate. */
export const FloorView = memo(function FloorView(props: Props) {
  const { view, mirror, drawn, proposed, design, box, width, height, selected, strings } = props;
  const { tyre } = design;
  const { k, x: panX, y: panY } = props.zoom;
  const scale = props.scale * k;
  const offsetX = ((width - (box.right - box.left) * props.scale) / 2 - box.left * props.scale) * k;
  const offsetY = (height - 14 - box.bottom * props.scale) * k;
  const px = (p: Vec): [number, number] => {
    const [x, y] = onFloor(view, mirror, p);
    return [x * scale + offsetX + panX, y * scale + offsetY + panY];
  };
  const line = (from: Vec, to: Vec) => {
    const [x1, y1] = px(from);
    const [x2, y2] = px(to);
    return { x1, y1, x2, y2 };
  };
  const tape = tapeOf(props.measured, drawn);
  const said = (name: PointName) =>
    saidIn(
      [pointLabel(design, name), props.states[name]?.why].filter(Boolean).join(' '),
      props.unit,
    );
  const { onZoom } = props;
  const handleDrag = useStable((drag: JointDrag) => props.onDrag(view, drag, scale));
  const handleSelect = useStable((name: PointName, at: { x: number; y: number }) => {
    const [x, y] = px(drawn.at[name]);
    const near = pointNames(drawn.type).filter((other) => {
      const [ox, oy] = px(drawn.at[other]);
      return other !== name && Math.hypot(ox - x, oy - y) < TOGETHER;
    });
    props.onSelect(name, near, at);
  });
  const labels: Label[] = selected
    ? [
        {
          text: pointLabel(design, selected),
          more: saidIn(props.states[selected]?.why ?? '', props.unit),
          at: px(drawn.at[selected]),
          tone: 'accent',
          size: 13,
          bold: true,
        },
      ]
    : [];
  const shown = { view, drawn, tyre, px, unit: props.unit, height };
  if (props.dimensions && props.values)
    labels.push(...dimensionLabels({ ...shown, figures: props.values }));
  labels.push(
    ...constructionLabels({ ...shown, strings, ghosts: props.ghosts, centres: props.values }),
  );
  if (props.nulls) labels.push(...nullLabels(props.nulls, px));
  const handleWheel = (event: React.WheelEvent<SVGSVGElement>) => {
    const frame = event.currentTarget.getBoundingClientRect();
    const at = { x: event.clientX - frame.left, y: event.clientY - frame.top };
    const factor = Math.exp(-event.deltaY / 500);
    onZoom(view, (zoom) => {
      const next = Math.min(20, Math.max(0.5, zoom.k * factor));
      const part = next / zoom.k;
      return { k: next, x: at.x - (at.x - zoom.x) * part, y: at.y - (at.y - zoom.y) * part };
    });
  };

  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={`${props.caption}, to scale`}
      data-view={view}
      onWheel={handleWheel}
      onDoubleClick={() => props.onFill(view)}
      style={{ display: 'block', opacity: props.reached ? 1 : 0.55 }}
    >
      <Ground view={view} width={width} height={height} onZoom={onZoom} />
      <g pointerEvents="none">
        {view !== 'above' && (
          <line
            x1={8}
            x2={width - 8}
            y1={px([0, 0, 0])[1]}
            y2={px([0, 0, 0])[1]}
            stroke={SLATE.line}
            strokeDasharray="2 5"
          />
        )}
        <KeepOuts bodies={props.keepOuts} px={px} scale={scale} hand={props.mirror} />
        <CornerDrawing
          {...{ view, drawn, px, scale, strings }}
          tyre={tyre}
          rim={design.rim}
          shaft={props.shaft}
        />
        <Construction
          {...{ view, drawn, tyre, strings, px, unit: props.unit }}
          ghosts={props.ghosts}
          centres={props.values}
        />
        {props.nulls && <NullStrings nulls={props.nulls} px={px} />}
        {props.dimensions && props.values && <Dimensions {...shown} figures={props.values} />}
        {props.compared && <ComparedCorner drawn={props.compared} px={px} />}
        {proposed && <ProposedCorner drawn={drawn} proposed={proposed} px={px} />}
        {tape && (
          <line
            {...line(...tape)}
            stroke={SLATE.accent}
            strokeWidth={2}
            strokeDasharray="1 3"
            data-part="measured"
          />
        )}
        {selected && props.place && (
          <FreedomMarks
            view={view}
            point={props.place}
            freedoms={design.freedoms?.[selected]}
            px={px}
          />
        )}
      </g>
      {props.measuring &&
        linesOf(drawn.type).map(({ name, through: [from, to] }) => (
          <line
            key={name}
            {...line(drawn.at[from], drawn.at[to])}
            stroke="transparent"
            strokeWidth={12}
            style={{ cursor: 'crosshair' }}
            onClick={() => props.onLine(name)}
            data-line={name}
          >
            <title>{name}</title>
          </line>
        ))}
      {pointNames(drawn.type).map((name) => (
        <Joint
          key={name}
          name={name}
          label={said(name)}
          x={px(drawn.at[name])[0]}
          y={px(drawn.at[name])[1]}
          state={props.states[name]?.state}
          selected={
            name === selected ||
            props.measured.some((spot) => 'joint' in spot && spot.joint === name)
          }
          sketched={props.sketched.includes(name)}
          onSelect={handleSelect}
          onDrag={handleDrag}
        />
      ))}
      <Caption view={view} caption={props.caption} mirror={mirror} width={width} />
      <Labels placed={placeLabels(labels, width, height)} />
      {view === 'front' && <ScaleBar unit={props.unit} scale={scale} x={12} y={height - 12} />}
    </svg>
  );
});

/** What is behind the drawing: dragged, it moves the view. */
const Ground = memo(function Ground({
  view,
  width,
  height,
  onZoom,
}: Pick<Props, 'view' | 'width' | 'height' | 'onZoom'>) {
  const pan = useDrag(({ delta: [dx, dy] }) =>
    onZoom(view, (zoom) => ({ ...zoom, x: zoom.x + dx, y: zoom.y + dy })),
  );
  return (
    <rect
      {...pan()}
      width={width}
      height={height}
      fill="transparent"
      style={{ touchAction: 'none' }}
    />
  );
});
