import { z } from 'zod';
import {
  LARGEST_FILE,
  fileNameOf,
  readBuildFile,
  tooLarge,
  writeBuildFile,
} from '../core/file/buildFile';
import { layoutProblems } from '../core/file/check';
import { buildSchema, checkSchema } from '../core/model/build';
import { DEVICE_NAMES } from '../core/instruments/protocol';
import { TROUBLE_NAMES } from '../core/instruments/standIn';
import { SCENARIOS, readingSchema } from '../core/model/checks';
import { listOf } from '../core/model/wording';
import { describeProblems, problemsOf } from '../core/model/problems';
import { STRETCH } from '../core/summary/stretch';
import { backupOf } from '../db/backup';
import { createBuild, openBuild, saveBuild, wholeBuild } from '../db/builds';
import { checksOf, deleteCheck, keepCheck, keepReadings, restoreCheck } from '../db/checks';
import type { BuildChecks } from '../db/checks';
import type { Saved } from '../db/builds';
import { databasePath } from '../db/database';
import { ORDERS, listBuilds } from '../db/list';
import type { BuildList } from '../db/list';
import { listSaves, openSave } from '../db/saves';
import type { KeptSave } from '../db/saves';
import { DatabaseTrouble, UnreadableBuild } from '../db/trouble';
import { BUILT, BUILT_HEADER } from './built';
import { standInFor } from './standIns';
import { endTraining } from './training';
import type { Ended } from './training';

export type { BuildChecks, BuildList, KeptSave, Saved };

/** A request that cannot be answered, in words, with its HTTP status. */
class Refused extends Error {
  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message);
  }
}

const idSchema = z.uuid();
const saveSchema = z.strictObject({
  version: z.int().min(1),
  savedBy: z.string().min(1).max(64),
  build: buildSchema,
});
/** How much of a request that is too large is heard out, bytes. */
const PATIENCE = 64_000_000;

const importSchema = z.strictObject({ text: z.string() });
const addSchema = z.strictObject({ build: buildSchema });
const listSchema = z.strictObject({
  find: z.string().max(200).default(''),
  order: z.enum(ORDERS).default('worked'),
  from: z.coerce.number().int().min(0).default(0),
  count: z.coerce.number().int().min(1).max(200).default(STRETCH),
});

/** Answers with JSON; trouble becomes `{ message }` in words. Every answer names the build of the program. */
async function answering(work: () => Promise<Response>): Promise<Response> {
  const response = await inWords(work);
  response.headers.set(BUILT_HEADER, BUILT);
  return response;
}

async function inWords(work: () => Promise<Response>): Promise<Response> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof Refused) return refusal(error.status, error.message);
    if (error instanceof UnreadableBuild) return refusal(422, error.message);
    if (error instanceof DatabaseTrouble) return refusal(503, error.message);
    throw error;
  }
}

const refusal = (status: number, message: string) => Response.json({ message }, { status });

function buildId(id: string): string {
  if (!idSchema.safeParse(id).success) throw new Refused(404, 'There is no such build.');
  return id;
}

/**
 * The JSON body of a request that only a page of Havrik's own can have sent (browsers ask before
 * they send JSON across sites); no more of it is kept than the largest file needs.
 */
async function jsonBody<T>(request: Request, schema: z.ZodType<T>): Promise<T> {
  if (!request.headers.get('content-type')?.startsWith('application/json'))
    throw new Refused(415, 'Havrik expects JSON.');
  // Text within JSON may take two bytes for one.
  const most = 2 * LARGEST_FILE;
  let size = 0;
  const chunks: Uint8Array[] = [];
  const reader = request.body?.getReader();
  for (;;) {
    const { done, value: bytes } = (await reader?.read()) ?? { done: true, value: undefined };
    if (done || !bytes) break;
    size += bytes.length;
    // What is too large is read on without being kept, so that the sender hears the answer; to a point.
    if (size <= most) chunks.push(bytes);
    else if (size > PATIENCE) break;
  }
  if (size > most) throw new Refused(413, tooLarge(size));
  let value: unknown;
  try {
    value = JSON.parse(Buffer.concat(chunks).toString('utf8'));
  } catch {
    throw new Refused(400, 'The request was cut off on the way.');
  }
  const parsed = schema.safeParse(value);
  if (!parsed.success) throw new Refused(400, describeProblems(problemsOf(parsed.error)));
  return parsed.data;
}

/** A stored build and its version. */
export const getBuild = (id: string): Promise<Response> =>
  answering(async () => {
    const opened = await openBuild(buildId(id));
    if (!opened) throw new Refused(404, 'This build has been deleted.');
    return Response.json(opened);
  });

/** Saves a build; see `saveBuild` for what happens when two windows do. */
export const putBuild = (id: string, request: Request): Promise<Response> =>
  answering(async () => {
    const { version, build, savedBy } = await jsonBody(request, saveSchema);
    const saved = await saveBuild(buildId(id), version, build, savedBy);
    return Response.json(saved);
  });

/** The kept states of a build, newest first. */
export const getSaves = (id: string): Promise<Response> =>
  answering(async () => Response.json(await listSaves(buildId(id))));

/** A build as it was when it was kept. */
export const getSave = (id: string, save: string): Promise<Response> =>
  answering(async () => {
    const build = await openSave(buildId(id), buildId(save));
    if (!build) throw new Refused(404, 'That save is not there any more.');
    return Response.json(build);
  });

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
  device: z.enum(DEVICE_NAMES),
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
    let timer: ReturnType<typeof setInterval> | undefined;
    const stop = () => clearInterval(timer);
    const stream = new ReadableStream<Uint8Array>({
      start(controller) {
        const say = () => {
          const lines = speak(Date.now());
          const text = lines
            .split('\n')
            .filter(Boolean)
            .map((line) => `data: ${line}\n\n`)
            .join('');
          // A remark keeps the connection while the cable is loose.
          controller.enqueue(new TextEncoder().encode(text || ': quiet\n\n'));
        };
        say();
        timer = setInterval(say, SAYS_EVERY);
      },
      cancel: stop,
    });
    request.signal.addEventListener('abort', stop);
    return new Response(stream, {
      headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform' },
    });
  });

/** A build as a file to keep; a layout that could not be read back is refused. */
export const exportBuild = (id: string): Promise<Response> =>
  answering(async () => {
    const build = await wholeBuild(buildId(id));
    if (!build) throw new Refused(404, 'This build has been deleted.');
    const problems = layoutProblems(build);
    if (problems.length > 0) throw new Refused(422, describeProblems(problems));
    const name = fileNameOf(build.name, 'havrik.json');
    return new Response(writeBuildFile(build), {
      headers: {
        'content-type': 'application/json; charset=utf-8',
        'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
      },
    });
  });

/** A stretch of the list of builds: `find`, `order`, `from`, `count` in the address. */
export const getBuilds = (request: Request): Promise<Response> =>
  answering(async () => {
    const asked = Object.fromEntries(new URL(request.url).searchParams);
    const wanted = listSchema.safeParse(asked);
    if (!wanted.success) throw new Refused(400, describeProblems(problemsOf(wanted.error)));
    return Response.json(await listBuilds(wanted.data));
  });

/** Adds a build as it is in a page, sound or not; answers its id and name. */
export const addBuild = (request: Request): Promise<Response> =>
  answering(async () => {
    const { build } = await jsonBody(request, addSchema);
    const { id } = await createBuild(build);
    return Response.json({ id, name: build.name });
  });

/** A backup of everything, as a file to keep. */
export const getBackup = (): Promise<Response> =>
  answering(async () => {
    const path = databasePath();
    const { about, bytes } = await backupOf(path, path);
    const day = about.made.slice(0, 10);
    return new Response(Buffer.from(bytes), {
      headers: {
        'content-type': 'application/zip',
        'content-disposition': `attachment; filename="havrik-${day}.zip"`,
      },
    });
  });

/** Adds the build in a file's text; answers its id and name. */
export const importBuild = (request: Request): Promise<Response> =>
  answering(async () => {
    const { text } = await jsonBody(request, importSchema);
    const read = readBuildFile(text);
    if (!read.ok) throw new Refused(422, describeProblems(read.problems));
    const { id, build } = await createBuild(read.value);
    return Response.json({ id, name: build.name });
  });
