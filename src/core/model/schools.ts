import type { Build } from './build';
import type { Rule, TargetName, Targets } from './brief';

type Use = Build['use'];

/** Why a use starts with a target: common practice, from memory. */
export const TARGET_REASONS: Record<TargetName, (use: Use) => string> = {
  bumpSteer: (use) =>
    use === 'trail'
      ? 'Slow going on loose ground forgives 1 to 2°; long travel makes less dear.'
      : 'A quarter of a degree either way is not felt, half is accepted, past one the car darts.',
  camberGain: (use) =>
    ({
      drift: 'At large slip and lock the tyre should stay flat: little gain.',
      trail: 'Top out in bump keeps the tyre off the fender; the ground is never flat anyway.',
      kart: 'There is no suspension to gain from.',
      road: 'About a degree an inch keeps the outer tyre upright in roll without scrubbing in bump.',
      track: 'About a degree an inch: the body rolls and the outer tyre should not lean out.',
      hillclimb: 'About a degree an inch: short, bumpy and rolling.',
      free: 'About a degree an inch is where most cars start.',
    })[use],
  ackermann: (use) =>
    ({
      drift: 'Both wheels at much the same angle at large lock.',
      track: 'Fast corners load the outer tyre, which wants more slip angle than true gives.',
      kart: 'A live axle needs the inner wheel turned hard to lift it.',
      hillclimb: 'Hairpins are slow: near true helps the nose in.',
      trail: 'Slow and tight: near true saves tyres and effort.',
      road: 'Parking and town want near true; it costs nothing on the open road.',
      free: 'Near true for slow corners, less for fast ones.',
    })[use],
  caster: (use) =>
    use === 'road' || use === 'trail' || use === 'free'
      ? 'Enough to come straight again, not so much that it is heavy to park.'
      : 'More caster leans the outer wheel in with lock, where it is wanted.',
  kpi: (use) =>
    use === 'kart'
      ? 'Karts lean theirs 10 to 14°: with caster it lifts the inner rear wheel.'
      : 'Car uprights lie between 8 and 14°: enough to bring the scrub radius down.',
  ratio: (use) =>
    ({
      road: 'Road cars lie near 15 to 1.',
      trail: 'Slow and strong: tyres that kick back want leverage.',
      track: 'Track cars lie near 8 to 1: hands stay where they are.',
      hillclimb: 'Quick road cars lie near 11 to 1, single-seaters quicker.',
      drift: 'Quick enough to catch it, near 11 to 1.',
      kart: 'Karts steer almost one to one.',
      free: 'Near 15 to 1 for the road, 8 to 1 for the track.',
    })[use],
  lock: (use) =>
    use === 'drift' ? 'Large slip angles need the lock.' : 'What the corners and the yard ask for.',
};

export interface School {
  name: string;
  /** What they do, and why: two lines. */
  does: string;
  why: string;
  sets: Partial<Targets> | { rule: Rule };
}

export interface Dispute {
  question: string;
  schools: School[];
}

/** Where good builders disagree; each school is somebody's good practice (from memory). */
export const DISPUTES: Dispute[] = [
  {
    question: 'Where does the tie rod start from?',
    schools: [
      {
        name: 'Lines',
        does: 'Inner joint on the line through the inner pivots, outer on the line of the ball joints, rod aimed at the instant centre.',
        why: 'Quick with two strings; close where the arms’ axes lie square to the car.',
        sets: { rule: 'lines' },
      },
      {
        name: 'Equal and parallel',
        does: 'Tie rod as long as the lower arm, level with it and parallel to it.',
        why: 'Needs no centre; good where the arms are near parallel themselves.',
        sets: { rule: 'parallel' },
      },
      {
        name: 'Cycle and shim',
        does: 'Build it near, pull the springs, cycle the wheel and add washers until the pointer stands still.',
        why: 'Measures the car as it was built, errors included; slow, and a spacer can grow too long.',
        sets: { rule: 'shim' },
      },
    ],
  },
  {
    question: 'How much Ackermann?',
    schools: [
      {
        name: 'True',
        does: 'Both front wheels turn about one point on the rear axle line.',
        why: 'No scrub in slow corners; least effort and tyre wear.',
        sets: { ackermann: [80, 110] },
      },
      {
        name: 'Part of it',
        does: 'Between parallel and true, by how tight the corners are.',
        why: 'Slip angles differ left to right in fast corners, so true is too much there.',
        sets: { ackermann: [30, 70] },
      },
      {
        name: 'Parallel or less',
        does: 'The outer wheel turns as much as the inner, or more.',
        why: 'The loaded tyre peaks at a larger slip angle; bad in the paddock.',
        sets: { ackermann: [-40, 20] },
      },
    ],
  },
  {
    question: 'Camber in bump?',
    schools: [
      {
        name: 'A degree an inch',
        does: 'Upper arm shorter and rising to its joint: about −1° per 25 mm.',
        why: 'The outer tyre stays upright when the body rolls.',
        sets: { camberGain: [-1.2, -0.7] },
      },
      {
        name: 'Near none',
        does: 'Arms near equal and parallel.',
        why: 'The tyre stays flat under braking and power; roll is held by springs and bars.',
        sets: { camberGain: [-0.3, 0.1] },
      },
      {
        name: 'Top out',
        does: 'Upper arm falling to its joint: positive camber in bump.',
        why: 'Fender room on long travel; on loose ground the loss is small.',
        sets: { camberGain: [0, 0.8] },
      },
    ],
  },
  {
    question: 'What brings the scrub radius down?',
    schools: [
      {
        name: 'Lean the kingpin',
        does: 'KPI 10 to 14° until the axis meets the ground near the tyre’s middle.',
        why: 'Takes any wheel; but camber falls off with lock, and the steering lifts the car.',
        sets: { kpi: [10, 14] },
      },
      {
        name: 'Deep rim, upright kingpin',
        does: 'Joints far inside the rim, KPI under 10°, caster for the camber at lock.',
        why: 'Camber with lock goes the right way; needs a big rim and small brakes.',
        sets: { kpi: [4, 10], caster: [5, 9] },
      },
    ],
  },
];
