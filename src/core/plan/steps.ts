import { nearSideOf } from '../corners/kinds';
import { wheelOf } from '../kinematics/wheel';
import type { Build } from '../model/build';
import { axleSteps } from './axleSteps';
import { carSteps, handSteps } from './carSteps';
import { MINUTES, said, step } from './step';
import type { Step } from './step';

/** Every step that a build's own kinds and parts ask for, in no order yet: own steps and later stages are not in it. */
export function ownSteps(build: Build): Step[] {
  const axles = (['front', 'rear'] as const).flatMap((axle) => {
    const design = build[axle];
    const wheel = design && wheelOf(build, axle, nearSideOf(design));
    return wheel ? [wheel] : [];
  });
  const travels = axles.some((wheel) => wheel.travels);
  const steered = axles.find((wheel) => wheel.steered);
  const steps = axles.flatMap((wheel) => axleSteps(wheel, steered === wheel));
  return [
    ...carSteps(build, travels),
    ...(steered ? handSteps(steered) : []),
    ...steps,
    step('inspect', {
      ...{ kind: 'inspect', title: 'Looked at by whoever licenses it', minutes: MINUTES.inspect },
      does: 'Sheets, checks and photos go along. Ask before the first metal is cut what they want to see: some look at welds before paint.',
      fixes: 'Whether it may be driven, and where.',
      after: axles.map(({ axle }) => `${axle}/setup`),
      gates: [
        said('inspected', 'Whoever licenses it there has looked at it and written what they found'),
      ],
      cautions: ['steering'],
    }),
  ];
}
