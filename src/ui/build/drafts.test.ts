import 'fake-indexeddb/auto';
import { blankBuild } from '@/core/model/starts';
import { abandonedDrafts, draftKeeper, dropDraft } from './drafts';

/** The browser's locks, as far as drafts use them. */
const held = new Map<string, () => void>();
beforeAll(() => {
  const locks = {
    request: (name: string, work: () => Promise<void>) => {
      const done = work().then(() => held.delete(name));
      held.set(name, () => undefined);
      return done;
    },
    query: () => Promise.resolve({ held: [...held.keys()].map((name) => ({ name })), pending: [] }),
  };
  Object.defineProperty(globalThis, 'navigator', { value: { locks }, configurable: true });
});

const draft = (id: string, wheelbase: number) => ({
  id,
  version: 3,
  build: { ...blankBuild(id), wheelbase },
});
const rest = (ms = 30) => new Promise((wake) => setTimeout(wake, ms));
const found = async (id?: string) =>
  (await abandonedDrafts(id)).map(({ window, build }) => [window, build.wheelbase]);

it('keeps the last of what is typed, for nobody else while its window lives', async () => {
  const keeper = draftKeeper('one');
  for (let wheelbase = 2000; wheelbase <= 2020; wheelbase++) keeper.keep(draft('a', wheelbase));
  // Between two writes the browser is left alone for a moment.
  await rest(250);
  expect(await found()).toEqual([]);
  // The window is gone: its lock goes with it.
  held.delete('havrik-window-one');
  expect(await found()).toEqual([['one', 2020]]);
  expect(await found('b')).toEqual([]);
  await dropDraft('one');
  expect(await found()).toEqual([]);
});

it('writes now and then while a hand drags, and forgets at once what is saved', async () => {
  const put = jest.spyOn(IDBObjectStore.prototype, 'put');
  const keeper = draftKeeper('dragged');
  for (let wheelbase = 2100; wheelbase < 2130; wheelbase++) {
    keeper.keep(draft('d', wheelbase));
    await rest(10);
  }
  expect(put.mock.calls.length).toBeGreaterThan(1);
  expect(put.mock.calls.length).toBeLessThan(8);
  keeper.keep(null);
  held.delete('havrik-window-dragged');
  await rest();
  expect(await found('d')).toEqual([]);
  await rest(250);
  expect(await found('d')).toEqual([]);
  put.mockRestore();
});

it('forgets what is saved, and offers what a window left behind, the last typed first', async () => {
  const [saved, left, later] = ['saved', 'left', 'later'].map(draftKeeper);
  saved.keep(draft('a', 2001));
  saved.keep(null);
  left.keep(draft('a', 2002));
  await rest();
  later.keep(draft('a', 2003));
  await rest();
  for (const keeper of [saved, left, later]) keeper.release();
  await rest();
  expect(await found('a')).toEqual([
    ['later', 2003],
    ['left', 2002],
  ]);
  expect((await abandonedDrafts('a'))[0]).toMatchObject({ id: 'a', version: 3 });
});

it('does without where the browser keeps nothing', async () => {
  jest.resetModules();
  const { indexedDB } = globalThis;
  Object.defineProperty(globalThis, 'indexedDB', { value: undefined, configurable: true });
  const fresh = await import('./drafts');
  fresh.draftKeeper('none').keep(draft('a', 2000));
  expect(await fresh.abandonedDrafts()).toEqual([]);
  Object.defineProperty(globalThis, 'indexedDB', { value: indexedDB, configurable: true });
});
