import fc from 'fast-check';
import { compass, waysOf } from './compass';

it('comes to rest in the valley of a function with edges, wherever it starts', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -5, max: 5, noNaN: true }), { minLength: 1, maxLength: 3 }),
      fc.double({ min: -5, max: 5, noNaN: true }),
      (goal, start) => {
        const far = (at: readonly number[]) =>
          at.reduce((sum, x, i) => sum + Math.abs(x - goal[i]), 0);
        const rested = compass(
          far,
          goal.map(() => start),
          { step: 1, fine: 1e-5 },
        );
        expect(rested.settled).toBe(true);
        expect(rested.value).toBeLessThan(1e-3);
        expect(rested.value).toBe(far(rested.place));
      },
    ),
  );
});

it('says when it was stopped, and stops where it is good enough', () => {
  const bowl = ([x, y]: readonly number[]) => x * x + 3 * y * y;
  const stopped = compass(bowl, [4, 3], { step: 1, fine: 1e-9, most: 12 });
  expect(stopped.settled).toBe(false);
  let looked = 0;
  const enough = compass(
    (at) => {
      looked++;
      return bowl(at);
    },
    [4, 3],
    { step: 1, fine: 1e-9, enough: 1 },
  );
  expect(enough.settled).toBe(true);
  expect(enough.value).toBeLessThanOrEqual(1);
  expect(looked).toBeLessThan(60);
  expect(waysOf(3)).toHaveLength(3 + 2 * 3);
});
