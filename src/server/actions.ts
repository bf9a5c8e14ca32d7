'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { partSchema } from '../core/model/parts';
import type { Part } from '../core/model/parts';
import { describeProblems, problemsOf } from '../core/model/problems';
import type { Problem } from '../core/model/problems';
import { newBuild as begunBuild, newBuildSchema } from '../core/model/starts';
import type { NewBuild } from '../core/model/starts';
import { deleteBuild, deletePart, emptyBin, restoreBuild, restorePart } from '../db/bin';
import { createBuild, duplicateBuild } from '../db/builds';
import { keepNow, noteSave } from '../db/saves';
import { label, remark } from '../core/model/wording';
import { addPart, changePart, listParts } from '../db/parts';
import type { Shelved } from '../db/parts';
import { DatabaseTrouble, UnreadableBuild } from '../db/trouble';

/** What an action answers: its result, or a message for the builder. */
export type Answer<T> = { ok: true; value: T } | { ok: false; message: string };

const idSchema = z.uuid('is not one of Havrik’s');

/** Changes the database on validated input, and what pages show of it; trouble comes back in words. */
async function answer<I, T>(
  schema: z.ZodType<I>,
  input: unknown,
  act: (input: I) => Promise<T | null | false>,
  refusal: (problems: Problem[]) => string = ([first]) => `The name ${first.message}`,
): Promise<Answer<T>> {
  const parsed = schema.safeParse(input);
  if (!parsed.success) return { ok: false, message: refusal(problemsOf(parsed.error)) };
  const answered = await inWords(() => act(parsed.data));
  if (answered.ok) revalidatePath('/', 'layout');
  return answered;
}

async function inWords<T>(act: () => Promise<T | null | false>): Promise<Answer<T>> {
  try {
    const value = await act();
    return value === null || value === false
      ? { ok: false, message: 'That is not there any more.' }
      : { ok: true, value };
  } catch (error) {
    if (!(error instanceof DatabaseTrouble || error instanceof UnreadableBuild)) throw error;
    return { ok: false, message: error.message };
  }
}

/** Makes a build of the kinds asked for, a sketch until it is set; answers its id. */
export async function newBuild(asked: NewBuild): Promise<Answer<string>> {
  return answer(
    newBuildSchema,
    asked,
    async (wanted) => (await createBuild(begunBuild(wanted))).id,
  );
}

/** Copies a build; answers the copy's id. */
export async function copyBuild(id: string): Promise<Answer<string>> {
  return answer(idSchema, id, async (value) => (await duplicateBuild(value))?.id ?? null);
}

/** Puts a build into the bin. */
export async function removeBuild(id: string): Promise<Answer<true>> {
  return answer(idSchema, id, async (value) => (await deleteBuild(value)) && (true as const));
}

/** Takes a build out of the bin. */
export async function putBack(id: string): Promise<Answer<true>> {
  return answer(idSchema, id, async (value) => (await restoreBuild(value)) && (true as const));
}

/** Throws away for good what was in the bin when it was shown, at the moment `seen` (ISO 8601). */
export async function throwAway(seen: string): Promise<Answer<true>> {
  return answer(z.iso.datetime('is not a date'), seen, async (value) => {
    await emptyBin(new Date(value));
    return true as const;
  });
}

const noteSchema = z.strictObject({ build: idSchema, save: idSchema, note: remark(200) });
const keepSchema = z.strictObject({ build: idSchema, note: label(200) });
const noteRefused = ([first]: Problem[]) => `The note ${first.message}`;

/** Keeps a build as it is saved now, with a note; answers the kept state's id. */
export async function keepState(build: string, note: string): Promise<Answer<string>> {
  return answer(
    keepSchema,
    { build, note },
    (given) => keepNow(given.build, given.note),
    noteRefused,
  );
}

/** Writes a note on a kept state; an empty one takes it away. */
export async function noteState(build: string, save: string, note: string): Promise<Answer<true>> {
  return answer(
    noteSchema,
    { build, save, note },
    async (given) => (await noteSave(given.build, given.save, given.note)) && (true as const),
    noteRefused,
  );
}

/** The parts shelf. */
export async function shelf(): Promise<Answer<Shelved[]>> {
  return inWords(listParts);
}

const changeSchema = z.strictObject({ id: idSchema.nullable(), part: partSchema });

/** Puts a part on the shelf, or changes the one with `id`; answers its id. */
export async function keepPart(id: string | null, part: Part): Promise<Answer<string>> {
  return answer(
    changeSchema,
    { id, part },
    async (given) =>
      given.id === null
        ? addPart(given.part)
        : (await changePart(given.id, given.part)) && given.id,
    (problems) =>
      describeProblems(problems.map((p) => ({ ...p, path: p.path.replace(/^part\./u, '') }))),
  );
}

/** Takes a part off the shelf, into the bin. */
export async function removePart(id: string): Promise<Answer<true>> {
  return answer(idSchema, id, async (value) => (await deletePart(value)) && (true as const));
}

/** Puts a removed part back. */
export async function putPartBack(id: string): Promise<Answer<true>> {
  return answer(idSchema, id, async (value) => (await restorePart(value)) && (true as const));
}
