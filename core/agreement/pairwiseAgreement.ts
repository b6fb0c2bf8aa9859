import { undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { noErrorNote, rowAgreement } from './chanceCorrected.ts';
import { coefficientInterval, INTERVAL_METHOD, linearisedError } from './linearised.ts';
import type { Linearised } from './linearised.ts';
import { informants } from './numericalPulls.ts';
import { withPseudoSubjects } from './pseudoSubjects.ts';
import { countComparable, marksPerRow } from './tally.ts';
import type { Prepared, Tally } from './tally.ts';
import { weightsOf } from './weights.ts';
import type { Weights } from './weights.ts';

/**
 * Percent agreement of any number of raters: the share of agreeing pairs of marks within a
 * subject, averaged over the subjects with two marks or more. For two raters it is the plain
 * proportion; with weights, near misses count in part. The interval is
 * `coefficientInterval`'s.
 *
 * Worked value: marks 1 1 2 of one subject agree in one of three pairs, .333.
 */
export function pairwiseAgreement(tally: Tally, weights?: Weights): Estimate {
  const method = 'mean pairwise agreement';
  const n = countComparable(tally);
  if (n === 0) return undefinedEstimate(method, 0, 'No subject was marked by two raters or more.');
  const used = weightsOf(tally, weights);
  const whole = lineariseAgreement(tally, used);
  const interval = coefficientInterval(
    whole,
    lineariseAgreement(withPseudoSubjects(tally), used),
    informants(tally),
  );
  return {
    estimate: whole.estimate,
    ...interval,
    standardError: n > 1 ? linearisedError(whole) * Math.sqrt(n / (n - 1)) : null,
    method: `${method}; ${INTERVAL_METHOD}`,
    n,
    notes: interval.lower === null ? [noErrorNote(whole.estimate, n)] : [],
  };
}

/** Agreement with the pull of every kind of row. */
export function lineariseAgreement(tally: Tally, weights: Weights): Linearised {
  const agreement = rowAgreement(tally, weights);
  const marked = marksPerRow(tally);
  const times = tally.times.map((t, p) => ((marked[p] as number) >= 2 ? t : 0));
  const n = times.reduce((sum, t) => sum + t, 0);
  const estimate = times.reduce((sum, t, p) => sum + t * (agreement[p] as number), 0) / n;
  const pulls = agreement.map((own, p) => ((marked[p] as number) >= 2 ? own - estimate : 0));
  return { estimate, pulls, times, lowest: 0 };
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
