import { z } from 'zod';
import { group, measure, problem } from './wording';

const flag = z.boolean({ error: problem });

/** How exactly the tie rod's joints are placed, ±mm in every direction: inner bracket, outer end. */
export const placingSchema = group({
  inner: measure('mm', 0.05, 20),
  outer: measure('mm', 0.05, 20),
});
export type Placing = z.infer<typeof placingSchema>;

/** What the tie rod is to do besides leaving the toe alone. */
export const nullWantedSchema = group({
  /** Bump steer at part lock counts too. */
  lock: flag,
  /** Ackermann stays within the brief's band. */
  ackermann: flag,
  /** The steering arms may be swapped side to side, the rack going to the other side of the kingpins. */
  swap: flag,
  /** No stack of washers is longer, mm. */
  spacer: measure('mm', 0, 100),
  placing: placingSchema,
});

export interface NullWanted extends Omit<z.infer<typeof nullWantedSchema>, 'placing'> {
  /** How exactly joints are placed; null where no cars are to be built. */
  placing: Placing | null;
}

/** Common practice: brackets are tacked to a millimetre and a half, a rod end sits to half of one. */
export const STARTING_WANTED: z.infer<typeof nullWantedSchema> = {
  lock: false,
  ackermann: false,
  swap: false,
  spacer: 20,
  placing: { inner: 1.5, outer: 0.5 },
};
