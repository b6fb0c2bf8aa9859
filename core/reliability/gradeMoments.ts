/**
 * Chances, mean and higher central moments of a grade 0..K under the rating scale model, as the
 * location (ability less difficulty, severity) changes:
 * `P_k` is in proportion to `exp(k location - (tau_1 + .. + tau_k))` (Andrich 1978).
 */
export class GradeMoments {
  readonly chances: Float64Array;
  mean = 0;
  variance = 0;
  third = 0;
  /** Sums of the steps up to each grade. */
  private readonly sums: Float64Array;

  constructor(steps: ArrayLike<number>) {
    this.chances = new Float64Array(steps.length + 1);
    this.sums = new Float64Array(steps.length + 1);
    this.take(steps);
  }

  /** Takes other steps, of the same number. */
  take(steps: ArrayLike<number>): void {
    for (let k = 0; k < steps.length; k++) {
      this.sums[k + 1] = (this.sums[k] as number) + (steps[k] as number);
    }
  }

  at(location: number): void {
    const { chances, sums } = this;
    let largest = 0;
    for (let k = 1; k < sums.length; k++) {
      largest = Math.max(largest, k * location - (sums[k] as number));
    }
    let total = 0;
    let mean = 0;
    for (let k = 0; k < sums.length; k++) {
      const weight = Math.exp(k * location - (sums[k] as number) - largest);
      chances[k] = weight;
      total += weight;
      mean += k * weight;
    }
    mean /= total;
    let variance = 0;
    let third = 0;
    for (let k = 0; k < sums.length; k++) {
      const p = (chances[k] as number) / total;
      const d = k - mean;
      chances[k] = p;
      variance += d * d * p;
      third += d * d * d * p;
    }
    this.mean = mean;
    this.variance = variance;
    this.third = third;
  }
}
