import { undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { intervalAround } from '../numerics/estimate.ts';
import { mean, standardDeviation } from '../numerics/summary.ts';

/**
 * The same percentage every time, whatever was asked: the habit that the other methods replace.
 * It has no error because nothing is estimated, and that is not a virtue.
 * Throws `RangeError` outside 0..100. Worked value: 50 gives 50.
 */
export function fixedPercent(percent: number): Estimate {
  if (!(percent >= 0 && percent <= 100)) throw new RangeError('A cut lies between 0 and 100 %.');
  return {
    estimate: percent,
    lower: null,
    upper: null,
    standardError: null,
    method: 'fixed percent',
    n: 0,
    notes: ['A fixed percentage does not know how hard the examination was.'],
  };
}

/** Below this the interval of a mean less its deviations holds too seldom (room `cuts` of `npm run coverage`). */
const FEW_CANDIDATES = 16;
const FEW_NOTE =
  'With fewer than 16 candidates the interval holds in about 91 to 94, not 95, of 100 cases.';

/**
 * Norm-referenced: so many standard deviations below the mean, `mean - k SD`. It fails the same
 * share of every cohort, a good one too. Standard error of the cut for normal scores,
 * `SD sqrt(1 / n + k^2 / (2 (n - 1)))`, interval by t with n - 1.
 * Worked value: scores 50, 60, 70 and k = 1 give 60 - 10 = 50.
 */
export function meanMinusSd(scores: readonly number[], k: number): Estimate {
  const method = 'mean - k SD';
  const n = scores.length;
  const average = mean(scores);
  const spread = standardDeviation(scores);
  if (average === null || spread === null) {
    return undefinedEstimate(method, n, 'Fewer than two candidates have a score.');
  }
  return intervalAround({
    estimate: average - k * spread,
    standardError: spread * Math.sqrt(1 / n + (k * k) / (2 * (n - 1))),
    method,
    n,
    freedom: n - 1,
    notes: [
      'Norm-referenced: it fails a like share of any cohort, however good.',
      ...(n < FEW_CANDIDATES ? [FEW_NOTE] : []),
    ],
  });
}
