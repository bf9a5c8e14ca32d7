import { between, cornerType, fromCentre, rod, upright, wheelCentre } from './table';

/** A stub axle on a kingpin that the frame holds: a wheel that steers and has no travel. */
export const kingpin = cornerType({
  kind: 'kingpin',
  label: 'Kingpin in the frame',
  use: 'Karts: a stub axle on a kingpin that stands in bosses of the frame; no travel.',
  special: 'What it leans by lifts one side of the frame and lowers the other as it steers.',
  noTravel: true,
  steeredBy: ['dropArm', 'rack'],
  points: {
    kingpinLower: upright('kingpin, lower end'),
    kingpinUpper: upright('kingpin, upper end'),
    ...rod.points,
    wheelCentre,
  },
  members: [
    between('kingpinLower', 'kingpinUpper', 20),
    between('kingpinLower', 'tieRodOuter', 14),
    { ...rod.member, diameter: 12 },
  ],
  pivots: [],
  steersAbout: ['kingpinLower', 'kingpinUpper'],
  tieRod: rod.ends,
  joints: rod.joints,
  conditions: [
    { holds: 'hinge', about: ['kingpinLower', 'kingpinUpper'], member: 'kingpin' },
    rod.length,
  ],
  towardsInstant: [],
  station: {
    name: 'Kingpin',
    question: 'How do the kingpins stand, and how wide is it over the tyres?',
  },
  start: { wheelbase: 1050, out: 500, radius: 135, width: 120 },
  blank: ({ centre, end }) => {
    const behind = end === 'front' ? -1 : 1;
    // 11° of inclination and 14° of caster.
    return fromCentre(centre, {
      kingpinLower: [8, -88, -32],
      kingpinUpper: [-8, -100.4, 32],
      tieRodInner: [behind * 100, 22 - centre[1], -26],
      tieRodOuter: [behind * 94, -106, -20],
      wheelCentre: [0, 0, 0],
    });
  },
  // The arm hangs 50 mm down from a column that rises at 41°.
  blankShaft: ([ahead, , up]) => ({
    lower: [ahead - 48, 0, up - 5],
    upper: [ahead - 329, 0, up + 242],
  }),
});
