import { blankBuild } from '@/core/model/starts';
import { createBuildStore } from './buildStore';

const make = () => createBuildStore(blankBuild('x'));
const up = ({ store }: ReturnType<typeof make>) =>
  store.getState().build.front.points['upperOuter'].up;
const set = ({ store }: ReturnType<typeof make>, value: number, step?: string) =>
  store.getState().edit((build) => void (build.front.points['upperOuter'].up = value), step);

it('takes one step back for all that was typed during one visit', () => {
  const held = make();
  for (const value of [4, 41, 418]) set(held, value, 'visit-1');
  set(held, 420, 'visit-2');
  held.undo();
  expect(up(held)).toBe(418);
  held.undo();
  expect(up(held)).toBe(413);
  held.redo();
  held.redo();
  expect(up(held)).toBe(420);
});

it('parts edits without a step, and those after an undo', () => {
  const held = make();
  set(held, 1);
  set(held, 2);
  held.undo();
  expect(up(held)).toBe(1);
  set(held, 3, 'visit-1');
  held.undo();
  set(held, 4, 'visit-1');
  held.undo();
  expect(up(held)).toBe(1);
});

it('forgets nothing over hundreds of edits', () => {
  const held = make();
  for (let i = 0; i < 400; i++) set(held, i);
  for (let i = 0; i < 400; i++) held.undo();
  expect(up(held)).toBe(413);
});

it('makes no step of an edit that changes nothing', () => {
  const held = make();
  set(held, 413);
  expect(held.store.temporal.getState().pastStates).toHaveLength(0);
});

it('refuses what would not be kept, says so, and leaves the build as it was', () => {
  const said: string[] = [];
  const held = createBuildStore(blankBuild('x'), (why) => said.push(why));
  const { build } = held.store.getState();
  held.store.getState().edit((draft) => void (draft.front.points['lowerOuter'].out = 12_000));
  held.store.getState().edit(
    (draft) =>
      void (draft.layouts = Array.from({ length: 41 }, (_, i) => ({
        id: `${i}`,
        name: 'Copy',
        front: draft.front,
      }))),
  );
  expect(said).toEqual([
    expect.stringMatching(/^Not done: .*points lie within 10 m\.$/),
    'Not done: at most 40 variants; remove one first.',
  ]);
  expect(held.store.getState().build).toBe(build);
  expect(held.store.temporal.getState().pastStates).toHaveLength(0);
});
