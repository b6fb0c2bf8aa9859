import type { Estimate } from '../numerics/estimate.ts';
import { chanceCorrected } from './chanceCorrected.ts';
import { countRatings } from './ratings.ts';
import type { Ratings } from './ratings.ts';
import { agreementWeights } from './weights.ts';
import type { Weights } from './weights.ts';

/**
 * The coefficient of Brennan & Prediger (1981): chance is every category alike, `pe = T_w / q^2`,
 * without weights 1 / q. For two categories and two raters it is PABAK.
 *
 * The q categories are those that occur among the marks.
 */
export function brennanPrediger(ratings: Ratings, weights?: Weights): Estimate {
  const counts = countRatings(ratings);
  const q = counts.categories.length;
  const used = weights ?? agreementWeights(q, 'unweighted');
  const expected = used.flat().reduce((sum, w) => sum + w, 0) / Math.max(1, q * q);
  return chanceCorrected(counts, used, () => ({ expected }), 'Brennan & Prediger 1981');
}
