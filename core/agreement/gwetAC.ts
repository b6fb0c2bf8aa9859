import type { Estimate } from '../numerics/estimate.ts';
import { chanceCorrected, prepareChanceCorrected } from './chanceCorrected.ts';
import type { Chance } from './chanceCorrected.ts';
import type { Prepared, Tally } from './tally.ts';
import { weightsOf } from './weights.ts';
import type { Weights } from './weights.ts';

/**
 * Gwet's AC1, with weights AC2: agreement beyond chance where chance is the agreement of marks
 * that were given at random, `pe = T_w / (q (q - 1)) * sum_k p_k (1 - p_k)`, T_w the sum of all
 * weights, q categories. It holds still where one category is very common and kappa collapses.
 *
 * Source: Gwet 2008; AC2 and missing marks Gwet 2014.
 * Worked value: cells 118, 5 / 2, 0 give AC1 .94 and kappa -.02.
 */
export function gwetAC(tally: Tally, weights?: Weights): Estimate {
  const used = weightsOf(tally, weights);
  const method = weights === undefined ? 'AC1, Gwet 2008' : 'AC2, Gwet 2008 and 2014';
  return chanceCorrected(tally, used, atRandom(used), method);
}

export function prepareGwetAC(tally: Tally, weights?: Weights): Prepared {
  const used = weightsOf(tally, weights);
  return prepareChanceCorrected(tally, used, atRandom(used));
}

/** Chance as the agreement of marks that were given at random. */
export function atRandom(weights: Weights): Chance {
  const q = weights.length;
  const total = weights.flat().reduce((sum, w) => sum + w, 0);
  const scale = q > 1 ? total / (q * (q - 1)) : 0;
  return (shares) => ({
    expected: scale * shares.reduce((sum, p) => sum + p * (1 - p), 0),
    pull: shares.map((p) => scale * (1 - p)),
  });
}
