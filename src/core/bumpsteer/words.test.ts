import type { ErrorShape } from './classify';
import { errorInWords } from './words';

const shape = (change: Partial<ErrorShape>): ErrorShape => ({
  slope: 0,
  curvature: 0,
  tilt: 0,
  bow: 0,
  rest: 0,
  kind: 'nothing',
  raiseOuter: null,
  moveInnerOut: null,
  ...change,
});
const says = (change: Partial<ErrorShape>) =>
  errorInWords(shape(change), 'tie rod', (mm) => `${mm.toFixed(1)} mm`);

it('says what is wrong and what cures it', () => {
  expect(says({ kind: 'tilt', slope: -0.01, raiseOuter: 2.5 })).toEqual([
    'Toes out in bump, in in droop, nearly straight: outer end 2.5 mm too low.',
  ]);
  expect(says({ kind: 'bow', curvature: 1e-4, moveInnerOut: -6 })).toEqual([
    'Toes in both in bump and in droop: tie rod 6.0 mm too short; move its inner end in.',
  ]);
  expect(
    says({ kind: 'both', slope: 0.01, raiseOuter: -4, curvature: -1e-4, moveInnerOut: 9 }),
  ).toEqual([
    'Toes in in bump, out in droop: outer end 4.0 mm too high.',
    'And a bow: toes out both in bump and in droop: tie rod 9.0 mm too long; move its inner end out.',
  ]);
});

it('promises no cure that is out of the question', () => {
  expect(says({ kind: 'tilt', slope: 0.01, raiseOuter: 400 })[0]).toMatch(
    /no height of the outer end/,
  );
  expect(says({ kind: 'bow', curvature: 0.01 })[0]).toMatch(/no length of tie rod/);
  expect(says({})).toEqual(['Straight up and down: nothing to cure.']);
});
