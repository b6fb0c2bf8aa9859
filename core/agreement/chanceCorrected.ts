import { intervalAround, undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { countComparable, marksPerRow } from './tally.ts';
import type { Prepared, Tally } from './tally.ts';
import { symmetricWeights } from './weights.ts';
import type { Weights } from './weights.ts';

/** What a coefficient takes for agreement by chance, and how each subject moves it. */
export interface ChanceModel {
  /** Expected agreement pe. */
  readonly expected: number;
  /** `pull[k]`: what one more mark in category k would make of pe, for the error; absent where pe is fixed. */
  readonly pull?: ArrayLike<number>;
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
  const agreement = rowAgreement(tally, weights);
  const marked = marksPerRow(tally);
  const { n, usable, observed, shares } = pooled(tally, agreement, tally.times);
  const { expected, pull } = chance(shares);
  if (expected >= 1 - 1e-12) {
    return undefinedEstimate(
      method,
      comparable,
      'Chance alone would give full agreement here, so agreement beyond chance is undefined.',
    );
  }
  const estimate = (observed - expected) / (1 - expected);
  let squares = 0;
  for (const [p, r] of marked.entries()) {
    if (r === 0) continue;
    const within = (n / usable) * ((agreement[p] as number) - (r >= 2 ? expected : 0));
    let ownExpected = pull ? 0 : expected;
    if (pull) {
      for (let i = tally.start[p] as number; i < (tally.start[p + 1] as number); i++) {
        ownExpected += (pull[tally.category[i] as number] as number) / r;
      }
    }
    const share = (within - 2 * (1 - estimate) * (ownExpected - expected)) / (1 - expected);
    squares += (tally.times[p] as number) * (share - estimate) ** 2;
  }
  const standardError = n > 1 ? Math.sqrt(squares / (n * (n - 1))) : null;
  return intervalAround({ estimate, standardError, method, n: comparable, within: [-1, 1] });
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
    return { expected, pull };
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
