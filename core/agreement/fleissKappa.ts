import type { Estimate } from '../numerics/estimate.ts';
import { chanceCorrected, prepareChanceCorrected, productChance } from './chanceCorrected.ts';
import { INTERVAL_METHOD } from './linearised.ts';
import { marksPerRow } from './tally.ts';
import type { Prepared, Tally } from './tally.ts';
import { weightsOf } from './weights.ts';
import type { Weights } from './weights.ts';

/**
 * Fleiss' kappa: agreement among several raters beyond what the pooled shares of the categories
 * give by chance, `pe = sum_kl w_kl p_k p_l`. For two raters it is Scott's pi.
 *
 * Source: Fleiss 1971; weights and missing marks Gwet 2014. Where every subject has the same
 * number of marks and no weights are used, the standard error is that of Fleiss, Nee & Landis
 * 1979 (which holds for raters who agree by chance only, and serves to test that); the interval
 * comes from the linearised error, which holds for any kappa, by `coefficientInterval`.
 * Worked value: Fleiss 1971, 30 patients by 6 psychiatrists in 5 categories, .430.
 */
export function fleissKappa(tally: Tally, weights?: Weights): Estimate {
  const used = weightsOf(tally, weights);
  const result = chanceCorrected(tally, used, productChance(used), 'Fleiss 1971');
  const error = weights === undefined && result.estimate !== null ? errorByChance(tally) : null;
  if (error === null) return result;
  return {
    ...result,
    standardError: error,
    method: `Fleiss 1971; error Fleiss, Nee & Landis 1979; ${INTERVAL_METHOD}`,
  };
}

export function prepareFleissKappa(tally: Tally, weights?: Weights): Prepared {
  const used = weightsOf(tally, weights);
  return prepareChanceCorrected(tally, used, productChance(used));
}

/**
 * Kappa of every single category against all others (Fleiss 1971, equation 22); `null` for a
 * category that nobody or everybody used throughout. Subjects must have equal numbers of marks.
 */
export function categoryKappas(tally: Tally): Map<string | number, number | null> {
  const { r, n } = layout(tally);
  if (r === null) return new Map(tally.categories.map((category) => [category, null]));
  const splits = tally.categories.map(() => 0);
  const totals = tally.categories.map(() => 0);
  eachCount(tally, (k, count, times) => {
    totals[k] = (totals[k] as number) + times * count;
    splits[k] = (splits[k] as number) + times * count * (r - count);
  });
  return new Map(
    tally.categories.map((category, k) => {
      const p = (totals[k] as number) / (n * r);
      const spread = n * r * (r - 1) * p * (1 - p);
      return [category, spread === 0 ? null : 1 - (splits[k] as number) / spread];
    }),
  );
}

/** Standard error of kappa where agreement is by chance only (Fleiss, Nee & Landis 1979). */
function errorByChance(tally: Tally): number | null {
  const { r, n } = layout(tally);
  if (r === null) return null;
  const p = tally.categories.map(() => 0);
  eachCount(tally, (k, count, times) => {
    p[k] = (p[k] as number) + (times * count) / (n * r);
  });
  const pq = p.reduce((sum, x) => sum + x * (1 - x), 0);
  const skew = p.reduce((sum, x) => sum + x * (1 - x) * (1 - 2 * x), 0);
  if (pq === 0) return null;
  const spread = Math.sqrt(Math.max(0, pq * pq - skew));
  return (Math.sqrt(2) * spread) / (pq * Math.sqrt(n * r * (r - 1)));
}

/** The number of marks a subject has, `null` where it differs or is below two; and the subjects. */
function layout(tally: Tally): { r: number | null; n: number } {
  const marked = [...marksPerRow(tally)];
  const n = tally.times.reduce((sum, t, p) => (marked[p] === 0 ? sum : sum + t), 0);
  const sizes = new Set(marked.filter((x) => x > 0));
  const [r] = sizes;
  return { r: sizes.size === 1 && r !== undefined && r >= 2 ? r : null, n };
}

function eachCount(
  { start, category, times }: Tally,
  visit: (category: number, count: number, times: number) => void,
): void {
  for (const [p, t] of times.entries()) {
    const counts = new Map<number, number>();
    for (const k of category.subarray(start[p], start[p + 1])) {
      counts.set(k, (counts.get(k) ?? 0) + 1);
    }
    for (const [k, count] of counts) visit(k, count, t);
  }
}
