import type { Estimate } from '../numerics/estimate.ts';
import { chanceCorrected, productChance } from './chanceCorrected.ts';
import { countRatings } from './ratings.ts';
import type { Ratings } from './ratings.ts';
import { agreementWeights } from './weights.ts';
import type { Weights } from './weights.ts';

/**
 * Scott's pi (1955): like kappa, but chance comes from the raters' pooled shares, as if there
 * were one habit of marking. For more than two raters this is Fleiss' kappa.
 * Worked value: counts 20, 5 / 10, 15 give (0.70 - 0.505) / (1 - 0.505) = .3939.
 */
export function scottPi(ratings: Ratings, weights?: Weights): Estimate {
  const counts = countRatings(ratings);
  const used = weights ?? agreementWeights(counts.categories.length, 'unweighted');
  return chanceCorrected(counts, used, productChance(used), 'Scott 1955');
}
