import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readLine, writeLine } from '../core/instruments/protocol';
import type { Check, KeptCheck } from '../core/model/build';
import type { Training } from '../core/model/checks';
import { blankBuild } from '../core/model/starts';
import { createBuild } from '../db/builds';
import { stopWriting } from '../db/writing';
import { aCheck, aReading } from '../test/checks';
import { message, send } from '../test/requests';
import {
  bringCheckBack,
  debrief,
  getChecks,
  listenToStandIn,
  putCheck,
  putReadings,
  removeCheck,
} from './checkRequests';
import type { BuildChecks } from './checkRequests';
import {
  bringInstrumentBack,
  getHeard,
  getInstruments,
  listenToHeard,
  postHeard,
  putInstrument,
  removeInstrument,
} from './instrumentRequests';
import { exportBuild, importBuild } from './requests';
import type { Ended } from './training';

beforeAll(() => {
  process.env.HAVRIK_DB = join(mkdtempSync(join(tmpdir(), 'havrik-checks-')), 'havrik.sqlite');
});
afterAll(stopWriting);

const build = blankBuild('Asked for');

/** The first lines that come. */
async function first(response: Response): Promise<string[]> {
  const reader = response.body!.getReader();
  const { value } = await reader.read();
  await reader.cancel();
  return linesOf(value);
}
const linesOf = (bytes?: Uint8Array) =>
  new TextDecoder()
    .decode(bytes)
    .split('\n\n')
    .flatMap((one) => (one.startsWith('data: ') ? [one.slice(6)] : []));

it('keeps checks and readings, and says what it does not take', async () => {
  const { id } = await createBuild(build);
  const { readings: _, ...check } = aCheck(build, 'check-1');
  expect((await putCheck(id, 'check-1', send({ check }))).status).toBe(200);
  expect(await message(await putCheck(id, 'other', send({ check })))).toMatch(
    /^400 .*another name/u,
  );
  const reading = aReading('r1');
  const put = (body: unknown, at = 'check-1') => putReadings(id, at, send(body));
  expect((await put({ readings: [reading] })).status).toBe(200);
  expect(await message(await put({ readings: [{ ...reading, plusMinus: 'x' }] }))).toMatch(
    /^400 readings\.0\.plusMinus is not a number/u,
  );
  expect(await message(await put({ readings: [] }, 'nobody'))).toMatch(/^404 /u);
  const told = (await (await getChecks(id)).json()) as BuildChecks;
  expect(told.checks).toMatchObject([{ id: 'check-1', readings: [{ id: 'r1' }] }]);
  expect((await removeCheck(id, 'check-1')).status).toBe(200);
  expect(await message(await removeCheck(id, 'check-1'))).toMatch(/^404 /u);
  expect((await bringCheckBack(id, 'check-1')).status).toBe(200);
  const file = JSON.parse(await (await exportBuild(id)).text()) as { checks: unknown[] };
  expect(file.checks).toHaveLength(1);
  expect(await message(await getChecks('b3a2'))).toMatch(/^404 /u);
});

describe('a simulated instrument', () => {
  const listen = async (more: Record<string, string> = {}, ended = new AbortController()) => {
    const { id } = await createBuild(build);
    const { readings: _, ...check } = aCheck(build, `check-${Math.random()}`);
    await putCheck(id, check.id, send({ check }));
    const asked = new URLSearchParams({
      ...{ session: 's', build: id, check: check.id, device: 'dials', side: 'left', travel: '20' },
      ...more,
    });
    const address = `http://127.0.0.1/api/stand-ins?${asked.toString()}`;
    return listenToStandIn(new Request(address, { signal: ended.signal }));
  };
  it('speaks as long as somebody listens, of the wheel where it stands', async () => {
    const response = await listen();
    expect(response.headers.get('content-type')).toBe('text/event-stream');
    const lines = await first(response);
    expect(lines).toHaveLength(2);
    for (const line of lines) expect(readLine(line).ok).toBe(true);
    const values = async (travel: string) =>
      (await first(await listen({ travel, session: 'same' }))).map((line) => {
        const heard = readLine(line);
        return heard.ok ? heard.said : null;
      });
    const [up] = await values('50');
    const [down] = await values('-50');
    expect(Math.abs(up!.value! - down!.value!)).toBeGreaterThan(0.5);
  });

  it('stays the same instrument while it is asked for by its name', async () => {
    const { id } = await createBuild(build);
    const { readings: _, ...check } = aCheck(build, 'one-instrument');
    await putCheck(id, check.id, send({ check }));
    const count = async () => {
      const asked = new URLSearchParams({
        ...{ session: 'mine', build: id, check: check.id, device: 'level', side: 'left' },
        travel: '0',
      });
      const [line] = await first(
        await listenToStandIn(new Request(`http://127.0.0.1/?${asked.toString()}`)),
      );
      const heard = readLine(line);
      return heard.ok ? heard.said.count : NaN;
    };
    expect([await count(), await count(), await count()]).toEqual([0, 1, 2]);
  });

  it('refuses what there is not, in words', async () => {
    expect(await message(await listen({ device: 'tape' }))).toMatch(/^400 device /u);
    expect(await message(await listen({ check: 'nobody' }))).toMatch(/^404 /u);
    expect(await message(await listen({ travel: 'x' }))).toMatch(/^400 travel /u);
  });
});

describe('a car to train on', () => {
  const begin = async (training: Training) => {
    const { id } = await createBuild(build);
    const { readings: _, ...check } = aCheck(build, `trained-${Math.random()}`, { training });
    await putCheck(id, check.id, send({ check }));
    return { id, check };
  };
  const camber = async (id: string, { id: check }: Check, going: string, session: string) => {
    const asked = new URLSearchParams({
      ...{ session, build: id, check, device: 'dials', side: 'left', travel: '0', going },
    });
    const [front, rear] = (
      await first(await listenToStandIn(new Request(`http://127.0.0.1/?${asked.toString()}`)))
    ).map((line) => {
      const heard = readLine(line);
      return heard.ok ? heard.said.value! : NaN;
    });
    return front - rear;
  };

  it('is read with what is hidden in it, until the loose joint was nipped up', async () => {
    const training: Training = { scenario: 'loose', seed: 4, acts: [] };
    const { id, check } = await begin(training);
    const apart = async () =>
      (await camber(id, check, 'up', 'a')) - (await camber(id, check, 'down', 'b'));
    // 0.24° over gauges 300 mm apart, give or take what they tremble by.
    expect(Math.abs(await apart())).toBeGreaterThan(1);
    const at = '2026-03-01T09:10:00.000Z';
    const acts = [{ at, did: 'looked' as const, of: 'tieRodOuter', found: 'nipped up' }];
    await putCheck(id, check.id, send({ check: { ...check, training: { ...training, acts } } }));
    expect(Math.abs(await apart())).toBeLessThan(0.1);
  });

  it('ends once, and is told again as it ended', async () => {
    const { id, check } = await begin({ scenario: 'washer', seed: 2, acts: [] });
    const end = async (guess: string) =>
      (await (await debrief(id, check.id, send({ guess }))).json()) as Ended;
    const ended = await end('rack');
    expect(ended.debrief).toMatchObject({ was: 'washer', inBand: false, minutes: 25 });
    expect(ended.check.training!.result).toMatchObject({ guess: 'rack', inBand: false });
    expect((await end('washer')).check.training!.result).toEqual(ended.check.training!.result);
    const told = (await (await getChecks(id)).json()) as { checks: KeptCheck[] };
    expect(told.checks[0].training).toEqual(ended.check.training);
    expect(await message(await debrief(id, check.id, send({ guess: 'luck' })))).toMatch(/^400 /u);
    expect(await message(await debrief(id, 'nobody', send({ guess: 'rack' })))).toMatch(/^404 /u);
  });
});

describe('the workshop’s instruments', () => {
  const level = {
    ...{ id: 'l1', name: 'Level, top drawer', device: 'level', plusMinus: 0.05 },
    ...{ baud: 4800, note: 'set to nought on the plate' },
  };
  const put = (instrument: object, id = 'l1') => putInstrument(id, send({ instrument }));
  const all = async () => (await getInstruments()).json();

  it('are kept, not two of one name, and come back', async () => {
    expect((await put(level)).status).toBe(200);
    expect((await put({ ...level, plusMinus: 0.1 })).status).toBe(200);
    expect(await all()).toEqual({ instruments: [{ ...level, plusMinus: 0.1 }], gone: [] });
    expect(await message(await put({ ...level, id: 'l2' }, 'l2'))).toMatch(/^409 .*called “Level/u);
    expect(await message(await put({ ...level, plusMinus: 0 }))).toMatch(
      /^400 instrument\.plusMinus is/u,
    );
    expect((await removeInstrument('l1')).status).toBe(200);
    expect(await message(await removeInstrument('l1'))).toMatch(/^404 /u);
    expect(await all()).toEqual({ instruments: [], gone: [{ id: 'l1', name: level.name }] });
    // Another has taken its name meanwhile.
    await put({ ...level, id: 'l3' }, 'l3');
    expect((await bringInstrumentBack('l1')).status).toBe(200);
    expect(await all()).toMatchObject({
      instruments: [{ id: 'l3' }, { id: 'l1', name: 'Level, top drawer (again)' }],
    });
  });

  it('go with the file of a build that was read with them, and come with it', async () => {
    const { id } = await createBuild(build);
    const { readings: _, ...check } = aCheck(build, 'with-level');
    await putCheck(id, check.id, send({ check }));
    await putReadings(
      id,
      check.id,
      send({
        readings: [aReading('w1', { method: 'level', values: [1], unit: 'deg', from: level.name })],
      }),
    );
    const text = await (await exportBuild(id)).text();
    const { instruments } = JSON.parse(text) as { instruments: unknown[] };
    expect(instruments).toEqual([{ ...level, id: 'instrument-1' }]);
    await removeInstrument('l3');
    expect((await importBuild(send({ text }))).status).toBe(200);
    expect(await all()).toMatchObject({
      instruments: [{ name: level.name, baud: 4800 }, { name: 'Level, top drawer (again)' }],
    });
  });
});

it('passes on what one window hears to those that listen in, in whole lines', async () => {
  const line = writeLine({ device: 'level', channel: 'camber', value: 1.5, unit: 'deg', count: 3 });
  const ended = new AbortController();
  const response = await listenToHeard(
    'port-1',
    new Request('http://127.0.0.1/', { signal: ended.signal }),
  );
  const reader = response.body!.getReader();
  await reader.read();
  expect(await (await getHeard()).json()).toEqual([]);
  const say = (text: string) => postHeard('port-1', send({ name: 'Level', text }));
  expect((await say(line.slice(0, 10))).status).toBe(200);
  expect((await say(`${line.slice(10)}\n${line.slice(0, 5)}`)).status).toBe(200);
  expect(linesOf((await reader.read()).value)).toEqual([line]);
  expect(await (await getHeard()).json()).toEqual([{ session: 'port-1', name: 'Level' }]);
  ended.abort();
  expect((await say('\n')).status).toBe(200);
  expect(await message(await postHeard('port-1', send({ name: '', text: '' })))).toMatch(/^400 /u);
});
