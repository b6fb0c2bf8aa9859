import { Z_95 } from './normal.ts';
import { mean, standardDeviation } from './summary.ts';

/**
 * A 95 % interval of a standard deviation that follows the tails of what is measured: that of the
 * chi-square is right for normal values only, and too short, however many there are, where some lie
 * far out.
 *
 * With `c = n / (n - z)` it is `exp(ln(c s^2) -+ z c sqrt((g - (n - 3) / n) / (n - 1)))` and the root
 * of it; the kurtosis `g = n sum (x - m)^4 / ((n - 1) s^2)^2` is taken about a trimmed mean m, which
 * cuts `1 / (2 sqrt(n - 4))` off each end and errs less than about the mean (Bonett 2006, Approximate
 * confidence interval for standard deviation of nonnormal distributions). Here the standard deviation
 * itself is never outside.
 *
 * @param values three or more
 */
export function sdInterval(values: readonly number[]): { lower: number; upper: number } {
  const n = values.length;
  const sd = standardDeviation(values) ?? NaN;
  if (!(sd > 0)) return { lower: sd, upper: sd };
  const middle = trimmedMean(values, n > 4 ? 1 / (2 * Math.sqrt(n - 4)) : 0);
  const fourths = values.reduce((sum, x) => sum + (x - middle) ** 4, 0);
  const kurtosis = (n * fourths) / ((n - 1) * sd * sd) ** 2;
  const larger = n / (n - Z_95);
  const error = larger * Math.sqrt((kurtosis - (n - 3) / n) / (n - 1));
  const at = (z: number) => Math.sqrt(larger * sd * sd * Math.exp(z * error));
  return { lower: Math.min(sd, at(-Z_95)), upper: Math.max(sd, at(Z_95)) };
}

/** The mean without that share of the values at each end; what is cut is rounded down. */
function trimmedMean(values: readonly number[], share: number): number {
  const cut = Math.min(Math.floor(share * values.length), Math.floor((values.length - 1) / 2));
  const sorted = [...values].sort((a, b) => a - b);
  return mean(sorted.slice(cut, sorted.length - cut)) as number;
}
