import { create } from 'zustand';
import { z } from 'zod';
import { checkSchema, keptCheckSchema } from '@/core/model/build';
import type { Check, KeptCheck } from '@/core/model/build';
import { SCENARIOS, readingSchema } from '@/core/model/checks';
import type { CheckReading, ScenarioId } from '@/core/model/checks';
import type { Debrief } from '@/core/training/debrief';
import { buildIdIn } from '../../build/place';
import type { StationState } from '@/core/judging/stationStates';

/** What was read or said and has not reached the server yet; it outlives the page. */
const pendingSchema = z.object({
  checks: z.array(checkSchema),
  readings: z.array(z.object({ check: z.string(), reading: readingSchema })),
  removed: z.array(z.object({ check: z.string(), id: z.string() })),
});
type Pending = z.infer<typeof pendingSchema>;

const answerSchema = z.object({
  checks: z.array(keptCheckSchema),
  gone: z.array(z.object({ id: z.string(), name: z.string(), at: z.string() })),
});

interface ChecksState {
  buildId: string;
  /** The last begun first; null until they are there. */
  list: readonly KeptCheck[] | null;
  gone: readonly { id: string; name: string; at: string }[];
  /** Why nothing comes through; empty while it does. */
  trouble: string;
  /** How much is still to be sent. */
  waiting: number;
  /** How the check that was looked at last stands; null before one was. */
  standing: StationState | null;
}

/** The checks of the build that is open. */
export const useChecks = create<ChecksState>(() => ({
  buildId: '',
  list: null,
  gone: [],
  trouble: '',
  waiting: 0,
  standing: null,
}));

const NOTHING: Pending = { checks: [], readings: [], removed: [] };
/** After a failure, ms. */
const RETRY = 2000;
/** Readings that are sent at once. */
const BATCH = 200;

const keyOf = (buildId: string) => `havrik-checks-${buildId}`;

let pending: Pending = NOTHING;
let sending: Promise<void> | null = null;
let retry: ReturnType<typeof setTimeout> | undefined;

const sizeOf = ({ checks, readings, removed }: Pending) =>
  checks.length + readings.length + removed.length;

/** What is still to be sent is written down before anything else happens to it. */
function remember(next: Pending): void {
  pending = next;
  const { buildId } = useChecks.getState();
  try {
    if (sizeOf(next) === 0) localStorage.removeItem(keyOf(buildId));
    else localStorage.setItem(keyOf(buildId), JSON.stringify(next));
  } catch {
    // A browser that keeps nothing still sends.
  }
  useChecks.setState({ waiting: sizeOf(next) });
}

function recalled(buildId: string): Pending {
  try {
    const read = pendingSchema.safeParse(JSON.parse(localStorage.getItem(keyOf(buildId)) ?? '{}'));
    return read.success ? read.data : NOTHING;
  } catch {
    return NOTHING;
  }
}

/** A list as it will be once everything has come through. */
function withPending(
  list: readonly KeptCheck[],
  { checks, readings, removed }: Pending,
): KeptCheck[] {
  const all = new Map(list.map((check) => [check.id, check]));
  for (const check of checks)
    all.set(check.id, { ...check, readings: all.get(check.id)?.readings ?? [] });
  for (const { check: id, reading } of readings) {
    const check = all.get(id);
    if (check) all.set(id, { ...check, readings: put(check.readings, reading) });
  }
  for (const { check: id, id: reading } of removed) {
    const check = all.get(id);
    if (check)
      all.set(id, { ...check, readings: check.readings.filter((one) => one.id !== reading) });
  }
  return [...all.values()].sort((a, b) => b.begun.localeCompare(a.begun));
}

const put = (list: readonly CheckReading[], reading: CheckReading): CheckReading[] =>
  list.some(({ id }) => id === reading.id)
    ? list.map((one) => (one.id === reading.id ? reading : one))
    : [...list, reading];

/** Fetches the checks of a build; what a page that died had not sent is sent first. */
export async function loadChecks(buildId: string): Promise<void> {
  if (useChecks.getState().buildId !== buildId) {
    useChecks.setState({ buildId, list: null, gone: [], trouble: '', standing: null });
    remember(recalled(buildId));
  }
  await sendPending();
  try {
    const response = await fetch(`/api/builds/${buildId}/checks`);
    if (!response.ok) throw new Error(await whyOf(response));
    const { checks, gone } = answerSchema.parse(await response.json());
    if (useChecks.getState().buildId !== buildId) return;
    useChecks.setState({ list: withPending(checks, pending), gone, trouble: '' });
  } catch (error) {
    useChecks.setState({ trouble: wordsOf(error) });
    again(() => void loadChecks(buildId));
  }
}

/** The checks of the build that is open, what is still to be sent included; null where the server does not answer. */
export async function checksOfBuild(): Promise<readonly KeptCheck[] | null> {
  await loadChecks(buildIdIn(window.location.pathname));
  const { list, trouble } = useChecks.getState();
  return trouble === '' ? list : null;
}

function again(what: () => void): void {
  clearTimeout(retry);
  retry = setTimeout(what, RETRY);
}

/** Shows at once what was said, and sends it. */
function change(next: Pending): void {
  remember(next);
  useChecks.setState(({ list }) => ({ list: withPending(list ?? [], next) }));
  void sendPending();
}

/** Begins a check, or changes what is said of it. */
export const keepCheck = (check: Check): void =>
  change({ ...pending, checks: [...pending.checks.filter(({ id }) => id !== check.id), check] });

/** Writes readings, or changes them. */
export function keepReadings(check: string, readings: readonly CheckReading[]): void {
  const ids = new Set(readings.map(({ id }) => id));
  change({
    ...pending,
    readings: [
      ...pending.readings.filter(({ reading }) => !ids.has(reading.id)),
      ...readings.map((reading) => ({ check, reading })),
    ],
    removed: pending.removed.filter(({ id }) => !ids.has(id)),
  });
}

/** Takes a reading away; written again it comes back. */
export const dropReading = (check: string, id: string): void =>
  change({
    ...pending,
    readings: pending.readings.filter(({ reading }) => reading.id !== id),
    removed: [...pending.removed.filter((one) => one.id !== id), { check, id }],
  });

/** Takes a check away, or gets it back; false where the server does not hear. */
export async function binCheck(id: string, away: boolean): Promise<boolean> {
  await sendPending();
  const { buildId } = useChecks.getState();
  const response = await fetch(`/api/builds/${buildId}/checks/${id}`, {
    method: away ? 'DELETE' : 'POST',
  }).catch(() => null);
  if (!response?.ok) return false;
  await loadChecks(buildId);
  return true;
}

const debriefSchema = z.object({
  truth: z.array(z.string()),
  allowed: z.array(z.string()),
  asBuilt: z
    .number()
    .nullable()
    .transform((worst) => worst ?? Infinity),
  worst: z
    .number()
    .nullable()
    .transform((worst) => worst ?? Infinity),
  inBand: z.boolean(),
  loose: z.boolean(),
  minutes: z.number(),
  fewest: z.object({ minutes: z.number(), words: z.string() }).nullable(),
  tried: z.number(),
  was: z.enum(SCENARIOS),
}) satisfies z.ZodType<Debrief>;

/** Ends a training, what is still to be sent being sent before; null where the server does not answer. */
export async function endTraining(id: string, guess: ScenarioId): Promise<Debrief | null> {
  await sendPending();
  const { buildId, list } = useChecks.getState();
  const response = await fetch(`/api/builds/${buildId}/checks/${id}/debrief`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ guess }),
  }).catch(() => null);
  if (!response?.ok || sizeOf(pending) > 0) return null;
  const read = z.object({ debrief: debriefSchema }).safeParse(await response.json());
  if (!read.success) return null;
  if (!list?.find((check) => check.id === id)?.training?.result) await loadChecks(buildId);
  return read.data.debrief;
}

/** Sends what is still to be sent, one request after another; what is not heard is tried again. */
export function sendPending(): Promise<void> {
  sending ??= sendAll().finally(() => {
    sending = null;
  });
  return sending;
}

async function sendAll(): Promise<void> {
  while (sizeOf(pending) > 0) {
    const { buildId } = useChecks.getState();
    try {
      await sendSome(buildId);
      if (useChecks.getState().trouble !== '') useChecks.setState({ trouble: '' });
    } catch (error) {
      useChecks.setState({ trouble: wordsOf(error) });
      again(() => void sendPending());
      return;
    }
  }
}

/** One request's worth: a check before what was read in it. What was changed meanwhile stays to be sent. */
async function sendSome(buildId: string): Promise<void> {
  const [check] = pending.checks;
  if (check) {
    await ask(`/api/builds/${buildId}/checks/${check.id}`, { check });
    remember({ ...pending, checks: pending.checks.filter((one) => one !== check) });
    return;
  }
  const id = (pending.readings[0] ?? pending.removed[0]).check;
  const readings = pending.readings.filter((one) => one.check === id).slice(0, BATCH);
  const removed = pending.removed.filter((one) => one.check === id).slice(0, BATCH);
  await ask(`/api/builds/${buildId}/checks/${id}/readings`, {
    readings: readings.map(({ reading }) => reading),
    removed: removed.map((one) => one.id),
  });
  remember({
    ...pending,
    readings: pending.readings.filter((one) => !readings.includes(one)),
    removed: pending.removed.filter((one) => !removed.includes(one)),
  });
}

async function ask(address: string, body: unknown): Promise<void> {
  const response = await fetch(address, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!response.ok) throw new Error(await whyOf(response));
}

async function whyOf(response: Response): Promise<string> {
  const body = (await response.json().catch(() => ({}))) as { message?: string };
  return body.message ?? `the server answered ${response.status}`;
}

const wordsOf = (error: unknown): string =>
  error instanceof TypeError ? 'Havrik’s server does not answer' : (error as Error).message;
