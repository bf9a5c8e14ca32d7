import { normalNumbers, normalsApart, quantile } from './random';

it('gives the same normal numbers each time, about nought and one wide', () => {
  const [first, second] = [normalNumbers(7), normalNumbers(7)];
  const numbers = Array.from({ length: 20_000 }, first);
  expect(numbers.slice(0, 50)).toEqual(Array.from({ length: 50 }, second));
  const mean = numbers.reduce((sum, x) => sum + x, 0) / numbers.length;
  const square = numbers.reduce((sum, x) => sum + x * x, 0) / numbers.length;
  expect(Math.abs(mean)).toBeLessThan(0.03);
  expect(Math.abs(square - 1)).toBeLessThan(0.03);
  // 95.45 % within two standard deviations (tables of the normal distribution).
  const within = numbers.filter((x) => Math.abs(x) < 2).length / numbers.length;
  expect(within).toBeCloseTo(0.9545, 2);
});

it('reads quantiles between the numbers it has', () => {
  const sorted = Float64Array.from([1, 2, 3, 5, 99]);
  expect(quantile(sorted, 4, 0.5)).toBe(2.5);
  expect(quantile(sorted, 4, 1)).toBe(5);
  expect(quantile(sorted, 0, 0.5)).toBeNaN();
});

describe('normal numbers of seeds that lie close together', () => {
  it('are spread over the seeds as they are within one', () => {
    const first = Array.from({ length: 400 }, (_, seed) => normalsApart(500 + seed)());
    const mean = first.reduce((sum, x) => sum + x, 0) / first.length;
    const variance = first.reduce((sum, x) => sum + (x - mean) ** 2, 0) / first.length;
    expect(Math.abs(mean)).toBeLessThan(0.2);
    expect(Math.abs(variance - 1)).toBeLessThan(0.25);
  });
});
