import { z } from 'zod';
import { fileNameOf, readBuildFile, writeBuildFile } from '../core/file/buildFile';
import { layoutProblems } from '../core/file/check';
import { buildSchema } from '../core/model/build';
import { describeProblems, problemsOf } from '../core/model/problems';
import { STRETCH } from '../core/summary/stretch';
import { backupOf } from '../db/backup';
import { createBuild, openBuild, saveBuild, wholeBuild } from '../db/builds';
import type { Saved } from '../db/builds';
import { databasePath } from '../db/database';
import { ORDERS, listBuilds } from '../db/list';
import type { BuildList } from '../db/list';
import { listSaves, openSave } from '../db/saves';
import type { KeptSave } from '../db/saves';
import { Refused, answering, buildId, jsonBody } from './answers';

export type { BuildList, KeptSave, Saved };

const saveSchema = z.strictObject({
  version: z.int().min(1),
  savedBy: z.string().min(1).max(64),
  build: buildSchema,
});
const importSchema = z.strictObject({ text: z.string() });
const addSchema = z.strictObject({ build: buildSchema });
const listSchema = z.strictObject({
  find: z.string().max(200).default(''),
  order: z.enum(ORDERS).default('worked'),
  from: z.coerce.number().int().min(0).default(0),
  count: z.coerce.number().int().min(1).max(200).default(STRETCH),
});

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
