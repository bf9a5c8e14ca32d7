import type { Cure, ErrorShape } from './classify';
import { errorInWords } from './words';

const after = {
  span: { min: 0, max: 0.03, minAt: 0, maxAt: 0, range: 0.03 },
  worst: 0.03,
  slope: 0,
};
const shape = (change: Partial<ErrorShape>): ErrorShape => ({
  slope: 0,
  curvature: 0,
  tilt: 0,
  bow: 0,
  rest: 0,
  kind: 'nothing',
  cure: null,
  ...change,
});
const cure = (change: Partial<Cure>): Cure => ({
  raiseOuter: 0,
  moveInner: 0,
  along: 'out',
  longer: false,
  after,
  ...change,
});
const says = (change: Partial<ErrorShape>) =>
  errorInWords(shape(change), 'tie rod', (mm) => `${mm.toFixed(1)} mm`);

it('says what is wrong and what cures it, and what that leaves', () => {
  expect(says({ kind: 'tilt', slope: -0.01, cure: cure({ raiseOuter: 2.5 }) })).toEqual([
    'Toes out in bump, in in droop, nearly straight.',
    'Outer end 2.5 mm too low: that leaves 0.03° of range.',
  ]);
  expect(
    says({ kind: 'bow', curvature: 1e-4, cure: cure({ moveInner: -6, longer: true }) }),
  ).toEqual([
    'Toes in both in bump and in droop.',
    'Tie rod 6.0 mm too short (its inner end further in): that leaves 0.03° of range.',
  ]);
  expect(
    says({
      kind: 'both',
      slope: 0.01,
      curvature: -1e-4,
      cure: cure({ raiseOuter: -4, moveInner: 9 }),
    }),
  ).toEqual([
    'Toes in in bump, out in droop.',
    'And a bow: toes out both in bump and in droop.',
    'Outer end 4.0 mm too high and tie rod 9.0 mm too long (its inner end further out), both together: that leaves 0.03° of range.',
  ]);
});

it('promises no cure where none was measured', () => {
  expect(says({ kind: 'tilt', slope: 0.01 })[1]).toMatch(/No height of the outer end/);
  expect(says({ kind: 'bow', curvature: 0.01 })[1]).toMatch(/No length of tie rod/);
  expect(says({ kind: 'both', slope: 0.01, curvature: 0.01 })[2]).toMatch(/cure that/);
  expect(says({})).toEqual(['Straight up and down: nothing to cure.']);
});
