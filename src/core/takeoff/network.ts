import { EVD, Matrix, solve } from 'ml-matrix';
import { distance } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import type { Mark, MarkDistance } from './records';

/** A datum mark as the network places it, [ahead, left, up] mm. */
export interface PlacedMark {
  id: string;
  place: Vec;
  /** ± to expect of each coordinate from the ± of the tapes, mm; 0 where the coordinate is known. */
  spread: Vec;
}

export interface Network {
  marks: PlacedMark[];
  /** One a distance: as placed less as taped, mm. */
  residuals: number[];
  misfit: number;
  doubts: string[];
  /** d coordinate / d distance: rows ahead, left, up of each mark in order, one column a distance. */
  gain: Matrix;
}

export type Adjusted = { ok: true; value: Network } | { ok: false; why: string };

const AXES = ['ahead', 'left', 'up'] as const;
/** ± of what mirrors: a definition of the centreline, not a measurement, mm. */
const MIRROR = 1e-3;
const CONTRADICTS = 2.5;
/** A tape whose own error shows in its misfit by less than this part is checked by nothing. */
const CHECKED = 0.04;
const LARGEST_STEP = 200;
/** A step that is as good as none, mm. */
const SETTLED = 1e-7;

const placeOf = (mark: Mark): Vec => [mark.ahead, mark.left, mark.up];

/** One condition: what is missing and its slope by every unknown. */
interface Condition {
  missing: number;
  weight: number;
  slopes: [unknown: number, slope: number][];
}

/**
 * Places datum marks from tapes between them (least squares with every tape by its ±). Known
 * coordinates hold; marks that mirror each other lie alike on both sides of the centreline. One mark
 * on the centreline and a mirrored pair set up a bare frame: no surface plate is needed. Starts from
 * where the marks roughly are, which also says on which side of each other they lie.
 */
export function adjustNetwork(marks: Mark[], between: MarkDistance[]): Adjusted {
  const refuse = (why: string): Adjusted => ({ ok: false, why });
  const index = new Map(marks.map((mark, i) => [mark.id, i]));
  const name = (id: string) => marks[index.get(id) ?? 0].name;
  for (const { from, to } of between) {
    if (!index.has(from) || !index.has(to))
      return refuse('a distance names a mark that is not there any more');
    if (from === to) return refuse(`${name(from)} is measured to itself`);
  }
  for (const mark of marks)
    if (mark.mirrors !== undefined && (!index.has(mark.mirrors) || mark.mirrors === mark.id))
      return refuse(`${mark.name} mirrors a mark that is not there`);
  const unknowns: { mark: number; axis: number }[] = marks.flatMap((mark, i) =>
    AXES.flatMap((axis, a) => (mark.known[axis] ? [] : [{ mark: i, axis: a }])),
  );
  if (unknowns.length === 0) return refuse('every mark is known: there is nothing to work out');
  const column = new Map(unknowns.map(({ mark, axis }, u) => [mark * 3 + axis, u]));
  const places = marks.map((mark) => [...placeOf(mark)]);

  const conditions = (): Condition[] => [
    ...between.map((taped): Condition => {
      const [i, j] = [index.get(taped.from)!, index.get(taped.to)!];
      const apart = distance(places[i] as unknown as Vec, places[j] as unknown as Vec) || 1e-6;
      const slopes: Condition['slopes'] = [];
      for (let a = 0; a < 3; a++) {
        const slope = (places[i][a] - places[j][a]) / apart;
        const [ui, uj] = [column.get(i * 3 + a), column.get(j * 3 + a)];
        if (ui !== undefined) slopes.push([ui, slope]);
        if (uj !== undefined) slopes.push([uj, -slope]);
      }
      return { missing: taped.distance - apart, weight: 1 / taped.tolerance ** 2, slopes };
    }),
    ...marks.flatMap((mark, i): Condition[] => {
      if (mark.mirrors === undefined) return [];
      const j = index.get(mark.mirrors)!;
      return [-1, 1, -1].map((sign, a): Condition => {
        const [ui, uj] = [column.get(i * 3 + a), column.get(j * 3 + a)];
        return {
          missing: -(places[i][a] + sign * places[j][a]),
          weight: 1 / MIRROR ** 2,
          slopes: [
            ...(ui === undefined ? [] : [[ui, 1] as [number, number]]),
            ...(uj === undefined ? [] : [[uj, sign] as [number, number]]),
          ],
        };
      });
    }),
  ];

  const loose = whatIsLoose(marks, unknowns, conditions());
  if (loose) return refuse(loose);

  let cost = costOf(conditions());
  let damping = 1e-3;
  for (let step = 0; step < 300; step++) {
    const { normal, right } = normalOf(conditions(), unknowns.length);
    const damped = normal.clone();
    for (let u = 0; u < unknowns.length; u++)
      damped.set(u, u, damped.get(u, u) * (1 + damping) + 1e-12);
    const move = solve(damped, right).to1DArray();
    const largest = Math.max(...move.map(Math.abs));
    const part = largest > LARGEST_STEP ? LARGEST_STEP / largest : 1;
    const before = places.map((place) => [...place]);
    unknowns.forEach(({ mark, axis }, u) => (places[mark][axis] += part * move[u]));
    const next = costOf(conditions());
    if (next <= cost) {
      damping = Math.max(damping / 5, 1e-14);
      const done = largest < SETTLED || cost - next <= cost * 1e-14;
      cost = next;
      if (done) break;
    } else {
      places.forEach((place, i) => place.splice(0, 3, ...before[i]));
      damping *= 6;
      if (damping > 1e12 || largest < SETTLED) break;
    }
  }

  const settled = conditions();
  const nowLoose = whatIsLoose(marks, unknowns, settled);
  if (nowLoose) return refuse(nowLoose);
  const { normal } = normalOf(settled, unknowns.length);
  const inverse = solve(normal, Matrix.eye(unknowns.length));
  const gain = Matrix.zeros(marks.length * 3, Math.max(1, between.length));
  between.forEach((_, d) => {
    const { slopes, weight } = settled[d];
    unknowns.forEach(({ mark, axis }, u) => {
      let sum = 0;
      for (const [other, slope] of slopes) sum += inverse.get(u, other) * slope;
      gain.set(mark * 3 + axis, d, sum * weight);
    });
  });
  const residuals = between.map((_, d) => -settled[d].missing);
  const spreadAt = (mark: number, axis: number) => {
    const u = column.get(mark * 3 + axis);
    return u === undefined ? 0 : Math.sqrt(Math.max(0, inverse.get(u, u)));
  };
  return {
    ok: true,
    value: {
      marks: marks.map((mark, i) => ({
        id: mark.id,
        place: [places[i][0], places[i][1], places[i][2]],
        spread: [spreadAt(i, 0), spreadAt(i, 1), spreadAt(i, 2)],
      })),
      residuals,
      misfit: Math.sqrt(
        residuals.reduce((sum, r) => sum + r * r, 0) / Math.max(1, residuals.length),
      ),
      doubts: doubtsOf(between, settled, inverse, name),
      gain,
    },
  };
}

const costOf = (conditions: Condition[]): number =>
  conditions.reduce((sum, { missing, weight }) => sum + weight * missing ** 2, 0);

function normalOf(conditions: Condition[], size: number): { normal: Matrix; right: Matrix } {
  const normal = Matrix.zeros(size, size);
  const right = Matrix.zeros(size, 1);
  for (const { missing, weight, slopes } of conditions)
    for (const [u, slope] of slopes) {
      right.set(u, 0, right.get(u, 0) + weight * slope * missing);
      for (const [v, other] of slopes) normal.set(u, v, normal.get(u, v) + weight * slope * other);
    }
  return { normal, right };
}

/** Says which mark the distances leave loose and which way, or null when they hold everything. */
function whatIsLoose(
  marks: Mark[],
  unknowns: { mark: number; axis: number }[],
  conditions: Condition[],
): string | null {
  const even = conditions.map((condition) => ({ ...condition, weight: 1 }));
  const { normal } = normalOf(even, unknowns.length);
  const evd = new EVD(normal, { assumeSymmetric: true });
  const values = evd.realEigenvalues;
  const least = values.reduce((a, value, i) => (value < values[a] ? i : a), 0);
  if (values[least] > 1e-7) return null;
  const way = evd.eigenvectorMatrix.getColumn(least);
  const moved = way.reduce((a, part, u) => (Math.abs(part) > Math.abs(way[a]) ? u : a), 0);
  const { mark, axis } = unknowns[moved];
  const others = new Set(
    unknowns.filter((_, u) => Math.abs(way[u]) > 0.1).map((unknown) => unknown.mark),
  ).size;
  return `the distances do not hold ${marks[mark].name}: it can still move ${['ahead or back', 'left or right', 'up or down'][axis]}${
    others > 1 ? ' (others with it)' : ''
  }. Measure it to one more mark, or say which of its coordinates is known`;
}

function doubtsOf(
  between: MarkDistance[],
  conditions: Condition[],
  inverse: Matrix,
  name: (id: string) => string,
): string[] {
  const scores = between.map((taped, d) => {
    const { slopes, weight, missing } = conditions[d];
    let own = 0;
    for (const [u, p] of slopes) for (const [v, q] of slopes) own += p * q * inverse.get(u, v);
    const free = 1 - own * weight;
    const score = free > 1e-6 ? Math.abs(missing) / (taped.tolerance * Math.sqrt(free)) : 0;
    return { taped, score, free, missing };
  });
  if (scores.length === 0) return [];
  const worst = scores.reduce((a, b) => (b.score > a.score ? b : a));
  if (!(worst.score > CONTRADICTS)) {
    const alone = scores.filter(({ free }) => free < CHECKED);
    if (alone.length === scores.length)
      return ['no tape checks another: a slip would not show. Tape one more pair of marks'];
    if (alone.length === 0) return [];
    const tapes = alone.map(({ taped }) => `${name(taped.from)} to ${name(taped.to)}`);
    return [
      `nothing checks ${tapes.join(', ')}: a slip there would not show. Read ${tapes.length > 1 ? 'them' : 'it'} twice`,
    ];
  }
  const alike = scores.filter(({ score }) => score > worst.score * 0.98).length;
  if (alike > 1)
    return [
      'the distances do not agree by more than their ±; with one more Havrik could say which is wrong',
    ];
  const off = worst.missing / worst.free;
  return [
    `${name(worst.taped.from)} to ${name(worst.taped.to)} disagrees with the others: about ${Math.abs(off).toFixed(1)} mm too ${off > 0 ? 'long' : 'short'}. Measure it again`,
  ];
}
