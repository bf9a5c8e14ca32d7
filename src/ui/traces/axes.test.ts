import fc from 'fast-check';
import { aboutNought, around, travelTicks } from './axes';

it('holds what it is to hold, with ticks a person counts in', () => {
  const degrees = fc.double({ min: -40, max: 40, noNaN: true });
  fc.assert(
    fc.property(degrees, degrees, (a, b) => {
      const [least, most] = [Math.min(a, b), Math.max(a, b)];
      const axis = around([least, most], false);
      expect(axis.from).toBeLessThanOrEqual(least);
      expect(axis.to).toBeGreaterThanOrEqual(most);
      expect(axis.ticks.length).toBeGreaterThan(1);
      expect(axis.ticks.length).toBeLessThan(10);
      const about = aboutNought(Math.abs(a));
      expect(about.to).toBeGreaterThan(Math.abs(a));
      expect(about.from).toBe(-about.to);
    }),
  );
});

it('stays the same while a curve moves within it', () => {
  expect(aboutNought(0.3)).toBe(aboutNought(0.4));
  expect(around([-2.3, 0.1], false)).toEqual(around([-2.2, 0.05], false));
  expect(around([3, 4], true).from).toBeLessThanOrEqual(0);
  expect(around([25.4, 50], false, 25.4).ticks).toContain(25.4);
});

it('marks the travel at ride height and at whole steps', () => {
  expect(travelTicks(60, 60, 1)).toEqual([-60, -40, -20, 0, 20, 40, 60]);
  expect(travelTicks(60, 60, 25.4)).toContain(25.4);
});
