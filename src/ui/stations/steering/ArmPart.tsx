'use client';

import Typography from '@mui/material/Typography';
import type { Wheel } from '@/core/kinematics/wheel';
import { Section } from '../brief/parts';
import { Remedies } from './Remedies';
import { StringTable } from './StringTable';
import { WhichSide } from './WhichSide';
import type { PartProps } from './parts';
import { TwoColumns } from './TwoColumns';

/** On which side of the kingpin the arms' joints stand, what can be done, and how it is laid out with a string. */
export function ArmPart({ wheels, ...props }: PartProps & { wheels: readonly Wheel[] }) {
  const { build, unit } = props;
  const { wheelbase } = build;
  return (
    <TwoColumns>
      <Section title="Which side of the kingpin?">
        <WhichSide wheels={wheels} wheelbase={wheelbase} unit={unit} />
        {wheels.length === 1 ? (
          <Remedies {...props} wheel={wheels[0]} />
        ) : (
          <Typography variant="body2" sx={{ mt: 1 }}>
            The sides are not alike: what swapping, bending or turning round would give is reckoned
            for a pair of arms that mirror each other only.
          </Typography>
        )}
      </Section>
      <Section title="String sheet">
        <StringTable wheels={wheels} wheelbase={wheelbase} unit={unit} />
      </Section>
    </TwoColumns>
  );
}
