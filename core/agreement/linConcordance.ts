import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import { undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { mean, variance } from '../numerics/summary.ts';

/**
 * Lin's concordance correlation (1989): how close pairs lie to the line of equality,
 * `2 s_xy / (s_x^2 + s_y^2 + (mean x - mean y)^2)` with divisor n, as Lin has it.
 *
 * Interval through Fisher's z with Lin's standard error (1989, corrected 2000), and t with n - 2
 * where he takes 1.96, which is too short for a few pairs.
 * Undefined for fewer than two pairs or where nothing varies.
 * Worked value: x = 1, 2, 3 against y = 2, 3, 4 gives 2 (2/3) / (2/3 + 2/3 + 1) = 4/7.
 */
export function linConcordance(x: readonly number[], y: readonly number[]): Estimate {
  const method = 'Lin 1989, interval through Fisher’s z';
  const n = x.length;
  const meanX = mean(x);
  const meanY = mean(y);
  if (n < 2 || meanX === null || meanY === null) {
    return undefinedEstimate(method, n, 'Concordance needs two pairs of measurements or more.');
  }
  const shrink = (n - 1) / n;
  const varX = shrink * (variance(x) ?? 0);
  const varY = shrink * (variance(y) ?? 0);
  const both = x.reduce((sum, v, i) => sum + (v - meanX) * ((y[i] as number) - meanY), 0) / n;
  const spread = varX + varY + (meanX - meanY) ** 2;
  if (spread === 0) {
    return undefinedEstimate(
      method,
      n,
      'All measurements are equal, so there is no line to lie on.',
    );
  }
  const estimate = (2 * both) / spread;
  const plain = both / Math.sqrt(varX * varY);
  const whole = { estimate, method, n, notes: [] };
  if (n < 3 || !Number.isFinite(plain) || plain === 0 || Math.abs(estimate) >= 1) {
    return { ...whole, lower: null, upper: null, standardError: null };
  }
  const shift = (meanX - meanY) ** 2 / Math.sqrt(varX * varY);
  const rest = 1 - estimate ** 2;
  const varianceOfZ =
    (((1 - plain ** 2) * estimate ** 2) / (rest * plain ** 2) +
      (2 * estimate ** 3 * (1 - estimate) * shift) / (plain * rest ** 2) -
      (estimate ** 4 * shift ** 2) / (2 * plain ** 2 * rest ** 2)) /
    (n - 2);
  const errorOfZ = Math.sqrt(Math.max(0, varianceOfZ));
  const z = Math.atanh(estimate);
  const reach = tQuantile(0.975, n - 2) * errorOfZ;
  return {
    ...whole,
    lower: Math.tanh(z - reach),
    upper: Math.tanh(z + reach),
    standardError: errorOfZ * rest,
  };
}
