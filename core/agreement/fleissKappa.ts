import type { Estimate } from '../numerics/estimate.ts';
import { chanceCorrected, productChance } from './chanceCorrected.ts';
import { countRatings } from './ratings.ts';
import type { RatingCounts, Ratings } from './ratings.ts';
import { agreementWeights } from './weights.ts';
import type { Weights } from './weights.ts';

/**
 * Fleiss' kappa: agreement among several raters beyond what the pooled shares of the categories
 * give by chance, `pe = sum_kl w_kl p_k p_l`. For two raters it is Scott's pi.
 *
 * Source: Fleiss 1971; weights and missing marks Gwet 2014. Where every subject has the same
 * number of marks and no weights are used, the standard error is that of Fleiss, Nee & Landis
 * 1979 (which holds for raters who agree by chance only, and serves to test that); the interval
 * always comes from the linearised error, which holds for any kappa.
 * Worked value: Fleiss 1971, 30 patients by 6 psychiatrists in 5 categories, .430.
 */
export function fleissKappa(ratings: Ratings, weights?: Weights): Estimate {
  const counts = countRatings(ratings);
  const used = weights ?? agreementWeights(counts.categories.length, 'unweighted');
  const result = chanceCorrected(counts, used, productChance(used), 'Fleiss 1971');
  const error = weights === undefined && result.estimate !== null ? errorByChance(counts) : null;
  if (error === null) return result;
  return {
    ...result,
    standardError: error,
    method: 'Fleiss 1971; error Fleiss, Nee & Landis 1979, interval linearised (Gwet 2014)',
  };
}

/**
 * Kappa of every single category against all others (Fleiss 1971, equation 22); `null` for a
 * category that nobody or everybody used throughout. Subjects must have equal numbers of marks.
 */
export function categoryKappas(ratings: Ratings): Map<string | number, number | null> {
  const { categories, counts, marked } = countRatings(ratings);
  const n = counts.length;
  const r = marked[0] ?? 0;
  if (r < 2 || marked.some((x) => x !== r)) return new Map(categories.map((c) => [c, null]));
  return new Map(
    categories.map((category, k) => {
      const p = counts.reduce((sum, row) => sum + (row[k] as number), 0) / (n * r);
      const split = counts.reduce(
        (sum, row) => sum + (row[k] as number) * (r - (row[k] as number)),
        0,
      );
      const spread = n * r * (r - 1) * p * (1 - p);
      return [category, spread === 0 ? null : 1 - split / spread];
    }),
  );
}

/** Standard error of kappa where agreement is by chance only (Fleiss, Nee & Landis 1979). */
function errorByChance({ counts, marked, categories }: RatingCounts): number | null {
  const n = counts.length;
  const r = marked[0] ?? 0;
  if (r < 2 || marked.some((x) => x !== r)) return null;
  const p = categories.map(
    (_, k) => counts.reduce((sum, row) => sum + (row[k] as number), 0) / (n * r),
  );
  const pq = p.reduce((sum, x) => sum + x * (1 - x), 0);
  const skew = p.reduce((sum, x) => sum + x * (1 - x) * (1 - 2 * x), 0);
  if (pq === 0) return null;
  return (
    (Math.sqrt(2) / (pq * Math.sqrt(n * r * (r - 1)))) * Math.sqrt(Math.max(0, pq * pq - skew))
  );
}
