import fc from 'fast-check';
import { cross as crossed, dot, sub, unit } from '../geometry/vec';
import type { Vec as V } from '../geometry/vec';
import { lackingInWords, lackingOf } from './supports';
import type { ShaftHeld } from './supports';

const between = (a: V, b: V, part: number): V =>
  a.map((x, i) => x + part * (b[i] - x)) as unknown as V;

const held = (change: Partial<ShaftHeld> = {}): ShaftHeld => ({
  bearings: 0,
  located: { above: 0, below: 0 },
  slip: false,
  ...change,
});
const once = { above: 1, below: 0 };
const anyShaft: fc.Arbitrary<ShaftHeld> = fc
  .record({
    bearings: fc.integer({ min: 0, max: 2 }),
    above: fc.integer({ min: 0, max: 1 }),
    below: fc.integer({ min: 0, max: 1 }),
    slip: fc.boolean(),
  })
  .map(({ bearings, above, below, slip }) => ({
    bearings,
    slip,
    located: { above, below: slip ? below : 0 },
  }));

/** A bent column in no plane: the handwheel, its joints; the last of them is the pinion's. */
const NODES: V[] = [
  [0, 0, 0],
  [110, 14, -31],
  [205, 70, -12],
  [290, 66, 75],
  [402, 131, 98],
];

/** Rank of a matrix by elimination with the largest left. */
function rankOf(rows: number[][]): number {
  const left = rows.map((row) => [...row]);
  let rank = 0;
  for (; rank < left.length; rank++) {
    let [most, at, column] = [1e-7, -1, -1];
    for (let i = rank; i < left.length; i++)
      left[i].forEach((x, j) => {
        if (Math.abs(x) > most) [most, at, column] = [Math.abs(x), i, j];
      });
    if (at < 0) return rank;
    [left[rank], left[at]] = [left[at], left[rank]];
    for (let i = rank + 1; i < left.length; i++) {
      const by = left[i][column] / left[rank][column];
      left[rank].forEach((x, j) => (left[i][j] -= by * x));
    }
  }
  return rank;
}

/** What holds a column, as equations in where its joints are: how many, of what rank, and in how many unknowns. */
function equationsOf(shafts: readonly ShaftHeld[]) {
  const fixed = NODES[shafts.length];
  const residuals = (q: readonly number[]): number[] => {
    const node = (i: number): V =>
      i === shafts.length ? fixed : [q[3 * i], q[3 * i + 1], q[3 * i + 2]];
    return shafts.flatMap(({ bearings, located, slip }, i) => {
      const [a, b, a0, b0] = [node(i), node(i + 1), NODES[i], NODES[i + 1]];
      const way = unit(sub(b, a));
      const across = unit(crossed(sub(b0, a0), [0.3, 0.2, 0.9]));
      const both = [across, crossed(unit(sub(b0, a0)), across)];
      const off = (place: V) => {
        const to = sub(place, a);
        const along = dot(to, way);
        return both.map((one) => dot(to, one) - along * dot(way, one));
      };
      const collar = between(a0, b0, 0.41);
      return [
        ...(slip ? [] : [Math.hypot(...sub(b, a))]),
        ...Array.from({ length: bearings }, (_, k) => off(between(a0, b0, 0.23 + 0.37 * k))).flat(),
        ...Array.from({ length: located.above }, () => dot(sub(collar, a), way)),
        ...Array.from({ length: located.below }, () => dot(sub(b, collar), way)),
      ];
    });
  };
  const q = NODES.slice(0, shafts.length).flat();
  const h = 1e-5;
  const columns = q.map((_, j) => {
    const [plus, minus] = [h, -h].map((by) => residuals(q.map((x, i) => (i === j ? x + by : x))));
    return plus.map((x, i) => (x - minus[i]) / (2 * h));
  });
  const rows = residuals(q).map((_, i) => columns.map((column) => column[i]));
  return { count: rows.length, rank: rankOf(rows), unknown: q.length };
}

it('lacks nothing where the equations that hold it are as many as its unknowns, and says which way else', () => {
  const seen = { right: 0, few: 0, many: 0 };
  fc.assert(
    fc.property(fc.array(anyShaft, { minLength: 1, maxLength: 4 }), (shafts) => {
      const lacking = lackingOf(shafts);
      const { count, rank, unknown } = equationsOf(shafts);
      const few = lacking.some(({ kind }) => kind === 'no place' || kind === 'slides');
      const many = lacking.some(({ kind }) => kind === 'fights' || kind === 'spare bearing');
      if (!few && !many) {
        expect([count, rank]).toEqual([unknown, unknown]);
        seen.right++;
      } else if (!many) {
        expect(rank).toBeLessThan(unknown);
        seen.few++;
      } else if (!few) {
        expect(rank).toBe(unknown);
        expect(count).toBeGreaterThan(unknown);
        seen.many++;
      }
    }),
    { numRuns: 1500, seed: 11 },
  );
  expect(Math.min(...Object.values(seen))).toBeGreaterThan(20);
});

it('needs no bearing between two joints, and one for every joint more', () => {
  const wheel = held({ bearings: 2 });
  const kinds = (shafts: ShaftHeld[]) => lackingOf(shafts).map(({ kind }) => kind);
  expect(kinds([wheel, held()])).toEqual([]);
  expect(kinds([wheel, held(), held()])).toEqual(['no place']);
  expect(kinds([wheel, held({ bearings: 1 }), held()])).toEqual([]);
  expect(kinds([wheel, held(), held({ bearings: 1 })])).toEqual([]);
  expect(kinds([wheel, held({ bearings: 1 }), held({ bearings: 1 })])).toEqual(['spare bearing']);
  expect(kinds([wheel, held(), held(), held({ bearings: 1 })])).toEqual(['no place']);
});

it('wants each length located once, and says so in words', () => {
  const say = (shafts: ShaftHeld[]) => lackingOf(shafts).map(lackingInWords);
  const fixed = held({ bearings: 2, located: once });
  expect(say([fixed, held()])).toEqual([
    'shaft 1 to shaft 3: fixed twice along the line and there is no slip joint between: it will fight',
  ]);
  expect(say([fixed, held({ slip: true })])).toEqual([]);
  expect(say([held({ bearings: 2 }), held({ slip: true })])).toEqual([
    'shaft 1 to shaft 2 can slide: add a collar or a fixed bearing',
  ]);
  expect(say([held({ bearings: 1 }), held(), held({ slip: true })])).toEqual([
    'shaft 1 to shaft 3 have no place of their own: add a bearing',
    'shaft 1 to shaft 3 can slide: add a collar or a fixed bearing',
  ]);
  expect(say([held({ bearings: 3, located: once }), held({ slip: true })])).toEqual([
    'shaft 1 runs in a bearing more than it needs: line them up exactly, or it binds',
  ]);
});
