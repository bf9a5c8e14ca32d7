import { z } from 'zod';
import { ackermannWantedSchema } from './ackermannWanted';
import { armsWantedSchema } from './armsWanted';
import { PLANE_NAMES } from './mapPlanes';
import { nullWantedSchema } from './nullWanted';
import { group, measure, problem } from './wording';

/** What a builder asked of the finders of a build: it stays with the build. */
export const askedSchema = group({
  null: nullWantedSchema.optional(),
  arms: armsWantedSchema.optional(),
  ackermann: ackermannWantedSchema.optional(),
  map: group({
    plane: z.enum(PLANE_NAMES, { error: problem }),
    /** Half of the square's side, mm. */
    size: measure('mm', 1, 500),
  }).optional(),
  /** Scrub radius wanted, mm. */
  scrub: measure('mm', -150, 250).optional(),
});
export type Asked = z.infer<typeof askedSchema>;
