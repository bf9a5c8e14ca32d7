import fc from 'fast-check';
import { COLUMN, PER_TRAVEL, ROW_SIZE } from './quantities';
import { spanOf } from './range';
import { travelSweep } from './sweep';

/** A sweep whose toe is a given function of travel. */
function sweepOf(toe: (t: number) => number, slope: (t: number) => number, count: number) {
  const sweep = travelSweep({ bump: 60, droop: 60 }, count);
  sweep.reachable.fill(1);
  sweep.travel.forEach((t, i) => {
    sweep.rows[i * ROW_SIZE + COLUMN.toe] = toe(t);
    sweep.rows[i * ROW_SIZE + PER_TRAVEL + COLUMN.toe] = slope(t);
  });
  return sweep;
}

it('finds the turning points of a cubic exactly, wherever the positions lie', () => {
  // toe = k (t³/3 − a² t): turning points at ±a, ∓2/3 k a³ there.
  fc.assert(
    fc.property(
      fc.double({ min: 5, max: 29, noNaN: true }),
      fc.double({ min: 1e-6, max: 1e-4, noNaN: true }),
      fc.integer({ min: 5, max: 60 }),
      (a, k, count) => {
        const toe = (t: number) => k * (t ** 3 / 3 - a * a * t);
        const sweep = sweepOf(toe, (t) => k * (t * t - a * a), count);
        const span = spanOf(sweep, 'toe')!;
        // At the ends of ±60 the cubic is further out than at turning points up to 30.
        expect(span.max).toBeCloseTo(Math.max(toe(-a), toe(60)), 9);
        expect(span.min).toBeCloseTo(Math.min(toe(a), toe(-60)), 9);
        expect(span.range).toBeCloseTo(span.max - span.min, 12);
      },
    ),
  );
});

it('finds a bow’s turning point between two positions', () => {
  // toe = −k (t − 7.3)²: greatest at 7.3, between positions.
  const sweep = sweepOf(
    (t) => -1e-4 * (t - 7.3) ** 2,
    (t) => -2e-4 * (t - 7.3),
    4,
  );
  const span = spanOf(sweep, 'toe')!;
  expect(span.maxAt).toBeCloseTo(7.3, 6);
  expect(span.max).toBeCloseTo(0, 9);
  expect(span.minAt).toBe(-60);
});

it('is nothing where a position is out of reach', () => {
  const sweep = sweepOf(
    (t) => t,
    () => 1,
    9,
  );
  sweep.reachable[8] = 0;
  expect(spanOf(sweep, 'toe')).toBeNull();
});

it('is flat for a flat line', () => {
  const sweep = sweepOf(
    () => 0.3,
    () => 0,
    9,
  );
  expect(spanOf(sweep, 'toe')).toMatchObject({ min: 0.3, max: 0.3, range: 0 });
});
