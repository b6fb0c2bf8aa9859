import cdf from '@stdlib/stats-base-dists-normal-cdf';
import quantile from '@stdlib/stats-base-dists-normal-quantile';

/** The two-sided 95 % point of the standard normal distribution, 1.959964. */
export const Z_95 = quantile(0.975, 0, 1);

/** Quantile of the standard normal distribution. `probability` lies in (0, 1). */
export function normalQuantile(probability: number): number {
  return quantile(probability, 0, 1);
}

/** Share of the standard normal distribution below `z`. */
export function normalCumulative(z: number): number {
  return cdf(z, 0, 1);
}
