import fc from 'fast-check';
import { goldenLeast } from './golden';

it('finds the foot of a dip, kinked or smooth, and the nearer end where it lies outside', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -5, max: 5, noNaN: true }),
      fc.double({ min: 0.1, max: 4, noNaN: true }),
      fc.boolean(),
      (foot, steep, kinked) => {
        const f = (x: number) => steep * (kinked ? Math.abs(x - foot) : (x - foot) ** 2);
        const there = Math.min(2, Math.max(-3, foot));
        expect(Math.abs(goldenLeast(f, -3, 2, 1e-4) - there)).toBeLessThan(1e-3);
      },
    ),
  );
});
