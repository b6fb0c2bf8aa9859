import { undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { coefficientInterval, INTERVAL_METHOD } from './linearised.ts';
import type { Linearised } from './linearised.ts';
import { informants } from './numericalPulls.ts';
import { pooledShares, withPseudoSubjects } from './pseudoSubjects.ts';
import { countComparable, marksPerRow } from './tally.ts';
import type { Prepared, Tally } from './tally.ts';
import { leastAgreement, symmetricWeights } from './weights.ts';
import type { Weights } from './weights.ts';

/** What a coefficient takes for agreement by chance, and how each subject moves it. */
export interface ChanceModel {
  /** Expected agreement pe. */
  readonly expected: number;
  /** `pull[k]`: what one more mark in category k would make of pe, for the error; absent where pe is fixed. */
  readonly pull?: ArrayLike<number>;
  /**
   * Whether agreement is held against what the shares of the categories force on any two raters:
   * true of kappas, whose scale is those shares; not of coefficients with a chance of their own.
   */
  readonly boundByShares?: boolean;
}
export type Chance = (shares: Float64Array) => ChanceModel;

/**
 * The frame that Fleiss' kappa, Gwet's AC, Brennan-Prediger and Scott's pi share, for any number
 * of raters, with weights and missing marks: `(pa - pe) / (1 - pe)`.
 *
 *   pa = mean over subjects with two marks or more of sum_k r_ik (r*_ik - 1) / (r_i (r_i - 1))
 *   with r_ik marks of subject i in category k, r*_ik = sum_l w_kl r_il, r_i marks of subject i.
 *
 * The standard error is the linearised one over subjects (Gwet 2014, chapter 5; 2008 for AC1):
 * each subject's own share of the coefficient, and the variance of those shares.
 * Missing marks: every subject with at least one mark informs pe, those with two or more inform pa.
 */
export function chanceCorrected(
  tally: Tally,
  weights: Weights,
  chance: Chance,
  method: string,
): Estimate {
  const comparable = countComparable(tally);
  if (comparable === 0) {
    return undefinedEstimate(method, 0, 'No subject was marked by two raters or more.');
  }
  if (countUsed(tally) < 2) {
    return undefinedEstimate(
      method,
      comparable,
      'Every mark is in one and the same category; agreement beyond chance needs marks that vary.',
    );
  }
  const whole = lineariseChanceCorrected(tally, weights, chance);
  if (whole === null) {
    return undefinedEstimate(
      method,
      comparable,
      'Chance alone would give full agreement here, so agreement beyond chance is undefined.',
    );
  }
  const smoothed = lineariseChanceCorrected(withPseudoSubjects(tally), weights, chance) ?? whole;
  const interval = coefficientInterval(whole, smoothed, informants(tally));
  return {
    estimate: whole.estimate,
    ...interval,
    standardError: standardErrorOf(whole),
    method: `${method}; ${INTERVAL_METHOD}`,
    n: comparable,
    notes: interval.lower === null ? [noErrorNote(whole.estimate, comparable)] : [],
  };
}

/** What is true where the marks leave no error to build an interval on. */
export function noErrorNote(estimate: number, n: number): string {
  if (n < 2) return 'One subject alone shows no error to build an interval on.';
  return estimate > 1 - 1e-9
    ? `The raters agreed on all ${n}, so the marks show no error to build an interval on; with more subjects the coefficient may well be lower.`
    : 'Every subject shows the same degree of agreement, so there is no error to build an interval on.';
}

/** With divisor n - 1, as Gwet 2008 has it; `null` for a single subject. */
function standardErrorOf({ pulls, times }: Linearised): number | null {
  let n = 0;
  let squares = 0;
  for (let p = 0; p < pulls.length; p++) {
    n += times[p] as number;
    squares += (times[p] as number) * (pulls[p] as number) ** 2;
  }
  return n > 1 ? Math.sqrt(squares / (n * (n - 1))) : null;
}

/** The coefficient with the pull of every kind of row; `null` where chance agrees fully. */
export function lineariseChanceCorrected(
  tally: Tally,
  weights: Weights,
  chance: Chance,
): Linearised | null {
  const agreement = rowAgreement(tally, weights);
  const marked = marksPerRow(tally);
  const { n, usable, observed, shares } = pooled(tally, agreement, tally.times);
  const { expected, pull, boundByShares } = chance(shares);
  if (expected >= 1 - 1e-12) return null;
  const estimate = (observed - expected) / (1 - expected);
  const pulls = marked.reduce((into, r, p) => {
    if (r === 0) return into;
    const within = (n / usable) * ((agreement[p] as number) - (r >= 2 ? expected : 0));
    let ownExpected = pull ? 0 : expected;
    if (pull) {
      for (let i = tally.start[p] as number; i < (tally.start[p + 1] as number); i++) {
        ownExpected += (pull[tally.category[i] as number] as number) / r;
      }
    }
    const share = (within - 2 * (1 - estimate) * (ownExpected - expected)) / (1 - expected);
    into[p] = share - estimate;
    return into;
  }, new Float64Array(marked.length));
  const marks = pooledShares(tally);
  return {
    estimate,
    pulls,
    times: tally.times.map((t, p) => (marked[p] === 0 ? 0 : t)),
    lowest:
      ((boundByShares ? leastAgreement(marks, marks, weights) : 0) - expected) / (1 - expected),
  };
}

/** The same coefficient for any counts of the rows, without its error. */
export function prepareChanceCorrected(tally: Tally, weights: Weights, chance: Chance): Prepared {
  const agreement = rowAgreement(tally, weights);
  return (times) => {
    const { usable, observed, shares } = pooled(tally, agreement, times);
    if (usable === 0) return null;
    const { expected } = chance(shares);
    let used = 0;
    for (let k = 0; k < shares.length; k++) if ((shares[k] as number) > 0) used++;
    return used < 2 || expected >= 1 - 1e-12 ? null : (observed - expected) / (1 - expected);
  };
}

/** Agreement within each row: the mean weight over its pairs of marks; 0 without a pair. */
export function rowAgreement({ start, category }: Tally, weights: Weights): Float64Array {
  return Float64Array.from({ length: start.length - 1 }, (_, p) => {
    const from = start[p] as number;
    const to = start[p + 1] as number;
    const r = to - from;
    if (r < 2) return 0;
    let sum = 0;
    for (let i = from; i < to; i++) {
      const line = weights[category[i] as number];
      for (let j = from; j < to; j++) {
        if (j !== i) sum += line?.[category[j] as number] ?? 0;
      }
    }
    return sum / (r * (r - 1));
  });
}

/** sum_kl w_kl p_k p_l, and its pull per category. */
export function productChance(weights: Weights): Chance {
  const q = weights.length;
  const w = symmetricWeights(weights);
  const pull = new Float64Array(q);
  return (shares) => {
    let expected = 0;
    for (let k = 0; k < q; k++) {
      let sum = 0;
      for (let l = 0; l < q; l++) sum += (shares[l] as number) * (w[k * q + l] as number);
      pull[k] = sum;
      expected += (shares[k] as number) * sum;
    }
    return { expected, pull, boundByShares: true };
  };
}

/** Observed agreement, and the share of every category: each subject counts alike. */
function pooled(tally: Tally, agreement: Float64Array, times: ArrayLike<number>) {
  const { start, category } = tally;
  const shares = new Float64Array(tally.categories.length);
  let n = 0;
  let usable = 0;
  let agreed = 0;
  for (let p = 0; p < agreement.length; p++) {
    const from = start[p] as number;
    const to = start[p + 1] as number;
    const t = times[p] as number;
    if (t === 0 || to === from) continue;
    n += t;
    if (to - from >= 2) {
      usable += t;
      agreed += t * (agreement[p] as number);
    }
    const each = t / (to - from);
    for (let i = from; i < to; i++) {
      const k = category[i] as number;
      shares[k] = (shares[k] as number) + each;
    }
  }
  for (let k = 0; k < shares.length; k++) shares[k] = (shares[k] as number) / n;
  return { n, usable, observed: agreed / usable, shares };
}

function countUsed({ category }: Tally): number {
  return new Set(category).size;
}
