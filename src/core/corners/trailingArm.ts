import { chassis, cornerType, fromCentre, wheelCentre } from './table';

/** Upright and arm are one body that swings about the line of its pivots. */
export const trailingArm = cornerType({
  kind: 'trailing-arm',
  label: 'Trailing arm',
  use: 'One welded arm ahead of the wheel, straight back or slanted.',
  special: 'The pivots’ line alone sets what camber and toe do in bump.',
  points: {
    armFrontInner: chassis('arm inner pivot'),
    armRearInner: chassis('arm outer pivot'),
    wheelCentre,
  },
  members: [
    {
      from: 'armFrontInner',
      to: 'wheelCentre',
      role: 'arm',
      name: 'arm, inner tube',
      diameter: 38,
    },
    { from: 'armRearInner', to: 'wheelCentre', role: 'arm', name: 'arm, outer tube', diameter: 38 },
  ],
  pivots: [
    {
      label: 'arm pivot axis',
      arm: 'arm',
      through: ['armFrontInner', 'armRearInner'],
      carries: null,
    },
  ],
  steersAbout: null,
  tieRod: null,
  joints: [],
  conditions: [{ holds: 'hinge', about: ['armFrontInner', 'armRearInner'], member: 'arm' }],
  towardsInstant: [],
  station: { name: 'Arm', question: 'Where does the arm’s pivot line go?' },
  blank: ({ centre }) =>
    fromCentre(centre, {
      armFrontInner: [400, -390, -10],
      armRearInner: [460, -110, -10],
      wheelCentre: [0, 0, 0],
    }),
});
