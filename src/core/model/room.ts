import { z } from 'zod';
import { coordinate, group, label, listOf, measure, problem } from './wording';

const size = measure('mm', 1, 5000);
const where = {
  id: z.string({ error: problem }).min(1, 'is empty').max(40, 'is too long'),
  name: label(),
  axle: z.enum(['front', 'rear'], { error: problem }),
  /** The side it is on, where it is not on both alike. */
  side: z.enum(['left', 'right'], { error: problem }).optional(),
};
const point = { ahead: coordinate, out: coordinate, up: coordinate };

/** What arms, rods and wheels must keep away from, in a corner's outward axes; both sides alike unless it says which. */
export const keepOutSchema = z.discriminatedUnion('kind', [
  /** A box along the axes about its middle: sump, frame rail, footwell. */
  group({
    kind: z.literal('box'),
    ...where,
    middle: group(point),
    size: group({ ahead: size, out: size, up: size }),
  }),
  /** A round body between two points: damper, exhaust, frame tube. */
  group({
    kind: z.literal('cylinder'),
    ...where,
    from: group(point),
    to: group(point),
    diameter: size,
  }),
]);
export type KeepOut = z.infer<typeof keepOutSchema>;

/** Whether a body stands beside a corner. */
export const isBeside = (
  body: Pick<KeepOut, 'axle' | 'side'>,
  { axle, side }: { axle: KeepOut['axle']; side: 'left' | 'right' },
): boolean => body.axle === axle && (body.side ?? side) === side;

/** How far joints articulate before they bind, degrees each way: common practice, from memory; the maker knows. */
export const ARTICULATION_LIMITS = { ball: 25, rodEnd: 15 } as const;

/** How far a half-shaft's joint bends, degrees: common practice for a fixed joint, from memory; the maker knows. */
export const SHAFT_LIMIT = 42;

/** Clearances to keep, mm, and angles of joints not to pass, degrees. */
export const wantedSchema = group({
  moving: measure('mm', 0, 200),
  tyre: measure('mm', 0, 300),
  ground: measure('mm', 0, 500),
  ball: measure('deg', 1, 90).optional(),
  rodEnd: measure('deg', 1, 90).optional(),
  shaft: measure('deg', 1, 90).optional(),
});
export type WantedRoom = z.infer<typeof wantedSchema>;

export const roomSchema = group({
  keepOuts: listOf(keepOutSchema, 60, 'bodies'),
  wanted: wantedSchema,
});
export type Room = z.infer<typeof roomSchema>;

/** Common practice: 10 mm between what moves, 20 mm round a tyre, 60 mm off the ground. */
export const startingRoom = (): Room => ({
  keepOuts: [],
  wanted: { moving: 10, tyre: 20, ground: 60 },
});
