import { EVD, Matrix, solve } from 'ml-matrix';
import { distance } from '../geometry/vec';
import type { Vec } from '../geometry/vec';
import { normalNumbers } from '../geometry/random';
import { reflected, turnsOf } from './networkSides';
import { settle } from '../geometry/downhill';
import { lookedAt, normalOf } from './networkSolve';
import type { Condition } from './networkSolve';
import { counts } from '../model/takeOff';
import type { Mark, MarkDistance } from '../model/takeOff';

/** A datum mark as the network places it, [ahead, left, up] mm. */
export interface PlacedMark {
  id: string;
  place: Vec;
  /** ± to expect of each coordinate from the ± of tapes and known marks, mm; 0 where it is known exactly. */
  spread: Vec;
}

export interface Network {
  marks: PlacedMark[];
  /** One a distance: as placed less as taped, mm. */
  residuals: number[];
  misfit: number;
  doubts: string[];
  /**
   * d coordinate / d distance, d coordinate / d known coordinate: rows ahead, left, up of each mark in order, one
   * column a distance that counts, then one each of `known`.
   */
  gain: Matrix;
  /** Coordinates that are known to within a ±: which mark's in order, and which axis. */
  known: { mark: number; axis: number }[];
}

export type Adjusted = { ok: true; value: Network } | { ok: false; why: string };

const AXES = ['ahead', 'left', 'up'] as const;
/** ± of what mirrors: a definition of the centreline, not a measurement, mm. */
const MIRROR = 1e-3;
const CONTRADICTS = 2.5;
/** A tape whose own error shows in its misfit by less than this part is checked by nothing. */
const CHECKED = 0.04;
/** Squares of misfit against ± beyond which, each check, another start is tried; how many, and how far apart of the network's size. */
const SUSPECT = 2.5;
const STARTS = 15;
const MANY = 60;
const APART = [0.03, 0.1, 0.3];
/** Rough places say on which side of each other marks lie: to within so much, mm, or unless the tapes say otherwise by so many squares of their ±. */
const ROUGHLY = 150;
const SURELY = 9;

const placeOf = (mark: Mark): Vec => [mark.ahead, mark.left, mark.up];

interface Settled {
  cost: number;
  places: number[][];
}

/**
 * Places datum marks from tapes between them (least squares with every tape by its ±). Known coordinates hold, or
 * pull by their own ± where they have one; marks that mirror each other lie alike on both sides of the centreline. One mark
 * on the centreline and a mirrored pair set up a bare frame: no surface plate is needed. Starts from
 * where the marks roughly are, which also says on which side of each other they lie.
 * @param all tapes; those not read yet or left out do not count, and results have one entry each that does
 */
export function adjustNetwork(marks: Mark[], all: MarkDistance[]): Adjusted {
  const between = all.filter(counts);
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
    AXES.flatMap((axis, a) =>
      mark.known[axis] && mark.tolerance === undefined ? [] : [{ mark: i, axis: a }],
    ),
  );
  const known = marks.flatMap((mark, i) =>
    AXES.flatMap((axis, a) =>
      mark.known[axis] && mark.tolerance !== undefined ? [{ mark: i, axis: a }] : [],
    ),
  );
  if (unknowns.length === 0) return refuse('every mark is known: there is nothing to work out');
  const column = new Map(unknowns.map(({ mark, axis }, u) => [mark * 3 + axis, u]));
  const places = marks.map((mark) => [...placeOf(mark)]);

  const conditions = (): Condition[] => [
    ...between.map((taped): Condition => {
      const [i, j] = [index.get(taped.from)!, index.get(taped.to)!];
      const apart = distance(places[i] as unknown as Vec, places[j] as unknown as Vec) || 1e-6;
      const slopes: Condition['slopes'] = [];
      const ends = [0, 1, 2].flatMap((a) => [
        { u: column.get(i * 3 + a), a, sign: 1 },
        { u: column.get(j * 3 + a), a, sign: -1 },
      ]);
      const way = [0, 1, 2].map((a) => (places[i][a] - places[j][a]) / apart);
      const bends: Condition['bends'] = [];
      for (const { u, a, sign } of ends) {
        if (u === undefined) continue;
        slopes.push([u, sign * way[a]]);
        for (const { u: v, a: b, sign: other } of ends)
          if (v !== undefined)
            bends.push([u, v, (sign * other * ((a === b ? 1 : 0) - way[a] * way[b])) / apart]);
      }
      return { missing: taped.distance - apart, weight: 1 / taped.tolerance ** 2, slopes, bends };
    }),
    ...known.map(({ mark, axis }): Condition => ({
      missing: placeOf(marks[mark])[axis] - places[mark][axis],
      weight: 1 / marks[mark].tolerance! ** 2,
      slopes: [[column.get(mark * 3 + axis)!, 1]],
      bends: [],
    })),
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
          bends: [],
        };
      });
    }),
  ];

  const mirrored = marks.filter(({ mirrors }) => mirrors !== undefined).length;
  const loose = whatIsLoose(marks, unknowns, conditions());
  if (loose) return refuse(loose);

  const start = places.map((place) => [...place]);
  const size = sizeOf(start);
  const settleFrom = (from: number[][]): Settled | null => {
    from.forEach((place, i) => places[i].splice(0, 3, ...place));
    const put = (values: readonly number[]) =>
      unknowns.forEach(({ mark, axis }, u) => (places[mark][axis] = values[u]));
    const settled = settle(
      unknowns.map(({ mark, axis }) => places[mark][axis]),
      (values) => {
        put(values);
        return lookedAt(conditions(), unknowns.length);
      },
      { still: 1e-6, longest: 200, rest: 1e-3 },
    );
    if (!settled) return null;
    put(settled.place);
    return { cost: settled.cost, places: places.map((place) => [...place]) };
  };
  const away = (settled: number[][]): number =>
    Math.max(...settled.map((place, i) => Math.hypot(...place.map((x, a) => x - start[i][a]))));
  /** Fits better, and is where the marks roughly are, or fits so much better that they are not. */
  const isBetter = (other: Settled | null, than: Settled | null): other is Settled =>
    other !== null &&
    (than === null ||
      (other.cost < than.cost * 0.999 - 1e-9 &&
        (other.cost < than.cost - SURELY ||
          away(other.places) <= Math.max(ROUGHLY, away(than.places)))));
  let best = settleFrom(start);
  // Tapes that fit badly may have led into another minimum: tried again from round about where the marks are.
  const free = between.length + known.length + 3 * mirrored - unknowns.length;
  if (!best || best.cost > SUSPECT * Math.max(1, free)) {
    const normal = normalNumbers();
    for (let n = 0; n < STARTS && unknowns.length <= MANY; n++) {
      const from = start.map((place) => [...place]);
      for (const { mark, axis } of unknowns) from[mark][axis] += APART[n % 3] * size * normal();
      const other = settleFrom(from);
      if (isBetter(other, best)) best = other;
    }
  }
  // A mark near the plane of those it is taped to may have settled on the wrong side of it.
  for (let gained = best !== null, round = 0; gained && round < 3; round++) {
    gained = false;
    for (const turn of turnsOf(marks.length)) {
      const turned = turn.reduce<number[][] | null>(
        (now, i) => now && reflected(now, i, marks, between, index),
        best && best.places,
      );
      const other = turned && settleFrom(turned);
      if (isBetter(other, best)) [best, gained] = [other, true];
    }
  }
  if (!best) return refuse('the distances settle on no places: check which marks each is between');
  best.places.forEach((place, i) => places[i].splice(0, 3, ...place));

  const settled = conditions();
  const nowLoose = whatIsLoose(marks, unknowns, settled);
  if (nowLoose) return refuse(nowLoose);
  const { normal } = normalOf(settled, unknowns.length);
  const inverse = solve(normal, Matrix.eye(unknowns.length));
  const gain = Matrix.zeros(marks.length * 3, Math.max(1, between.length + known.length));
  [...between, ...known].forEach((_, d) => {
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
      known,
    },
  };
}

/** How far apart the farthest marks are, mm. */
const sizeOf = (places: number[][]): number =>
  Math.max(
    1,
    ...places.flatMap((a) => places.map((b) => Math.hypot(...a.map((x, k) => x - b[k])))),
  );

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
