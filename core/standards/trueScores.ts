import binomialPmf from '@stdlib/stats-base-dists-binomial-pmf';

/** A beta distribution of true scores, stretched from `lower` to `upper` within [0, 1]. */
export interface TrueScores {
  readonly alpha: number;
  readonly beta: number;
  readonly lower: number;
  readonly upper: number;
}

export interface DecisionQuality {
  /** Chance that a candidate is put on the right side of the cut. */
  readonly accuracy: number;
  /** Chance of a pass for a candidate who truly fails, and of a fail for one who truly passes. */
  readonly falsePass: number;
  readonly falseFail: number;
  /** Chance that a second, parallel examination puts a candidate on the same side. */
  readonly consistency: number;
  /** Consistency beyond chance (Cohen 1960 on the table of both examinations). */
  readonly kappa: number | null;
  readonly passRate: number;
}

const STEPS = 4000;

/**
 * Decisions at a cut where true scores follow a beta distribution and, given the true score, the
 * score is binomial with n tasks: everything is an integral over the true score t of
 * `P(X >= c | t)` and its square, taken here at 4,000 equal steps of t.
 *
 * `passing` is the least score that passes, a whole number of 0..n; `trueCut` the true score, in
 * [0, 1], that ought to pass.
 */
export function decisionQuality(
  { alpha, beta, lower, upper }: TrueScores,
  n: number,
  passing: number,
  trueCut: number,
): DecisionQuality {
  let weight = 0;
  let pass = 0;
  let bothPass = 0;
  let bothFail = 0;
  let falsePass = 0;
  let falseFail = 0;
  for (let step = 0; step < STEPS; step++) {
    const z = (step + 0.5) / STEPS;
    const t = lower + (upper - lower) * z;
    const density = Math.exp((alpha - 1) * Math.log(z) + (beta - 1) * Math.log1p(-z));
    const p = chanceToReach(passing, n, t);
    weight += density;
    pass += density * p;
    bothPass += density * p * p;
    bothFail += density * (1 - p) ** 2;
    if (t < trueCut) falsePass += density * p;
    else falseFail += density * (1 - p);
  }
  const passRate = pass / weight;
  const consistency = (bothPass + bothFail) / weight;
  const byChance = passRate ** 2 + (1 - passRate) ** 2;
  return {
    accuracy: 1 - (falsePass + falseFail) / weight,
    falsePass: falsePass / weight,
    falseFail: falseFail / weight,
    consistency,
    kappa: byChance >= 1 - 1e-12 ? null : (consistency - byChance) / (1 - byChance),
    passRate,
  };
}

/** P(X >= c) of a binomial score of n tasks. */
export function chanceToReach(c: number, n: number, t: number): number {
  if (c <= 0) return 1;
  let sum = 0;
  // The shorter tail is summed, for digits as well as for time.
  if (c > n / 2) {
    for (let x = c; x <= n; x++) sum += binomialPmf(x, n, t);
    return Math.min(1, sum);
  }
  for (let x = 0; x < c; x++) sum += binomialPmf(x, n, t);
  return Math.max(0, 1 - sum);
}
