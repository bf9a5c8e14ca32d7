import { between, cornerType, fromCentre, link, rod, wheelCentre } from './table';

const [a, b, c, d] = [
  link('linkA', 'link A'),
  link('linkB', 'link B'),
  link('linkC', 'link C'),
  link('linkD', 'link D'),
];

/** Four links and the rod; ends may meet in one place, as in a wishbone above two split links. */
export const fiveLink = cornerType({
  kind: 'five-link',
  label: 'Five links',
  use: 'Split arms: the kingpin is where no joint stands.',
  special: 'The axis it steers about is the upright’s own, and moves with travel and lock.',
  points: { ...a.points, ...b.points, ...c.points, ...d.points, ...rod.points, wheelCentre },
  members: [
    a.member,
    b.member,
    c.member,
    d.member,
    between('linkAOuter', 'linkCOuter'),
    between('linkBOuter', 'linkDOuter'),
    between('linkBOuter', 'tieRodOuter'),
    rod.member,
  ],
  pivots: [],
  steersAbout: 'screw',
  tieRod: rod.ends,
  joints: [...a.joints, ...b.joints, ...c.joints, ...d.joints, ...rod.joints],
  conditions: [a.condition, b.condition, c.condition, d.condition, rod.length],
  towardsInstant: ['linkAOuter', 'linkCOuter'],
  station: { name: 'Links', question: 'Where do the links go?' },
  blank: ({ centre, end }) => {
    const behind = end === 'front' ? -1 : 1;
    return fromCentre(centre, {
      linkAInner: [60, -430, -115],
      linkAOuter: [25, -55, -115],
      linkBInner: [-260, -400, -110],
      linkBOuter: [-5, -70, -115],
      linkCInner: [90, -330, 140],
      linkCOuter: [0, -120, 160],
      linkDInner: [-170, -330, 135],
      linkDOuter: [-20, -118, 160],
      tieRodInner: [behind * 140, -378, -66],
      tieRodOuter: [behind * 130, -70, -60],
      wheelCentre: [0, 0, 0],
    });
  },
});
