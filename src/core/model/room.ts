import { z } from 'zod';
import { surfaceOf } from './mesh';
import { coordinate, group, label, listOf, measure, problem, remark } from './wording';

const size = measure('mm', 1, 5000);
/** What a surface of the most triangles takes as text, and as much again. */
const MOST_TEXT = 1_000_000;
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
  /** A surface out of a file, in the car's own axes (`out` to the left): a scan, a plate, a cross-section. */
  group({
    kind: z.literal('mesh'),
    ...where,
    places: z.string({ error: problem }).max(MOST_TEXT, 'is too long'),
    triangles: z.string({ error: problem }).max(MOST_TEXT, 'is too long'),
    /** How far it lies at most from what the file has, for it has fewer triangles, mm. */
    exact: measure('mm', 0, 1000),
    /** Where it is from: a file's name. */
    file: remark(120),
  }).refine((body) => surfaceOf(body) !== null, {
    error: 'is no surface: what it carries cannot be read',
  }),
]);
export type KeepOut = z.infer<typeof keepOutSchema>;
export type MeshBody = Extract<KeepOut, { kind: 'mesh' }>;
/** A body that is told by figures. */
export type PlainBody = Exclude<KeepOut, MeshBody>;

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
