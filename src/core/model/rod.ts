import { z } from 'zod';
import { group, measure, problem } from './wording';

/** Bolt grades by their yield strength, N/mm² (ISO 898-1, from memory). */
export const GRADES = { '8.8': 640, '10.9': 940, '12.9': 1100 } as const;
export type Grade = keyof typeof GRADES;

/** What a tie rod is made of: lengths mm. */
const parts = {
  /** The outer joint's bolt: diameter, grade, length of spacer in single shear. */
  bolt: measure('mm', 3, 40),
  grade: z.enum(['8.8', '10.9', '12.9'], { error: problem }),
  spacer: measure('mm', 0, 200),
  /** The rod's tube. */
  outside: measure('mm', 4, 80),
  wall: measure('mm', 0.5, 20),
  /** Its material's yield strength, N/mm². */
  yield: measure('N/mm²', 100, 2000),
  /** Diameter of the rod ends' thread, and how much of it is in the rod. */
  thread: measure('mm', 3, 40),
  engaged: measure('mm', 0, 200),
};
export const tieRodParts = group(parts);
export type TieRodParts = z.infer<typeof tieRodParts>;
export type TieRodPart = keyof TieRodParts;

const some = tieRodParts.partial().shape;

/** The tie rod of a layout as far as somebody said; `engagedAt`: the rod's length, joint to joint, when `engaged` was typed. */
export const tieRodSchema = group({ ...some, engagedAt: measure('mm', 1, 5000).optional() });
export type TieRod = z.infer<typeof tieRodSchema>;

/** What a tie rod has to carry; parts in it are an older file's, for all layouts. */
export const rodSchema = group({
  /** Load on one wheel at rest, N. */
  wheelLoad: measure('N', 50, 50_000),
  /** Grip of the tyre on the ground it is steered on, and what a kerb makes of the steady force. */
  grip: measure('', 0.1, 2),
  factor: measure('', 1, 20),
  ...some,
});
export type RodLoads = z.infer<typeof rodSchema>;

export const STARTING_LOADS = { wheelLoad: 2500, grip: 0.9, factor: 3 } satisfies RodLoads;

/** Loads to start from: a kart's front wheel carries little (common practice, from memory). */
export const startingLoads = ({ use }: { use: string }): typeof STARTING_LOADS =>
  use === 'kart' ? { ...STARTING_LOADS, wheelLoad: 350 } : STARTING_LOADS;

/** Parts to reckon with until somebody says what they are: plain steel tube, M12. */
export const ASSUMED: TieRodParts = {
  bolt: 12,
  grade: '10.9',
  spacer: 5,
  outside: 16,
  wall: 2,
  yield: 235,
  thread: 12,
  engaged: 20,
};
