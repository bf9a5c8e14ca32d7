import { blankBuild } from '@/core/model/starts';
import { distance } from '@/core/geometry/vec';
import { drawnCorner } from '@/core/kinematics/axle';
import { drawnAsTyped } from './drawing';
import { linesOf, pick, tapeOf, tapeSays } from './measuring';
import type { Spot } from './measuring';

const { front } = blankBuild('x');
Object.assign(front.points, {
  lowerFrontInner: { ahead: 150, out: 250, up: 180 },
  lowerRearInner: { ahead: -150, out: 250, up: 180 },
  upperOuter: { ahead: 40, out: 280, up: 220 },
  lowerOuter: { ahead: 0, out: 280, up: 220 },
});
const drawn = drawnAsTyped(drawnCorner(front, 'left'));
const says = (spots: Spot[]) => tapeSays(spots, drawn, front, 'mm');

it('says what to click until both ends are picked', () => {
  expect(says([])).toMatch(/^Click two joints/);
  expect(says([{ joint: 'lowerOuter' }])).toBe('From the lower ball joint to …');
  expect(says([{ line: 'tie rod' }])).toBe('From the tie rod to …');
  expect(tapeOf([{ joint: 'lowerOuter' }], drawn)).toBeNull();
});

it('measures true lengths between joints with their three parts', () => {
  expect(says([{ joint: 'lowerOuter' }, { joint: 'lowerFrontInner' }])).toBe(
    'lower ball joint to lower arm front pivot: 158.1 mm (150 ahead, 30 out, 40 up)',
  );
});

it('measures a joint square to a line, whichever is clicked first (a 3-4-5 triangle)', () => {
  const both: Spot[] = [{ joint: 'upperOuter' }, { line: 'lower pivot axis' }];
  expect(says(both)).toBe(
    'upper ball joint to the lower pivot axis, square to it: 50 mm (0 ahead, 30 out, 40 up)',
  );
  expect(says([both[1], both[0]])).toMatch(/^the lower pivot axis to upper ball joint.*: 50 mm/);
  const [from, to] = tapeOf(both, drawn)!;
  expect(distance(from, to)).toBeCloseTo(50, 9);
});

it('starts again after two, and with a line on a line', () => {
  const joint: Spot = { joint: 'lowerOuter' };
  const line: Spot = { line: 'kingpin axis' };
  expect(pick([], joint)).toEqual([joint]);
  expect(pick([joint], line)).toEqual([joint, line]);
  expect(pick([line], { line: 'tie rod' })).toEqual([{ line: 'tie rod' }]);
  expect(pick([joint, line], joint)).toEqual([joint]);
  expect(new Set(linesOf(drawn.type).map(({ name }) => name)).size).toBe(8);
});
