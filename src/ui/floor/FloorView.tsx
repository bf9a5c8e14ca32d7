'use client';

import { memo } from 'react';
import { distance } from '@/core/geometry/vec';
import type { Vec } from '@/core/geometry/vec';
import type { AxleDesign } from '@/core/model/build';
import type { LengthUnit } from '@/core/model/units';
import { POINT_NAMES, pointLabel } from '@/core/model/points';
import type { PointName } from '@/core/model/points';
import { FIGURES, SLATE } from '../theme';
import { Dimensions } from './Dimensions';
import type { Figures } from './Dimensions';
import { MEMBERS, kingpinString, onFloor, rimOutline, wheelOutlines } from './drawing';
import type { Box, Drawn, MemberKind, ViewName } from './drawing';

interface Props {
  view: ViewName;
  caption: string;
  mirror: 1 | -1;
  drawn: Drawn;
  /** A joint that would move if a proposal were taken. */
  proposed: Drawn | null;
  reached: boolean;
  design: AxleDesign;
  box: Box;
  /** Pixels per mm. */
  scale: number;
  width: number;
  height: number;
  unit: LengthUnit;
  steered: boolean;
  selected: PointName | null;
  dimensions: Figures | null;
  onSelect: (name: PointName) => void;
}

const FILL: Record<MemberKind, string> = {
  arm: SLATE.chalk,
  upright: SLATE.soft,
  rod: SLATE.chalk,
};

/** One view of a corner, to scale: chalk on slate. */
export const FloorView = memo(function FloorView(props: Props) {
  const { view, mirror, drawn, proposed, design, box, scale, width, height, selected } = props;
  const { tyre, rim } = design;
  const offsetX = (width - (box.right - box.left) * scale) / 2 - box.left * scale;
  const offsetY = height - 14 - box.bottom * scale;
  const px = (p: Vec): [number, number] => {
    const [x, y] = onFloor(view, mirror, p);
    return [x * scale + offsetX, y * scale + offsetY];
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

  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={`${props.caption}, to scale`}
      data-view={view}
      style={{ display: 'block', opacity: props.reached ? 1 : 0.55 }}
    >
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
      <g fill={SLATE.raised} fillOpacity={0.7} stroke={SLATE.string} strokeLinejoin="round">
        <polygon points={list(outline[view])} strokeWidth={1.5} data-part="tyre" />
        {view === 'side' && <polygon points={list(outline.rim)} strokeWidth={1} fill="none" />}
      </g>
      <g stroke={SLATE.string} strokeDasharray="7 4" strokeWidth={1}>
        <line {...axisOf('lowerFrontInner', 'lowerRearInner')} />
        <line {...axisOf('upperFrontInner', 'upperRearInner')} />
      </g>
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
      <line
        {...line(stringTop, stringFoot)}
        stroke={SLATE.accent}
        strokeWidth={1}
        strokeOpacity={0.9}
      />
      {view !== 'above' && <ContactMark at={px(outline.contact)} foot={px(stringFoot)} />}
      {rim && view !== 'side' && (
        <polygon
          points={list(rimOutline(drawn, rim, view))}
          fill="none"
          stroke={SLATE.string}
          strokeDasharray="3 3"
          data-part="rim"
        />
      )}
      {props.dimensions && (
        <Dimensions
          {...{ view, drawn, tyre, px, unit: props.unit, height }}
          figures={props.dimensions}
        />
      )}
      {proposed && (
        <g stroke={SLATE.accent} fill="none" strokeDasharray="5 4" strokeWidth={1.6}>
          {MEMBERS.filter(({ from, to }) => moved(from) || moved(to)).map(({ from, to }) => (
            <line key={from + to} {...line(proposed.at[from], proposed.at[to])} />
          ))}
          {POINT_NAMES.filter(moved).map((name) => (
            <circle key={name} cx={px(proposed.at[name])[0]} cy={px(proposed.at[name])[1]} r={7} />
          ))}
        </g>
      )}
      {POINT_NAMES.map((name) => (
        <Joint
          key={name}
          name={name}
          label={pointLabel(name, props.steered)}
          at={px(drawn.at[name])}
          selected={name === selected}
          onSelect={props.onSelect}
        />
      ))}
      {selected && (
        <JointLabel
          at={px(drawn.at[selected])}
          label={pointLabel(selected, props.steered)}
          width={width}
        />
      )}
      {view === 'front' && <ScaleBar unit={props.unit} scale={scale} x={12} y={height - 12} />}
    </svg>
  );
});

/** Foot of the perpendicular from the wheel centre on the kingpin line: where the spindle springs from. */
function nearestOnKingpin({ at }: Drawn): Vec {
  const [l, u, w] = [at.lowerOuter, at.upperOuter, at.wheelCentre];
  const k = [u[0] - l[0], u[1] - l[1], u[2] - l[2]];
  const kk = k[0] ** 2 + k[1] ** 2 + k[2] ** 2 || 1;
  const t = ((w[0] - l[0]) * k[0] + (w[1] - l[1]) * k[1] + (w[2] - l[2]) * k[2]) / kk;
  return [l[0] + t * k[0], l[1] + t * k[1], l[2] + t * k[2]];
}

function Joint({
  name,
  label,
  at: [x, y],
  selected,
  onSelect,
}: {
  name: PointName;
  label: string;
  at: [number, number];
  selected: boolean;
  onSelect: (name: PointName) => void;
}) {
  return (
    <g onClick={() => onSelect(name)} style={{ cursor: 'pointer' }} data-joint={name}>
      <title>{label}</title>
      <circle cx={x} cy={y} r={11} fill="transparent" />
      <circle
        cx={x}
        cy={y}
        r={selected ? 6.5 : 4.5}
        fill={SLATE.ground}
        stroke={selected ? SLATE.accent : SLATE.chalk}
        strokeWidth={selected ? 3 : 1.8}
      />
    </g>
  );
}

function JointLabel({
  at: [x, y],
  label,
  width,
}: {
  at: [number, number];
  label: string;
  width: number;
}) {
  const left = x > width / 2;
  return (
    <text
      x={left ? x - 12 : x + 12}
      y={y - 10}
      textAnchor={left ? 'end' : 'start'}
      fill={SLATE.accent}
      stroke={SLATE.ground}
      strokeWidth={4}
      paintOrder="stroke"
      fontSize={13}
      fontWeight={600}
      pointerEvents="none"
    >
      {label}
    </text>
  );
}

/** The contact point as a notch under the ground, and where the kingpin axis meets it. */
function ContactMark({ at, foot }: { at: [number, number]; foot: [number, number] }) {
  return (
    <g stroke={SLATE.accent} fill="none" strokeWidth={1.4}>
      <path d={`M${at[0] - 5} ${at[1] + 8}L${at[0]} ${at[1]}L${at[0] + 5} ${at[1] + 8}`} />
      <path d={`M${foot[0] - 5} ${foot[1]}h10`} />
    </g>
  );
}

function ScaleBar({
  unit,
  scale,
  x,
  y,
}: {
  unit: LengthUnit;
  scale: number;
  x: number;
  y: number;
}) {
  const length = (unit === 'mm' ? 100 : 4 * 25.4) * scale;
  return (
    <g>
      <path d={`M${x} ${y - 4}v4h${length}v-4`} stroke={SLATE.soft} fill="none" strokeWidth={1} />
      <text x={x + length + 6} y={y} fill={SLATE.soft} fontSize={12} fontFamily={FIGURES}>
        {unit === 'mm' ? '100 mm' : '4 in'}
      </text>
    </g>
  );
}
