import { z } from 'zod';
import { group, label, listOf, measure, problem, remark } from './wording';

/** What a set of the set-up book is for; a banked track turns one way alone. */
export const SET_KINDS = [
  'road',
  'track',
  'wet',
  'banked to the left',
  'banked to the right',
  'other',
] as const;
export type SetKind = (typeof SET_KINDS)[number];

const when = z.iso.datetime({ error: 'is not a date and time' });
const which = {
  axle: z.enum(['front', 'rear'], { error: problem }),
  side: z.enum(['left', 'right'], { error: problem }),
};

/** An adjuster by its name in `core/setup`, from where it is drawn or was: mm. */
const movedSchema = group({ id: label(120), by: measure('mm', -300, 300) });
export type Moved = z.infer<typeof movedSchema>;

/** Degrees; what was not read is not there. */
const angle = measure('deg', -45, 45);
export const anglesSchema = group({
  camber: angle.optional(),
  caster: angle.optional(),
  toe: angle.optional(),
});
export type Angles = z.infer<typeof anglesSchema>;

/** What was read, what was wanted, and what was turned for it. */
const turnedSchema = group({
  at: when,
  read: anglesSchema,
  wanted: anglesSchema,
  moved: listOf(movedSchema, 60, 'adjusters'),
});
export type Turned = z.infer<typeof turnedSchema>;

/** A wheel's set-up from the drawing on. */
const wheelSetSchema = group({
  ...which,
  turned: listOf(turnedSchema, 100, 'rounds'),
  /** What was typed for the next round. */
  typed: group({ read: anglesSchema, wanted: anglesSchema }).optional(),
});

/** How toe is told: see `core/setup/toeIn`. */
export const toeToldSchema = group({
  as: z.enum(['deg', 'mm'], { error: problem }),
  of: z.enum(['each', 'total'], { error: problem }),
  over: measure('mm', 100, 2000),
});

/** Toe as a length, mm: less than marks may be apart. */
export const toeLengthSchema = measure('mm', -99, 99);

/** How much lower a car is put, mm. */
export const loweringSchema = measure('mm', -200, 200);

/** How far a rack may stand off its middle, mm, + left. */
export const rackOffSchema = measure('mm', -60, 60);

export const setNoteSchema = remark(1000);
export const setWordsSchema = remark(300);

/** A set of the book: where every adjuster stands from the drawing, and what the wheels read then. */
const setSchema = group({
  id: label(64),
  name: label(60),
  kind: z.enum(SET_KINDS, { error: problem }),
  at: when,
  note: setNoteSchema,
  /** What the driver said of it, or a lap. */
  words: setWordsSchema.optional(),
  wheels: listOf(
    group({ ...which, from: listOf(movedSchema, 60, 'adjusters'), read: anglesSchema }),
    4,
    'wheels',
  ),
});
export type KeptSet = z.infer<typeof setSchema>;

/** What the finished car is set to, and the book of its sets. */
export const setupsSchema = group({
  toe: toeToldSchema.optional(),
  /** How far the rack stands off its middle with the wheels straight, mm, + left. */
  rackOff: rackOffSchema.optional(),
  wheels: listOf(wheelSetSchema, 4, 'wheels'),
  sets: listOf(setSchema, 60, 'sets'),
});
export type Setups = z.infer<typeof setupsSchema>;

export const noSetups = (): Setups => ({ wheels: [], sets: [] });
