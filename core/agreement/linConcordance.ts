import { mean, variance } from '../numerics/summary.ts';

/**
 * Lin's concordance correlation (1989): how close pairs lie to the line of equality,
 * `2 s_xy / (s_x^2 + s_y^2 + (mean x - mean y)^2)` with divisor n, as Lin has it.
 *
 * Returns `null` for fewer than two pairs or where nothing varies.
 * Worked value: x = 1, 2, 3 against y = 2, 3, 4 gives 2 (2/3) / (2/3 + 2/3 + 1) = 4/7.
 */
export function linConcordance(x: readonly number[], y: readonly number[]): number | null {
  const n = x.length;
  const meanX = mean(x);
  const meanY = mean(y);
  if (n < 2 || meanX === null || meanY === null) return null;
  const shrink = (n - 1) / n;
  const both = x.reduce((sum, v, i) => sum + (v - meanX) * ((y[i] as number) - meanY), 0) / n;
  const spread = shrink * ((variance(x) ?? 0) + (variance(y) ?? 0)) + (meanX - meanY) ** 2;
  return spread === 0 ? null : (2 * both) / spread;
}
