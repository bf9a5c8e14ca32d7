import { Matrix, pseudoInverse } from 'ml-matrix';
import { normalNumbers } from '../geometry/random';
import { Estimate } from './estimate';

describe('an estimate that takes one reading after another', () => {
  it('comes to what all readings at once come to by a general library’s least squares', () => {
    const normal = normalNumbers(3);
    for (let run = 0; run < 20; run++) {
      const [n, m] = [6, 14];
      const prior = Array.from({ length: n }, () => normal());
      const sigmas = Array.from({ length: n }, () => 0.3 + Math.abs(normal()));
      const rows = Array.from({ length: m }, () => Array.from({ length: n }, () => normal()));
      const errors = Array.from({ length: m }, () => 0.1 + Math.abs(normal()));
      const values = rows.map(() => 3 * normal());
      const estimate = new Estimate(prior, sigmas);
      rows.forEach((row, i) => estimate.take(row, values[i], errors[i] ** 2));
      // What was thought before is a reading of each unknown by itself.
      const all = new Matrix([
        ...rows.map((row, i) => row.map((x) => x / errors[i])),
        ...sigmas.map((sigma, i) => sigmas.map((_, j) => (i === j ? 1 / sigma : 0))),
      ]);
      const right = Matrix.columnVector([
        ...values.map((value, i) => value / errors[i]),
        ...prior.map((x, i) => x / sigmas[i]),
      ]);
      const inverse = pseudoInverse(all);
      const solved = inverse.mmul(right);
      const covariance = inverse.mmul(inverse.transpose());
      const left = all.mmul(solved).sub(right);
      for (let i = 0; i < n; i++) {
        expect(estimate.mean[i]).toBeCloseTo(solved.get(i, 0), 9);
        for (let j = 0; j < n; j++)
          expect(estimate.covariance[i * n + j]).toBeCloseTo(covariance.get(i, j), 9);
      }
      // What surprises one after another adds up to what is left of all, the prior's part counted.
      expect(estimate.misfit).toBeCloseTo(left.norm() ** 2, 8);
      const some = rows[0];
      const variance = new Matrix([some]).mmul(covariance).mmul(Matrix.columnVector(some));
      expect(estimate.varianceOf(some)).toBeCloseTo(variance.get(0, 0), 9);
    }
  });
});
