import { memo } from 'react';
import useMeasure from 'react-use-measure';
import type { Vec } from '@/core/geometry/vec';
import { axisAtHeight } from '@/core/kinematics/joints';
import type { AxleDesign, Side } from '@/core/model/build';
import type { LengthUnit } from '@/core/model/units';
import { turnCentre } from '@/core/steering/turnCentre';
import { SLATE } from '../../theme';
import { wheelOutlines } from '../../floor/drawing';
import type { Drawn } from '../../floor/drawing';
import { placeLabels } from '../../floor/labels';
import type { Label } from '../../floor/labels';
import { Labels } from '../../floor/marks';

type Place = [ahead: number, left: number];

/** One axle's two wheels as they stand, each in its own outward axes. */
export type BothDrawn = Record<Side, Drawn>;

interface Props {
  front: BothDrawn;
  rear: BothDrawn | null;
  tyres: { front: AxleDesign['tyre']; rear: AxleDesign['tyre'] };
  wheelbase: number;
  /** How far from the centreline turn centres are drawn, mm. */
  reach: number;
  unit: LengthUnit;
}

const SIDES: readonly Side[] = ['left', 'right'];
const HEIGHT = 290;

/** A turn centre beyond this is none, mm. */
const FURTHEST = 100_000;

const out = (mm: number, unit: LengthUnit): string =>
  unit === 'mm'
    ? `${(Math.abs(mm) / 1000).toFixed(2)} m`
    : `${(Math.abs(mm) / 304.8).toFixed(1)} ft`;

const inCar = (side: Side, [ahead, out]: Vec): Place => [ahead, side === 'left' ? out : -out];

/** The whole car from above, nose up: how it turns. */
export const TurnPlan = memo(function TurnPlan(props: Props) {
  const { front, rear, tyres, wheelbase, reach, unit } = props;
  const [ref, { width }] = useMeasure();
  const [top, bottom] = [520, -wheelbase - 480];
  const scale = Math.min(HEIGHT / (top - bottom), width / 2 / (reach + 300));
  const px = ([ahead, left]: Place): [number, number] => [
    width / 2 - left * scale,
    (top - ahead) * scale + (HEIGHT - (top - bottom) * scale) / 2,
  ];
  const centres = SIDES.map((side) => {
    const { at, spindle } = front[side];
    const left = turnCentre(side, at.wheelCentre, spindle, wheelbase);
    return { side, at: left === null ? null : ([-wheelbase, left] satisfies Place) };
  });
  const labels: Label[] = centres.flatMap(({ side, at }) =>
    at && Math.abs(at[1]) < reach * 1.05
      ? [{ text: side, at: px(at), tone: 'accent', size: 12.5 } satisfies Label]
      : [],
  );
  // Further out than a field is straight ahead: what is set as toe has a centre too.
  const turns = centres.some(({ at }) => at && Math.abs(at[1]) < FURTHEST);
  const said = centres.map(({ side, at }) => `${side} ${at ? out(at[1], unit) : 'none'}`);
  return (
    <Slate
      ref={ref}
      label="The car from above, nose up: where both front wheels turn about"
      {...{ width }}
    >
      <path
        d={line(px([top, 0]), px([bottom, 0]))}
        stroke={SLATE.line}
        strokeDasharray="10 5 2 5"
      />
      <path
        d={`M0 ${px([-wheelbase, 0])[1]}H${width}`}
        stroke={SLATE.string}
        strokeDasharray="4 4"
        data-part="rear-axle"
      />
      {SIDES.map((side) => (
        <Tyre key={side} {...{ side, px }} drawn={front[side]} tyre={tyres.front} />
      ))}
      {rear &&
        SIDES.map((side) => (
          <Tyre key={side} {...{ side, px }} drawn={rear[side]} tyre={tyres.rear} />
        ))}
      {centres.map(
        ({ side, at }) =>
          turns &&
          at && (
            <g key={side} stroke={SLATE.accent} fill="none" data-centre={side}>
              <path
                d={line(px(inCar(side, front[side].at.wheelCentre)), px(at))}
                strokeDasharray={side === 'right' ? '6 4' : undefined}
              />
              <circle cx={px(at)[0]} cy={px(at)[1]} r={4} strokeWidth={1.6} />
            </g>
          ),
      )}
      <Labels placed={placeLabels(labels, width, HEIGHT)} />
      <text x={12} y={18} fill={SLATE.soft} fontSize={13}>
        {turns ? `Turn centres from the middle: ${said.join(', ')}` : 'Straight ahead'}
      </text>
    </Slate>
  );
});

/** The front axle from above, nose up: rack, rods, arms, and the strings to the middle of the rear axle. */
export const AxlePlan = memo(function AxlePlan({
  front,
  tyres,
  wheelbase,
}: Pick<Props, 'front' | 'tyres' | 'wheelbase'>) {
  const [ref, { width }] = useMeasure();
  const half = Math.max(...SIDES.map((side) => front[side].at.wheelCentre[1])) + 300;
  const scale = Math.min(width / 2 / half, HEIGHT / 900);
  const px = ([ahead, left]: Place): [number, number] => [
    width / 2 - left * scale,
    HEIGHT / 2 - ahead * scale,
  ];
  const inners = SIDES.map((side) => px(inCar(side, front[side].at.tieRodInner)));
  return (
    <Slate ref={ref} label="The front axle from above, nose up" {...{ width }}>
      <path d={line(px([500, 0]), px([-500, 0]))} stroke={SLATE.line} strokeDasharray="10 5 2 5" />
      {SIDES.map((side) => {
        const drawn = front[side];
        const at = (v: Vec) => px(inCar(side, v));
        const axis = axisAtHeight(drawn.axis, drawn.at.tieRodOuter[2]);
        return (
          <g key={side}>
            <Tyre {...{ side, px, drawn }} tyre={tyres.front} />
            <g strokeLinecap="round" stroke={SLATE.chalk}>
              {drawn.type.members
                .filter(({ role }) => role !== 'upright')
                .map(({ from, to, role }) => (
                  <path
                    key={from + to}
                    d={line(at(drawn.at[from]), at(drawn.at[to]))}
                    strokeWidth={role === 'rod' ? 4 : 1.6}
                    strokeOpacity={role === 'rod' ? 0.95 : 0.45}
                  />
                ))}
            </g>
            {axis && (
              <>
                <path
                  d={line(at(axis), at(drawn.at.tieRodOuter))}
                  stroke={SLATE.soft}
                  strokeWidth={5}
                  strokeLinecap="round"
                  data-arm={side}
                />
                <path
                  d={line(...stringOf(at, axis, wheelbase))}
                  stroke={SLATE.accent}
                  strokeDasharray="5 4"
                  data-string={side}
                />
                <circle cx={at(axis)[0]} cy={at(axis)[1]} r={4} fill={SLATE.accent} />
              </>
            )}
            {(['tieRodInner', 'tieRodOuter'] as const).map((name) => (
              <circle
                key={name}
                cx={at(drawn.at[name])[0]}
                cy={at(drawn.at[name])[1]}
                r={4.5}
                fill={SLATE.ground}
                stroke={SLATE.chalk}
                strokeWidth={1.8}
              />
            ))}
          </g>
        );
      })}
      <path
        d={line(inners[0], inners[1])}
        stroke={SLATE.string}
        strokeWidth={7}
        strokeOpacity={0.6}
      />
      <text x={12} y={18} fill={SLATE.soft} fontSize={13}>
        Front axle from above
      </text>
    </Slate>
  );
});

/** The string past the joint, ahead of the axis or behind it as far as the picture goes. */
const stringOf = (
  at: (v: Vec) => [number, number],
  [ahead, out, up]: Vec,
  wheelbase: number,
): [[number, number], [number, number]] => {
  const part = (t: number) => at([ahead - t * (wheelbase + ahead), out * (1 - t), up]);
  return [part(-0.09), part(0.16)];
};

function Tyre({
  side,
  drawn,
  tyre,
  px,
}: {
  side: Side;
  drawn: Drawn;
  tyre: AxleDesign['tyre'];
  px: (place: Place) => [number, number];
}) {
  return (
    <polygon
      points={wheelOutlines(drawn, tyre)
        .above.map((v) =>
          px(inCar(side, v))
            .map((n) => n.toFixed(1))
            .join(','),
        )
        .join(' ')}
      fill={SLATE.raised}
      stroke={SLATE.string}
      strokeWidth={1.5}
      data-tyre={side}
    />
  );
}

const line = (from: [number, number], to: [number, number]): string =>
  `M${from[0].toFixed(1)} ${from[1].toFixed(1)}L${to[0].toFixed(1)} ${to[1].toFixed(1)}`;

function Slate({
  ref,
  width,
  label,
  children,
}: {
  ref: (element: HTMLElement | SVGElement | null) => void;
  width: number;
  label: string;
  children: React.ReactNode;
}) {
  return (
    <div ref={ref} style={{ backgroundColor: SLATE.ground, minWidth: 0, overflow: 'hidden' }}>
      <svg width={width} height={HEIGHT} role="img" aria-label={label} style={{ display: 'block' }}>
        {width > 0 && children}
      </svg>
    </div>
  );
}
