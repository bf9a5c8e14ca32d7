import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readBuildFile, writeBuildFile } from '../core/file/buildFile';
import type { Check, KeptCheck } from '../core/model/build';
import { blankBuild } from '../core/model/starts';
import { aCheck, aReading } from '../test/checks';
import { clearOldBin, deleteBuild, emptyBin, restoreBuild } from './bin';
import { createBuild, duplicateBuild, openBuild, saveBuild, wholeBuild } from './builds';
import { checksOf, deleteCheck, keepCheck, keepReadings, restoreCheck } from './checks';
import { database } from './database';
import { stopWriting } from './writing';

const folder = mkdtempSync(join(tmpdir(), 'havrik-checks-'));
let count = 0;
beforeEach(() => {
  process.env.HAVRIK_DB = join(folder, `test-${count++}`, 'havrik.sqlite');
});
afterEach(stopWriting);

const build = blankBuild('Checked');
const alone = ({ readings: _, ...check }: KeptCheck): Check => check;
const READINGS = [
  aReading('a', { values: [10.25] }),
  aReading('b', {
    ...{ asTravel: true, going: 'down', from: 'level', leftOut: true, round: 1, side: 'both' },
    ...{ method: 'tape', unit: 'in', at: '2026-03-01T10:01:00.000Z' },
  }),
];

it('keeps a check and every reading as a row of its own', async () => {
  const { id } = await createBuild(build);
  const check = aCheck(build, 'one');
  expect(await keepCheck(id, alone(check))).toBe(true);
  expect(await keepReadings(id, 'one', READINGS, [])).toBe(true);
  expect(await checksOf(id)).toEqual({ checks: [{ ...check, readings: READINGS }], gone: [] });
  const { readings } = await database();
  expect(await readings.count()).toBe(2);
});

it('has what is sent twice once, and gives back what was taken away', async () => {
  const { id } = await createBuild(build);
  await keepCheck(id, alone(aCheck(build, 'one')));
  await keepReadings(id, 'one', READINGS, []);
  await keepReadings(id, 'one', [{ ...READINGS[0], values: [11] }], ['b']);
  const read = async () => (await checksOf(id))!.checks[0].readings;
  expect(await read()).toEqual([{ ...READINGS[0], values: [11] }]);
  await keepReadings(id, 'one', READINGS, []);
  expect(await read()).toEqual(READINGS);
});

it('takes nothing for a check or a build that is not there, nor another’s', async () => {
  const { id } = await createBuild(build);
  const { id: other } = await createBuild(build);
  const check = alone(aCheck(build, 'one'));
  expect(await keepCheck('nowhere', check)).toBe(false);
  expect(await checksOf('nowhere')).toBeNull();
  await keepCheck(id, check);
  expect(await keepCheck(other, check)).toBe(false);
  expect(await keepReadings(other, 'one', READINGS, [])).toBe(false);
  await keepReadings(id, 'one', READINGS, []);
  await keepCheck(other, { ...check, id: 'two' });
  // One reading of another check refuses the whole: nothing of it is half written.
  expect(await keepReadings(other, 'two', [aReading('c'), READINGS[0]], [])).toBe(false);
  expect((await checksOf(id))!.checks[0].readings).toEqual(READINGS);
  expect((await checksOf(other))!.checks[0].readings).toEqual([]);
});

it('takes a check away and gets it back with its readings', async () => {
  const { id } = await createBuild(build);
  await keepCheck(id, alone(aCheck(build, 'one')));
  await keepReadings(id, 'one', READINGS, []);
  expect(await deleteCheck(id, 'one')).toBe(true);
  expect(await checksOf(id)).toMatchObject({
    checks: [],
    gone: [{ id: 'one', name: 'Check one' }],
  });
  expect(await keepReadings(id, 'one', READINGS, [])).toBe(false);
  expect(await restoreCheck(id, 'one')).toBe(true);
  expect((await checksOf(id))!.checks[0].readings).toHaveLength(2);
  expect(await restoreCheck(id, 'nobody')).toBe(false);
  // What was in the bin for long goes for good.
  await deleteCheck(id, 'one');
  await clearOldBin(new Date(Date.now() + 400 * 86_400_000));
  expect(await checksOf(id)).toEqual({ checks: [], gone: [] });
});

it('goes out in the build’s file and comes in again under names of its own', async () => {
  const { id } = await createBuild({
    ...build,
    checks: [aCheck(build, 'one', { readings: READINGS }), aCheck(build, 'two')],
  });
  // The document that pages have holds none of it.
  expect(await openBuild(id)).toEqual({ id, version: 1, build });
  const whole = (await wholeBuild(id))!;
  expect(whole.checks).toHaveLength(2);
  const read = readBuildFile(writeBuildFile(whole));
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  const { id: copy } = await createBuild(read.value);
  const told = (checks: KeptCheck[] = []) =>
    checks.map(({ name, readings }) => [name, readings.map(({ values }) => values)]).sort();
  expect(told((await wholeBuild(copy))!.checks)).toEqual(told(whole.checks));
  const { id: double } = (await duplicateBuild(id))!;
  expect(told((await wholeBuild(double))!.checks)).toEqual(told(whole.checks));
  // A save of the document leaves them where they are.
  await saveBuild(id, 1, { ...build, wheelbase: 2300 }, 'me');
  expect(told((await wholeBuild(id))!.checks)).toEqual(told(whole.checks));
});

it('goes with its build into the bin, out of it, and for good', async () => {
  const { id } = await createBuild({
    ...build,
    checks: [aCheck(build, 'one', { readings: READINGS })],
  });
  await deleteBuild(id);
  expect(await checksOf(id)).toBeNull();
  await restoreBuild(id);
  expect((await checksOf(id))!.checks[0].readings).toHaveLength(2);
  await deleteBuild(id);
  await emptyBin(new Date());
  const { checks, readings } = await database();
  expect([await checks.count(), await readings.count()]).toEqual([0, 0]);
});
