import { between, cornerType, fromCentre, rod, strutRows, wheelCentre, wishbone } from './table';

const lower = wishbone('lower', 25);

/** A lower arm, and a strut solid with the upright that slides through its top on the chassis. */
export const strut = cornerType({
  kind: 'strut',
  label: 'Strut',
  use: 'Few parts and a high mount; takes little room beside the engine.',
  special:
    'Camber gain falls as the strut is compressed, for its lower arm rises past square to it.',
  points: { ...lower.points, ...strutRows.points, ...rod.points, wheelCentre },
  members: [
    ...lower.members,
    strutRows.member,
    between('lowerOuter', 'strutLower', 34),
    between('lowerOuter', 'tieRodOuter'),
    rod.member,
  ],
  pivots: [lower.pivots],
  // The top stands still while the upright moves along it: the axis moves in the upright.
  steersAbout: ['lowerOuter', 'strutTop'],
  tieRod: rod.ends,
  joints: [
    {
      at: 'lowerOuter',
      type: 'ball',
      stud: ['lowerOuter', 'strutLower'],
      arm: lower.pivots.through,
    },
    strutRows.joint,
    ...rod.joints,
  ],
  conditions: [...lower.conditions, strutRows.line, rod.length],
  towardsInstant: ['lowerOuter', 'strutTop'],
  station: { name: 'Arm & strut', question: 'Where do the arm’s pivots and the strut’s top go?' },
  blank: ({ centre, end }) => {
    const behind = end === 'front' ? -1 : 1;
    return fromCentre(centre, {
      lowerFrontInner: [120, -400, -95],
      lowerRearInner: [-180, -400, -95],
      lowerOuter: [5, -50, -115],
      strutTop: [-45, -180, 545],
      strutLower: [-10, -132, 40],
      tieRodInner: [behind * 140, -445, -38],
      tieRodOuter: [behind * 135, -80, -55],
      wheelCentre: [0, 0, 0],
    });
  },
});
