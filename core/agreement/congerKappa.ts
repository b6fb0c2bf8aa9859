import { undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { Z_95 } from '../numerics/normal.ts';
import { subjectAgreement } from './chanceCorrected.ts';
import { countRatings } from './ratings.ts';
import type { Ratings } from './ratings.ts';
import { agreementWeights } from './weights.ts';
import type { Weights } from './weights.ts';

/**
 * Conger's exact kappa (1980): Cohen's kappa for any number of raters. Chance is the mean over
 * pairs of raters of `sum_kl w_kl p_gk p_hl`, each rater with the own shares of the categories.
 *
 * The standard error is the jackknife over subjects (Efron & Tibshirani 1993, chapter 11), which
 * asks nothing of the design. Missing marks: a rater's shares come from what that rater marked.
 * Worked value: for two raters it is Cohen's kappa.
 */
export function congerKappa(ratings: Ratings, weights?: Weights): Estimate {
  const method = 'Conger 1980; error jackknife over subjects';
  const usable = ratings.marks.filter((row) => row.filter((m) => m !== null).length >= 2).length;
  const { categories } = countRatings(ratings);
  if (usable === 0) {
    return undefinedEstimate(method, 0, 'No subject was marked by two raters or more.');
  }
  const used = weights ?? agreementWeights(categories.length, 'unweighted');
  const whole = new CongerSums(ratings, categories, used);
  const estimate = whole.kappa();
  if (estimate === null) {
    return undefinedEstimate(
      method,
      usable,
      'All raters used one and the same category throughout; kappa needs marks that vary.',
    );
  }
  const without = ratings.marks.map((row) => whole.kappaWithout(row));
  const defined = without.filter((x): x is number => x !== null);
  const average = defined.reduce((sum, x) => sum + x, 0) / Math.max(1, defined.length);
  const n = defined.length;
  const standardError =
    n > 1
      ? Math.sqrt(((n - 1) / n) * defined.reduce((sum, x) => sum + (x - average) ** 2, 0))
      : null;
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

/** Sums from which kappa follows with or without one subject, in one pass over the marks. */
class CongerSums {
  /** `uses[rater][category]`: how often the rater used the category. */
  private readonly uses: number[][];
  private readonly place: Map<string | number, number>;
  private agreement = 0;
  private usable = 0;

  constructor(
    ratings: Ratings,
    categories: readonly (string | number)[],
    private readonly weights: Weights,
  ) {
    this.place = new Map(categories.map((c, k) => [c, k]));
    this.uses = Array.from({ length: ratings.raters }, () => categories.map(() => 0));
    for (const row of ratings.marks) this.take(row, 1);
  }

  private take(row: readonly (string | number | null)[], sign: 1 | -1): void {
    const line = Array.from({ length: this.place.size }, () => 0);
    let r = 0;
    for (const [g, mark] of row.entries()) {
      if (mark === null) continue;
      const k = this.place.get(mark) as number;
      const own = this.uses[g] as number[];
      own[k] = (own[k] ?? 0) + sign;
      line[k] = (line[k] ?? 0) + 1;
      r++;
    }
    if (r < 2) return;
    this.agreement += sign * subjectAgreement(line, r, this.weights);
    this.usable += sign;
  }

  kappa(): number | null {
    const shares = this.uses.flatMap((row) => {
      const total = row.reduce((sum, x) => sum + x, 0);
      return total > 0 ? [row.map((x) => x / total)] : [];
    });
    const r = shares.length;
    if (r < 2 || this.usable < 1) return null;
    let expected = 0;
    for (const [k, line] of this.weights.entries()) {
      for (const [l, w] of line.entries()) {
        if (w === 0) continue;
        let pooledK = 0;
        let pooledL = 0;
        let same = 0;
        for (const share of shares) {
          pooledK += share[k] as number;
          pooledL += share[l] as number;
          same += (share[k] as number) * (share[l] as number);
        }
        expected += (w * (pooledK * pooledL - same)) / (r * (r - 1));
      }
    }
    if (expected >= 1 - 1e-12) return null;
    return (this.agreement / this.usable - expected) / (1 - expected);
  }

  kappaWithout(row: readonly (string | number | null)[]): number | null {
    this.take(row, -1);
    const result = this.kappa();
    this.take(row, 1);
    return result;
  }
}
