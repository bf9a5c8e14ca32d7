'use client';

import type { Wheel } from '@/core/kinematics/wheel';
import { Section } from '../brief/parts';
import { DropArmPart } from './DropArmPart';
import { HandPanel } from './HandPanel';
import { MoveRack } from './MoveRack';
import { WhichRack } from './WhichRack';
import type { PartProps } from './parts';
import { TwoColumns } from './TwoColumns';

/** The rack: does it steer the right way, where does it lie, and which one is it? */
export function RackPart(props: PartProps & { wheel: Wheel }) {
  if (props.wheel.steersBy === 'drop arm') return <DropArmPart {...props} />;
  return (
    <TwoColumns wider="right">
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
    </TwoColumns>
  );
}
