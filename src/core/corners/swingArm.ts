import {
  chassis,
  cornerType,
  link,
  rod,
  rodLength,
  rodMember,
  rodPoints,
  upright,
  wheelCentre,
} from './table';

/** One arm on two pivots carries the kingpin, about which the upright turns. */
export const swingArm = cornerType({
  kind: 'swing-arm',
  label: 'Single swinging arm',
  use: 'The simplest that steers: camber changes one for one with the arm’s angle.',
  points: {
    armFrontInner: chassis('arm front pivot'),
    armRearInner: chassis('arm rear pivot'),
    kingpinLower: upright('kingpin, lower end'),
    kingpinUpper: upright('kingpin, upper end'),
    ...rodPoints,
    wheelCentre,
  },
  members: [
    { from: 'armFrontInner', to: 'kingpinLower', role: 'arm' },
    { from: 'armRearInner', to: 'kingpinLower', role: 'arm' },
    { from: 'kingpinLower', to: 'kingpinUpper', role: 'upright' },
    { from: 'kingpinLower', to: 'tieRodOuter', role: 'upright' },
    rodMember,
  ],
  pivots: [['armFrontInner', 'armRearInner']],
  steersAbout: ['kingpinLower', 'kingpinUpper'],
  tieRod: rod,
  // Both ends of the kingpin swing with the arm: each keeps its distance to both pivots.
  conditions: [
    link('kingpinLower', 'armFrontInner', 'arm'),
    link('kingpinLower', 'armRearInner', 'arm'),
    link('kingpinUpper', 'armFrontInner', 'arm'),
    link('kingpinUpper', 'armRearInner', 'arm'),
    rodLength,
  ],
});
