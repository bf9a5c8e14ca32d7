import { seeded } from '../../test/leastRange';
import { nearest, stacksOf } from './stacks';

/** Every way of taking washers, one by one: the slow way to the same heights. */
function everyWay(stock: number[], most: number): Map<number, number> {
  const fewest = new Map<number, number>();
  const take = (from: number, height: number, count: number) => {
    const key = Math.round(height * 1e4);
    fewest.set(key, Math.min(count, fewest.get(key) ?? Infinity));
    if (count < most)
      for (let i = from; i < stock.length; i++) take(i, height + stock[i], count + 1);
  };
  take(0, 0, 0);
  return fewest;
}

it('has the heights of every way of stacking, each with the fewest washers', () => {
  const next = seeded(11);
  for (let round = 0; round < 40; round++) {
    const most = 1 + Math.floor(next() * 4);
    // To a hundredth, so that heights are the same or well apart.
    const stock = Array.from(
      { length: 1 + Math.floor(next() * 6) },
      () => Math.round(5 + next() * 900) / 100,
    );
    const all = everyWay(stock, most);
    const stacks = stacksOf(stock, most);
    expect(stacks.heights.map((height) => Math.round(height * 1e4))).toEqual(
      [...all.keys()].sort((a, b) => a - b),
    );
    for (const [i, height] of stacks.heights.entries()) {
      const washers = stacks.washers(i);
      expect(washers.reduce((sum, mm) => sum + mm, 0)).toBeCloseTo(height, 9);
      expect(washers).toHaveLength(all.get(Math.round(height * 1e4))!);
      expect(washers.every((mm) => stock.includes(mm))).toBe(true);
      expect(stacks.at(height + 0.003)).toBe(i);
    }
    expect(stacks.at(stacks.heights.at(-1)! + 0.02)).toBe(-1);
  }
});

it('takes heights that nobody could tell apart for one', () => {
  const { heights } = stacksOf([1, 1.004, 2.003], 2);
  expect(heights).toEqual([0, 1, 2.003, 3.003, 4.006]);
});

it('counts the worst that a file may ask for, and counts it once', () => {
  const next = seeded(5);
  const stock = Array.from({ length: 20 }, () => 0.05 + next() * 99.9);
  const stacks = stacksOf(stock, 6);
  expect(stacks.heights.length).toBeGreaterThan(20_000);
  expect(stacksOf([...stock], 6)).toBe(stacks);
  // The heights of six of one washer, and of one each of six.
  for (const six of [Array<number>(6).fill(stock[19]), stock.slice(3, 9)]) {
    const height = six.reduce((sum, mm) => sum + mm, 0);
    expect(stacks.at(height)).toBeGreaterThan(0);
  }
});

it('finds the nearest of a rising list', () => {
  const list = [1, 2, 4, 8];
  for (const wanted of [-5, 1, 1.4, 1.6, 3.2, 5.9, 6.1, 100]) {
    const distances = list.map((one) => Math.abs(one - wanted));
    expect(distances[nearest(list, wanted)]).toBe(Math.min(...distances));
  }
  expect(nearest([7], 0)).toBe(0);
});
