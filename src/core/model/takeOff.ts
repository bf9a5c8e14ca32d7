import { z } from 'zod';
import { ALL_POINT_NAMES } from '../corners/kinds';
import { COORDINATES } from './points';
import type { PointName } from './points';
import { coordinate, group, label, listOf, measure, problem, tolerance } from './wording';

/** ± that a way of measuring usually has: mm, and degrees for the level. Common practice. */
export const USUAL = { tape: 1.5, rule: 0.5, level: 0.1 } as const;

const id = z.string({ error: problem }).min(1, 'is empty').max(40, 'is too long');
const mmTolerance = tolerance('mm', 100);
const length = measure('mm', -10_000, 10_000);
const distance = measure('mm', 1, 20_000);
const axis = z.enum(COORDINATES, { error: problem });

/** One number read off a tape, rule or level, and its ±; without a value until somebody typed one. */
export const lengthRead = group({ value: length.optional(), tolerance: mmTolerance });
export const angleRead = group({
  value: measure('deg', -60, 60).optional(),
  tolerance: tolerance('deg', 20),
});
export type Read = z.infer<typeof lengthRead>;

/** A distance that was read, or is still to be; `leftOut`: kept, but not counted. */
const taped = {
  distance: distance.optional(),
  tolerance: mmTolerance,
  leftOut: z.literal(true, { error: 'is not true' }).optional(),
};

/**
 * A plane the builder measures from: the floor plate, a chassis rail. It stands square to one axis at
 * `at`; what is measured from it counts towards `facing`.
 */
export const planeSchema = group({
  id,
  name: label(),
  axis,
  at: coordinate,
  facing: z.union([z.literal(1), z.literal(-1)], { error: 'is neither 1 nor −1' }),
});
export type Plane = z.infer<typeof planeSchema>;

/**
 * A datum mark: a scribe, a punch mark, a bolt. `left` is + to the left of the centreline. What is
 * known holds; the rest is where the mark roughly is, until a network of distances places it.
 */
export const markSchema = group({
  id,
  name: label(),
  ahead: coordinate,
  left: coordinate,
  up: coordinate,
  known: group({ ahead: z.boolean(), left: z.boolean(), up: z.boolean() }),
  /** ± of the coordinates that are known; without one they hold exactly: they set up the axes. */
  tolerance: mmTolerance.optional(),
  /** The mark that mirrors this one across the centreline. */
  mirrors: id.optional(),
});
export type Mark = z.infer<typeof markSchema>;

/** A tape between two marks. */
export const markDistanceSchema = group({ from: id, to: id, ...taped });
export type MarkDistance = z.infer<typeof markDistanceSchema>;

/** A point of some kind; of a kind that the axle is not, the record is kept and not counted. */
const pointName = z.enum(ALL_POINT_NAMES as readonly [string, ...string[]], { error: problem });

const where = {
  axle: z.enum(['front', 'rear'], { error: problem }),
  side: z.enum(['left', 'right'], { error: problem }),
  point: pointName,
};

const fromPlane = group({
  value: length.optional(),
  tolerance: mmTolerance,
  plane: id.optional(),
});

/** By tape, plumb line and square: along each axis, from the car's own planes or the builder's. */
const directSchema = group({
  ...where,
  method: z.literal('direct'),
  ahead: fromPlane,
  out: fromPlane,
  up: fromPlane,
});

/** By distances to datum marks; `answer` picks one of the two mirror images. */
const distancesSchema = group({
  ...where,
  method: z.literal('distances'),
  tapes: listOf(group({ mark: id, ...taped }), 40, 'distances'),
  answer: z.union([z.literal(1), z.literal(-1)], { error: 'is neither 1 nor −1' }),
});

/**
 * On the bench, off the hub's mounting face: `inboard` of the face, `above` and `ahead` of the
 * spindle's centre. The upper joint may instead be given by the angle between the hub face and the
 * line of the ball joints (`lean`, + top further inboard). `stud` is the joint's own axis against the
 * vertical, for later checks of binding.
 */
const benchSchema = group({
  ...where,
  method: z.literal('bench'),
  inboard: lengthRead,
  above: lengthRead,
  ahead: lengthRead,
  lean: angleRead.optional(),
  stud: angleRead.optional(),
});

export const measuredSchema = z.discriminatedUnion('method', [
  directSchema,
  distancesSchema,
  benchSchema,
]);
export type Measured = z.infer<typeof measuredSchema>;
export type Direct = Extract<Measured, { method: 'direct' }>;
export type ByDistances = Extract<Measured, { method: 'distances' }>;
export type OnBench = Extract<Measured, { method: 'bench' }>;

/** What was measured on the parts that exist, and how well. */
export const takeOffSchema = group({
  planes: listOf(planeSchema, 40, 'planes'),
  marks: listOf(markSchema, 60, 'marks'),
  between: listOf(markDistanceSchema, 400, 'distances'),
  measured: listOf(measuredSchema, 100, 'points'),
  /** ± of points that are drawn and not measured: how well brackets are placed, mm. */
  placing: mmTolerance,
});
export type TakeOff = z.infer<typeof takeOffSchema>;

export const noTakeOff = (): TakeOff => ({
  planes: [],
  marks: [],
  between: [],
  measured: [],
  placing: USUAL.tape,
});

/** What was measured of a build; nothing where it has no take-off. To be read, not changed. */
export const takeOffOf = (build: { takeOff?: TakeOff }): TakeOff => build.takeOff ?? NOTHING;

const NOTHING = noTakeOff();

/** The record of a point on one side, if it was measured there. */
export const recordOf = (
  takeOff: TakeOff,
  axle: Measured['axle'],
  side: Measured['side'],
  point: PointName,
): Measured | undefined =>
  takeOff.measured.find((m) => m.axle === axle && m.side === side && m.point === point);

/** Whether a distance was read and counts. */
export const counts = <T extends { distance?: number | undefined; leftOut?: true | undefined }>(
  one: T,
): one is T & { distance: number } => one.distance !== undefined && !one.leftOut;

/** The numbers that a record still waits for, by name; none: somebody measured all of it. */
export function missingOf(record: Measured): string[] {
  switch (record.method) {
    case 'direct':
      return COORDINATES.filter((c) => record[c].value === undefined);
    case 'distances': {
      const read = record.tapes.filter(counts).length;
      return read < 3 ? [`${3 - read} more ${read === 2 ? 'tape' : 'tapes'}`] : [];
    }
    case 'bench': {
      const { inboard, above, ahead, lean } = record;
      const asked = [
        ['A', lean ? 0 : inboard.value],
        ['B', above.value],
        ['C', ahead.value],
        ['D', lean ? lean.value : 0],
      ] as const;
      return asked.flatMap(([name, value]) => (value === undefined ? [name] : []));
    }
  }
}

/** Whether all of a record was read; only then does it count as measured. */
export const isMeasured = (record: Measured): boolean => missingOf(record).length === 0;
