import { EVD, Matrix } from 'ml-matrix';
import { add, distance, dot, scale, sub, unit } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { offBy, settle } from '../geometry/downhill';
import { costAt, lookAt, meet } from './tapesMeet';
import type { Conflict, Located, Placed, Tape } from './tapesMeet';

/** A residual past this many times its ± contradicts the rest. */
const CONTRADICTS = 2.5;

/** A tape whose own error shows in its misfit by less than this part is checked by nothing. */
const CHECKED = 0.04;

/**
 * A point from distances to three or more marks by weighted least squares (Newton's method, damped, from both
 * sides of the marks' plane). Three marks, or more in one plane, leave two mirror images; both are given, or one
 * in the plane where the tapes do not reach out of it.
 */
export function locate(tapes: Tape[]): Located {
  const placed = meet(tapes);
  if (!placed.ok) return placed;
  const answers = placed.answers.map((one) => weighed(tapes, one)) as typeof placed.answers;
  return { ...placed, answers, doubts: doubtsOf(tapes, answers[0]) };
}

/** A linear ± that is off the true one by more than this part is not used. */
const STRAIGHT = 0.3;

/** The same with its ±: by slopes where they hold, and along the way that the tapes hold least by trying. */
function weighed(tapes: Tape[], placed: Placed): Placed {
  const { place } = placed;
  const rows = tapes.map((tape) => unit(sub(place, tape.mark)));
  const normal = Matrix.zeros(3, 3);
  rows.forEach((row, t) => {
    for (let i = 0; i < 3; i++)
      for (let j = 0; j < 3; j++)
        normal.set(i, j, normal.get(i, j) + (row[i] * row[j]) / tapes[t].tolerance ** 2);
  });
  const { realEigenvalues, eigenvectorMatrix } = new EVD(normal, { assumeSymmetric: true });
  const order = [0, 1, 2].sort((a, b) => realEigenvalues[a] - realEigenvalues[b]);
  const ways = order.map((k) => eigenvectorMatrix.getColumn(k) as unknown as Vec);
  const sizes = order.map((k) => Math.max(realEigenvalues[k], 1e-12));
  const straight = 1 / Math.sqrt(sizes[0]);
  const by = reachAlong(tapes, place, ways, straight);
  const loose = Math.abs(by - straight) > STRAIGHT * by ? { way: ways[0], by } : null;
  // Where slopes do not tell, they are left out, and what was tried takes their place.
  const inverse = [0, 1, 2].map((i) =>
    [0, 1, 2].map((j) =>
      ways.reduce((sum, way, k) => sum + (loose && k === 0 ? 0 : (way[i] * way[j]) / sizes[k]), 0),
    ),
  );
  const columns = tapes.map((tape, i) => scale(times(inverse, rows[i]), 1 / tape.tolerance ** 2));
  const gain = [0, 1, 2].map((i) => columns.map((column) => column[i]));
  const conflict = conflictOf(tapes, placed, rows, gain);
  const spread = [0, 1, 2].map((i) =>
    Math.hypot(
      Math.sqrt(Math.max(0, inverse[i][i])),
      loose ? loose.way[i] * loose.by : 0,
      conflict?.moves[i] ?? 0,
    ),
  ) as unknown as Vec;
  return { ...placed, spread, gain, loose, conflict };
}

/**
 * How far a place may go the first of three ways square to each other, the others following, until the tapes are off by their ± all told (profile
 * likelihood; from memory). Where they do not meet even at their best, what they are off there counts as their ±.
 */
function reachAlong(tapes: Tape[], place: Vec, [way, u, v]: Vec[], about: number): number {
  const least = costAt(tapes, place);
  // More than three that do not meet are told of by themselves.
  const allowed = tapes.length === 3 ? Math.max(1, least) : 1;
  const basis = new Matrix([[...u], [...v]]);
  const excess = (by: number): number => {
    const at = add(place, scale(way, by));
    const beside = settle(
      [0, 0],
      ([p, q]) => {
        const { cost, bent } = lookAt(tapes, add(at, add(scale(u, p), scale(v, q))));
        return {
          cost,
          bent: () => {
            const { curve, slope, size } = bent();
            const flat = basis.mmul(curve).mmul(basis.transpose());
            const down = basis.mmul(slope);
            return { curve: flat, slope: down, size, off: offBy(flat, down) };
          },
        };
      },
      { still: 1e-6, rest: 1e-3 },
    );
    // Where nothing comes to rest there is no end to be told of: it may go on.
    return beside ? beside.cost - least - allowed : -1;
  };
  const farthest = Math.max(...tapes.map((tape) => tape.distance));
  const out = (sign: 1 | -1): number => {
    let high = Math.min(Math.max(about, 0.01), farthest) / 4;
    while (excess(sign * high) < 0 && high < farthest) high *= 2;
    let low = 0;
    for (let i = 0; i < 30; i++) {
      const middle = (low + high) / 2;
      if (excess(sign * middle) < 0) low = middle;
      else high = middle;
    }
    return high;
  };
  return Math.max(out(1), out(-1));
}

const times = (m: number[][], v: Vec): Vec => [
  dot(m[0] as unknown as Vec, v),
  dot(m[1] as unknown as Vec, v),
  dot(m[2] as unknown as Vec, v),
];

/** How far each residual is past what its own ± and its share in the fit let through, in units of that. */
function scoresOf(tapes: Tape[], residuals: number[], rows: Vec[], gain: number[][]) {
  return tapes.map((tape, i) => {
    const own = dot(rows[i], gain.map((row) => row[i]) as unknown as Vec);
    const free = Math.max(0, 1 - own);
    return {
      free,
      score: free > 1e-6 ? Math.abs(residuals[i]) / (tape.tolerance * Math.sqrt(free)) : 0,
    };
  });
}

/** Whether tapes disagree, and what each would have to read to be the only wrong one. */
function conflictOf(
  tapes: Tape[],
  { place, residuals }: Placed,
  rows: Vec[],
  gain: number[][],
): Conflict | null {
  const scores = scoresOf(tapes, residuals, rows, gain);
  if (tapes.length < 4 || !scores.some(({ score }) => score > CONTRADICTS)) return null;
  const without = tapes.map((_, i) => {
    const rest = meet(tapes.filter((_tape, j) => j !== i));
    if (!rest.ok) return null;
    const nearest = rest.answers.reduce((a, b) =>
      distance(b.place, place) < distance(a.place, place) ? b : a,
    );
    const agree = nearest.residuals.every((r, k) => {
      const { tolerance } = tapes[k < i ? k : k + 1];
      return Math.abs(r) <= CONTRADICTS * tolerance;
    });
    return { place: nearest.place, agree };
  });
  const agreeing = without.flatMap((one, i) => (one?.agree ? [i] : []));
  // Where leaving out no one tape mends it, any of them may be wrong.
  const suspects = agreeing.length > 0 ? agreeing : without.flatMap((one, i) => (one ? [i] : []));
  return {
    wouldRead: without.map((one, i) => one && distance(one.place, tapes[i].mark)),
    suspects,
    moves: [0, 1, 2].map((i) =>
      Math.max(0, ...suspects.map((k) => Math.abs(without[k]!.place[i] - place[i]))),
    ) as unknown as Vec,
  };
}

/**
 * Which distance disagrees with the others: the one whose residual is largest against what its own ±
 * and its share in the fit let through (data snooping: Baarda 1968, from memory). Four tapes show that
 * something is wrong, five or more which.
 */
function doubtsOf(tapes: Tape[], placed: Placed): string[] {
  const rows = tapes.map((tape) => unit(sub(placed.place, tape.mark)));
  const scores = scoresOf(tapes, placed.residuals, rows, placed.gain).map((one, i) => ({
    ...one,
    name: tapes[i].name,
    residual: placed.residuals[i],
  }));
  const doubts: string[] = [];
  const worst = scores.reduce((a, b) => (b.score > a.score ? b : a));
  if (worst.score > CONTRADICTS) {
    const alike = scores.filter(({ score }) => score > worst.score * 0.98).length;
    if (alike > 1)
      doubts.push(
        'the distances disagree by more than their ±: one of them is wrong. Beside each stands what it would read if it alone were; one more tape would say which',
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
  const unchecked = scores.filter(({ free }) => free < CHECKED).map(({ name }) => name);
  if (tapes.length > 3 && doubts.length === 0 && unchecked.length > 0)
    doubts.push(
      `nothing checks the tape to ${unchecked.join(', ')}: a slip there would not show. Read ${unchecked.length > 1 ? 'them' : 'it'} twice`,
    );
  const { loose } = placed;
  if (loose && loose.by > 3 * Math.max(...tapes.map(({ tolerance }) => tolerance)))
    doubts.push(
      `the point lies near the marks’ plane: how far out of it, ${DIRECTIONS[largest(loose.way)]}, is known to ±${loose.by.toFixed(0)} mm only. Measure that from a plane, or add a mark off theirs`,
    );
  const loosest = Math.max(...placed.spread);
  const tape = Math.max(...tapes.map(({ tolerance }) => tolerance));
  if (!loose && !placed.conflict && loosest > 6 * tape)
    doubts.push(
      `the tapes meet at a flat angle: ±${loosest.toFixed(0)} mm is left ${DIRECTIONS[placed.spread.indexOf(loosest)]}. Add a mark from another direction`,
    );
  return doubts;
}

const largest = (v: Vec): number =>
  v.reduce((best, part, i) => (Math.abs(part) > Math.abs(v[best]) ? i : best), 0);
const DIRECTIONS = ['ahead and back', 'across', 'up and down'];
