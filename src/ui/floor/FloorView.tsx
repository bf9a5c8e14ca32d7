'use client';

import { useDrag } from '@use-gesture/react';
import { memo } from 'react';
import type { Nulls } from '@/core/bumpsteer/nulls';
import type { JointState } from '@/core/clearance/jointStates';
import type { KeepOut } from '@/core/clearance/roomSchema';
import { distance } from '@/core/geometry/vec';
import type { Vec } from '@/core/geometry/vec';
import type { AxleDesign } from '@/core/model/build';
import type { Quantity } from '@/core/motion/quantities';
import { POINT_NAMES, pointLabel } from '@/core/model/points';
import type { Point, PointName } from '@/core/model/points';
import type { LengthUnit } from '@/core/model/units';
import { SLATE } from '../theme';
import { useStable } from '../useStable';
import { Construction } from './Construction';
import { Dimensions } from './Dimensions';
import { FreedomMarks } from './FreedomMarks';
import { Joint } from './Joint';
import { NullStrings } from './NullStrings';
import { KeepOuts } from './KeepOuts';
import type { JointDrag } from './Joint';
import {
  MEMBERS,
  kingpinString,
  nearestOnKingpin,
  onFloor,
  rimOutline,
  wheelOutlines,
} from './drawing';
import type { Box, Drawn, MemberKind, ViewName } from './drawing';
import { ContactMark, JointLabel, ScaleBar } from './marks';
import { LINES, LINE_NAMES, tapeOf } from './measuring';
import type { LineName, Spot } from './measuring';
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
  steered: boolean;
  selected: PointName | null;
  /** The selected point as designed, when the corner stands as designed. */
  place: Point | null;
  strings: Strings;
  keepOuts: KeepOut[];
  values: Record<Quantity, number> | null;
  /** Scrub radius, trail and spindle length are written beside the wheel. */
  dimensions: boolean;
  /** Joints and lines can be clicked to be measured; what has been. */
  measuring: boolean;
  measured: readonly Spot[];
  states: Partial<Record<PointName, JointState>>;
  shaft: readonly [Vec, Vec] | null;
  nulls: Nulls | null;
  onLine: (name: LineName) => void;
  onSelect: (name: PointName) => void;
  onDrag: (view: ViewName, drag: JointDrag, pixels: number) => void;
  onZoom: (view: ViewName, change: (zoom: Zoom) => Zoom) => void;
}

const FILL: Record<MemberKind, string> = {
  arm: SLATE.chalk,
  upright: SLATE.soft,
  rod: SLATE.chalk,
};

/** One view of a corner, to scale: chalk on slate. */
export const FloorView = memo(function FloorView(props: Props) {
  const { view, mirror, drawn, proposed, design, box, width, height, selected, strings } = props;
  const { tyre, rim } = design;
  const { k, x: panX, y: panY } = props.zoom;
  const scale = props.scale * k;
  const offsetX = ((width - (box.right - box.left) * props.scale) / 2 - box.left * props.scale) * k;
  const offsetY = (height - 14 - box.bottom * props.scale) * k;
  const px = (p: Vec): [number, number] => {
    const [x, y] = onFloor(view, mirror, p);
    return [x * scale + offsetX + panX, y * scale + offsetY + panY];
  };
  const list = (points: Vec[]) =>
    points
      .map((p) =>
        px(p)
          .map((v) => v.toFixed(2))
          .join(','),
      )
      .join(' ');

  const outline = wheelOutlines(drawn, tyre);
  const ground = outline.contact[2];
  const [stringTop, stringFoot] = kingpinString(drawn, ground);
  const line = (from: Vec, to: Vec) => {
    const [x1, y1] = px(from);
    const [x2, y2] = px(to);
    return { x1, y1, x2, y2 };
  };
  const moved = (name: PointName) =>
    proposed !== null && distance(proposed.at[name], drawn.at[name]) > 0.02;
  const axisOf = (front: PointName, rear: PointName) => line(drawn.at[front], drawn.at[rear]);
  const tape = tapeOf(props.measured, drawn);
  const said = (name: PointName) =>
    [pointLabel(name, props.steered), props.states[name]?.why].filter(Boolean).join(' ');
  const { onZoom } = props;
  const pan = useDrag(({ delta: [dx, dy] }) =>
    onZoom(view, (zoom) => ({ ...zoom, x: zoom.x + dx, y: zoom.y + dy })),
  );
  const handleDrag = useStable((drag: JointDrag) => props.onDrag(view, drag, scale));
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
      onDoubleClick={() => onZoom(view, () => ({ k: 1, x: 0, y: 0 }))}
      style={{ display: 'block', opacity: props.reached ? 1 : 0.55 }}
    >
      <rect
        {...pan()}
        width={width}
        height={height}
        fill="transparent"
        style={{ touchAction: 'none' }}
      />
      <text x={12} y={20} fill={SLATE.soft} fontSize={13}>
        {props.caption}
      </text>
      {view !== 'front' && (
        <text
          x={mirror === 1 ? 12 : width - 12}
          y={37}
          textAnchor={mirror === 1 ? 'start' : 'end'}
          fill={SLATE.soft}
          fontSize={12}
        >
          {mirror === 1 ? '← ahead' : 'ahead →'}
        </text>
      )}
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
        <KeepOuts bodies={props.keepOuts} px={px} scale={scale} />
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
            <line {...axisOf('lowerFrontInner', 'lowerRearInner')} />
            <line {...axisOf('upperFrontInner', 'upperRearInner')} />
          </g>
        )}
        <g strokeLinecap="round" strokeOpacity={0.88}>
          {MEMBERS.map(({ from, to, diameter, kind }) => (
            <line
              key={from + to}
              {...line(drawn.at[from], drawn.at[to])}
              stroke={FILL[kind]}
              strokeWidth={Math.max(1.5, diameter * scale)}
            />
          ))}
          <line
            {...line(drawn.at.wheelCentre, nearestOnKingpin(drawn))}
            stroke={SLATE.soft}
            strokeWidth={Math.max(1.5, 26 * scale)}
          />
        </g>
        {props.shaft && (
          <line
            {...line(...props.shaft)}
            stroke={SLATE.string}
            strokeWidth={Math.max(1.5, 28 * scale)}
            strokeOpacity={0.7}
            strokeLinecap="round"
            data-part="half-shaft"
          />
        )}
        {strings.kingpin && (
          <line
            {...line(stringTop, stringFoot)}
            stroke={SLATE.accent}
            strokeWidth={1}
            strokeOpacity={0.9}
          />
        )}
        {view !== 'above' && <ContactMark at={px(outline.contact)} foot={px(stringFoot)} />}
        <Construction
          {...{ view, drawn, tyre, strings, px, unit: props.unit }}
          ghosts={props.ghosts}
          centres={props.values}
        />
        {props.nulls && <NullStrings nulls={props.nulls} px={px} />}
        {props.dimensions && props.values && (
          <Dimensions
            {...{ view, drawn, tyre, px, unit: props.unit, height }}
            figures={props.values}
          />
        )}
        {props.compared && (
          <g
            stroke={SLATE.chalk}
            strokeOpacity={0.75}
            fill="none"
            strokeWidth={1}
            data-part="compared"
          >
            {MEMBERS.map(({ from, to }) => (
              <line key={from + to} {...line(props.compared!.at[from], props.compared!.at[to])} />
            ))}
            {POINT_NAMES.map((name) => {
              const [x, y] = px(props.compared!.at[name]);
              return <path key={name} d={`M${x - 3} ${y}h6M${x} ${y - 3}v6`} />;
            })}
          </g>
        )}
        {proposed && (
          <g stroke={SLATE.accent} fill="none" strokeDasharray="5 4" strokeWidth={1.6}>
            {MEMBERS.filter(({ from, to }) => moved(from) || moved(to)).map(({ from, to }) => (
              <line key={from + to} {...line(proposed.at[from], proposed.at[to])} />
            ))}
            {POINT_NAMES.filter(moved).map((name) => (
              <circle
                key={name}
                cx={px(proposed.at[name])[0]}
                cy={px(proposed.at[name])[1]}
                r={7}
              />
            ))}
          </g>
        )}
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
        LINE_NAMES.map((name) => {
          const [from, to] = LINES[name].through;
          return (
            <line
              key={name}
              {...line(drawn.at[from], drawn.at[to])}
              stroke="transparent"
              strokeWidth={12}
              style={{ cursor: 'crosshair' }}
              onClick={() => props.onLine(name)}
              data-line={name}
            >
              <title>{LINES[name].label}</title>
            </line>
          );
        })}
      {POINT_NAMES.map((name) => (
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
          onSelect={props.onSelect}
          onDrag={handleDrag}
        />
      ))}
      {selected && (
        <JointLabel
          at={px(drawn.at[selected])}
          label={pointLabel(selected, props.steered)}
          more={props.states[selected]?.why}
          width={width}
        />
      )}
      {view === 'front' && <ScaleBar unit={props.unit} scale={scale} x={12} y={height - 12} />}
    </svg>
  );
});
