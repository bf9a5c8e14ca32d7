import { blankBuild } from '@/core/model/starts';
import { createAutosave } from './autosave';
import type { SaveState } from './autosave';

const build = (wheelbase: number) => ({ ...blankBuild('x'), wheelbase });
const requests: { url: string; body: { version: number; build: { wheelbase: number } } }[] = [];
let answers: (() => Promise<Response>)[] = [];
const states: SaveState[] = [];
const kept = jest.fn();

const json = (value: unknown, status = 200) =>
  Promise.resolve(new Response(JSON.stringify(value), { status }));
const saved = (version: number) => () => json({ outcome: 'saved', version });

function make() {
  return createAutosave({
    id: 'one',
    version: 1,
    savedBy: 'me',
    onState: (state) => states.push(state),
    onSaved: () => undefined,
    onKept: kept,
  });
}

beforeEach(() => {
  jest.useFakeTimers();
  requests.length = 0;
  states.length = 0;
  answers = [];
  kept.mockClear();
  globalThis.fetch = (url, options) => {
    requests.push({ url: String(url), body: JSON.parse(String(options?.body)) as never });
    return (answers.shift() ?? saved(requests.length + 1))();
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

it('keeps saying so when the build was deleted elsewhere', async () => {
  answers = [() => json({ outcome: 'gone' })];
  const autosave = make();
  autosave.changed(build(1));
  await jest.advanceTimersByTimeAsync(300);
  expect(states.at(-1)).toMatchObject({ kind: 'failed', why: expect.stringMatching(/deleted/) });
  expect(autosave.isClean()).toBe(false);
});
