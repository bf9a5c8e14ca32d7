import { memo } from 'react';
import useMeasure from 'react-use-measure';
import type { AxleDesign } from '@/core/model/build';
import type { LengthUnit } from '@/core/model/units';
import { turnCentre } from '@/core/steering/turnCentre';
import { placeLabels } from '../../floor/labels';
import type { Label } from '../../floor/labels';
import { Labels } from '../../floor/marks';
import { SLATE } from '../../theme';
import { HEIGHT, SIDES, Slate, Tyre, inCar, line } from './plan';
import type { Place } from './plan';
import type { BothDrawn } from './useSteering';

interface Props {
  front: BothDrawn;
  /** The front wheels of what is looked at beside it. */
  ghost: BothDrawn | null;
  rear: BothDrawn | null;
  tyres: { front: AxleDesign['tyre']; rear: AxleDesign['tyre'] };
  wheelbase: number;
  /** How far from the centreline turn centres are drawn, mm. */
  reach: number;
  unit: LengthUnit;
}

/** A turn centre beyond this is none, mm. */
const FURTHEST = 100_000;

const out = (mm: number, unit: LengthUnit): string =>
  unit === 'mm'
    ? `${(Math.abs(mm) / 1000).toFixed(2)} m`
    : `${(Math.abs(mm) / 304.8).toFixed(1)} ft`;

/** The whole car from above, nose up: how it turns. */
export const TurnPlan = memo(function TurnPlan(props: Props) {
  const { front, ghost, rear, tyres, wheelbase, reach, unit } = props;
  const [ref, { width }] = useMeasure();
  const [top, bottom] = [520, -wheelbase - 480];
  const scale = Math.min(HEIGHT / (top - bottom), width / 2 / (reach + 300));
  const px = ([ahead, left]: Place): [number, number] => [
    width / 2 - left * scale,
    (top - ahead) * scale + (HEIGHT - (top - bottom) * scale) / 2,
  ];
  const centresOf = (both: BothDrawn) =>
    SIDES.map((side) => {
      const { at, spindle } = both[side];
      const left = turnCentre(side, at.wheelCentre, spindle, wheelbase);
      return { side, at: left === null ? null : ([-wheelbase, left] satisfies Place) };
    });
  const centres = centresOf(front);
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
      {ghost &&
        turns &&
        centresOf(ghost).map(
          ({ side, at }) =>
            at && (
              <path
                key={side}
                d={line(px(inCar(side, ghost[side].at.wheelCentre)), px(at))}
                stroke={SLATE.chalk}
                strokeOpacity={0.6}
                strokeDasharray="2 4"
                data-ghost-centre={side}
              />
            ),
        )}
      <Labels placed={placeLabels(labels, width, HEIGHT)} />
      <text x={12} y={18} fill={SLATE.soft} fontSize={13}>
        {turns ? `Turn centres from the middle: ${said.join(', ')}` : 'Straight ahead'}
      </text>
    </Slate>
  );
});
