import { undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { noErrorNote, rowAgreement } from './chanceCorrected.ts';
import { coefficientInterval, INTERVAL_METHOD, linearisedError } from './linearised.ts';
import type { Linearised } from './linearised.ts';
import { informants } from './numericalPulls.ts';
import { pooledShares, withPseudoSubjects } from './pseudoSubjects.ts';
import { countComparable, marksPerRow } from './tally.ts';
import type { Prepared, Tally } from './tally.ts';
import { leastAgreement, symmetricWeights, weightsOf } from './weights.ts';
import type { Weights } from './weights.ts';

/**
 * Conger's exact kappa (1980): Cohen's kappa for any number of raters. Chance is the mean over
 * pairs of raters of `sum_kl w_kl p_gk p_hl`, each rater with the own shares of the categories:
 *
 *   pe = (sum_kl w_kl (P_k P_l - sum_g p_gk p_gl)) / (r (r - 1)),  P_k = sum_g p_gk.
 *
 * The standard error is linearised over subjects (delta method): what one subject more would
 * change in pa and in pe; the interval is `coefficientInterval`'s. Missing marks: a rater's shares come from what that rater marked.
 * Worked value: for two raters it is Cohen's kappa, and the error that of Fleiss, Cohen &
 * Everitt (1969).
 */
export function congerKappa(tally: Tally, weights?: Weights): Estimate {
  const method = `Conger 1980; error linearised; ${INTERVAL_METHOD}`;
  const n = countComparable(tally);
  if (n === 0) {
    return undefinedEstimate(method, 0, 'No subject was marked by two raters or more.');
  }
  const used = weightsOf(tally, weights);
  const whole = lineariseConger(tally, used);
  if (whole === null) {
    return undefinedEstimate(
      method,
      n,
      'All raters used one and the same category throughout; kappa needs marks that vary.',
    );
  }
  const smoothed = lineariseConger(withPseudoSubjects(tally), used) ?? whole;
  const interval = coefficientInterval(whole, smoothed, informants(tally));
  return {
    estimate: whole.estimate,
    ...interval,
    standardError: n > 1 ? linearisedError(whole) : null,
    method,
    n,
    notes: interval.lower === null ? [noErrorNote(whole.estimate, n)] : [],
  };
}

/** Conger's kappa with the pull of every kind of row; `null` where it is undefined. */
export function lineariseConger(tally: Tally, used: Weights): Linearised | null {
  const comparable = countComparable(tally);
  const agreement = rowAgreement(tally, used);
  const { observed, expected, shares, uses, active } = chanceOfRaters(
    tally,
    agreement,
    symmetricWeights(used),
    tally.times,
  );
  if (active < 2 || expected >= 1 - 1e-12) return null;
  const pull = pullOfMarks(tally, shares, used);
  const marked = marksPerRow(tally);
  const times = tally.times.map((t, p) => (marked[p] === 0 ? 0 : t));
  const n = times.reduce((sum, t) => sum + t, 0);
  const pulls = Float64Array.from(marked, (r, p) => {
    const moreAgreement = r >= 2 ? ((agreement[p] as number) - observed) / comparable : 0;
    let moreChance = 0;
    for (let i = tally.start[p] as number; i < (tally.start[p + 1] as number); i++) {
      moreChance += (pull[i] as number) / (uses[tally.rater[i] as number] as number);
    }
    moreChance *= 2 / (active * (active - 1));
    const change =
      (moreAgreement * (1 - expected) - (1 - observed) * moreChance) / (1 - expected) ** 2;
    return n * change;
  });
  const marks = pooledShares(tally);
  return {
    estimate: (observed - expected) / (1 - expected),
    pulls,
    times,
    lowest: (leastAgreement(marks, marks, used) - expected) / (1 - expected),
  };
}

export function prepareCongerKappa(tally: Tally, weights?: Weights): Prepared {
  const used = weightsOf(tally, weights);
  const agreement = rowAgreement(tally, used);
  const flat = symmetricWeights(used);
  return (times) => {
    const { observed, expected, active, usable } = chanceOfRaters(tally, agreement, flat, times);
    if (usable === 0 || active < 2 || expected >= 1 - 1e-12) return null;
    return (observed - expected) / (1 - expected);
  };
}

/** `shares[rater * q + category]` p_gk, `uses[rater]` how many marks the rater gave. */
function chanceOfRaters(
  { start, rater, category, raters, categories }: Tally,
  agreement: Float64Array,
  weights: Float64Array,
  times: ArrayLike<number>,
) {
  const q = categories.length;
  const shares = new Float64Array(raters * q);
  const uses = new Float64Array(raters);
  let usable = 0;
  let agreed = 0;
  for (let p = 0; p < agreement.length; p++) {
    const t = times[p] as number;
    if (t === 0) continue;
    const from = start[p] as number;
    const to = start[p + 1] as number;
    if (to - from >= 2) {
      usable += t;
      agreed += t * (agreement[p] as number);
    }
    for (let i = from; i < to; i++) {
      const g = rater[i] as number;
      const at = g * q + (category[i] as number);
      shares[at] = (shares[at] as number) + t;
      uses[g] = (uses[g] as number) + t;
    }
  }
  const total = new Float64Array(q);
  let active = 0;
  for (let g = 0; g < raters; g++) {
    if (uses[g] === 0) continue;
    active++;
    for (let k = 0; k < q; k++) {
      const share = (shares[g * q + k] as number) / (uses[g] as number);
      shares[g * q + k] = share;
      total[k] = (total[k] as number) + share;
    }
  }
  let expected = 0;
  for (let k = 0; k < q; k++) {
    for (let l = 0; l < q; l++) {
      const w = weights[k * q + l] as number;
      if (w === 0) continue;
      let same = 0;
      for (let g = 0; g < raters; g++) {
        same += (shares[g * q + k] as number) * (shares[g * q + l] as number);
      }
      expected += w * ((total[k] as number) * (total[l] as number) - same);
    }
  }
  expected /= active * (active - 1);
  return { observed: agreed / usable, expected, shares, uses, active, usable };
}

/** For every mark: how far one more of it moves the sum over pairs of raters in pe. */
function pullOfMarks(tally: Tally, shares: Float64Array, weights: Weights): Float64Array {
  const q = tally.categories.length;
  const symmetric = symmetricWeights(weights);
  const total = Float64Array.from({ length: q }, (_, k) => {
    let sum = 0;
    for (let g = 0; g < tally.raters; g++) sum += shares[g * q + k] as number;
    return sum;
  });
  const others = new Float64Array(tally.raters * q);
  const average = new Float64Array(tally.raters);
  for (let g = 0; g < tally.raters; g++) {
    for (let k = 0; k < q; k++) {
      let sum = 0;
      for (let l = 0; l < q; l++) {
        sum +=
          (symmetric[k * q + l] as number) * ((total[l] as number) - (shares[g * q + l] as number));
      }
      others[g * q + k] = sum;
      average[g] = (average[g] as number) + sum * (shares[g * q + k] as number);
    }
  }
  return Float64Array.from(tally.category, (k, i) => {
    const g = tally.rater[i] as number;
    return (others[g * q + k] as number) - (average[g] as number);
  });
}
