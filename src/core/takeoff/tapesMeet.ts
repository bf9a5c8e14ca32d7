import { Matrix, SVD } from 'ml-matrix';
import { offBy, settle } from '../geometry/downhill';
import type { Looked } from '../geometry/downhill';
import { add, distance, dot, length, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';

/** A tape from the wanted point to a mark whose place is known, mm. */
export interface Tape {
  /** What messages call it. */
  name: string;
  mark: Vec;
  distance: number;
  tolerance: number;
}

export interface Placed {
  place: Vec;
  /** Distance as the place has it, less as taped, one a tape, mm. */
  residuals: number[];
  /** Root mean square of the residuals, mm. */
  misfit: number;
  /** ± to expect of each coordinate from the ± of the tapes, mm; where they disagree, what they really allow. */
  spread: Vec;
  /** d place / d distance: three rows, one column a tape. Also what a mark's own error towards the point does. */
  gain: number[][];
  /** The way that the tapes hardly hold (out of the marks' plane, near it) and by how much, mm: no slope tells that. */
  loose: { way: Vec; by: number } | null;
  conflict: Conflict | null;
}

/** Tapes that disagree by more than their ±. */
export interface Conflict {
  /** What each would read if it alone were wrong, mm; null where the rest make no place. */
  wouldRead: (number | null)[];
  /** Those that could be the wrong one: with them left out the rest agree. */
  suspects: number[];
  /** How far the place moves, each coordinate, when a suspect is left out, mm. */
  moves: Vec;
}

export type Located =
  | {
      ok: true;
      /** The better fit, or the higher (further out, further ahead) where both fit alike. */
      answers: [Placed] | [Placed, Placed];
      /** What is odd about the distances; empty when nothing is. */
      doubts: string[];
    }
  | { ok: false; why: string };

/** Marks that lie this close to a line are in a line, as a part of their distance from each other. */
const IN_LINE = 0.02;
/**
 * Where tapes meet: least squares alone, nothing said yet of how well. Newton's method, damped, from both sides of
 * the marks' plane.
 */
export function meet(tapes: Tape[]): Located {
  const refuse = (why: string): Located => ({ ok: false, why });
  if (tapes.length < 3)
    return refuse(
      `three distances are the least; there ${tapes.length === 1 ? 'is' : 'are'} ${tapes.length}`,
    );
  for (const [i, tape] of tapes.entries())
    for (const other of tapes.slice(0, i))
      if (distance(tape.mark, other.mark) < 1)
        return refuse(`${other.name} and ${tape.name} are marks in one place: no new distance`);
  const plane = planeOf(tapes.map(({ mark }) => mark));
  if (!plane)
    return refuse(
      `the marks ${tapes.map(({ name }) => name).join(', ')} stand in one line: the point could be anywhere on a circle round it. Add a mark well off the line`,
    );
  for (const [i, a] of tapes.entries())
    for (const b of tapes.slice(0, i)) {
      const apart = distance(a.mark, b.mark);
      const slack = 20 * (a.tolerance + b.tolerance) + 0.02 * apart;
      if (
        a.distance + b.distance + slack < apart ||
        Math.abs(a.distance - b.distance) > apart + slack
      )
        return refuse(
          `${b.name} (${b.distance} mm) and ${a.name} (${a.distance} mm) contradict each other: the marks are ${apart.toFixed(0)} mm apart. Measure both again`,
        );
    }

  const first = settleFrom(tapes, startFrom(tapes, plane, 1));
  const second = settleFrom(tapes, startFrom(tapes, plane, -1));
  const found = [first, second].filter((placed) => placed !== null);
  if (found.length === 0)
    return refuse('the distances settle on no place: check which mark each belongs to');
  const [best, other] = found.sort((a, b) => a.misfit - b.misfit);
  const usual = Math.max(...tapes.map(({ tolerance }) => tolerance));
  const twin =
    other && distance(best.place, other.place) > 0.01 && other.misfit < best.misfit + 3 * usual
      ? other
      : null;
  const answers: [Placed] | [Placed, Placed] = twin
    ? ([best, twin].sort(byHeight) as [Placed, Placed])
    : [best];
  return { ok: true, answers, doubts: [] };
}

const byHeight = (a: Placed, b: Placed): number => {
  const [dx, dy, dz] = sub(b.place, a.place);
  return Math.abs(dz) > 1 ? dz : Math.abs(dy) > 1 ? dy : dx;
};

/** Middle and unit normal of the plane nearest to the marks; null when they stand in a line. */
function planeOf(marks: Vec[]): { middle: Vec; normal: Vec } | null {
  const middle = scale(
    marks.reduce<Vec>((sum, mark) => add(sum, mark), [0, 0, 0]),
    1 / marks.length,
  );
  const svd = new SVD(new Matrix(marks.map((mark) => [...sub(mark, middle)])), {
    autoTranspose: true,
  });
  const sizes = svd.diagonal;
  if (!(sizes[1] > sizes[0] * IN_LINE)) return null;
  const v = svd.rightSingularVectors;
  const columns = [0, 1].map((j): Vec => [v.get(0, j), v.get(1, j), v.get(2, j)]);
  const [a, b] = columns;
  const normal = unit([
    a[1] * b[2] - a[2] * b[1],
    a[2] * b[0] - a[0] * b[2],
    a[0] * b[1] - a[1] * b[0],
  ]);
  return { middle, normal };
}

/** A start on one side of the marks' plane: linear least squares of the differences of squares. */
function startFrom(tapes: Tape[], plane: { middle: Vec; normal: Vec }, side: 1 | -1): Vec {
  const [base, ...rest] = tapes;
  // Within the plane from the differences of two spheres, which are planes.
  const rows = rest.map(({ mark, distance: d }) => ({
    row: scale(sub(mark, base.mark), 2),
    right: base.distance ** 2 - d ** 2 + dot(mark, mark) - dot(base.mark, base.mark),
  }));
  const svd = new SVD(new Matrix([...rows.map(({ row }) => [...row])]), { autoTranspose: true });
  const about = Matrix.columnVector(rows.map(({ row, right }) => right - dot(row, plane.middle)));
  // Directions that the marks do not tell apart are left out.
  const inPlane = solveTrimmed(svd, about, svd.diagonal[0] * IN_LINE);
  const flat = add(plane.middle, sub(inPlane, scale(plane.normal, dot(inPlane, plane.normal))));
  const heights = tapes.map(({ mark, distance: d }) => d ** 2 - length(sub(flat, mark)) ** 2);
  const mean = heights.reduce((sum, h) => sum + h, 0) / heights.length;
  const away = Math.sqrt(Math.max(mean, (0.02 * base.distance) ** 2));
  return add(flat, scale(plane.normal, side * away));
}

function solveTrimmed(svd: SVD, right: Matrix, least: number): Vec {
  const u = svd.leftSingularVectors;
  const v = svd.rightSingularVectors;
  const x = [0, 0, 0];
  svd.diagonal.forEach((size, j) => {
    if (size <= least) return;
    let part = 0;
    for (let i = 0; i < right.rows; i++) part += u.get(i, j) * right.get(i, 0);
    for (let i = 0; i < 3; i++) x[i] += (v.get(i, j) * part) / size;
  });
  return [x[0], x[1], x[2]];
}

/** Least squares from a start on; null where it does not come to rest. */
function settleFrom(tapes: Tape[], start: Vec): Placed | null {
  const settled = settle(start, (place) => lookAt(tapes, place as Vec), {
    still: 1e-8,
    rest: 1e-6,
  });
  return settled && placedAt(tapes, settled.place as unknown as Vec);
}

/** What the tapes miss at a place, in squares of their ±, and how that goes on in space. */
export const lookAt = (tapes: Tape[], place: Vec): Looked => ({
  cost: costAt(tapes, place),
  bent: () => {
    const normal = Matrix.zeros(3, 3);
    const curve = Matrix.zeros(3, 3);
    const slope = Matrix.zeros(3, 1);
    let size = 0;
    for (const { mark, distance: taped, tolerance } of tapes) {
      const away = sub(place, mark);
      const apart = Math.max(length(away), 1e-9);
      const row = scale(away, 1 / apart);
      const weight = 1 / tolerance ** 2;
      // A sphere that is too small or too large bends the cost across the tape.
      const bend = (apart - taped) / apart;
      for (let i = 0; i < 3; i++) {
        slope.set(i, 0, slope.get(i, 0) + weight * (taped - apart) * row[i]);
        for (let j = 0; j < 3; j++) {
          const along = row[i] * row[j];
          const across = (i === j ? 1 : 0) - along;
          normal.set(i, j, normal.get(i, j) + weight * along);
          curve.set(i, j, curve.get(i, j) + weight * (along + bend * across));
        }
      }
      size += weight;
    }
    return { curve, slope, size, off: offBy(normal, slope) };
  },
});

export const costAt = (tapes: Tape[], place: Vec): number =>
  tapes.reduce(
    (sum, { mark, distance: taped, tolerance }) =>
      sum + ((distance(place, mark) - taped) / tolerance) ** 2,
    0,
  );

function placedAt(tapes: Tape[], place: Vec): Placed {
  const residuals = tapes.map((tape) => distance(place, tape.mark) - tape.distance);
  return {
    place,
    residuals,
    misfit: Math.sqrt(residuals.reduce((sum, r) => sum + r * r, 0) / residuals.length),
    spread: [0, 0, 0],
    gain: [],
    loose: null,
    conflict: null,
  };
}
