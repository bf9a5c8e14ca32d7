import { randomUUID } from 'node:crypto';
import { describeProblems, problemsOf } from '../core/model/problems';
import { partSchema } from '../core/model/parts';
import type { Part } from '../core/model/parts';
import type { PartRow } from './models';
import { reading } from './reading';
import { writing } from './writing';

/** A part on the shelf. One that cannot be read says why instead. */
export type Shelved = { id: string; name: string; kind: string } & (
  { part: Part; why: null } | { part: null; why: string }
);

const rowOf = (part: Part) => {
  const { kind, name, ...data } = part;
  return { kind, name, data: JSON.stringify(data) };
};

function shelvedOf({ id, kind, name, data }: PartRow): Shelved {
  let value: object;
  try {
    value = JSON.parse(data) as object;
  } catch {
    return { id, name, kind, part: null, why: 'its record is damaged in the database' };
  }
  const read = partSchema.safeParse({ kind, name, ...value });
  return read.success
    ? { id, name, kind, part: read.data, why: null }
    : { id, name, kind, part: null, why: describeProblems(problemsOf(read.error)) };
}

/** Every part on the shelf, by kind and name. */
export const listParts = (): Promise<Shelved[]> =>
  reading(async ({ parts }) => {
    const rows = await parts.findAll({ order: ['kind', 'name'] });
    return rows.map(shelvedOf);
  });

export const addPart = (part: Part): Promise<string> =>
  writing(async ({ parts }, transaction) => {
    const id = randomUUID();
    await parts.create({ id, ...rowOf(part) }, { transaction });
    return id;
  });

/** Changes a part; false when it is not there. */
export const changePart = (id: string, part: Part): Promise<boolean> =>
  writing(
    async ({ parts }, transaction) =>
      (await parts.update(rowOf(part), { where: { id }, transaction }))[0] > 0,
  );

/** Puts parts on a shelf that has never held any. */
export const stockIfEmpty = (stock: Part[]): Promise<void> =>
  writing(async ({ parts }, transaction) => {
    if ((await parts.count({ paranoid: false, transaction })) > 0) return;
    for (const part of stock)
      await parts.create({ id: randomUUID(), ...rowOf(part) }, { transaction });
  });
