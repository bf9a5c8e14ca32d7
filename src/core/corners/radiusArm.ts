import { between, chassis, cornerType, fromCentre, link, wheelCentre } from './table';

const lower = link('lower', 'lower link');
const upper = link('upper', 'upper link');

/** A radius arm solid with the upright, on a ball at the chassis, and two lateral links. */
export const radiusArm = cornerType({
  kind: 'radius-arm',
  label: 'Radius arm and links',
  use: 'Rear wheels held fore and aft by one arm; the upper link may be the half-shaft.',
  special:
    'Moving the radius arm’s mount in or out turns the toe: plates and reinforcement under it count.',
  points: {
    radiusInner: chassis('radius arm mount'),
    ...lower.points,
    ...upper.points,
    wheelCentre,
  },
  members: [
    { from: 'radiusInner', to: 'lowerOuter', role: 'arm', name: 'radius arm', diameter: 32 },
    lower.member,
    upper.member,
    between('lowerOuter', 'upperOuter', 34),
  ],
  pivots: [],
  steersAbout: null,
  tieRod: null,
  joints: [
    { at: 'radiusInner', type: 'rodEnd', swings: 'upright' },
    ...lower.joints,
    ...upper.joints,
  ],
  conditions: [
    { holds: 'ball', at: 'radiusInner', member: 'radius arm' },
    lower.condition,
    upper.condition,
  ],
  towardsInstant: ['lowerOuter', 'upperOuter'],
  station: { name: 'Links', question: 'Where do the links and the radius arm’s mount go?' },
  blank: ({ centre }) =>
    fromCentre(centre, {
      radiusInner: [620, -300, -40],
      lowerInner: [10, -460, -112],
      lowerOuter: [0, -75, -112],
      upperInner: [0, -460, -22],
      upperOuter: [0, -130, 0],
      wheelCentre: [0, 0, 0],
    }),
});
