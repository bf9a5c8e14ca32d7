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

/** Two wishbones, each on two pivots of the chassis and one ball joint of the upright. */
export const doubleWishbone = cornerType({
  kind: 'double-wishbone',
  label: 'Double wishbone',
  use: 'Camber and roll centre are free to choose; takes the most room and brackets.',
  points: {
    lowerFrontInner: chassis('lower arm front pivot'),
    lowerRearInner: chassis('lower arm rear pivot'),
    lowerOuter: upright('lower ball joint'),
    upperFrontInner: chassis('upper arm front pivot'),
    upperRearInner: chassis('upper arm rear pivot'),
    upperOuter: upright('upper ball joint'),
    ...rodPoints,
    wheelCentre,
  },
  members: [
    { from: 'lowerFrontInner', to: 'lowerOuter', role: 'arm' },
    { from: 'lowerRearInner', to: 'lowerOuter', role: 'arm' },
    { from: 'upperFrontInner', to: 'upperOuter', role: 'arm' },
    { from: 'upperRearInner', to: 'upperOuter', role: 'arm' },
    { from: 'lowerOuter', to: 'upperOuter', role: 'upright' },
    { from: 'lowerOuter', to: 'tieRodOuter', role: 'upright' },
    rodMember,
  ],
  pivots: [
    ['lowerFrontInner', 'lowerRearInner'],
    ['upperFrontInner', 'upperRearInner'],
  ],
  steersAbout: ['lowerOuter', 'upperOuter'],
  tieRod: rod,
  conditions: [
    link('lowerOuter', 'lowerFrontInner', 'lower arm'),
    link('lowerOuter', 'lowerRearInner', 'lower arm'),
    link('upperOuter', 'upperFrontInner', 'upper arm'),
    link('upperOuter', 'upperRearInner', 'upper arm'),
    rodLength,
  ],
});
