import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { typeOf } from '@/core/corners/kinds';
import type { Wheel } from '@/core/kinematics/wheel';
import { lengthIn, readable } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { ackermannAt } from '@/core/steering/ackermann';
import { armSide } from '@/core/steering/armSide';
import { VERDICT } from '../../theme';

/** On which side of the kingpin the outer joint stands and belongs, and what a joint on the string would give. */
export function WhichSide({
  wheel,
  named,
  wheelbase,
  unit,
}: {
  wheel: Wheel;
  /** The side is said, where the two differ. */
  named: boolean;
  wheelbase: number;
  unit: LengthUnit;
}) {
  const found = useMemo(() => {
    const side = armSide(wheel, wheelbase);
    if (!side) return null;
    const percentOf = ({ solved, rackTravel }: Wheel) =>
      solved.ok ? (ackermannAt(solved.axle, wheelbase, rackTravel / 2)?.percent ?? null) : null;
    const { outer } = typeOf(wheel.design).tieRod!;
    const joint = wheel.points[outer];
    // Across the car, as far as the string is off at that place.
    const onString = wheel.withPoints({
      [outer]: { ...joint, out: joint.out - side.offString / side.square },
    });
    return { side, now: percentOf(wheel), there: percentOf(onString) };
  }, [wheel, wheelbase]);
  if (!found)
    return (
      <Typography variant="body2" component="p" sx={{ m: 0 }}>
        What this wheel steers about moves with it: it has no kingpin to be on a side of.
      </Typography>
    );
  const { side, now, there } = found;
  const length = (mm: number) => lengthIn(Math.abs(mm), unit, 1);
  const percent = (value: number | null) =>
    value === null ? 'not to be told' : `${readable(value.toFixed(0))} %`;
  const where = side.ahead < 0 ? 'behind' : 'ahead of';
  const stands = side.out < 0 ? 'inboard' : 'outboard';
  return (
    <div data-backwards={side.backwards}>
      <Typography
        variant="body2"
        component="p"
        role={side.backwards ? 'alert' : undefined}
        sx={{ m: 0, mb: 0.5, ...(side.backwards && { color: VERDICT.bad, fontWeight: 600 }) }}
      >
        {side.backwards ? '✕ ' : ''}
        {named ? `${wheel.side === 'left' ? 'Left' : 'Right'}: the` : 'The'} outer joint is{' '}
        {length(side.ahead)} {where} the kingpin: it belongs {side.belongs} of it
        {side.backwards
          ? `; yours is ${length(side.out)} ${stands}: the outer wheel turns more than the inner, ${percent(now)} at half rack.`
          : `, and stands ${length(side.out)} ${stands}: ${percent(now)} at half rack.`}
      </Typography>
      <Typography variant="body2" component="p" sx={{ m: 0 }}>
        The string from the kingpin to the middle of the rear axle passes {length(side.offString)}{' '}
        {side.offString > 0 ? 'inboard' : 'outboard'} of the joint’s centre. A joint on it, the rack
        where it is, gives {percent(there)} by the true curve; bump steer is then to be nulled
        again.
      </Typography>
    </div>
  );
}
