import { z } from 'zod';
import { group, measure, problem } from './wording';

const flag = z.boolean({ error: problem });
export const camberWanted = measure('deg', -15, 15);
export const rollCentreWanted = measure('mm', -500, 800);
export const upperArmWanted = measure('mm', 50, 2000);

/**
 * What the arms are to do. Degrees and mm; camber and roll centre with the steering held straight: what they
 * will be once bump steer is nulled, whatever the tie rod does now.
 */
export const armsWantedSchema = group({
  /** Camber change per 25 mm of bump at ride height, + top out. */
  gain: camberWanted.optional(),
  /** Camber change from ride height at full bump, at full droop, + top out. */
  bump: camberWanted.optional(),
  droop: camberWanted.optional(),
  /** Roll centre's height above the ground at ride height. */
  rollCentre: rollCentreWanted.optional(),
  /** Toe at full bump and full droop as at ride height: asked of kinds that have no rod to see to that. */
  toe: flag.optional(),
  /** The lower arm level at ride height. */
  level: flag.optional(),
  /** Upper arm's length, ball joint to pivot axis: an arm that is on the shelf. */
  upperArm: upperArmWanted.optional(),
  /** Both pivots of an arm move as one bracket: by the front one's freedom, or the rear one's where the front has none. */
  together: flag,
});
export type ArmsWanted = z.infer<typeof armsWantedSchema>;
