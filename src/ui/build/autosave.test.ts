import { blankBuild } from '@/core/model/starts';
import { createAutosave } from './autosave';
import type { SaveState } from './autosave';

const build = (wheelbase: number) => ({ ...blankBuild('x'), wheelbase });
const requests: {
  url: string;
  keepalive?: boolean;
  body: { version: number; build: { wheelbase: number } };
}[] = [];
let answers: (() => Promise<Response>)[] = [];
const states: SaveState[] = [];
const kept = jest.fn();
const updated = jest.fn();
const onSaved = jest.fn();
const drafts: (number | null)[] = [];

const json = (value: unknown, status = 200) =>
  Promise.resolve(new Response(JSON.stringify(value), { status }));
const saved = (version: number) => () => json({ outcome: 'saved', version });

function make() {
  return createAutosave({
    id: 'one',
    version: 1,
    savedBy: 'me',
    onState: (state) => states.push(state),
    onSaved,
    onKept: kept,
    onUpdated: updated,
    onDraft: (draft) => drafts.push(draft?.build.wheelbase ?? null),
  });
}

beforeEach(() => {
  jest.useFakeTimers();
  requests.length = 0;
  states.length = 0;
  answers = [];
  drafts.length = 0;
  jest.resetAllMocks();
  globalThis.reportError = jest.fn();
  globalThis.fetch = (url, options) => {
    const { body, keepalive, signal } = options!;
    requests.push({ url: String(url), keepalive, body: JSON.parse(String(body)) as never });
    const answer = (answers.shift() ?? saved(requests.length + 1))();
    const given = new Promise<never>((_, reject) =>
      signal!.addEventListener('abort', () => reject(new DOMException('late', 'AbortError'))),
    );
    return Promise.race([answer, given]);
  };
});
afterEach(() => jest.useRealTimers());

it('saves once a moment after the last of several edits', async () => {
  const autosave = make();
  for (const wheelbase of [1, 2, 3]) autosave.changed(build(wheelbase));
  expect(autosave.isClean()).toBe(false);
  await jest.advanceTimersByTimeAsync(300);
  expect(requests.map(({ body }) => body.build.wheelbase)).toEqual([3]);
  expect(autosave.isClean()).toBe(true);
  expect(states.at(-1)).toEqual({ kind: 'saved' });
});

it('does not wait longer than a second while somebody goes on typing', async () => {
  const autosave = make();
  for (let i = 0; i < 10; i++) {
    autosave.changed(build(i));
    await jest.advanceTimersByTimeAsync(100);
  }
  expect(requests.length).toBeGreaterThanOrEqual(1);
});

it('sends one at a time, each over the version the last one made', async () => {
  let finish: (response: Response) => void = () => undefined;
  answers = [() => new Promise((resolve) => (finish = resolve)), saved(3)];
  const autosave = make();
  autosave.changed(build(1));
  await jest.advanceTimersByTimeAsync(300);
  autosave.changed(build(2));
  await jest.advanceTimersByTimeAsync(1000);
  expect(requests).toHaveLength(1);
  finish(new Response(JSON.stringify({ outcome: 'saved', version: 2 })));
  await jest.advanceTimersByTimeAsync(400);
  expect(requests.map(({ body }) => [body.version, body.build.wheelbase])).toEqual([
    [1, 1],
    [2, 2],
  ]);
});

it('says why a save failed, and tries again with the newest', async () => {
  answers = [
    () => Promise.reject(new TypeError('fetch failed')),
    () => json({ message: 'The disk is full' }, 503),
    saved(2),
  ];
  const autosave = make();
  autosave.changed(build(1));
  await jest.advanceTimersByTimeAsync(300);
  expect(states.at(-1)).toEqual({ kind: 'failed', why: 'Havrik’s server does not answer' });
  await jest.advanceTimersByTimeAsync(2000);
  expect(states.at(-1)).toEqual({ kind: 'failed', why: 'The disk is full' });
  autosave.changed(build(2));
  await jest.advanceTimersByTimeAsync(2000);
  expect(requests.at(-1)?.body.build.wheelbase).toBe(2);
  expect(states.at(-1)).toEqual({ kind: 'saved' });
});

it('goes on with the build of its own that the server kept for it', async () => {
  answers = [() => json({ outcome: 'kept', id: 'two', version: 1, name: 'x (other window)' })];
  const autosave = make();
  autosave.changed(build(1));
  await jest.advanceTimersByTimeAsync(300);
  expect(kept).toHaveBeenCalledWith({ id: 'two', name: 'x (other window)' });
  autosave.changed(build(2));
  await jest.advanceTimersByTimeAsync(300);
  expect(requests.at(-1)).toMatchObject({ url: '/api/builds/two', body: { version: 1 } });
});

it('does not take the kept build’s name back when more was typed meanwhile', async () => {
  let finish: (response: Response) => void = () => undefined;
  answers = [() => new Promise((resolve) => (finish = resolve))];
  const autosave = make();
  autosave.changed(build(1));
  await jest.advanceTimersByTimeAsync(300);
  autosave.changed(build(2));
  finish(
    new Response(
      JSON.stringify({ outcome: 'kept', id: 'two', version: 1, name: 'x (other window)' }),
    ),
  );
  await jest.advanceTimersByTimeAsync(400);
  expect(requests.at(-1)).toMatchObject({
    url: '/api/builds/two',
    body: { build: { wheelbase: 2, name: 'x (other window)' } },
  });
});

it('says so when the build was deleted elsewhere, does not knock for ever, and goes on in a new one', async () => {
  answers = [() => json({ outcome: 'gone' })];
  const autosave = make();
  autosave.changed(build(1));
  await jest.advanceTimersByTimeAsync(60_000);
  expect(states.at(-1)).toEqual({ kind: 'gone' });
  expect(requests).toHaveLength(1);
  expect(autosave.isClean()).toBe(false);
  autosave.goOnIn('new');
  await jest.advanceTimersByTimeAsync(300);
  expect(requests.at(-1)).toMatchObject({ url: '/api/builds/new', body: { version: 1 } });
  expect(autosave.isClean()).toBe(true);
});

it('is not failed by whoever is told of a save', async () => {
  onSaved.mockImplementation(() => {
    throw new Error('Channel is closed');
  });
  const autosave = make();
  autosave.changed(build(1));
  await jest.advanceTimersByTimeAsync(10_000);
  expect(requests).toHaveLength(1);
  expect(states.at(-1)).toEqual({ kind: 'saved' });
  expect(globalThis.reportError).toHaveBeenCalledTimes(1);
});

it('sends what is left when it is stopped, says nothing more and tries no more', async () => {
  const autosave = make();
  autosave.changed(build(1));
  const stopped = autosave.stop();
  await jest.advanceTimersByTimeAsync(0);
  await stopped;
  expect(requests.map(({ body }) => body.build.wheelbase)).toEqual([1]);
  expect(drafts.at(-1)).toBeNull();

  answers = [() => Promise.reject(new TypeError('fetch failed'))];
  const failing = make();
  failing.changed(build(2));
  const said = states.length;
  await failing.stop();
  await jest.advanceTimersByTimeAsync(60_000);
  expect(requests).toHaveLength(2);
  expect(states).toHaveLength(said);
  expect(drafts.at(-1)).toBe(2);
});

it('gives a server that hangs ten seconds, then says so and tries again', async () => {
  answers = [() => new Promise<Response>(() => undefined)];
  const autosave = make();
  autosave.changed(build(1));
  await jest.advanceTimersByTimeAsync(10_400);
  expect(states.at(-1)).toEqual({ kind: 'failed', why: 'Havrik’s server does not answer' });
  expect(autosave.isClean()).toBe(false);
  await jest.advanceTimersByTimeAsync(2_400);
  expect(states.at(-1)).toEqual({ kind: 'saved' });
});

it('waits for a change where the server does not take the build as it is', async () => {
  answers = [() => json({ message: 'build.layouts: at most 40 variants' }, 400)];
  const autosave = make();
  autosave.changed(build(1));
  await jest.advanceTimersByTimeAsync(60_000);
  expect(requests).toHaveLength(1);
  expect(states.at(-1)).toEqual({ kind: 'refused', why: 'layouts: at most 40 variants' });
  autosave.changed(build(2));
  await jest.advanceTimersByTimeAsync(300);
  expect(states.at(-1)).toEqual({ kind: 'saved' });
});

it('keeps a draft of what is typed until the server has it', async () => {
  const autosave = make();
  autosave.changed(build(1));
  autosave.changed(build(2));
  expect(drafts).toEqual([1, 2]);
  await jest.advanceTimersByTimeAsync(300);
  expect(drafts).toEqual([1, 2, null]);
});

it('lets a page that is going away send only what browsers then let through', async () => {
  const autosave = make();
  autosave.changed(build(1));
  await autosave.flush();
  autosave.changed({ ...build(2), note: 'ü'.repeat(40_000) });
  await autosave.flush();
  expect(requests.map(({ keepalive }) => keepalive)).toEqual([true, false]);
});

it('tells when the server is of another build of the program', async () => {
  answers = [
    () =>
      Promise.resolve(
        new Response('{"outcome":"newer"}', { headers: { 'x-havrik-built': 'another' } }),
      ),
  ];
  const autosave = make();
  autosave.changed(build(1));
  await jest.advanceTimersByTimeAsync(300);
  expect(updated).toHaveBeenCalled();
  expect(states.at(-1)).toMatchObject({ kind: 'refused', why: expect.stringMatching(/Reload/) });
});
