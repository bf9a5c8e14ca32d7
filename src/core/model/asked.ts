import { z } from 'zod';
import { ackermannWantedSchema } from './ackermannWanted';
import { armsWantedSchema } from './armsWanted';
import { columnStartSchema } from './columnStart';
import { PLANE_NAMES } from './mapPlanes';
import { nullWantedSchema } from './nullWanted';
import { group, measure, problem } from './wording';

/** How far the rack is moved for a look: ahead, up and its joints out; a mark on the arm's tube; spacers' offset; mm. */
export const rackMoveSchema = group({
  ahead: measure('mm', -300, 300),
  up: measure('mm', -200, 200),
  out: measure('mm', -200, 200),
  mark: measure('mm', 0, 600),
  offset: measure('mm', 0, 200),
});
export type RackMoveAsked = z.infer<typeof rackMoveSchema>;

/** What a frame stands on while it is steered: between the rear contact points, mm; the front's part of the weight, %; gravities into the turn. */
export const stanceSchema = group({
  rearTrack: measure('mm', 200, 3000).optional(),
  frontShare: measure('%', 20, 80).optional(),
  sideways: measure('', 0, 2).optional(),
});

/** A beam as it is made: from its middle to where its ends are bent, and a clamp's length along it, mm. */
export const axleMadeSchema = group({
  bends: measure('mm', 20, 1500),
  clamp: measure('mm', 10, 400),
});

export const ratioSchema = measure(':1', 0.5, 40);

/** How many times the hands' part power assistance makes of it: 1 is none. */
export const assistSchema = measure('', 1, 20);

/** What a builder asked of the finders of a build: it stays with the build. */
export const askedSchema = group({
  null: nullWantedSchema.optional(),
  arms: armsWantedSchema.optional(),
  ackermann: ackermannWantedSchema.optional(),
  /** Handwheel degrees for one of the wheels'. */
  ratio: ratioSchema.optional(),
  assist: assistSchema.optional(),
  /** A rack moved for a look, mm, and the mark on the arm that is taped to. */
  rackMove: rackMoveSchema.optional(),
  map: group({
    plane: z.enum(PLANE_NAMES, { error: problem }),
    /** Half of the square's side, mm. */
    size: measure('mm', 1, 500),
  }).optional(),
  stance: stanceSchema.optional(),
  axleMade: axleMadeSchema.optional(),
  /** What a column is laid from. */
  column: columnStartSchema.optional(),
  /** Scrub radius wanted, mm. */
  scrub: measure('mm', -150, 250).optional(),
});
export type Asked = z.infer<typeof askedSchema>;
