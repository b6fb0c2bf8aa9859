import { undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { Z_95 } from '../numerics/normal.ts';
import type { CrossTable } from './crossTable.ts';
import type { Prepared, Tally } from './tally.ts';
import { agreementWeights, symmetricWeights, weightsOf } from './weights.ts';
import type { Weights } from './weights.ts';

/**
 * Cohen's kappa for two raters: agreement beyond what their own marginal totals give by chance,
 * `(po - pe) / (1 - pe)`. With weights, partial agreement counts in part.
 *
 * With p_ij = counts / n, row and column shares p_i. and p_.j, agreement weights w_ij:
 *   po = sum w_ij p_ij,  pe = sum w_ij p_i. p_.j
 * The standard error is the large-sample one for a non-zero kappa:
 *   n (1 - pe)^4 var = sum p_ij [w_ij (1 - pe) - (W_i. + W_.j)(1 - po)]^2 - (po pe - 2 pe + po)^2
 *   with W_i. = sum_j p_.j w_ij and W_.j = sum_i p_i. w_ij.
 *
 * Sources: Cohen 1960; weighted Cohen 1968; error Fleiss, Cohen & Everitt 1969, equation 13.
 * Missing: listwise, as tabulated. Undefined where both raters used one and the same category.
 * Worked value: counts 20, 5 / 10, 15 give po 0.70, pe 0.50, kappa 0.40.
 */
export function cohenKappa(
  table: CrossTable,
  weights: Weights = agreementWeights(table.categories.length, 'unweighted'),
): Estimate {
  const method = 'Cohen 1960, 1968; error Fleiss, Cohen & Everitt 1969';
  const { n, counts } = table;
  if (n === 0) return undefinedEstimate(method, 0, 'No subject was marked by both examiners.');
  const row = table.rowTotals.map((total) => total / n);
  const column = table.columnTotals.map((total) => total / n);
  const { observed, expected } = chanceAndAgreement(table, weights);
  if (expected >= 1 - 1e-12) {
    return undefinedEstimate(
      method,
      n,
      'Both examiners used one and the same category throughout; kappa needs marks that vary.',
    );
  }
  const rowWeight = row.map((_, i) => sumOver(column, (p, j) => p * weightAt(weights, i, j)));
  const columnWeight = column.map((_, j) => sumOver(row, (p, i) => p * weightAt(weights, i, j)));
  let squares = 0;
  for (const [i, cells] of counts.entries()) {
    for (const [j, count] of cells.entries()) {
      const reach = (rowWeight[i] ?? 0) + (columnWeight[j] ?? 0);
      const term = weightAt(weights, i, j) * (1 - expected) - reach * (1 - observed);
      squares += (count / n) * term * term;
    }
  }
  const correction = (observed * expected - 2 * expected + observed) ** 2;
  const variance = Math.max(0, squares - correction) / (n * (1 - expected) ** 4);
  const kappa = (observed - expected) / (1 - expected);
  const standardError = Math.sqrt(variance);
  return {
    estimate: kappa,
    lower: Math.max(-1, kappa - Z_95 * standardError),
    upper: Math.min(1, kappa + Z_95 * standardError),
    standardError,
    method,
    n,
    notes: smallSampleNotes(n, standardError),
  };
}

/**
 * Kappa of a table given line by line, `counts[from + i * q + j]`, for symmetric weights given
 * likewise; `null` where it is undefined.
 */
export function kappaOfCounts(
  counts: Float64Array,
  q: number,
  weights: Float64Array,
  from = 0,
): number | null {
  const row = new Float64Array(q);
  const column = new Float64Array(q);
  let n = 0;
  let agreed = 0;
  for (let i = 0; i < q; i++) {
    for (let j = 0; j < q; j++) {
      const count = counts[from + i * q + j] as number;
      if (count === 0) continue;
      n += count;
      agreed += (weights[i * q + j] as number) * count;
      row[i] = (row[i] as number) + count;
      column[j] = (column[j] as number) + count;
    }
  }
  if (n === 0) return null;
  let chance = 0;
  for (let i = 0; i < q; i++) {
    const own = row[i] as number;
    if (own === 0) continue;
    for (let j = 0; j < q; j++)
      chance += (weights[i * q + j] as number) * own * (column[j] as number);
  }
  const expected = chance / (n * n);
  return expected >= 1 - 1e-12 ? null : (agreed / n - expected) / (1 - expected);
}

/** Kappa of raters 0 and 1 of a tally, for any counts of its rows. */
export function prepareCohenKappa(tally: Tally, weights?: Weights): Prepared {
  const used = symmetricWeights(weightsOf(tally, weights));
  const q = tally.categories.length;
  const cells = Array.from({ length: tally.times.length }, (_, p) => {
    const from = tally.start[p] as number;
    if ((tally.start[p + 1] as number) - from !== 2) return -1;
    const [a, b] = [tally.category[from] as number, tally.category[from + 1] as number];
    return tally.rater[from] === 0 ? a * q + b : b * q + a;
  });
  const counts = new Float64Array(q * q);
  return (times) => {
    counts.fill(0);
    for (let p = 0; p < cells.length; p++) {
      const at = cells[p] as number;
      if (at >= 0) counts[at] = (counts[at] as number) + (times[p] as number);
    }
    return kappaOfCounts(counts, q, used);
  };
}

/** Observed and chance-expected (weighted) agreement, each in [0, 1]. */
export function chanceAndAgreement(
  table: CrossTable,
  weights: Weights,
): { observed: number; expected: number } {
  const { n } = table;
  let observed = 0;
  let expected = 0;
  for (const [i, cells] of table.counts.entries()) {
    for (const [j, count] of cells.entries()) {
      const w = weightAt(weights, i, j);
      observed += (w * count) / n;
      expected += (w * (table.rowTotals[i] ?? 0) * (table.columnTotals[j] ?? 0)) / (n * n);
    }
  }
  return { observed, expected };
}

function smallSampleNotes(n: number, standardError: number): string[] {
  if (standardError === 0) {
    return ['The large-sample error is 0 because no pair disagreed; the true interval is wider.'];
  }
  return n < 30 ? [`Only ${n} pairs: the large-sample interval is approximate.`] : [];
}

function weightAt(weights: Weights, i: number, j: number): number {
  return weights[i]?.[j] ?? 0;
}

function sumOver(
  values: readonly number[],
  term: (value: number, index: number) => number,
): number {
  return values.reduce((sum, value, index) => sum + term(value, index), 0);
}
