'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { nameSchema } from '../core/model/build';
import { blankBuild } from '../core/model/starts';
import { createBuild, deleteBuild, duplicateBuild, restoreBuild } from '../db/builds';
import { DatabaseTrouble } from '../db/database';

/** What an action answers: its result, or a message for the builder. */
export type Answer<T> = { ok: true; value: T } | { ok: false; message: string };

const idSchema = z.uuid('that build’s address is not one of Havrik’s');

/** Runs a database action on validated input; trouble comes back in words. */
async function answer<I, T>(
  schema: z.ZodType<I>,
  input: unknown,
  act: (input: I) => Promise<T | null | false>,
): Promise<Answer<T>> {
  const parsed = schema.safeParse(input);
  if (!parsed.success) return { ok: false, message: `The name ${parsed.error.issues[0].message}` };
  try {
    const value = await act(parsed.data);
    if (value === null || value === false)
      return { ok: false, message: 'That build is not there any more.' };
    revalidatePath('/');
    return { ok: true, value };
  } catch (error) {
    if (!(error instanceof DatabaseTrouble)) throw error;
    return { ok: false, message: error.message };
  }
}

/** Makes a build from the blank layout; answers its id. */
export async function newBuild(name: string): Promise<Answer<string>> {
  return answer(nameSchema, name, async (value) => (await createBuild(blankBuild(value))).id);
}

/** Copies a build; answers the copy's id. */
export async function copyBuild(id: string): Promise<Answer<string>> {
  return answer(idSchema, id, async (value) => (await duplicateBuild(value))?.id ?? null);
}

/** Takes a build off the list. */
export async function removeBuild(id: string): Promise<Answer<true>> {
  return answer(idSchema, id, async (value) => (await deleteBuild(value)) && (true as const));
}

/** Puts a removed build back. */
export async function putBack(id: string): Promise<Answer<true>> {
  return answer(idSchema, id, async (value) => {
    await restoreBuild(value);
    return true as const;
  });
}
