import type { Estimate } from '../numerics/estimate.ts';
import { chanceCorrected } from './chanceCorrected.ts';
import { countRatings } from './ratings.ts';
import type { Ratings } from './ratings.ts';
import { agreementWeights } from './weights.ts';
import type { Weights } from './weights.ts';

/**
 * Gwet's AC1, with weights AC2: agreement beyond chance where chance is the agreement of marks
 * that were given at random, `pe = T_w / (q (q - 1)) * sum_k p_k (1 - p_k)`, T_w the sum of all
 * weights, q categories. It holds still where one category is very common and kappa collapses.
 *
 * Source: Gwet 2008; AC2 and missing marks Gwet 2014.
 * Worked value: cells 118, 5 / 2, 0 give AC1 .94 and kappa -.02.
 */
export function gwetAC(ratings: Ratings, weights?: Weights): Estimate {
  const counts = countRatings(ratings);
  const q = counts.categories.length;
  const used = weights ?? agreementWeights(q, 'unweighted');
  const total = used.flat().reduce((sum, w) => sum + w, 0);
  const scale = q > 1 ? total / (q * (q - 1)) : 0;
  return chanceCorrected(
    counts,
    used,
    (shares) => ({
      expected: scale * shares.reduce((sum, p) => sum + p * (1 - p), 0),
      pull: shares.map((p) => scale * (1 - p)),
    }),
    weights === undefined ? 'AC1, Gwet 2008' : 'AC2, Gwet 2008 and 2014',
  );
}
