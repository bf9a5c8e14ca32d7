import { between, cornerType, fromCentre, link, rod, strutRows, wheelCentre } from './table';

const camberLink = link('linkA', 'camber link');
const radiusRod = link('linkB', 'radius rod');

/** A strut held by two links of their own and a toe link. */
export const strutLinks = cornerType({
  kind: 'strut-links',
  label: 'Strut on links',
  use: 'Rear struts: a camber link, a radius rod and a toe link, each set by itself.',
  special: 'The toe link nulls bump steer as a tie rod does; its inner joint is fixed.',
  points: {
    ...strutRows.points,
    ...camberLink.points,
    ...radiusRod.points,
    ...rod.points,
    wheelCentre,
  },
  members: [
    strutRows.member,
    camberLink.member,
    radiusRod.member,
    between('linkAOuter', 'strutLower', 34),
    between('linkBOuter', 'strutLower'),
    between('tieRodOuter', 'linkAOuter'),
    rod.member,
  ],
  pivots: [],
  steersAbout: null,
  tieRod: rod.ends,
  joints: [strutRows.joint, ...camberLink.joints, ...radiusRod.joints, ...rod.joints],
  conditions: [camberLink.condition, radiusRod.condition, strutRows.line, rod.length],
  towardsInstant: ['linkAOuter', 'strutTop'],
  station: { name: 'Links', question: 'Where do the links and the strut’s top go?' },
  blank: ({ centre }) =>
    fromCentre(centre, {
      strutTop: [5, -205, 500],
      strutLower: [0, -125, 15],
      linkAInner: [70, -440, -90],
      linkAOuter: [40, -75, -110],
      linkBInner: [520, -240, -60],
      linkBOuter: [30, -85, -95],
      tieRodInner: [-115, -478, -88],
      tieRodOuter: [-95, -80, -105],
      wheelCentre: [0, 0, 0],
    }),
});
