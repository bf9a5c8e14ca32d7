import { normalsApart } from '../geometry/random';
import { alongCurve, compared, isTold } from './compare';

const flat = () => 0;
const point = (travel: number, value: number, plusMinus = 0.1) => ({ travel, value, plusMinus });

it('puts heights together that were read on both, and no others', () => {
  const all = compared(
    [point(-40, 0.1), point(0, 0), point(40, 0.2)],
    [point(41, 0.5), point(-39, 0.1), point(20, 9)],
    flat,
  );
  expect(all.map(({ travel, apart }) => [travel, Math.round(1e9 * apart) / 1e9])).toEqual([
    [-40, 0],
    [40, 0.3],
  ]);
  expect(all.map(isTold)).toEqual([false, true]);
  expect(all[0].plusMinus).toBeCloseTo(Math.SQRT2 * 0.1, 12);
  expect(compared([], [point(0, 1)], flat)).toEqual([]);
});

it('takes repeats for one by their ±', () => {
  const [one] = compared([point(0, 1, 0.1), point(0, 4, 0.2)], [point(0, 0, 0.3)], flat);
  // By hand: weights 100 and 25.
  expect(one.first).toBeCloseTo((100 * 1 + 25 * 4) / 125, 12);
  expect(one.plusMinus).toBeCloseTo(Math.sqrt(1 / 125 + 0.09), 12);
});

it('says of two cars that go by one curve, whatever heights they are read at, that they do not differ', () => {
  const curve = (at: number) => 0.01 * at + 2e-4 * at ** 2;
  const drawn = Array.from({ length: 61 }, (_, i) => [curve(2 * i - 60), 2 * i - 60] as const);
  const normal = normalsApart(4);
  const read = () =>
    [-50, -30, 0, 25, 50].map((at) => {
      const travel = at + 0.7 * Math.max(-1, Math.min(1, normal()));
      return point(travel, curve(travel), 0.02);
    });
  for (let k = 0; k < 50; k++) {
    const all = compared(read(), read(), alongCurve(drawn));
    expect(all).toHaveLength(5);
    for (const one of all) expect(Math.abs(one.apart)).toBeLessThan(1e-3);
  }
});

it('reads a drawn curve between its places', () => {
  const at = alongCurve([
    [1, -10],
    [3, 10],
  ]);
  expect([at(-20), at(-10), at(0), at(5), at(10), at(20)]).toEqual([1, 1, 2, 2.5, 3, 3]);
  expect(alongCurve([])(5)).toBe(0);
});
