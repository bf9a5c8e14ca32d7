import type { z } from 'zod';
import type { Targets } from './brief';
import { group, measure } from './wording';

/**
 * Ackermann wanted, %, straight between a small lock and the lock wanted: 100 is true, 0 parallel, below it the outer
 * wheel turns more. And what may be made new for it, mm either way from where it is: 0 lets it be.
 */
export const ackermannWantedSchema = group({
  small: measure('%', -200, 300),
  full: measure('%', -200, 300),
  /** A new steering arm: its hole in every direction. */
  arm: measure('mm', 0, 150),
  /** The rack's brackets, along the car and up; how far out its joints are. */
  ahead: measure('mm', 0, 300),
  height: measure('mm', 0, 150),
  spacing: measure('mm', 0, 150),
  /** A new drop arm: longer or shorter, cranked along its shaft. */
  length: measure('mm', 0, 80).optional(),
  crank: measure('mm', 0, 80).optional(),
});
export type AckermannWanted = z.infer<typeof ackermannWantedSchema>;

/** The middle of the brief's band, by a new arm and a rack that may move. */
export const startingAckermann = ({ ackermann: [least, most] }: Targets): AckermannWanted => {
  const middle = Math.round((least + most) / 2);
  return { small: middle, full: middle, arm: 40, ahead: 30, height: 20, spacing: 0, length: 15 };
};
