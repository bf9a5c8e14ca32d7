import { kingpin } from './kingpin';
import { between, cornerType, fromCentre, linkedKingpins } from './table';

/** Two stub axles on kingpins of the frame that one rod joins from arm to arm, one of them moved by a drag link. */
export const kingpinLinked = cornerType({
  ...linkedKingpins,
  kind: 'kingpin-linked',
  label: 'Kingpins in the frame, joined by one tie rod',
  use: 'Karts with one tie rod from arm to arm and a drag link from the drop arm to one of them; no travel.',
  special: 'One rod sets toe, the drag link turns both wheels.',
  noTravel: true,
  members: [
    between('kingpinLower', 'kingpinUpper', 20),
    between('kingpinLower', 'tieRodOuter', 14),
    between('kingpinUpper', 'dragLinkOuter', 14),
    { from: 'dragLinkInner', to: 'dragLinkOuter', role: 'rod', name: 'drag link', diameter: 12 },
  ],
  station: kingpin.station,
  start: kingpin.start!,
  blank: ({ centre, end }) => {
    const behind = end === 'front' ? -1 : 1;
    return fromCentre(centre, {
      kingpinLower: [8, -88, -32],
      kingpinUpper: [-8, -100.4, 32],
      tieRodOuter: [behind * 94, -118, -28],
      dragLinkInner: [behind * 66, 14 - centre[1], 24],
      dragLinkOuter: [behind * 62, -100, 30],
      wheelCentre: [0, 0, 0],
    });
  },
  // As where two tie rods ride on the arm: 50 mm long, on a column that rises at 41°.
  blankShaft: ([ahead, , up]) => ({
    lower: [ahead - 104, 0, up - 14],
    upper: [ahead - 385, 0, up + 233],
  }),
});
