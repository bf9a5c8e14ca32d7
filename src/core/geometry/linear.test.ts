import fc from 'fast-check';
import { Matrix, solve } from 'ml-matrix';
import { factor, leastSquares, solveFactored } from './linear';

const size = fc.integer({ min: 1, max: 12 });
const entry = fc.double({ min: -50, max: 50, noNaN: true });
const equations = size.chain((n) =>
  fc.record({
    n: fc.constant(n),
    rows: fc.array(fc.array(entry, { minLength: n, maxLength: n }), {
      minLength: n,
      maxLength: n,
    }),
    right: fc.array(entry, { minLength: n, maxLength: n }),
  }),
);

describe('linear equations', () => {
  it('have the unknowns that a general-purpose matrix library finds (ml-matrix)', () => {
    fc.assert(
      fc.property(equations, ({ n, rows, right }) => {
        // Far from singular, so that both answers mean something.
        const a = rows.map((row, i) => row.map((value, j) => value + (i === j ? 200 * n : 0)));
        const flat = Float64Array.from(a.flat());
        const order = new Int32Array(n);
        const x = new Float64Array(n);
        expect(factor(flat, n, order)).toBe(true);
        solveFactored(flat, n, order, Float64Array.from(right), x);
        const theirs = solve(new Matrix(a), Matrix.columnVector(right)).to1DArray();
        x.forEach((value, i) => expect(value).toBeCloseTo(theirs[i], 9));
      }),
    );
  });

  it('are solved whatever row comes first, and for as many right-hand sides as are asked', () => {
    const rows = [
      [0, 2, 1],
      [3, 0, -1],
      [1, 1, 0],
    ];
    const flat = Float64Array.from(rows.flat());
    const order = new Int32Array(3);
    expect(factor(flat, 3, order)).toBe(true);
    for (const wanted of [
      [1, 2, 3],
      [-4, 0.5, 7],
    ]) {
      const right = rows.map((row) => row.reduce((sum, c, j) => sum + c * wanted[j], 0));
      const x = new Float64Array(3);
      solveFactored(flat, 3, order, Float64Array.from(right), x);
      x.forEach((value, i) => expect(value).toBeCloseTo(wanted[i], 12));
    }
  });

  it('are refused where one follows from the others', () => {
    const dependent = Float64Array.from([1, 2, 3, 2, 4, 6, 0, 1, 5]);
    expect(factor(dependent, 3, new Int32Array(3))).toBe(false);
    expect(factor(new Float64Array(4), 2, new Int32Array(2))).toBe(false);
  });
});

it('finds what a general-purpose library finds of more equations than unknowns (ml-matrix, by singular values)', () => {
  const row = fc.array(fc.double({ min: -5, max: 5, noNaN: true }), { minLength: 3, maxLength: 3 });
  fc.assert(
    fc.property(fc.array(fc.tuple(row, entry), { minLength: 6, maxLength: 20 }), (equal) => {
      const rows = equal.map(([left], i) => left.map((x, j) => x + (i % 3 === j ? 10 : 0)));
      const right = equal.map(([, value]) => value);
      const wanted = solve(new Matrix(rows), Matrix.columnVector(right), true).to1DArray();
      leastSquares(rows, right)!.forEach((x, i) => expect(x).toBeCloseTo(wanted[i], 6));
    }),
  );
  expect(
    leastSquares(
      [
        [1, 1],
        [2, 2],
        [3, 3],
      ],
      [1, 2, 3],
    ),
  ).toBeNull();
});
