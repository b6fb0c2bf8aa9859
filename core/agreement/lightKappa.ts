import { undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { cohenKappa } from './cohenKappa.ts';
import { crossTable } from './crossTable.ts';
import { categoriesOf, pairsOf } from './ratings.ts';
import type { Ratings } from './ratings.ts';
import type { Weights } from './weights.ts';

/**
 * Light's kappa (1971): the plain mean of Cohen's kappa over all pairs of raters. Missing marks:
 * pairwise. It has no standard error of its own; resample subjects for an interval.
 */
export function lightKappa(ratings: Ratings, weights?: Weights): Estimate {
  const method = 'Light 1971';
  const categories = categoriesOf(ratings);
  const kappas: number[] = [];
  let undefinedPairs = 0;
  let n = 0;
  for (let a = 0; a < ratings.raters; a++) {
    for (let b = a + 1; b < ratings.raters; b++) {
      const table = crossTable(pairsOf(ratings, a, b), categories);
      const { estimate } = cohenKappa(table, weights);
      n = Math.max(n, table.n);
      if (estimate === null) undefinedPairs++;
      else kappas.push(estimate);
    }
  }
  if (kappas.length === 0) {
    return undefinedEstimate(
      method,
      n,
      'No pair of raters has marks that vary on common subjects.',
    );
  }
  return {
    estimate: kappas.reduce((sum, k) => sum + k, 0) / kappas.length,
    lower: null,
    upper: null,
    standardError: null,
    method,
    n,
    notes:
      undefinedPairs > 0
        ? [`${undefinedPairs} pairs of raters have no kappa and were left out.`]
        : [],
  };
}
