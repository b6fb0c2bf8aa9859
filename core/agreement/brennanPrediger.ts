import type { Estimate } from '../numerics/estimate.ts';
import { chanceCorrected, prepareChanceCorrected } from './chanceCorrected.ts';
import type { Chance } from './chanceCorrected.ts';
import type { Prepared, Tally } from './tally.ts';
import { weightsOf } from './weights.ts';
import type { Weights } from './weights.ts';

/**
 * The coefficient of Brennan & Prediger (1981): chance is every category alike, `pe = T_w / q^2`,
 * without weights 1 / q. For two categories and two raters it is PABAK.
 *
 * The q categories are those of the tally: where none were named, those that occur.
 */
export function brennanPrediger(tally: Tally, weights?: Weights): Estimate {
  const used = weightsOf(tally, weights);
  return chanceCorrected(tally, used, allAlike(used), 'Brennan & Prediger 1981');
}

export function prepareBrennanPrediger(tally: Tally, weights?: Weights): Prepared {
  const used = weightsOf(tally, weights);
  return prepareChanceCorrected(tally, used, allAlike(used));
}

/** Chance as every category alike. */
export function allAlike(weights: Weights): Chance {
  const q = weights.length;
  const total = weights.flat().reduce((sum, w) => sum + w, 0);
  return () => ({ expected: total / Math.max(1, q * q) });
}
