/**
 * A state that is learnt from one reading after another: Kálmán's filter (1960) of a state that stands still, which is
 * recursive least squares with what was thought before as its first reading. Joseph's form keeps the covariance
 * symmetric and positive.
 */
export class Estimate {
  readonly mean: Float64Array;
  /** n × n in rows. */
  readonly covariance: Float64Array;
  /** Sum of what surprised squared over what it should have been: χ² of the readings against the prior. */
  misfit = 0;
  private readonly gain: Float64Array;
  private readonly row: Float64Array;

  /** @param sigmas standard deviations of the prior, each for itself */
  constructor(mean: ArrayLike<number>, sigmas: ArrayLike<number>) {
    const n = mean.length;
    this.mean = Float64Array.from(mean);
    this.covariance = new Float64Array(n * n);
    for (let i = 0; i < n; i++) this.covariance[i * n + i] = sigmas[i] ** 2;
    this.gain = new Float64Array(n);
    this.row = new Float64Array(n);
  }

  get size(): number {
    return this.mean.length;
  }

  /**
   * Takes a reading: `value` = `slopes` · state + error.
   * @param variance of the error
   */
  take(slopes: ArrayLike<number>, value: number, variance: number): void {
    const { mean, covariance: p, gain, row, size: n } = this;
    let spread = variance;
    let surprise = value;
    for (let i = 0; i < n; i++) {
      let sum = 0;
      for (let j = 0; j < n; j++) sum += p[i * n + j] * slopes[j];
      row[i] = sum;
      spread += slopes[i] * sum;
      surprise -= slopes[i] * mean[i];
    }
    for (let i = 0; i < n; i++) gain[i] = row[i] / spread;
    this.misfit += surprise ** 2 / spread;
    for (let i = 0; i < n; i++) mean[i] += gain[i] * surprise;
    // (I − k h) P (I − k h)ᵀ + k r kᵀ with row = P h.
    for (let i = 0; i < n; i++)
      for (let j = i; j < n; j++) {
        const next =
          p[i * n + j] - gain[i] * row[j] - row[i] * gain[j] + gain[i] * gain[j] * spread;
        p[i * n + j] = next;
        p[j * n + i] = next;
      }
  }

  /** Variance of slopes · state. */
  varianceOf(slopes: ArrayLike<number>): number {
    const { covariance: p, size: n } = this;
    let sum = 0;
    for (let i = 0; i < n; i++) {
      if (slopes[i] === 0) continue;
      for (let j = 0; j < n; j++) sum += slopes[i] * p[i * n + j] * slopes[j];
    }
    return sum;
  }
}
