import { CholeskyDecomposition, Matrix } from 'ml-matrix';

/** One condition: what is missing and its slope by every unknown. */
export interface Condition {
  missing: number;
  weight: number;
  slopes: [unknown: number, slope: number][];
  /** Second derivatives of what is measured; none where it is straight. */
  bends: [unknown: number, other: number, bend: number][];
}

export type Unknown = { mark: number; axis: number };

const LARGEST_STEP = 200;
const MOST_STEPS = 400;
/** A step that is as good as none, mm. */
const SETTLED = 1e-6;
const AT_REST = 1e-3;

/**
 * Moves places downhill to where the squares are least (Newton's method, damped where the cost is not bent
 * upwards every way).
 * @returns the cost there; null where it does not come to rest
 */
export function settle(
  places: number[][],
  conditions: () => Condition[],
  unknowns: Unknown[],
): number | null {
  const count = unknowns.length;
  let now = conditions();
  let cost = costOf(now);
  let damping = 0;
  for (let step = 0; step < MOST_STEPS; step++) {
    const { normal, right } = normalOf(now, count);
    let size = 0;
    // How far each unknown alone would still have to go: a step may be short for its damping only.
    let left = 0;
    for (let u = 0; u < count; u++) {
      size = Math.max(size, normal.get(u, u));
      left = Math.max(left, Math.abs(right.get(u, 0)) / Math.max(normal.get(u, u), 1e-9));
    }
    for (const { missing, weight, bends } of now)
      for (const [u, v, bend] of bends)
        normal.set(u, v, normal.get(u, v) - weight * missing * bend);
    for (let u = 0; u < count; u++) {
      normal.set(u, u, normal.get(u, u) + damping * size);
      // Sums in another order round differently.
      for (let v = 0; v < u; v++) normal.set(u, v, normal.get(v, u));
    }
    const factors = new CholeskyDecomposition(normal);
    if (!factors.isPositiveDefinite()) {
      damping = Math.max(1e-9, 6 * damping);
      if (damping > 1e9) return null;
      continue;
    }
    const move = factors.solve(right).to1DArray();
    const largest = Math.max(...move.map(Math.abs));
    if (!Number.isFinite(largest)) return null;
    const part = largest > LARGEST_STEP ? LARGEST_STEP / largest : 1;
    const before = places.map((place) => [...place]);
    unknowns.forEach(({ mark, axis }, u) => (places[mark][axis] += part * move[u]));
    const next = conditions();
    const nextCost = costOf(next);
    if (nextCost < cost || (largest < SETTLED && nextCost <= cost * (1 + 1e-9) + 1e-12)) {
      now = next;
      cost = nextCost;
      damping = damping < 1e-12 ? 0 : damping / 10;
      if (largest < SETTLED && left < AT_REST) return cost;
    } else {
      places.forEach((place, i) => place.splice(0, 3, ...before[i]));
      if (largest < SETTLED) return left < AT_REST ? cost : null;
      damping = Math.max(1e-9, 6 * damping);
    }
  }
  return null;
}

const costOf = (conditions: Condition[]): number =>
  conditions.reduce((sum, { missing, weight }) => sum + weight * missing ** 2, 0);

export function normalOf(conditions: Condition[], size: number): { normal: Matrix; right: Matrix } {
  const normal = Matrix.zeros(size, size);
  const right = Matrix.zeros(size, 1);
  for (const { missing, weight, slopes } of conditions)
    for (const [u, slope] of slopes) {
      right.set(u, 0, right.get(u, 0) + weight * slope * missing);
      for (const [v, other] of slopes) normal.set(u, v, normal.get(u, v) + weight * slope * other);
    }
  return { normal, right };
}
