import { chassis, cornerType, link, upright, wheelCentre } from './table';

/** A radius arm solid with the upright, on a ball at the chassis, and two lateral links. */
export const radiusArm = cornerType({
  kind: 'radius-arm',
  label: 'Radius arm and links',
  use: 'Rear wheels held fore and aft by one arm; the upper link may be the half-shaft.',
  points: {
    radiusInner: chassis('radius arm mount'),
    lowerInner: chassis('lower link inner joint'),
    lowerOuter: upright('lower link outer joint'),
    upperInner: chassis('upper link inner joint'),
    upperOuter: upright('upper link outer joint'),
    wheelCentre,
  },
  members: [
    { from: 'radiusInner', to: 'lowerOuter', role: 'arm' },
    { from: 'lowerInner', to: 'lowerOuter', role: 'link' },
    { from: 'upperInner', to: 'upperOuter', role: 'link' },
    { from: 'lowerOuter', to: 'upperOuter', role: 'upright' },
  ],
  pivots: [],
  steersAbout: null,
  tieRod: null,
  conditions: [
    { holds: 'ball', at: 'radiusInner', member: 'radius arm' },
    link('lowerOuter', 'lowerInner', 'lower link'),
    link('upperOuter', 'upperInner', 'upper link'),
  ],
});
