'use client';

import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import type { Wheel } from '@/core/kinematics/wheel';
import { lengthIn } from '@/core/model/units';
import { dropArmSizes } from '@/core/steering/dropArm';
import { handOf, handwheelOf } from '@/core/steering/hand';
import { FiguresTable } from '../../fields/FiguresTable';
import { VERDICT } from '../../theme';
import { Section } from '../brief/parts';
import type { PartProps } from './parts';
import { TwoColumns } from './TwoColumns';

/** The drop arm: does it steer the right way, and how is it made? */
export function DropArmPart({ build, unit, wheel }: PartProps & { wheel: Wheel }) {
  const { wheelbase, front } = build;
  const { solved } = wheel;
  const hand = useMemo(
    () => (solved.ok ? handOf(solved.axle, wheelbase, handwheelOf(front).way) : null),
    [solved, wheelbase, front],
  );
  const made = dropArmSizes(front);
  if (!made) return null;
  const mm = (value: number) => lengthIn(value, unit, 1);
  const rows: [string, string][] = [
    [
      'shaft to hole, square to the shaft',
      made.long.every((one) => Math.abs(one.mm - made.long[0].mm) < 0.05)
        ? mm(made.long[0].mm)
        : made.long.map((one) => `${mm(one.mm)} ${one.side}`).join(', '),
    ],
    ...(made.apart === null || made.between === null
      ? []
      : ([
          ['hole to hole, centre to centre', mm(made.apart)],
          ['angle between the two holes at the shaft', `${made.between.toFixed(1)}°`],
        ] as [string, string][])),
    ['shaft from level', `${made.rise.toFixed(1)}°`],
    ['hole up the shaft from its lower point', mm(made.up)],
  ];
  return (
    <TwoColumns>
      <Section title="Hands left, wheels left?">
        {hand === null ? (
          <Typography variant="body2">The wheels do not steer about straight ahead.</Typography>
        ) : hand.wheelLeft ? (
          <Typography
            variant="body2"
            data-hand="true"
            sx={{ color: VERDICT.good, fontWeight: 600 }}
          >
            ✓ Turn the handwheel left: the wheels go left.
          </Typography>
        ) : (
          <>
            <Typography
              role="alert"
              variant="body2"
              data-hand="false"
              sx={{ color: VERDICT.bad, fontWeight: 700, fontSize: 16 }}
            >
              ✕ Turn the handwheel left: the wheels go right.
            </Typography>
            <Typography variant="body2" sx={{ my: 0.5 }}>
              The arm belongs on the other side of its shaft (up instead of down), or the steering
              arms on the other side of the kingpins; Ackermann is then to be found again.
            </Typography>
          </>
        )}
        <Typography variant="caption" component="p" color="text.secondary">
          By the arm on the column’s own shaft, seen from its upper point: a joint or gear between
          handwheel and arm that turns it round turns the answer round. Try it with the wheels off
          the ground before it is driven.
        </Typography>
      </Section>
      <Section title="The drop arm as it is made">
        <FiguresTable label="Drop arm" heading="straight ahead" rows={rows} />
        <Typography variant="caption" component="p" color="text.secondary">
          {made.apart === null
            ? 'Another hole is entered as a hole of the drag link’s joint (“freedoms” at the drag link): each is then tried by “find”.'
            : 'A second pair of holes is entered as holes of the tie rods’ inner joints (“freedoms” at the tie rods): each is then tried by “find Ackermann”.'}
        </Typography>
      </Section>
    </TwoColumns>
  );
}
