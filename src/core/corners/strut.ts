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

/** A lower arm, and a strut solid with the upright that slides through its top on the chassis. */
export const strut = cornerType({
  kind: 'strut',
  label: 'Strut',
  use: 'Few parts and a high mount; camber gain falls as the strut is compressed.',
  points: {
    lowerFrontInner: chassis('lower arm front pivot'),
    lowerRearInner: chassis('lower arm rear pivot'),
    lowerOuter: upright('lower ball joint'),
    strutTop: chassis('strut top'),
    strutLower: upright('strut axis, lower point'),
    ...rodPoints,
    wheelCentre,
  },
  members: [
    { from: 'lowerFrontInner', to: 'lowerOuter', role: 'arm' },
    { from: 'lowerRearInner', to: 'lowerOuter', role: 'arm' },
    { from: 'strutTop', to: 'strutLower', role: 'strut' },
    { from: 'lowerOuter', to: 'strutLower', role: 'upright' },
    { from: 'lowerOuter', to: 'tieRodOuter', role: 'upright' },
    rodMember,
  ],
  pivots: [['lowerFrontInner', 'lowerRearInner']],
  // The top stands still while the upright moves along it: the axis moves in the upright.
  steersAbout: ['lowerOuter', 'strutTop'],
  tieRod: rod,
  conditions: [
    link('lowerOuter', 'lowerFrontInner', 'lower arm'),
    link('lowerOuter', 'lowerRearInner', 'lower arm'),
    { holds: 'line', upright: ['strutLower', 'strutTop'], chassis: 'strutTop', member: 'strut' },
    rodLength,
  ],
});
