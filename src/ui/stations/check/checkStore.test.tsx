import { blankBuild } from '@/core/model/starts';
import { aCheck, aReading } from '@/test/checks';
import {
  dropReading,
  keepCheck,
  keepReadings,
  loadChecks,
  sendPending,
  useChecks,
} from './checkStore';

const build = blankBuild('Stands');
const { readings: _, ...check } = aCheck(build, 'c1');

/** A server that keeps what it is sent, or does not answer. */
function serverOf() {
  const server = {
    answers: true,
    /** Whether what was written is answered. */
    loses: false,
    readings: new Map<string, unknown>(),
    checks: new Map<string, object>(),
    writes: 0,
  };
  global.fetch = jest.fn(async (_: string, init?: RequestInit) => {
    if (!server.answers) throw new TypeError('Failed to fetch');
    const json = (value: unknown) =>
      ({ ok: true, status: 200, json: async () => value }) as unknown as Response;
    if (init?.method !== 'PUT')
      return json({
        checks: [...server.checks.values()].map((one) => ({
          ...one,
          readings: [...server.readings.values()],
        })),
        gone: [],
      });
    server.writes++;
    const body = JSON.parse(String(init.body)) as {
      check?: { id: string };
      readings?: { id: string }[];
      removed?: string[];
    };
    if (body.check) server.checks.set(body.check.id, body.check);
    for (const one of body.readings ?? []) server.readings.set(one.id, one);
    for (const id of body.removed ?? []) server.readings.delete(id);
    if (server.loses) throw new TypeError('connection lost');
    return json({ kept: 1 });
  }) as never;
  return server;
}

const shown = () => useChecks.getState().list?.[0]?.readings.map(({ id }) => id);

beforeEach(() => {
  jest.useFakeTimers();
  localStorage.clear();
  useChecks.setState({ buildId: '', list: null, gone: [], trouble: '', waiting: 0 });
});
afterEach(() => jest.useRealTimers());

it('shows a reading at once and writes it to the server', async () => {
  const server = serverOf();
  await loadChecks('b1');
  keepCheck(check);
  keepReadings('c1', [aReading('r1')]);
  expect(shown()).toEqual(['r1']);
  await sendPending();
  expect([...server.readings.keys()]).toEqual(['r1']);
  expect(useChecks.getState()).toMatchObject({ waiting: 0, trouble: '' });
});

it('queues while the connection is away and sends all of it once, none twice', async () => {
  const server = serverOf();
  await loadChecks('b2');
  keepCheck(check);
  await sendPending();
  server.answers = false;
  keepReadings('c1', [aReading('r1')]);
  keepReadings('c1', [aReading('r2')]);
  await sendPending();
  expect(useChecks.getState()).toMatchObject({
    waiting: 2,
    trouble: 'Havrik’s server does not answer',
  });
  expect(shown()).toEqual(['r1', 'r2']);
  server.answers = true;
  await jest.advanceTimersByTimeAsync(2500);
  await sendPending();
  expect([...server.readings.keys()]).toEqual(['r1', 'r2']);
  expect(useChecks.getState()).toMatchObject({ waiting: 0, trouble: '' });
});

it('sends again what was written and not answered: the same reading, under its own name', async () => {
  const server = serverOf();
  await loadChecks('b3');
  keepCheck(check);
  await sendPending();
  server.loses = true;
  keepReadings('c1', [aReading('r1')]);
  await sendPending();
  expect(useChecks.getState().waiting).toBe(1);
  server.loses = false;
  await jest.advanceTimersByTimeAsync(2500);
  await sendPending();
  expect(server.readings.size).toBe(1);
  expect(useChecks.getState().waiting).toBe(0);
});

it('finds what a page that died had not sent', async () => {
  const server = serverOf();
  await loadChecks('b4');
  keepCheck(check);
  await sendPending();
  server.answers = false;
  keepReadings('c1', [aReading('r1')]);
  await sendPending();
  // The page dies; another opens the same build.
  useChecks.setState({ buildId: '', list: null, waiting: 0 });
  server.answers = true;
  await loadChecks('b4');
  expect(shown()).toEqual(['r1']);
  expect([...server.readings.keys()]).toEqual(['r1']);
});

it('takes a reading away and gets it back', async () => {
  const server = serverOf();
  await loadChecks('b5');
  keepCheck(check);
  keepReadings('c1', [aReading('r1'), aReading('r2')]);
  await sendPending();
  dropReading('c1', 'r1');
  expect(shown()).toEqual(['r2']);
  await sendPending();
  expect([...server.readings.keys()]).toEqual(['r2']);
  keepReadings('c1', [aReading('r1')]);
  await sendPending();
  expect(server.readings.size).toBe(2);
});
