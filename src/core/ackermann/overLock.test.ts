import type { AxleDesign } from '../model/build';
import { prepared } from '../../test/layouts';
import {
  LOCK,
  STAYS,
  WHEELBASE,
  buildOf,
  errorByCotangents,
  steering,
} from '../../test/steeringLayouts';
import { measureAckermann } from './measure';
import { OverLock, PARTS } from './overLock';

jest.setTimeout(240_000);

it('measures what cotangents of readings give, whatever is wanted', () => {
  for (const design of steering(5, 10)) {
    const axle = prepared(buildOf(design).front);
    for (const [small, full] of [
      [100, 100],
      [0, 0],
      [-30, 60],
    ]) {
      const wanted = { ...STAYS, small, full };
      const measured = measureAckermann(axle, WHEELBASE, wanted, LOCK)!;
      expect(Math.abs(measured.worst)).toBeCloseTo(errorByCotangents(axle, wanted, LOCK)!, 5);
    }
  }
});

const isNear = (slope: number, difference: number) =>
  expect(Math.abs(slope - difference)).toBeLessThan(1e-4 * (1 + Math.abs(slope)));

it('has exact slopes of the error by every coordinate, the lock’s own place included (against differences)', () => {
  let limited = 0;
  for (const design of steering(9, 30))
    for (const [lock, way] of [
      [LOCK, 1],
      [80, -1],
    ] as const) {
      const { front } = buildOf(design);
      const errors = (moved: AxleDesign) => {
        const over = new OverLock(WHEELBASE, { small: 90, full: 60 }, way, lock);
        return over.solve(prepared(moved)) ? over : null;
      };
      const here = errors(front);
      if (!here) continue;
      if (Math.abs(here.end) < 55) limited++;
      for (const point of ['tieRodInner', 'tieRodOuter'] as const)
        for (const coordinate of ['ahead', 'out', 'up'] as const) {
          const slopes = new Float64Array(PARTS.length);
          const short = here.writeSlopes({ point, coordinate }, slopes, 0);
          const [more, less] = [0.01, -0.01].map((by) =>
            errors({
              ...front,
              points: {
                ...front.points,
                [point]: {
                  ...front.points[point],
                  [coordinate]: front.points[point][coordinate] + by,
                },
              },
            }),
          );
          PARTS.forEach((_, i) => isNear(slopes[i], (more!.error[i] - less!.error[i]) / 0.02));
          if (lock === 80) isNear(short, (more!.short - less!.short) / 0.02);
        }
    }
  expect(limited).toBeGreaterThan(10);
});
