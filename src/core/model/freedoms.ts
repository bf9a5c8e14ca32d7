import { z } from 'zod';
import type { CornerType } from '../corners/cornerType';
import { pointNames } from '../corners/kinds';
import { mayHave } from './points';
import type { Coordinate, PointName } from './points';
import { coordinate, group, measure, problem } from './wording';

/**
 * What a builder can still change of one coordinate. Lengths mm. A coordinate without a freedom is open:
 * it may be drawn anywhere, but finders leave it alone.
 */
const KINDS = {
  /** Measured, welded. */
  fixed: group({ kind: z.literal('fixed') }),
  /** A slot, or a bracket not yet welded: from min to max, in steps (0: any). */
  range: group({
    kind: z.literal('range'),
    min: coordinate,
    max: coordinate,
    step: measure('mm', 0, 500),
  }),
  /** Drilled holes, arms on the shelf. */
  choices: group({
    kind: z.literal('choices'),
    at: z.array(coordinate).min(1, 'is empty: give at least one place').max(40, 'are more than 40'),
  }),
  /** Washers and spacers of a stock on `base`, at most so many, stacked one way. */
  shims: group({
    kind: z.literal('shims'),
    base: coordinate,
    stock: z
      .array(measure('mm', 0.05, 100))
      .min(1, 'is empty: give at least one washer')
      .max(20, 'are more than 20'),
    most: z.int({ error: problem }).min(1, 'is below 1').max(6, 'is over 6'),
    way: z.union([z.literal(1), z.literal(-1)], { error: 'is neither 1 nor −1' }),
  }),
  /** An eccentric bolt or bush: its throw either way of the middle. */
  eccentric: group({
    kind: z.literal('eccentric'),
    base: coordinate,
    throw: measure('mm', 0.1, 50),
  }),
  /** A plate with its hole off the middle: one way, none, or turned over the other way. */
  flip: group({ kind: z.literal('flip'), base: coordinate, offset: measure('mm', 0.1, 100) }),
  /** A rod end screwed in and out, half a turn at a time. */
  thread: group({
    kind: z.literal('thread'),
    min: coordinate,
    max: coordinate,
    pitch: measure('mm', 0.2, 10),
  }),
  /** A plate bolted to a rack's moving part, cut so that the inner joints come where they are wanted. */
  plate: group({ kind: z.literal('plate'), min: coordinate, max: coordinate }),
  /** A rack made narrower or wider. */
  rackWidth: group({ kind: z.literal('rackWidth'), min: coordinate, max: coordinate }),
};

export const freedomSchema = z
  .discriminatedUnion('kind', [
    KINDS.fixed,
    KINDS.range,
    KINDS.choices,
    KINDS.shims,
    KINDS.eccentric,
    KINDS.flip,
    KINDS.thread,
    KINDS.plate,
    KINDS.rackWidth,
  ])
  .refine((f) => !('min' in f) || f.min <= f.max, {
    error: 'runs backwards: write the smaller end first',
  });
export type Freedom = z.infer<typeof freedomSchema>;
export type FreedomKind = Freedom['kind'];

const pointFreedoms = group({
  ahead: freedomSchema.optional(),
  out: freedomSchema.optional(),
  up: freedomSchema.optional(),
} satisfies Record<Coordinate, unknown>);

export type PointFreedoms = Partial<Record<Coordinate, Freedom>>;

/** Freedoms of an axle's points; both sides share them. */
export type Freedoms = Record<PointName, PointFreedoms | undefined>;
export const freedomsSchemaOf = (type: CornerType) =>
  group(
    Object.fromEntries(
      [...pointNames(type), ...mayHave(type)].map((name) => [name, pointFreedoms.optional()]),
    ),
  );
