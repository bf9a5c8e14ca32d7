import {
  between,
  chassis,
  cornerType,
  fromCentre,
  length,
  rod,
  upright,
  wheelCentre,
} from './table';

/** One arm on two pivots carries the kingpin, about which the upright turns. */
export const swingArm = cornerType({
  kind: 'swing-arm',
  label: 'Single swinging arm',
  use: 'The simplest that steers: one arm, one kingpin, two rod ends at the frame.',
  special:
    'Camber changes one for one with the arm’s angle; the two rod ends at its inner end trade caster against camber.',
  points: {
    armFrontInner: chassis('arm front pivot'),
    armRearInner: chassis('arm rear pivot'),
    kingpinLower: upright('kingpin, lower end'),
    kingpinUpper: upright('kingpin, upper end'),
    ...rod.points,
    wheelCentre,
  },
  members: [
    {
      from: 'armFrontInner',
      to: 'kingpinLower',
      role: 'arm',
      name: 'arm, front tube',
      diameter: 28,
    },
    { from: 'armRearInner', to: 'kingpinLower', role: 'arm', name: 'arm, rear tube', diameter: 28 },
    between('kingpinLower', 'kingpinUpper', 34),
    between('kingpinLower', 'tieRodOuter'),
    rod.member,
  ],
  pivots: [
    {
      label: 'arm pivot axis',
      arm: 'arm',
      body: 'arm',
      through: ['armFrontInner', 'armRearInner'],
      carries: 'kingpinLower',
    },
  ],
  steersAbout: ['kingpinLower', 'kingpinUpper'],
  tieRod: rod.ends,
  // The kingpin is solid with the arm and only turns in it: nothing of it articulates.
  joints: rod.joints,
  // Both ends of the kingpin swing with the arm: each keeps its distance to both pivots.
  conditions: [
    length('kingpinLower', 'armFrontInner', 'arm'),
    length('kingpinLower', 'armRearInner', 'arm'),
    length('kingpinUpper', 'armFrontInner', 'arm'),
    length('kingpinUpper', 'armRearInner', 'arm'),
    rod.length,
  ],
  towardsInstant: ['kingpinLower'],
  station: { name: 'Arm', question: 'Where do the arm’s pivots go?' },
  blank: ({ centre, end }) => {
    const behind = end === 'front' ? -1 : 1;
    return fromCentre(centre, {
      armFrontInner: [190, -480, -25],
      armRearInner: [-210, -480, -25],
      kingpinLower: [6, -70, -95],
      kingpinUpper: [-6, -95, 85],
      tieRodInner: [behind * 110, -480, -25],
      tieRodOuter: [behind * 100, -95, -20],
      wheelCentre: [0, 0, 0],
    });
  },
});
