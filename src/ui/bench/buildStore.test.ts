import { blankBuild } from '@/core/model/starts';
import { createBuildStore } from './buildStore';

const make = () => createBuildStore(blankBuild('x'));
const up = ({ store }: ReturnType<typeof make>) =>
  store.getState().build.front.points['upperOuter'].up;
const set = ({ store }: ReturnType<typeof make>, value: number, step?: string) =>
  store.getState().edit((build) => void (build.front.points['upperOuter'].up = value), step);

it('takes one step back for all that was typed during one visit', () => {
  const bench = make();
  for (const value of [4, 41, 418]) set(bench, value, 'visit-1');
  set(bench, 420, 'visit-2');
  bench.undo();
  expect(up(bench)).toBe(418);
  bench.undo();
  expect(up(bench)).toBe(413);
  bench.redo();
  bench.redo();
  expect(up(bench)).toBe(420);
});

it('parts edits without a step, and those after an undo', () => {
  const bench = make();
  set(bench, 1);
  set(bench, 2);
  bench.undo();
  expect(up(bench)).toBe(1);
  set(bench, 3, 'visit-1');
  bench.undo();
  set(bench, 4, 'visit-1');
  bench.undo();
  expect(up(bench)).toBe(1);
});

it('forgets nothing over hundreds of edits', () => {
  const bench = make();
  for (let i = 0; i < 400; i++) set(bench, i);
  for (let i = 0; i < 400; i++) bench.undo();
  expect(up(bench)).toBe(413);
});

it('makes no step of an edit that changes nothing', () => {
  const bench = make();
  set(bench, 413);
  expect(bench.store.temporal.getState().pastStates).toHaveLength(0);
});

it('refuses what would not be kept, says so, and leaves the build as it was', () => {
  const said: string[] = [];
  const bench = createBuildStore(blankBuild('x'), (why) => said.push(why));
  const { build } = bench.store.getState();
  bench.store.getState().edit((draft) => void (draft.front.points['lowerOuter'].out = 12_000));
  bench.store.getState().edit(
    (draft) =>
      void (draft.layouts = Array.from({ length: 41 }, (_, i) => ({
        id: `${i}`,
        name: 'Copy',
        front: draft.front,
      }))),
  );
  expect(said).toEqual([
    expect.stringMatching(/^Not done: .*points lie within 10 m\.$/),
    'Not done: at most 40 layouts; remove one first.',
  ]);
  expect(bench.store.getState().build).toBe(build);
  expect(bench.store.temporal.getState().pastStates).toHaveLength(0);
});
