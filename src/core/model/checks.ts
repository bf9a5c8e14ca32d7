import { z } from 'zod';
import { ALL_POINT_NAMES } from '../corners/kinds';
import { COORDINATES } from './points';
import { group, label, listOf, measure, problem, remark, tolerance } from './wording';

/** Ways of reading a wheel on the stands. */
export const METHODS = ['tape', 'wall', 'walls', 'dials', 'strings', 'level', 'sweep'] as const;
export type MethodId = (typeof METHODS)[number];

/** What an instrument touches: the tyre, the rim, or the bare hub or disc. */
export const TOUCHED = ['tyre', 'rim', 'hub'] as const;
export type Touched = (typeof TOUCHED)[number];

/** How the height of the wheel is told. */
export const HEIGHTS_BY = ['travel', 'hub', 'arch', 'chassis', 'jack', 'damper'] as const;
export type HeightBy = (typeof HEIGHTS_BY)[number];

/** Units that readings are typed in. */
export const READ_UNITS = ['mm', 'in', 'deg', 'min'] as const;
export type ReadUnit = (typeof READ_UNITS)[number];

export const READ_SIDES = ['left', 'right', 'both'] as const;
export type ReadSide = (typeof READ_SIDES)[number];

const id = z.string({ error: problem }).min(1, 'is empty').max(64, 'is too long');
const when = z.iso.datetime({ error: 'is not a date and time' });
const sign = z.union([z.literal(1), z.literal(-1)], { error: 'is neither 1 nor −1' });

/** Where instruments, walls and marks stand. Lengths mm, angles degrees. */
export const setupSchema = group({
  on: z.enum(TOUCHED, { error: problem }),
  /** How far what is touched stands outboard of the wheel's centre, along the spindle. */
  face: measure('mm', -300, 600),
  /** Between the front and the rear mark on the tyre, the rim or the bar: tape and strings. */
  span: measure('mm', 50, 3000),
  /** The wall that the spot falls on: ahead of the hub at ride height, or behind (−); the second one of two. */
  wall: measure('mm', -20_000, 20_000),
  wall2: measure('mm', -20_000, 20_000),
  /** How high over the hub the spots are at ride height. */
  spotUp: measure('mm', -3000, 3000),
  /** Between the two dial gauges, and how high over the hub at ride height they stand. */
  dialSpan: measure('mm', 20, 2000),
  dialsUp: measure('mm', -500, 500),
  /** 1: a gauge reads more as the plate goes inward; −1: less. */
  dialsWay: sign,
  /** How far the wheel is turned each way for the caster sweep. */
  sweep: measure('deg', 2, 40),
  /** How far the level's nought may be off against the car, ±. */
  levelOff: tolerance('deg', 10),
  /** How far the car may shift sideways on its stands between readings, ±: strings, walls and gauges see it. */
  shiftOff: tolerance('mm', 50),
  heightBy: z.enum(HEIGHTS_BY, { error: problem }),
  /** What tells the height reads at ride height: mm; nought for travel and jack. */
  heightAt: measure('mm', -5000, 5000),
  /** ± of a height, mm at the wheel. */
  heightOff: tolerance('mm', 50),
  /** Lift of the jack per turn, and mm at the wheel for one mm of jack. */
  jackPerTurn: measure('mm', 0.1, 100),
  jackRatio: measure('', 0.1, 10),
});
export type CheckSetup = z.infer<typeof setupSchema>;

/** A joint that was moved between readings, mm, in its own side's axes. */
export const fittedSchema = group({
  side: z.enum(['left', 'right'], { error: problem }),
  point: z.enum(ALL_POINT_NAMES as readonly [string, ...string[]], { error: problem }),
  coordinate: z.enum(COORDINATES, { error: problem }),
  by: measure('mm', -300, 300),
});
export type Fitted = z.infer<typeof fittedSchema>;

/** What was done to the car before the readings that follow. */
export const roundSchema = group({
  at: when,
  fitted: listOf(fittedSchema, 12, 'moves'),
  note: remark(300),
});
export type Round = z.infer<typeof roundSchema>;

/** One reading. Values are mm or degrees; `unit` is what they were typed in. */
export const readingSchema = group({
  id,
  at: when,
  side: z.enum(READ_SIDES, { error: problem }),
  /** How often something had been fitted before it. */
  round: z.int({ error: problem }).min(0, 'is below 0').max(40, 'is over 40'),
  /** As what tells the height reads; `asTravel`: mm of travel, whatever tells it else. */
  height: measure('mm', -5000, 5000),
  asTravel: z.literal(true, { error: 'is not true' }).optional(),
  /** Which way the wheel came to this height, where somebody said so. */
  going: z.enum(['up', 'down'], { error: problem }).optional(),
  method: z.enum(METHODS, { error: problem }),
  /** One, or front and rear, near and far, left turned and right turned: see `METHOD_TABLE`. */
  values: z
    .array(measure('', -20_000, 20_000))
    .min(1, 'is empty: give what was read')
    .max(2, 'are more than two'),
  unit: z.enum(READ_UNITS, { error: problem }),
  /** ± of one of the values, in mm or degrees as the values are. */
  plusMinus: measure('', 0, 500),
  /** The instrument it came from; typed where nothing is said. */
  from: remark(60).optional(),
  /** Kept, and not counted. */
  leftOut: z.literal(true, { error: 'is not true' }).optional(),
});
export type CheckReading = z.infer<typeof readingSchema>;

/** Cars to train on, the easier ones first: what is hidden in them; `chance` hides nothing but what the ± lets be. */
export const SCENARIOS = ['washer', 'rack', 'loose', 'axis', 'spacer', 'two', 'chance'] as const;
export type ScenarioId = (typeof SCENARIOS)[number];

/** A joint that was looked at by hand, or a number that was measured again, and what came of it. */
export const actSchema = group({
  at: when,
  did: z.enum(['looked', 'measured'], { error: problem }),
  /** The joint, or the number of the take-off. */
  of: label(120),
  found: remark(400),
});
export type TrainingAct = z.infer<typeof actSchema>;

/** How a training ended: shop minutes used, the fewest that any plan tried took, how far the car really steers. */
export const trainingResultSchema = group({
  at: when,
  minutes: measure('', 0, 100_000),
  fewest: measure('', 0, 100_000).nullable(),
  worst: measure('deg', 0, 90),
  inBand: z.boolean({ error: problem }),
  guess: z.enum(SCENARIOS, { error: problem }),
});

/** Of a check that is no real car's: what is hidden in it, what was done about it besides reading and fitting. */
export const trainingSchema = group({
  scenario: z.enum(SCENARIOS, { error: problem }),
  seed: z.int({ error: problem }).min(1, 'is below 1').max(1_000_000, 'is too large'),
  acts: listOf(actSchema, 100, 'acts'),
  result: trainingResultSchema.optional(),
});
export type Training = z.infer<typeof trainingSchema>;

/** The schema of a check; `drawn` is handed in: the layout that it was begun on. */
export const checkSchemaOf = <T extends z.ZodType>(drawn: T) =>
  group({
    id,
    name: label(80),
    axle: z.enum(['front', 'rear'], { error: problem }),
    sides: z.enum(READ_SIDES, { error: problem }),
    /** The wheel was moved with the car on stands, or the chassis with the tyres on the floor. */
    moved: z.enum(['wheel', 'chassis'], { error: problem }),
    setup: setupSchema,
    begun: when,
    by: remark(80),
    note: remark(1000),
    /** The variant it was begun on: what it was called then. */
    variant: group({ id, name: label() }),
    drawn,
    rounds: listOf(roundSchema, 40, 'rounds'),
    training: trainingSchema.optional(),
  });

/** Readings of one check in a file. */
export const MOST_READINGS = 2000;
/** Checks of one build in a file. */
export const MOST_CHECKS = 200;
