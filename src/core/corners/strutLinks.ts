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

/** A strut held by two links of their own and a toe link. */
export const strutLinks = cornerType({
  kind: 'strut-links',
  label: 'Strut on links',
  use: 'Rear struts: a camber link, a radius rod and a toe link, each set by itself.',
  points: {
    strutTop: chassis('strut top'),
    strutLower: upright('strut axis, lower point'),
    linkAInner: chassis('camber link inner joint'),
    linkAOuter: upright('camber link outer joint'),
    linkBInner: chassis('radius rod inner joint'),
    linkBOuter: upright('radius rod outer joint'),
    ...rodPoints,
    wheelCentre,
  },
  members: [
    { from: 'strutTop', to: 'strutLower', role: 'strut' },
    { from: 'linkAInner', to: 'linkAOuter', role: 'link' },
    { from: 'linkBInner', to: 'linkBOuter', role: 'link' },
    { from: 'linkAOuter', to: 'strutLower', role: 'upright' },
    { from: 'linkBOuter', to: 'strutLower', role: 'upright' },
    rodMember,
  ],
  pivots: [],
  steersAbout: null,
  tieRod: rod,
  conditions: [
    link('linkAOuter', 'linkAInner', 'camber link'),
    link('linkBOuter', 'linkBInner', 'radius rod'),
    { holds: 'line', upright: ['strutLower', 'strutTop'], chassis: 'strutTop', member: 'strut' },
    rodLength,
  ],
});
