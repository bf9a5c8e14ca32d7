import { startingRoom } from './room';
import { blankBuild } from './starts';
import type { Build } from './build';
import { refusedChange } from './change';

const before = blankBuild('x');
const change = (edit: (build: Build) => void): string | null => {
  const after = structuredClone(before);
  edit(after);
  return refusedChange(before, after);
};

it('has nothing against what is kept', () => {
  expect(refusedChange(before, { ...before })).toBeNull();
  expect(change((build) => void (build.front.points['lowerOuter'].up = 99))).toBeNull();
});

it.each<[string, (build: Build) => void, string]>([
  [
    'a layout too many',
    (build) =>
      (build.layouts = Array.from({ length: 41 }, (_, i) => ({
        id: `${i}`,
        name: 'Copy',
        front: build.front,
      }))),
    'at most 40 variants; remove one first',
  ],
  [
    'a body too many',
    (build) =>
      (build.room = {
        ...startingRoom(),
        keepOuts: Array.from({ length: 61 }, (_, i) => ({
          id: `${i}`,
          name: 'Tube',
          axle: 'front' as const,
          kind: 'box' as const,
          middle: { ahead: 0, out: 0, up: 0 },
          size: { ahead: 5, out: 5, up: 5 },
        })),
      }),
    'at most 60 bodies; remove one first',
  ],
  [
    'a point far away',
    (build) => void (build.front.points['tieRodInner'].out = 10_250),
    'tie rod inner joint, out, is 10250 mm, 10 m away: points lie within 10 m',
  ],
  ['a name of nothing', (build) => void (build.name = ' '), 'is empty: give the build a name'],
])('says what is against %s', (_, edit, words) => {
  expect(change(edit)).toBe(words);
});
