import { between, cornerType, fromCentre, rod, wheelCentre, wishbone } from './table';

const lower = wishbone('lower', 25);
const upper = wishbone('upper', 22);

/** Two wishbones, each on two pivots of the chassis and one ball joint of the upright. */
export const doubleWishbone = cornerType({
  kind: 'double-wishbone',
  label: 'Double wishbone',
  use: 'Camber and roll centre are free to choose; takes the most room and brackets.',
  points: { ...lower.points, ...upper.points, ...rod.points, wheelCentre },
  members: [
    ...lower.members,
    ...upper.members,
    between('lowerOuter', 'upperOuter', 34),
    between('lowerOuter', 'tieRodOuter'),
    rod.member,
  ],
  pivots: [lower.pivots, upper.pivots],
  steersAbout: ['lowerOuter', 'upperOuter'],
  tieRod: rod.ends,
  joints: [
    {
      at: 'lowerOuter',
      type: 'ball',
      stud: ['lowerOuter', 'upperOuter'],
      arm: lower.pivots.through,
    },
    {
      at: 'upperOuter',
      type: 'ball',
      stud: ['lowerOuter', 'upperOuter'],
      arm: upper.pivots.through,
    },
    ...rod.joints,
  ],
  conditions: [...lower.conditions, ...upper.conditions, rod.length],
  towardsInstant: ['lowerOuter', 'upperOuter'],
  station: { name: 'Arms', question: 'Where do the wishbone pivots go?' },
  /**
   * Arms near level, the upper two thirds of the lower and rising to its ball joint, 10° kingpin, 5° caster
   * at the front, the rod behind. Dimensions of no particular car.
   */
  blank: ({ centre, end }) =>
    end === 'front'
      ? fromCentre(centre, {
          lowerFrontInner: [140, -440, -110],
          lowerRearInner: [-140, -440, -110],
          lowerOuter: [8, -60, -115],
          upperFrontInner: [100, -360, 95],
          upperRearInner: [-130, -360, 95],
          upperOuter: [-13, -102, 123],
          tieRodInner: [-110, -400, -50],
          tieRodOuter: [-115, -80, -50],
          wheelCentre: [0, 0, 0],
        })
      : fromCentre(centre, {
          lowerFrontInner: [160, -440, -105],
          lowerRearInner: [-140, -440, -105],
          lowerOuter: [0, -60, -112],
          upperFrontInner: [120, -360, 95],
          upperRearInner: [-120, -360, 95],
          upperOuter: [0, -90, 118],
          tieRodInner: [-165, -425, -75],
          tieRodOuter: [-160, -62, -78],
          wheelCentre: [0, 0, 0],
        }),
});
