import { z } from 'zod';
import { group, measure, problem } from '../model/wording';

/** Bolt grades by their yield strength, N/mm² (ISO 898-1, from memory). */
export const GRADES = { '8.8': 640, '10.9': 940, '12.9': 1100 } as const;
export type Grade = keyof typeof GRADES;

export const rodSchema = group({
  /** Load on one wheel at rest, N. */
  wheelLoad: measure('N', 50, 50_000),
  /** Grip of the tyre on the ground it is steered on, and what a kerb makes of the steady force. */
  grip: measure('', 0.1, 2),
  factor: measure('', 1, 20),
  /** The outer joint's bolt: diameter, grade, length of spacer in single shear, mm. */
  bolt: measure('mm', 3, 40),
  grade: z.enum(['8.8', '10.9', '12.9'], { error: problem }),
  spacer: measure('mm', 0, 200),
  /** The rod: tube and its thread, mm; full turns of thread in it as a length. */
  outside: measure('mm', 4, 80),
  wall: measure('mm', 0.5, 20),
  engaged: measure('mm', 0, 200),
});
export type RodParts = z.infer<typeof rodSchema>;

export const STARTING_ROD: RodParts = {
  wheelLoad: 2500,
  grip: 0.9,
  factor: 3,
  bolt: 12,
  grade: '10.9',
  spacer: 5,
  outside: 16,
  wall: 2,
  engaged: 20,
};
