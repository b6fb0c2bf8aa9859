import { intervalAround, undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { rowAgreement } from './chanceCorrected.ts';
import { countComparable, marksPerRow } from './tally.ts';
import type { Prepared, Tally } from './tally.ts';
import { weightsOf } from './weights.ts';
import type { Weights } from './weights.ts';

/**
 * Percent agreement of any number of raters: the share of agreeing pairs of marks within a
 * subject, averaged over the subjects with two marks or more. For two raters it is the plain
 * proportion; with weights, near misses count in part. Interval from the spread over subjects,
 * with the normal approximation.
 *
 * Worked value: marks 1 1 2 of one subject agree in one of three pairs, .333.
 */
export function pairwiseAgreement(tally: Tally, weights?: Weights): Estimate {
  const method = 'mean pairwise agreement';
  const n = countComparable(tally);
  if (n === 0) return undefinedEstimate(method, 0, 'No subject was marked by two raters or more.');
  const agreement = rowAgreement(tally, weightsOf(tally, weights));
  const marked = marksPerRow(tally);
  let sum = 0;
  let squares = 0;
  for (const [p, t] of tally.times.entries()) {
    if ((marked[p] as number) >= 2) sum += t * (agreement[p] as number);
  }
  const estimate = sum / n;
  for (const [p, t] of tally.times.entries()) {
    if ((marked[p] as number) >= 2) squares += t * ((agreement[p] as number) - estimate) ** 2;
  }
  return intervalAround({
    estimate,
    standardError: n > 1 ? Math.sqrt(squares / (n * (n - 1))) : null,
    method,
    n,
    within: [0, 1],
  });
}

export function preparePairwiseAgreement(tally: Tally, weights?: Weights): Prepared {
  const agreement = rowAgreement(tally, weightsOf(tally, weights));
  const marked = marksPerRow(tally);
  return (times) => {
    let n = 0;
    let sum = 0;
    for (let p = 0; p < agreement.length; p++) {
      if ((marked[p] as number) < 2) continue;
      n += times[p] as number;
      sum += (times[p] as number) * (agreement[p] as number);
    }
    return n === 0 ? null : sum / n;
  };
}
