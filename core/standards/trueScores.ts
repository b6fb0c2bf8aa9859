import betaCdf from '@stdlib/stats-base-dists-beta-cdf';

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

const STEPS = 2000;

/**
 * Decisions at a cut where true scores follow a beta distribution and, given the true score, the
 * score is binomial with n tasks: everything is an integral over the true score t of
 * `P(X >= c | t)` and its square. The range of t is cut into 2,000 steps and at the true cut; each
 * weighs what the beta distribution has in it, by the incomplete beta function, and is read at its
 * own mean. A U-shaped beta, infinite at its ends, then weighs what it should.
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
  let pass = 0;
  let bothPass = 0;
  let bothFail = 0;
  let falsePass = 0;
  let falseFail = 0;
  const cutAt = Math.min(1, Math.max(0, (trueCut - lower) / (upper - lower)));
  const edges = Array.from({ length: STEPS + 1 }, (_, k) => k / STEPS);
  if (!edges.includes(cutAt)) edges.splice(Math.ceil(cutAt * STEPS), 0, cutAt);
  const centre = alpha / (alpha + beta);
  let below = 0;
  let momentBelow = 0;
  for (let k = 1; k < edges.length; k++) {
    const edge = edges[k] as number;
    const upTo = edge === 1 ? 1 : betaCdf(edge, alpha, beta);
    const momentUpTo = edge === 1 ? 1 : betaCdf(edge, alpha + 1, beta);
    const mass = upTo - below;
    if (mass > 0) {
      const inside = (centre * (momentUpTo - momentBelow)) / mass;
      const z = Math.min(edge, Math.max(edges[k - 1] as number, inside));
      const p = chanceToReach(passing, n, lower + (upper - lower) * z);
      pass += mass * p;
      bothPass += mass * p * p;
      bothFail += mass * (1 - p) ** 2;
      if (edge <= cutAt) falsePass += mass * p;
      else falseFail += mass * (1 - p);
    }
    below = upTo;
    momentBelow = momentUpTo;
  }
  const passRate = pass;
  const consistency = bothPass + bothFail;
  const byChance = passRate ** 2 + (1 - passRate) ** 2;
  return {
    accuracy: 1 - falsePass - falseFail,
    falsePass,
    falseFail,
    consistency,
    kappa: byChance >= 1 - 1e-12 ? null : (consistency - byChance) / (1 - byChance),
    passRate,
  };
}

/**
 * P(X >= c) of a binomial score of n tasks: the incomplete beta function I_t(c, n - c + 1)
 * (Abramowitz & Stegun 26.5.24), which takes as long for ten thousand tasks as for ten.
 */
export function chanceToReach(c: number, n: number, t: number): number {
  if (c <= 0) return 1;
  if (c > n) return 0;
  return betaCdf(t, c, n - c + 1);
}
