import type { Estimate } from '../numerics/estimate.ts';
import { undefinedEstimate } from '../numerics/estimate.ts';
import { Z_95 } from '../numerics/normal.ts';
import { subjectAgreement } from './chanceCorrected.ts';
import { countRatings } from './ratings.ts';
import type { Ratings } from './ratings.ts';
import { agreementWeights } from './weights.ts';

/**
 * Percent agreement of any number of raters: the share of agreeing pairs of marks within a
 * subject, averaged over the subjects with two marks or more. For two raters it is the plain
 * proportion. Interval from the spread over subjects, with the normal approximation.
 *
 * Worked value: marks 1 1 2 of one subject agree in one of three pairs, .333.
 */
export function pairwiseAgreement(ratings: Ratings): Estimate {
  const method = 'mean pairwise agreement';
  const { counts, marked, categories } = countRatings(ratings);
  const weights = agreementWeights(categories.length, 'unweighted');
  const own = counts.flatMap((row, i) =>
    (marked[i] as number) >= 2 ? [subjectAgreement(row, marked[i] as number, weights)] : [],
  );
  const n = own.length;
  if (n === 0) return undefinedEstimate(method, 0, 'No subject was marked by two raters or more.');
  const estimate = own.reduce((sum, a) => sum + a, 0) / n;
  const squares = own.reduce((sum, a) => sum + (a - estimate) ** 2, 0);
  const standardError = n > 1 ? Math.sqrt(squares / (n * (n - 1))) : null;
  return {
    estimate,
    lower: standardError === null ? null : Math.max(0, estimate - Z_95 * standardError),
    upper: standardError === null ? null : Math.min(1, estimate + Z_95 * standardError),
    standardError,
    method,
    n,
    notes: [],
  };
}
