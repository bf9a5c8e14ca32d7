import { chassis, cornerType, wheelCentre } from './table';

/** Upright and arm are one body that swings about the line of its pivots. */
export const trailingArm = cornerType({
  kind: 'trailing-arm',
  label: 'Trailing arm',
  use: 'Rear wheels on one welded arm: the pivots’ line sets toe and camber in bump.',
  points: {
    armFrontInner: chassis('arm inner pivot'),
    armRearInner: chassis('arm outer pivot'),
    wheelCentre,
  },
  members: [
    { from: 'armFrontInner', to: 'wheelCentre', role: 'arm' },
    { from: 'armRearInner', to: 'wheelCentre', role: 'arm' },
  ],
  pivots: [['armFrontInner', 'armRearInner']],
  steersAbout: null,
  tieRod: null,
  conditions: [{ holds: 'hinge', about: ['armFrontInner', 'armRearInner'], member: 'arm' }],
});
