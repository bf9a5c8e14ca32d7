import { between, chassis, cornerType, fromCentre, linkedKingpins, onBeam } from './table';

/** A rigid axle on two leaf springs, a kingpin at each end: one rod from arm to arm, a drag link from the drop arm. */
export const beam = cornerType({
  ...linkedKingpins,
  kind: 'beam',
  label: 'Beam axle on leaf springs',
  use: 'Small cars and specials: one rigid axle, a kingpin at each end, two leaf springs that also locate it.',
  special:
    'The tie rod from arm to arm holds toe; the drag link steers the whole car as the axle rises, rolls and winds up.',
  coupled: {
    ...linkedKingpins.coupled,
    spring: { pad: 'springPad', eye: 'springEye', shackle: 'springShackle' },
  },
  points: {
    ...linkedKingpins.points,
    springEye: chassis('spring, fixed eye'),
    springPad: onBeam('spring pad on the beam'),
    springShackle: chassis('spring, shackle end'),
  },
  members: [
    { from: 'springPad', to: 'kingpinLower', role: 'arm', name: 'beam', diameter: 45 },
    between('kingpinLower', 'kingpinUpper', 24),
    between('kingpinLower', 'tieRodOuter', 18),
    between('kingpinUpper', 'dragLinkOuter', 18),
    { from: 'dragLinkInner', to: 'dragLinkOuter', role: 'rod', name: 'drag link', diameter: 18 },
  ],
  station: {
    name: 'Axle & springs',
    question: 'How does the axle stand on its springs, and how do the kingpins stand in it?',
  },
  start: { wheelbase: 1900, out: 560, radius: 265, width: 135 },
  blank: ({ centre, end }) => {
    const behind = end === 'front' ? -1 : 1;
    // 9° of inclination and 6° of caster; springs fixed at the box's end, for the drag link to swing as they do.
    return fromCentre(centre, {
      kingpinLower: [6, -75, -55],
      kingpinUpper: [-6, -93, 58],
      springEye: [behind * 450, 320 - centre[1], 25],
      springPad: [0, 320 - centre[1], -15],
      springShackle: [behind * -450, 320 - centre[1], 30],
      tieRodOuter: [behind * 125, -108, -48],
      dragLinkInner: [behind * 355, -200, 72],
      dragLinkOuter: [behind * 20, -200, 42],
      wheelCentre: [0, 0, 0],
    });
  },
  // The box's shaft lies across the frame; its arm hangs 110 mm down to the drag link.
  blankShaft: ([ahead, out, up]) => ({
    lower: [ahead - 355, out - 200, up + 182],
    upper: [ahead - 355, out - 320, up + 182],
  }),
});
