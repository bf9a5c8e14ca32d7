import { Matrix, SVD } from 'ml-matrix';
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
  /** ± to expect of each coordinate from the ± of the tapes, mm. */
  spread: Vec;
  /** d place / d distance: three rows, one column a tape. Also what a mark's own error towards the point does. */
  gain: number[][];
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
/** A residual past this many times its ± contradicts the rest. */
const CONTRADICTS = 2.5;

/**
 * A point from distances to three or more marks by weighted least squares (Gauss–Newton). Three marks,
 * or more in one plane, leave two mirror images; both are given.
 */
export function locate(tapes: Tape[]): Located {
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

  const first = settle(tapes, startFrom(tapes, plane, 1));
  const second = settle(tapes, startFrom(tapes, plane, -1));
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
  return { ok: true, answers, doubts: doubtsOf(tapes, best) };
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

function settle(tapes: Tape[], start: Vec): Placed | null {
  let place = start;
  for (let step = 0; step < 60; step++) {
    const { inverse, rows } = normalOf(tapes, place);
    if (!inverse) return null;
    let move: Vec = [0, 0, 0];
    tapes.forEach((tape, i) => {
      const missing = (tape.distance - distance(place, tape.mark)) / tape.tolerance ** 2;
      move = add(move, scale(times(inverse, rows[i]), missing));
    });
    // Steps are kept within reach of where the tapes could end.
    const size = length(move);
    const most = 0.3 * Math.min(...tapes.map((tape) => tape.distance));
    place = add(place, scale(move, size > most ? most / size : 1));
    if (size < 1e-10) break;
    if (!Number.isFinite(size)) return null;
  }
  const { inverse, rows } = normalOf(tapes, place);
  if (!inverse) return null;
  const residuals = tapes.map((tape) => distance(place, tape.mark) - tape.distance);
  const columns = tapes.map((tape, i) => scale(times(inverse, rows[i]), 1 / tape.tolerance ** 2));
  return {
    place,
    residuals,
    misfit: Math.sqrt(residuals.reduce((sum, r) => sum + r * r, 0) / residuals.length),
    spread: [0, 1, 2].map((i) => Math.sqrt(inverse[i][i])) as unknown as Vec,
    gain: [0, 1, 2].map((i) => columns.map((column) => column[i])),
  };
}

const times = (m: number[][], v: Vec): Vec => [
  dot(m[0] as unknown as Vec, v),
  dot(m[1] as unknown as Vec, v),
  dot(m[2] as unknown as Vec, v),
];

/** Inverse of the weighted normal equations at a place, and the direction of each tape there. */
function normalOf(tapes: Tape[], place: Vec): { inverse: number[][] | null; rows: Vec[] } {
  const rows = tapes.map((tape) => unit(sub(place, tape.mark)));
  const n = [0, 1, 2].map((i) =>
    [0, 1, 2].map((j) =>
      rows.reduce((sum, row, t) => sum + (row[i] * row[j]) / tapes[t].tolerance ** 2, 0),
    ),
  );
  const minor = (i: number, j: number) => {
    const [r, s] = [0, 1, 2].filter((k) => k !== i);
    const [p, q] = [0, 1, 2].filter((k) => k !== j);
    return (n[r][p] * n[s][q] - n[r][q] * n[s][p]) * ((i + j) % 2 ? -1 : 1);
  };
  const det = [0, 1, 2].reduce((sum, j) => sum + n[0][j] * minor(0, j), 0);
  const trace = n[0][0] + n[1][1] + n[2][2];
  if (!(det > trace ** 3 * 1e-14)) return { inverse: null, rows };
  return {
    inverse: [0, 1, 2].map((i) => [0, 1, 2].map((j) => minor(j, i) / det)),
    rows,
  };
}

/**
 * Which distance disagrees with the others: the one whose residual is largest against what its own ±
 * and its share in the fit let through (data snooping: Baarda 1968, from memory). Four tapes show that
 * something is wrong, five or more which.
 */
function doubtsOf(tapes: Tape[], placed: Placed): string[] {
  const directions = tapes.map((tape) => unit(sub(placed.place, tape.mark)));
  const scores = tapes.map((tape, i) => {
    const own = dot(directions[i], placed.gain.map((row) => row[i]) as unknown as Vec);
    const free = Math.max(0, 1 - own);
    const score =
      free > 1e-6 ? Math.abs(placed.residuals[i]) / (tape.tolerance * Math.sqrt(free)) : 0;
    return { name: tape.name, score, free, residual: placed.residuals[i] };
  });
  const doubts: string[] = [];
  const worst = scores.reduce((a, b) => (b.score > a.score ? b : a));
  if (worst.score > CONTRADICTS) {
    const alike = scores.filter(({ score }) => score > worst.score * 0.98).length;
    if (alike > 1)
      doubts.push(
        'the distances do not agree by more than their ±; with one more tape Havrik could say which is wrong',
      );
    else {
      const off = worst.residual / worst.free;
      doubts.push(
        `${worst.name} disagrees with the others: about ${Math.abs(off).toFixed(1)} mm too ${off > 0 ? 'short' : 'long'}. Measure it again`,
      );
    }
  } else if (tapes.length === 3 && placed.misfit > 0.5 * Math.max(...tapes.map((t) => t.tolerance)))
    doubts.push(
      'the three distances do not quite meet: one is too short, or the point lies in the marks’ plane',
    );
  const loosest = Math.max(...placed.spread);
  const tape = Math.max(...tapes.map(({ tolerance }) => tolerance));
  if (loosest > 6 * tape)
    doubts.push(
      `the tapes meet at a flat angle: ±${loosest.toFixed(0)} mm is left ${DIRECTIONS[placed.spread.indexOf(loosest)]}. Add a mark from another direction`,
    );
  return doubts;
}

const DIRECTIONS = ['ahead and back', 'across', 'up and down'];
