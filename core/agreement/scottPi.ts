import type { Estimate } from '../numerics/estimate.ts';
import { chanceCorrected, prepareChanceCorrected, productChance } from './chanceCorrected.ts';
import type { Prepared, Tally } from './tally.ts';
import { weightsOf } from './weights.ts';
import type { Weights } from './weights.ts';

/**
 * Scott's pi (1955): like kappa, but chance comes from the raters' pooled shares, as if there
 * were one habit of marking. For more than two raters this is Fleiss' kappa.
 * Worked value: counts 20, 5 / 10, 15 give (0.70 - 0.505) / (1 - 0.505) = .3939.
 */
export function scottPi(tally: Tally, weights?: Weights): Estimate {
  const used = weightsOf(tally, weights);
  return chanceCorrected(tally, used, productChance(used), 'Scott 1955');
}

export function prepareScottPi(tally: Tally, weights?: Weights): Prepared {
  const used = weightsOf(tally, weights);
  return prepareChanceCorrected(tally, used, productChance(used));
}
