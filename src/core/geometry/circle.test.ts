import fc from 'fast-check';
import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { fitCircle } from './circle';
import { add, cross, distance, dot, length, scale, unit } from './vec';
import type { Vec } from './vec';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const direction = fc
  .tuple(number(-1, 1), number(-1, 1), number(-1, 1))
  .filter((v) => length(v as Vec) > 0.2)
  .map((v) => unit(v as Vec));
/** An arc about a centre, from −half to half rad, with what each place is off. */
const arc = (centre: Vec, axis: Vec, radius: number, half: number, off: (i: number) => number) => {
  const u = unit(cross(axis, Math.abs(axis[0]) < 0.8 ? [1, 0, 0] : [0, 1, 0]));
  const v = cross(axis, u);
  return Array.from({ length: 21 }, (_, i) => {
    const angle = -half + (half * i) / 10;
    const r = radius + off(i);
    return add(centre, add(scale(u, r * Math.cos(angle)), scale(v, r * Math.sin(angle))));
  });
};

describe('a circle through places', () => {
  it('is found exactly where they lie on one', () => {
    fc.assert(
      fc.property(direction, number(100, 600), number(0.12, 1.5), (axis, radius, half) => {
        const centre: Vec = [20, 300, 200];
        const found = fitCircle(arc(centre, axis, radius, half, () => 0))!;
        expect(distance(found.centre, centre)).toBeLessThan(1e-5);
        expect(Math.abs(dot(found.axis, axis))).toBeCloseTo(1, 9);
        expect(found.radius).toBeCloseTo(radius, 5);
        expect(found.offPlane + found.offRim).toBeLessThan(1e-7);
      }),
    );
  });

  it('is the one a general-purpose least-squares solver finds where they do not (ml-levenberg-marquardt)', () => {
    const places = arc([0, 0, 0], [0, 0, 1], 300, 0.4, (i) => 0.4 * Math.sin(2.1 * i));
    const found = fitCircle(places)!;
    const other = levenbergMarquardt(
      { x: places.map((_, i) => i), y: places.map(() => 0) },
      ([a, b, r]) =>
        (i) =>
          Math.hypot(places[i][0] - a, places[i][1] - b) - r,
      {
        initialValues: [1, 1, 301],
        gradientDifference: 1e-6,
        maxIterations: 500,
        errorTolerance: 1e-14,
        damping: 1e-3,
      },
    );
    const [a, b, r] = other.parameterValues;
    expect(distance(found.centre, [a, b, 0])).toBeLessThan(1e-3);
    expect(found.radius).toBeCloseTo(r, 3);
  });

  it('follows a nearly straight curve as long as its radius can be told, and no further', () => {
    const straight = (radius: number) =>
      fitCircle(arc([0, 0, 0], [0, 0, 1], radius, 60 / radius, () => 0));
    for (const radius of [3_000, 30_000])
      expect(straight(radius)!.radius / radius).toBeCloseTo(1, 6);
    expect(straight(3_000_000)).toBeNull();
  });

  it('is refused where the places lie in a line', () => {
    expect(fitCircle([0, 1, 2, 3].map((i): Vec => [i, 2 * i, -i]))).toBeNull();
  });
});
