import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { partSchema } from '../core/model/parts';
import { STARTER_SHELF } from '../core/model/starterShelf';
import { deletePart, restorePart } from './bin';
import { database } from './database';
import { addPart, changePart, listParts, stockIfEmpty } from './parts';
import { stopWriting } from './writing';

const folder = mkdtempSync(join(tmpdir(), 'havrik-parts-'));
let count = 0;
beforeEach(() => {
  process.env.HAVRIK_DB = join(folder, `${count++}.sqlite`);
});
afterEach(stopWriting);

it('starts with an invented set, once', async () => {
  await stockIfEmpty(STARTER_SHELF);
  const [first, ...rest] = await listParts();
  expect(rest).toHaveLength(STARTER_SHELF.length - 1);
  for (const part of STARTER_SHELF) expect(partSchema.parse(part)).toEqual(part);
  await deletePart(first.id);
  await stockIfEmpty(STARTER_SHELF);
  expect(await listParts()).toHaveLength(rest.length);
});

it('keeps, changes, removes and puts back a part', async () => {
  const part = STARTER_SHELF.find(({ kind }) => kind === 'rack')!;
  const id = await addPart(part);
  expect(await listParts()).toEqual([{ id, name: part.name, kind: 'rack', part, why: null }]);
  expect(await changePart(id, { ...part, name: 'Other rack' })).toBe(true);
  expect((await listParts())[0].part?.name).toBe('Other rack');
  expect(await changePart('nowhere', part)).toBe(false);
  expect(await deletePart(id)).toBe(true);
  expect(await deletePart(id)).toBe(false);
  expect(await listParts()).toEqual([]);
  await restorePart(id);
  expect(await listParts()).toHaveLength(1);
});

it('says what is wrong with a record it cannot read, and keeps it', async () => {
  const { parts } = await database();
  await parts.create({ id: 'a', kind: 'tube', name: 'Odd', data: '{"outside":-1}' });
  await parts.create({ id: 'b', kind: 'tube', name: 'Torn', data: '{' });
  const [odd, torn] = await listParts();
  expect(odd).toMatchObject({ part: null, why: expect.stringContaining('outside is -1') });
  expect(torn).toMatchObject({ part: null, why: expect.stringContaining('damaged') });
});
