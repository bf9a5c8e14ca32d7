import { Matrix } from 'ml-matrix';
import { offBy } from '../geometry/downhill';
import type { Looked } from '../geometry/downhill';

/** One condition: what is missing and its slope by every unknown. */
export interface Condition {
  missing: number;
  weight: number;
  slopes: [unknown: number, slope: number][];
  /** Second derivatives of what is measured; none where it is straight. */
  bends: [unknown: number, other: number, bend: number][];
}

/** The squares of what is missing, and how they go on with the unknowns. */
export const lookedAt = (conditions: Condition[], count: number): Looked => ({
  cost: conditions.reduce((sum, { missing, weight }) => sum + weight * missing ** 2, 0),
  bent: () => {
    const { normal, right } = normalOf(conditions, count);
    const curve = normal.clone();
    for (const { missing, weight, bends } of conditions)
      for (const [u, v, bend] of bends) curve.set(u, v, curve.get(u, v) - weight * missing * bend);
    return {
      curve,
      slope: right,
      size: Math.max(...normal.diagonal()),
      off: offBy(normal, right),
    };
  },
});

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
