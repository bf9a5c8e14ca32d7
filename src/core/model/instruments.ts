import { z } from 'zod';
import { group, label, measure, problem, remark } from './wording';

/** What an instrument may be. */
export const INSTRUMENT_KINDS = ['level', 'pointer', 'dials', 'height'] as const;
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number];

/** An instrument of the workshop's: readings that it takes carry its name and its ±. */
export const instrumentSchema = group({
  id: z.string({ error: problem }).min(1, 'is empty').max(64, 'is too long'),
  name: label(60),
  device: z.enum(INSTRUMENT_KINDS, { error: problem }),
  /** ± of one value, mm or degrees as it reads. */
  plusMinus: measure('', 0.0001, 50),
  /** Of its cable. */
  baud: z
    .int({ error: problem })
    .min(300, 'is below 300 baud')
    .max(1_000_000, 'is above 1 000 000 baud'),
  note: remark(200),
});
export type Instrument = z.infer<typeof instrumentSchema>;

/** Of most instruments' cables. */
export const USUAL_BAUD = 9600;
export const MOST_INSTRUMENTS = 60;
