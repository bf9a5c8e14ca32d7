import { z } from 'zod';
import { FITS, SUPPORT_KINDS, fitSchema } from './column';
import type { Fit } from './column';
import { memberBuildSchema } from './made';
import { group, label, listOf, measure, problem, remark, tolerance } from './wording';

/** Parts on the shelf: own records, used in any build. Lengths mm, angles degrees. */
export const PART_KINDS = [
  'upright',
  'rack',
  'innerRod',
  'rodEnd',
  'tyre',
  'tube',
  'columnJoint',
  'columnShaft',
  'quickRelease',
  'bearing',
  'collar',
  'coupler',
  'assistMotor',
  'damper',
  'spring',
  'bar',
  'plate',
  'kit',
] as const;
export type PartKind = (typeof PART_KINDS)[number];
/** Parts that are typed; a kit is kept from a build. */
export type TypedKind = Exclude<PartKind, 'kit'>;
export const TYPED_KINDS = PART_KINDS.filter((kind): kind is TypedKind => kind !== 'kit');

const common = { name: label(80), note: remark(400) };
const offset = measure('mm', -2000, 2000);

/** A joint off the hub's mounting face: inboard of it, above and ahead of the spindle's centre. */
export const benchPoint = group({ inboard: offset, above: offset, ahead: offset });
export type BenchPoint = z.infer<typeof benchPoint>;

const hand = z.enum(['left', 'right'], { error: problem });

/** Joints of an upright on the shelf: two on a kingpin and the steering arm's. It suits kinds that have them all. */
export const UPRIGHT_JOINTS = ['lowerOuter', 'upperOuter', 'tieRodOuter'] as const;

export const uprightPart = group({
  kind: z.literal('upright'),
  ...common,
  /** The side of the car it was made for; `ahead` is as it stands there. */
  hand,
  lowerOuter: benchPoint,
  upperOuter: benchPoint,
  tieRodOuter: benchPoint,
  tolerance: tolerance('mm', 100),
});

export const rackPart = group({
  kind: z.literal('rack'),
  ...common,
  /** Each way from centre. */
  travel: measure('mm', 1, 300),
  perTurn: measure('mm', 1, 500),
  /** Between the inner joints' centres. */
  between: measure('mm', 50, 2000),
  innerThread: remark(),
  pinion: z.enum(['left', 'right', 'centre'], { error: problem }),
  mounts: remark(),
  spline: remark(),
});

/** The rod that screws onto a rack's end: its ball's centre to the tip of its outer thread. */
export const innerRodPart = group({
  kind: z.literal('innerRod'),
  ...common,
  rackThread: remark(),
  outerThread: remark(),
  length: measure('mm', 40, 1000),
});

export const rodEndPart = group({
  kind: z.literal('rodEnd'),
  ...common,
  bore: measure('mm', 2, 60),
  thread: remark(),
  hand,
  /** Ball centre to the end of the shank. */
  body: measure('mm', 5, 400),
  /** Either way from square. */
  misalignment: measure('deg', 0, 90),
  /** Static radial load as the seller states it, kN. */
  load: measure('kN', 0, 2000),
});

export const tyrePart = group({
  kind: z.literal('tyre'),
  ...common,
  code: remark(30),
  diameter: measure('mm', 100, 2000),
  width: measure('mm', 20, 800),
  radius: measure('mm', 50, 1000),
});

/** Yield strength as the seller states it, N/mm², and who that is; nothing is reckoned with what nobody states. */
const stated = group({
  yield: measure('N/mm²', 20, 2500).optional(),
  source: remark(120).optional(),
});

export const tubePart = group({
  kind: z.literal('tube'),
  ...common,
  outside: measure('mm', 3, 300),
  wall: measure('mm', 0.3, 50),
  material: remark(),
  ...stated.shape,
});

/** One end of a part of the column: a spline by its teeth (0 where it has none), across and how deep, mm. */
const partFit = group({
  by: z.enum(FITS, { error: problem }),
  diameter: fitSchema.shape.diameter,
  teeth: z.int({ error: problem }).min(0, 'is below 0').max(120, 'is over 120'),
  depth: measure('mm', 0, 200),
});
export type PartFit = z.infer<typeof partFit>;

/** A universal joint: what it sweeps, from its middle to either end, how far it bends. */
export const columnJointPart = group({
  kind: z.literal('columnJoint'),
  ...common,
  joint: z.enum(['single', 'double'], { error: problem }),
  outside: measure('mm', 10, 300),
  length: measure('mm', 5, 300),
  limit: measure('deg', 1, 90),
  above: partFit,
  below: partFit,
});

/** A shaft with its own ends; how much of it is in itself and has to stay in, 0 where it does not telescope. */
export const columnShaftPart = group({
  kind: z.literal('columnShaft'),
  ...common,
  outside: measure('mm', 5, 80),
  wall: measure('mm', 0.5, 20),
  engaged: measure('mm', 0, 400),
  least: measure('mm', 0, 400),
  above: partFit,
  below: partFit,
});

/** A quick release with its boss: from the handwheel's middle to where the shaft begins. */
export const quickReleasePart = group({
  kind: z.literal('quickRelease'),
  ...common,
  length: measure('mm', 0, 400),
  fit: partFit,
});

export const bearingPart = group({
  kind: z.literal('bearing'),
  ...common,
  form: z.enum(SUPPORT_KINDS, { error: problem }),
  bore: measure('mm', 3, 80),
  width: measure('mm', 2, 80),
  ring: measure('mm', 2, 120),
});

export const collarPart = group({
  kind: z.literal('collar'),
  ...common,
  bore: measure('mm', 3, 80),
  outside: measure('mm', 5, 150),
  thick: measure('mm', 1, 60),
});

/** What joins two ends that do not fit each other, in line. */
export const couplerPart = group({
  kind: z.literal('coupler'),
  ...common,
  length: measure('mm', 5, 300),
  above: partFit,
  below: partFit,
});

/** A motor that helps, with its own shaft; what holds its housing takes its torque, N·m. */
export const assistMotorPart = group({
  kind: z.literal('assistMotor'),
  ...common,
  length: measure('mm', 20, 600),
  outside: measure('mm', 20, 300),
  torque: measure('', 0, 200),
  above: partFit,
  below: partFit,
});

/** A damper, eye to eye; how far before closed its stop begins, 0 where it has none; its eyes; its perch's thread, 0 where it has none. */
export const damperPart = group({
  kind: z.literal('damper'),
  ...common,
  closed: measure('mm', 20, 2000),
  open: measure('mm', 25, 2500),
  outside: measure('mm', 10, 300),
  stop: measure('mm', 0, 200),
  eyeWidth: measure('mm', 0, 120),
  eyeBore: measure('mm', 3, 40),
  /** Either way, degrees. */
  eye: measure('deg', 0, 90),
  pitch: measure('mm', 0, 10),
});

export const springPart = group({
  kind: z.literal('spring'),
  ...common,
  rate: measure('N/mm', 0.5, 2000),
  free: measure('mm', 20, 1500),
  bind: measure('mm', 5, 1200),
  inside: measure('mm', 5, 390),
  outside: measure('mm', 10, 400),
});

/** A bar that is twisted: a wall of 0 is solid. */
export const barPart = group({
  kind: z.literal('bar'),
  ...common,
  outside: measure('mm', 3, 120),
  wall: measure('mm', 0, 40),
  length: measure('mm', 20, 4000),
});

export const platePart = group({
  kind: z.literal('plate'),
  ...common,
  thick: measure('mm', 0.3, 100),
  material: remark(),
  ...stated.shape,
});

const leanOf = measure('deg', 0, 90).nullable();

/** What an axle's parts are made of, with what each is cut to, to be used in another build. */
export const kitPart = group({
  kind: z.literal('kit'),
  ...common,
  /** The kind of corner it was made for. */
  of: remark(),
  members: listOf(
    group({
      id: z.string({ error: problem }).min(1, 'is empty').max(80, 'is too long'),
      name: label(80),
      made: memberBuildSchema,
      cut: measure('mm', -1000, 5000),
      /** How its copes lie: off square at either end, turned round from one to the other; null where they are none. */
      leans: z.tuple([leanOf, leanOf], { error: problem }),
      twist: measure('deg', -180, 180).nullable(),
      /** Where it is bent, along its middle from its cut ends. */
      bent: group({
        degrees: measure('deg', 0, 180),
        before: measure('mm', -5000, 5000),
        after: measure('mm', -5000, 5000),
      }).optional(),
    }),
    40,
    'parts',
  ).min(1, 'are none'),
});
export type Kit = z.infer<typeof kitPart>;

/** The same as the column has it. */
export const fitOf = ({ teeth, ...fit }: PartFit): Fit => ({ ...fit, ...(teeth > 0 && { teeth }) });

export const partSchema = z.discriminatedUnion('kind', [
  uprightPart,
  rackPart,
  innerRodPart,
  rodEndPart,
  tyrePart,
  tubePart,
  columnJointPart,
  columnShaftPart,
  quickReleasePart,
  bearingPart,
  collarPart,
  couplerPart,
  assistMotorPart,
  damperPart,
  springPart,
  barPart,
  platePart,
  kitPart,
]);
export type Part = z.infer<typeof partSchema>;
export type UprightPart = z.infer<typeof uprightPart>;
export type RackPart = z.infer<typeof rackPart>;
export type InnerRodPart = z.infer<typeof innerRodPart>;
export type DamperPart = z.infer<typeof damperPart>;
export type SpringPart = z.infer<typeof springPart>;
export type TyrePart = z.infer<typeof tyrePart>;
