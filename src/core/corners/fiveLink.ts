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

/** Four links and the rod; ends may meet in one place, as in a wishbone above two split links. */
export const fiveLink = cornerType({
  kind: 'five-link',
  label: 'Five links',
  use: 'Split arms: the kingpin is where no joint stands, and moves as the wheel steers.',
  points: {
    linkAInner: chassis('link A inner joint'),
    linkAOuter: upright('link A outer joint'),
    linkBInner: chassis('link B inner joint'),
    linkBOuter: upright('link B outer joint'),
    linkCInner: chassis('link C inner joint'),
    linkCOuter: upright('link C outer joint'),
    linkDInner: chassis('link D inner joint'),
    linkDOuter: upright('link D outer joint'),
    ...rodPoints,
    wheelCentre,
  },
  members: [
    { from: 'linkAInner', to: 'linkAOuter', role: 'link' },
    { from: 'linkBInner', to: 'linkBOuter', role: 'link' },
    { from: 'linkCInner', to: 'linkCOuter', role: 'link' },
    { from: 'linkDInner', to: 'linkDOuter', role: 'link' },
    { from: 'linkAOuter', to: 'linkCOuter', role: 'upright' },
    { from: 'linkBOuter', to: 'linkDOuter', role: 'upright' },
    rodMember,
  ],
  pivots: [],
  steersAbout: 'screw',
  tieRod: rod,
  conditions: [
    link('linkAOuter', 'linkAInner', 'link A'),
    link('linkBOuter', 'linkBInner', 'link B'),
    link('linkCOuter', 'linkCInner', 'link C'),
    link('linkDOuter', 'linkDInner', 'link D'),
    rodLength,
  ],
});
