import { z } from 'zod';
import { TROUBLE_NAMES } from '../core/instruments/standIn';
import { checkSchema } from '../core/model/build';
import { SCENARIOS, readingSchema } from '../core/model/checks';
import { INSTRUMENT_KINDS } from '../core/model/instruments';
import { describeProblems, problemsOf } from '../core/model/problems';
import { listOf } from '../core/model/wording';
import { checksOf, deleteCheck, keepCheck, keepReadings, restoreCheck } from '../db/checks';
import type { BuildChecks } from '../db/checks';
import { Refused, answering, buildId, idSchema, jsonBody, spoken } from './answers';
import { standInFor } from './standIns';
import { endTraining } from './training';
import type { Ended } from './training';

export type { BuildChecks };

/** Name of a check, as its page gave it. */
const checkIdSchema = z.string().min(1).max(64);
const keepCheckSchema = z.strictObject({ check: checkSchema });
const readingsSchema = z.strictObject({
  readings: listOf(readingSchema, 500, 'readings at once'),
  removed: listOf(checkIdSchema, 500, 'readings at once').default([]),
});

const NO_CHECK = 'This check is not there any more.';

function checkId(id: string): string {
  if (!checkIdSchema.safeParse(id).success) throw new Refused(404, NO_CHECK);
  return id;
}

/** The checks of a build, the last begun first, and those that were taken away. */
export const getChecks = (id: string): Promise<Response> =>
  answering(async () => {
    const checks = await checksOf(buildId(id));
    if (!checks) throw new Refused(404, 'This build has been deleted.');
    return Response.json(checks);
  });

/** Begins a check, or changes what is said of it. */
export const putCheck = (id: string, check: string, request: Request): Promise<Response> =>
  answering(async () => {
    const body = await jsonBody(request, keepCheckSchema);
    if (body.check.id !== checkId(check)) throw new Refused(400, 'The check has another name.');
    if (!(await keepCheck(buildId(id), body.check)))
      throw new Refused(404, 'This build has been deleted.');
    return Response.json({ kept: true });
  });

/** Writes readings of a check; what is sent twice is there once. */
export const putReadings = (id: string, check: string, request: Request): Promise<Response> =>
  answering(async () => {
    const { readings, removed } = await jsonBody(request, readingsSchema);
    if (!(await keepReadings(buildId(id), checkId(check), readings, removed)))
      throw new Refused(404, NO_CHECK);
    return Response.json({ kept: readings.length });
  });

/** Takes a check away, to be got back. */
export const removeCheck = (id: string, check: string): Promise<Response> =>
  answering(async () => {
    if (!(await deleteCheck(buildId(id), checkId(check)))) throw new Refused(404, NO_CHECK);
    return Response.json({ removed: true });
  });

/** Gets a check back. */
export const bringCheckBack = (id: string, check: string): Promise<Response> =>
  answering(async () => {
    if (!(await restoreCheck(buildId(id), checkId(check)))) throw new Refused(404, NO_CHECK);
    return Response.json({ restored: true });
  });

const guessSchema = z.strictObject({ guess: z.enum(SCENARIOS) });

/** Ends a training: what was hidden, what could be known of it. */
export const debrief = (id: string, check: string, request: Request): Promise<Response> =>
  answering(async () => {
    const { guess } = await jsonBody(request, guessSchema);
    let ended: Ended | null;
    try {
      ended = await endTraining(buildId(id), checkId(check), guess);
    } catch (error) {
      if (error instanceof RangeError) throw new Refused(422, error.message);
      throw error;
    }
    if (!ended) throw new Refused(404, NO_CHECK);
    return Response.json(ended);
  });

const standInSchema = z.strictObject({
  session: z.string().min(1).max(64),
  build: idSchema,
  check: checkIdSchema,
  device: z.enum(INSTRUMENT_KINDS),
  side: z.enum(['left', 'right']),
  travel: z.coerce.number().min(-500).max(500),
  trouble: z.enum(TROUBLE_NAMES).default('none'),
  seed: z.coerce.number().int().min(0).max(1_000_000).default(1),
  going: z.enum(['up', 'down']).optional(),
});

/** Between the lines of a simulated instrument, ms. */
const SAYS_EVERY = 200;

/** What a simulated instrument says, line by line, as long as somebody listens (server-sent events). */
export const listenToStandIn = (request: Request): Promise<Response> =>
  answering(async () => {
    const asked = standInSchema.safeParse(Object.fromEntries(new URL(request.url).searchParams));
    if (!asked.success) throw new Refused(400, describeProblems(problemsOf(asked.error)));
    let says: ((now: number) => string) | null;
    try {
      says = await standInFor(asked.data);
    } catch (error) {
      if (error instanceof RangeError) throw new Refused(422, error.message);
      throw error;
    }
    if (!says) throw new Refused(404, NO_CHECK);
    const speak = says;
    return spoken(request, (say) => {
      say(speak(Date.now()));
      const timer = setInterval(() => say(speak(Date.now())), SAYS_EVERY);
      return () => clearInterval(timer);
    });
  });
