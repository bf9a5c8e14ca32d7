/**
 * Solves `n` linear equations by Gaussian elimination with partial pivoting.
 * @param a n × n coefficients in rows; holds its factors afterwards
 * @param order receives the order of rows, n whole numbers
 * @returns whether the equations are independent (smallest pivot against the largest, 1e-12)
 */
export function factor(a: Float64Array, n: number, order: Int32Array): boolean {
  let largest = 0;
  let smallest = Infinity;
  for (let i = 0; i < n; i++) order[i] = i;
  for (let k = 0; k < n; k++) {
    let best = k;
    for (let i = k + 1; i < n; i++)
      if (Math.abs(a[i * n + k]) > Math.abs(a[best * n + k])) best = i;
    if (best !== k) {
      for (let j = 0; j < n; j++) {
        const kept = a[k * n + j];
        a[k * n + j] = a[best * n + j];
        a[best * n + j] = kept;
      }
      const kept = order[k];
      order[k] = order[best];
      order[best] = kept;
    }
    const pivot = a[k * n + k];
    largest = Math.max(largest, Math.abs(pivot));
    smallest = Math.min(smallest, Math.abs(pivot));
    if (!(smallest > largest * 1e-12)) return false;
    for (let i = k + 1; i < n; i++) {
      const part = (a[i * n + k] /= pivot);
      for (let j = k + 1; j < n; j++) a[i * n + j] -= part * a[k * n + j];
    }
  }
  return true;
}

/** The unknowns for right-hand sides `b`, from what `factor` left; `x` may not be `b`. */
export function solveFactored(
  a: Float64Array,
  n: number,
  order: Int32Array,
  b: Float64Array,
  x: Float64Array,
): void {
  for (let i = 0; i < n; i++) {
    let sum = b[order[i]];
    for (let j = 0; j < i; j++) sum -= a[i * n + j] * x[j];
    x[i] = sum;
  }
  for (let i = n - 1; i >= 0; i--) {
    let sum = x[i];
    for (let j = i + 1; j < n; j++) sum -= a[i * n + j] * x[j];
    x[i] = sum / a[i * n + i];
  }
}

/**
 * Unknowns of more equations than there are, by least squares (normal equations).
 * @param rows coefficients, one row an equation
 * @returns null where the equations leave an unknown open
 */
export function leastSquares(
  rows: readonly (readonly number[])[],
  right: readonly number[],
): number[] | null {
  const n = rows[0].length;
  const a = new Float64Array(n * n);
  const b = new Float64Array(n);
  rows.forEach((row, r) => {
    for (let i = 0; i < n; i++) {
      b[i] += row[i] * right[r];
      for (let j = 0; j < n; j++) a[n * i + j] += row[i] * row[j];
    }
  });
  const order = new Int32Array(n);
  if (!factor(a, n, order)) return null;
  const x = new Float64Array(n);
  solveFactored(a, n, order, b, x);
  return [...x];
}
