import { z } from 'zod';
import { group, label, listOf, measure, problem, remark } from './wording';

export const PAPERS = ['A4', 'Letter'] as const;
export type Paper = (typeof PAPERS)[number];

/** Sheets that were taken to be cut by: which, of which variant, by which geometry. */
export const takenSchema = group({
  sheet: z.string({ error: problem }).min(1, 'is empty').max(200, 'is too long'),
  title: label(120),
  variant: z.string({ error: problem }).min(1, 'is empty').max(40, 'is too long'),
  code: z.string({ error: problem }).min(1, 'is empty').max(12, 'is too long'),
  on: z.iso.datetime({ error: 'is not a date and time' }),
});
export type Taken = z.infer<typeof takenSchema>;

export const PART_STATES = ['have', 'ordered', 'to buy', 'to make'] as const;
export type PartState = (typeof PART_STATES)[number];

/** What is noted of a line of the parts list; of a line of one's own also what it is. */
export const partRecordSchema = group({
  key: z.string({ error: problem }).min(1, 'is empty').max(200, 'is too long'),
  state: z.enum(PART_STATES, { error: problem }).optional(),
  source: remark(120).optional(),
  /** Each. */
  price: measure('', 0, 1_000_000).optional(),
  currency: z
    .string({ error: problem })
    .regex(/^[A-Z]{3}$/u, 'is no currency: three capitals, as EUR')
    .optional(),
  /** In which stage of the build it is needed. */
  stage: z.int({ error: problem }).min(1, 'is below 1').max(9, 'is over 9').optional(),
  own: group({
    name: label(80),
    what: remark(120),
    count: z.int({ error: problem }).min(1, 'is below 1').max(999, 'is over 999'),
    weight: measure('kg', 0, 1000).optional(),
  }).optional(),
});
export type PartRecord = z.infer<typeof partRecordSchema>;

/** How the workshop works: rules of its own, paper, what was taken to be cut by. */
export const shopSchema = group({
  /** Thread that has to carry, in its own diameters, by what it is cut in; common practice without it. */
  engaged: group({
    steel: measure('', 0.5, 5),
    aluminium: measure('', 0.5, 5),
  }).optional(),
  paper: z.enum(PAPERS, { error: problem }).optional(),
  /** How far a jig's pins are off at most, mm. */
  pins: measure('mm', 0.01, 10).optional(),
  parts: listOf(partRecordSchema, 400, 'lines').optional(),
  taken: listOf(takenSchema, 400, 'sheets').optional(),
});
export type Shop = z.infer<typeof shopSchema>;

/** Thread engaged: one and a half diameters in steel, two in aluminium (common practice, from memory). */
export const ENGAGED = { steel: 1.5, aluminium: 2 } as const;
/** Pins stand within half a millimetre where a builder measures with a tape. */
export const PINS = 0.5;

export const engagedOf = (shop: Shop | undefined) => shop?.engaged ?? ENGAGED;
