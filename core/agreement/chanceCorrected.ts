import { undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { Z_95 } from '../numerics/normal.ts';
import type { RatingCounts } from './ratings.ts';
import type { Weights } from './weights.ts';

/** What a coefficient takes for agreement by chance, and how each subject moves it. */
export interface ChanceModel {
  /** Expected agreement pe. */
  readonly expected: number;
  /** `pull[k]`: what one more mark in category k would make of pe, for the error; absent where pe is fixed. */
  readonly pull?: readonly number[];
}

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
  { counts, marked, categories }: RatingCounts,
  weights: Weights,
  chance: (shares: readonly number[]) => ChanceModel,
  method: string,
): Estimate {
  const n = counts.length;
  const usable = marked.filter((r) => r >= 2).length;
  if (usable === 0) {
    return undefinedEstimate(method, 0, 'No subject was marked by two raters or more.');
  }
  if (categories.length < 2) {
    return undefinedEstimate(
      method,
      usable,
      'Every mark is in one and the same category; agreement beyond chance needs marks that vary.',
    );
  }
  const agreement = counts.map((row, i) => subjectAgreement(row, marked[i] as number, weights));
  const observed = agreement.reduce((sum, a) => sum + a, 0) / usable;
  const shares = categories.map((_, k) =>
    counts.reduce((sum, row, i) => sum + (row[k] as number) / (marked[i] as number) / n, 0),
  );
  const { expected, pull } = chance(shares);
  if (expected >= 1 - 1e-12) {
    return undefinedEstimate(
      method,
      usable,
      'Chance alone would give full agreement here, so agreement beyond chance is undefined.',
    );
  }
  const estimate = (observed - expected) / (1 - expected);
  let squares = 0;
  for (const [i, row] of counts.entries()) {
    const r = marked[i] as number;
    const own =
      ((n / usable) * ((agreement[i] as number) - (r >= 2 ? expected : 0))) / (1 - expected);
    const ownExpected = pull
      ? row.reduce((sum, x, k) => sum + x * (pull[k] as number), 0) / r
      : expected;
    const share = own - (2 * (1 - estimate) * (ownExpected - expected)) / (1 - expected);
    squares += (share - estimate) ** 2;
  }
  const standardError = n > 1 ? Math.sqrt(squares / (n * (n - 1))) : null;
  return {
    estimate,
    lower: standardError === null ? null : Math.max(-1, estimate - Z_95 * standardError),
    upper: standardError === null ? null : Math.min(1, estimate + Z_95 * standardError),
    standardError,
    method,
    n: usable,
    notes: [],
  };
}

/** Agreement within one subject: the mean weight over its pairs of marks; 0 without a pair. */
export function subjectAgreement(row: readonly number[], r: number, weights: Weights): number {
  if (r < 2) return 0;
  let sum = 0;
  for (const [k, count] of row.entries()) {
    if (count === 0) continue;
    const weighted = row.reduce((s, x, l) => s + x * (weights[k]?.[l] ?? 0), 0);
    sum += count * (weighted - 1);
  }
  return sum / (r * (r - 1));
}

/** sum_kl w_kl p_k p_l, and its pull per category. */
export function productChance(weights: Weights): (shares: readonly number[]) => ChanceModel {
  return (shares) => {
    const pull = shares.map((_, k) =>
      shares.reduce(
        (sum, p, l) => sum + (p * ((weights[k]?.[l] ?? 0) + (weights[l]?.[k] ?? 0))) / 2,
        0,
      ),
    );
    return { expected: shares.reduce((sum, p, k) => sum + p * (pull[k] as number), 0), pull };
  };
}
