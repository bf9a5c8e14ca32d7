import fc from 'fast-check';
import { frameOf, overlap, placeLabels } from './labels';
import type { Label } from './labels';

const label = (at: [number, number], text = 'upper ball joint'): Label => ({
  text,
  at,
  tone: 'accent',
  size: 13,
});
const total = (labels: readonly Label[], width: number, height: number) => {
  const frames = placeLabels(labels, width, height).map(frameOf);
  let hidden = 0;
  frames.forEach((a, i) => frames.slice(i + 1).forEach((b) => (hidden += overlap(a, b))));
  return { frames, hidden };
};

it('stands right above what it belongs to where there is room', () => {
  const [{ x, y }] = placeLabels([label([100, 100])], 400, 300);
  expect([x, y]).toEqual([111, 90]);
});

it('goes to the other side at the edge of the view', () => {
  const [placed] = placeLabels([label([390, 150])], 400, 300);
  expect(frameOf(placed).right).toBeLessThan(390);
});

it('parts two labels of one place', () => {
  const both = [label([200, 150], 'lines'), label([201, 151], 'parallel')];
  expect(total(both, 400, 300).hidden).toBe(0);
});

it('never runs out of a view that it fits into, wherever it belongs to', () => {
  const spot = fc.tuple(fc.integer({ min: -200, max: 600 }), fc.integer({ min: -200, max: 500 }));
  fc.assert(
    fc.property(fc.array(spot, { minLength: 1, maxLength: 6 }), (spots) => {
      const { frames } = total(
        spots.map((at, i) => label(at, `joint ${i}`)),
        400,
        300,
      );
      for (const { left, right, top, bottom } of frames) {
        expect(left).toBeGreaterThanOrEqual(3.99);
        expect(right).toBeLessThanOrEqual(396.01);
        expect(top).toBeGreaterThanOrEqual(3.99);
        expect(bottom).toBeLessThanOrEqual(296.01);
      }
    }),
  );
});

it('hides less of a few labels than always standing right above would', () => {
  const spot = fc.tuple(fc.integer({ min: 20, max: 380 }), fc.integer({ min: 30, max: 280 }));
  fc.assert(
    fc.property(fc.array(spot, { minLength: 2, maxLength: 5 }), (spots) => {
      const labels = spots.map((at, i) => label(at, `joint ${i}`));
      const plain = labels.map((one) =>
        frameOf({ label: one, x: one.at[0] + 11, y: one.at[1] - 10 }),
      );
      let hidden = 0;
      plain.forEach((a, i) => plain.slice(i + 1).forEach((b) => (hidden += overlap(a, b))));
      expect(total(labels, 400, 300).hidden).toBeLessThanOrEqual(hidden + 1e-9);
    }),
  );
});
