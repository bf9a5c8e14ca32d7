import { z } from 'zod';
import { group, label, measure, problem, remark, tolerance } from './wording';

/** Parts on the shelf: own records, used in any build. Lengths mm, angles degrees. */
export const PART_KINDS = ['upright', 'rack', 'innerRod', 'rodEnd', 'tyre', 'tube'] as const;
export type PartKind = (typeof PART_KINDS)[number];

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

export const tubePart = group({
  kind: z.literal('tube'),
  ...common,
  outside: measure('mm', 3, 300),
  wall: measure('mm', 0.3, 50),
  material: remark(),
});

export const partSchema = z.discriminatedUnion('kind', [
  uprightPart,
  rackPart,
  innerRodPart,
  rodEndPart,
  tyrePart,
  tubePart,
]);
export type Part = z.infer<typeof partSchema>;
export type UprightPart = z.infer<typeof uprightPart>;
export type RackPart = z.infer<typeof rackPart>;
export type InnerRodPart = z.infer<typeof innerRodPart>;
export type TyrePart = z.infer<typeof tyrePart>;
