import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import type { ReactNode } from 'react';
import type { SteerUnit } from '@/core/kinematics/corner';
import type { Wheel } from '@/core/kinematics/wheel';
import { HALF_WAY } from '@/core/steering/steering';
import { lengthIn, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { ackermannAt } from '@/core/steering/ackermann';
import { armSide, ontoString } from '@/core/steering/armSide';
import { VERDICT } from '../../theme';

interface Props {
  /** The wheels whose joints are told of: one where both sides are alike. */
  wheels: readonly Wheel[];
  wheelbase: number;
  unit: LengthUnit;
}

/**
 * On which side of the kingpin the outer joints stand and belong, which is a rule of the arm; and which wheel turns
 * more, which is measured, rack and rod included.
 */
export function WhichSide({ wheels, wheelbase, unit }: Props) {
  const sides = useMemo(
    () => wheels.map((wheel) => placeOf(wheel, wheelbase)),
    [wheels, wheelbase],
  );
  const [wheel] = wheels;
  const ways = wheels.length > 1 ? [1, -1] : [1];
  const backwards = sides.some((side) => side?.place.backwards);
  return (
    <>
      {sides.map((side, i) => (
        <Joint key={i} side={side} of={wheels.length > 1 ? wheels[i].side : null} unit={unit} />
      ))}
      {ways.map((way) => (
        <Measured
          key={way}
          percent={percentOf(wheel, wheelbase, way)}
          where={`${HALF_WAY[wheel.steersBy]}${
            wheels.length > 1 ? `, the ${wheel.steersBy} to the ${way > 0 ? 'left' : 'right'},` : ''
          }`}
          by={wheel.steersBy}
          alone={!backwards}
        />
      ))}
    </>
  );
}

const percentOf = ({ solved, steerRange }: Wheel, wheelbase: number, way = 1): number | null =>
  solved.ok ? (ackermannAt(solved.axle, wheelbase, (way * steerRange) / 2)?.percent ?? null) : null;

/** Where a joint stands, and what the axle does with it moved onto the string. */
function placeOf(wheel: Wheel, wheelbase: number) {
  const place = armSide(wheel, wheelbase);
  const moved = place && ontoString(wheel, place);
  return place && moved && { place, onString: percentOf(moved, wheelbase), travels: wheel.travels };
}

function Joint({
  side,
  of,
  unit,
}: {
  side: ReturnType<typeof placeOf>;
  of: Wheel['side'] | null;
  unit: LengthUnit;
}) {
  if (!side)
    return (
      <Line>What this wheel steers about moves with it: it has no kingpin to be on a side of.</Line>
    );
  const { ahead, out, offString, belongs, backwards } = side.place;
  const length = (mm: number) => lengthIn(Math.abs(mm), unit, 1);
  return (
    <div data-backwards={backwards}>
      <Line alert={backwards} bad={backwards}>
        {of === null ? 'The' : `${of === 'left' ? 'Left' : 'Right'}: the`} outer joint is{' '}
        {length(ahead)} {ahead < 0 ? 'behind' : 'ahead of'} the kingpin: it belongs {belongs} of it
        {backwards ? '; yours is' : ', and stands'} {length(out)} {out < 0 ? 'inboard' : 'outboard'}
        .
      </Line>
      <Line>
        The string from the kingpin to the middle of the rear axle passes {length(offString)}{' '}
        {offString > 0 ? 'inboard' : 'outboard'} of the joint’s centre. A joint on it, the rod’s
        inner joint where it is, gives {percentText(side.onString)} by the true curve
        {side.travels && '; bump steer is then to be nulled again'}.
      </Line>
    </div>
  );
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Which wheel turns more half way to lock. */
function Measured({
  percent,
  where,
  by,
  alone,
}: {
  percent: number | null;
  /** How far the steering is, in words. */
  where: string;
  by: SteerUnit;
  /** Nothing else says so yet. */
  alone: boolean;
}) {
  if (percent === null) return null;
  const reverse = percent < 0;
  return (
    <Line alert={reverse && alone} bad={reverse}>
      {capital(where)} the {reverse ? 'outer' : 'inner'} wheel turns more than the{' '}
      {reverse ? 'inner' : 'outer'}: {percentText(percent)}
      {reverse && alone && `, though the arms are on their side: look at where the ${by} lies`}.
    </Line>
  );
}

const percentText = (value: number | null): string =>
  value === null ? 'nothing that can be told' : `${readable(value.toFixed(0))} %`;

const Line = ({
  alert = false,
  bad = false,
  children,
}: {
  alert?: boolean;
  bad?: boolean;
  children: ReactNode;
}) => (
  <Typography
    variant="body2"
    component="p"
    role={alert ? 'alert' : undefined}
    sx={{ m: 0, mb: 0.5, ...(bad && { color: VERDICT.bad, fontWeight: 600 }) }}
  >
    {bad && '✕ '}
    {children}
  </Typography>
);
