import { EVD, Matrix } from 'ml-matrix';
import { offBy, settle } from './downhill';
import type { Looked } from './downhill';
import { leastSquares } from './linear';
import { add, cross, dot, scale, sub } from './vec';
import type { Vec } from './vec';

/** A circle in space that lies nearest to some places, mm. */
export interface FittedCircle {
  centre: Vec;
  /** Unit normal of its plane. */
  axis: Vec;
  radius: number;
  /** Root mean square of how far the places are off its plane, and off its rim within the plane. */
  offPlane: number;
  offRim: number;
}

/**
 * The circle that lies nearest to places along a curve: the plane of least squares, and within it the rim of
 * least squares (started algebraically after Kåsa 1976, closed by Gauss–Newton; from memory).
 * @param places at least four
 * @returns null where they lie in a line: no circle is nearer than another
 */
export function fitCircle(places: Vec[]): FittedCircle | null {
  const count = places.length;
  const middle = scale(
    places.reduce<Vec>((sum, p) => add(sum, p), [0, 0, 0]),
    1 / count,
  );
  const spread = Matrix.zeros(3, 3);
  for (const place of places) {
    const d = sub(place, middle);
    for (let i = 0; i < 3; i++)
      for (let j = 0; j < 3; j++) spread.set(i, j, spread.get(i, j) + d[i] * d[j]);
  }
  const { eigenvectorMatrix, realEigenvalues } = new EVD(spread, { assumeSymmetric: true });
  const order = [0, 1, 2].sort((a, b) => realEigenvalues[b] - realEigenvalues[a]);
  const column = (i: number) => eigenvectorMatrix.getColumn(order[i]) as unknown as Vec;
  if (!(realEigenvalues[order[1]] > realEigenvalues[order[0]] * STRAIGHT)) return null;
  const [u, v] = [column(0), column(1)];
  const axis = cross(u, v);
  const flat = places.map((place): [number, number] => {
    const d = sub(place, middle);
    return [dot(d, u), dot(d, v)];
  });
  const rim = fitRim(flat);
  if (!rim) return null;
  const [x, y, radius] = rim;
  if (radius > STRAIGHTEST * Math.sqrt(realEigenvalues[order[0]])) return null;
  const square = (values: number[]) =>
    Math.sqrt(values.reduce((sum, value) => sum + value * value, 0) / count);
  return {
    centre: add(middle, add(scale(u, x), scale(v, y))),
    axis,
    radius,
    offPlane: square(places.map((place) => dot(sub(place, middle), axis))),
    offRim: square(flat.map(([px, py]) => Math.hypot(px - x, py - y) - radius)),
  };
}

/** Across a curve by less than this part of its length squared it is straight. */
const STRAIGHT = 1e-10;
/** A radius so many times the spread of the places is no longer told from another. */
const STRAIGHTEST = 500;

/** Centre and radius in the plane; null where the places lie in a line. */
function fitRim(places: [number, number][]): [number, number, number] | null {
  // x² + y² = 2 a x + 2 b y + c is linear in a, b, c.
  const start = leastSquares(
    places.map(([x, y]) => [2 * x, 2 * y, 1]),
    places.map(([x, y]) => x * x + y * y),
  );
  if (!start) return null;
  const radius = Math.sqrt(start[2] + start[0] ** 2 + start[1] ** 2);
  const look = ([a, b, r]: readonly number[]): Looked => {
    const away = places.map(([x, y]) => Math.hypot(x - a, y - b));
    const missing = new Matrix(away.map((d) => [d - r]));
    return {
      cost: missing.dot(missing),
      bent: () => {
        // Gauss–Newton: what the rim misses is little beside its radius.
        const rows = new Matrix(
          places.map(([x, y], i) => [(x - a) / away[i], (y - b) / away[i], 1]),
        );
        const curve = rows.transpose().mmul(rows);
        const slope = rows.transpose().mmul(missing);
        return { curve, slope, size: places.length, off: offBy(curve, slope) };
      },
    };
  };
  const settled = settle([start[0], start[1], radius], look, {
    still: 1e-10 * radius,
    rest: 1e-6 * radius,
  });
  return settled && (settled.place as [number, number, number]);
}
