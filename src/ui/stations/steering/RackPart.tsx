'use client';

import Box from '@mui/material/Box';
import type { Wheel } from '@/core/kinematics/wheel';
import { NARROW } from '../../theme';
import { Section } from '../brief/parts';
import { HandPanel } from './HandPanel';
import { MoveRack } from './MoveRack';
import { WhichRack } from './WhichRack';
import type { PartProps } from './parts';

/** The rack: does it steer the right way, where does it lie, and which one is it? */
export function RackPart(props: PartProps & { wheel: Wheel }) {
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1.2fr)',
        gap: 2,
        [NARROW]: { gridTemplateColumns: 'minmax(0, 1fr)' },
      }}
    >
      <div>
        <Section title="Hands left, wheels left?">
          <HandPanel {...props} />
        </Section>
        <Section title="Which rack?">
          <WhichRack {...props} />
        </Section>
      </div>
      <Section title="Moving the rack">
        <MoveRack {...props} />
      </Section>
    </Box>
  );
}
