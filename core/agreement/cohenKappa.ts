import { undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { fromCounts } from './crossTable.ts';
import type { CrossTable } from './crossTable.ts';
import {
  coefficientInterval,
  INTERVAL_METHOD,
  linearisedError,
  PSEUDO_SUBJECTS,
} from './linearised.ts';
import type { Linearised } from './linearised.ts';
import type { Prepared, Tally } from './tally.ts';
import { agreementWeights, leastAgreement, symmetricWeights, weightsOf } from './weights.ts';
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
 * The interval does not come from that error, which fails at the sizes of a school, but from
 * `coefficientInterval`; there is none where the error is zero.
 *
 * Sources: Cohen 1960; weighted Cohen 1968; error Fleiss, Cohen & Everitt 1969, equation 13.
 * Missing: listwise, as tabulated. Undefined where both raters used one and the same category.
 * Worked value: counts 20, 5 / 10, 15 give po 0.70, pe 0.50, kappa 0.40.
 */
export function cohenKappa(
  table: CrossTable,
  weights: Weights = agreementWeights(table.categories.length, 'unweighted'),
): Estimate {
  const method = `Cohen 1960, 1968; error Fleiss, Cohen & Everitt 1969; ${INTERVAL_METHOD}`;
  const { n } = table;
  if (n === 0) return undefinedEstimate(method, 0, 'No subject was marked by both examiners.');
  const whole = lineariseKappa(table, weights);
  if (whole === null) {
    return undefinedEstimate(
      method,
      n,
      'Both examiners used one and the same category throughout; kappa needs marks that vary.',
    );
  }
  const smoothed = lineariseKappa(withPseudoPairs(table), weights) ?? whole;
  const interval = coefficientInterval(whole, smoothed);
  return {
    estimate: whole.estimate,
    ...interval,
    standardError: linearisedError(whole),
    method,
    n,
    notes: interval.lower === null ? [noKappaNote(table)] : [],
  };
}

/** Kappa with the pull of every cell, line by line; `null` where it is undefined. */
export function lineariseKappa(table: CrossTable, weights: Weights): Linearised | null {
  const { n, counts } = table;
  const row = table.rowTotals.map((total) => total / n);
  const column = table.columnTotals.map((total) => total / n);
  const { observed, expected } = chanceAndAgreement(table, weights);
  if (expected >= 1 - 1e-12) return null;
  const rowWeight = row.map((_, i) => sumOver(column, (p, j) => p * weightAt(weights, i, j)));
  const columnWeight = column.map((_, j) => sumOver(row, (p, i) => p * weightAt(weights, i, j)));
  const mean = observed * expected - 2 * expected + observed;
  const pulls = counts.flatMap((cells, i) =>
    cells.map((_, j) => {
      const reach = (rowWeight[i] ?? 0) + (columnWeight[j] ?? 0);
      const term = weightAt(weights, i, j) * (1 - expected) - reach * (1 - observed);
      return (term - mean) / (1 - expected) ** 2;
    }),
  );
  return {
    estimate: (observed - expected) / (1 - expected),
    pulls,
    times: counts.flat(),
    lowest: (leastAgreement(row, column, weights) - expected) / (1 - expected),
  };
}

/** The table with two pairs more, of which half agree for certain and half by chance. */
export function withPseudoPairs({ categories, counts, rowTotals, columnTotals, n }: CrossTable) {
  const shares = rowTotals.map((total, i) => (total + (columnTotals[i] ?? 0)) / (2 * n));
  const half = PSEUDO_SUBJECTS / 2;
  return fromCounts(
    categories,
    counts.map((cells, i) =>
      cells.map((count, j) => {
        const [p, q] = [shares[i] ?? 0, shares[j] ?? 0];
        return count + half * (p * q + (i === j ? p : 0));
      }),
    ),
  );
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

/** What is true where the marks leave no error to build an interval on. */
export function noKappaNote({ counts, rowTotals, columnTotals, n }: CrossTable): string {
  const agreed = sumOver(
    counts.map((cells, i) => cells[i] ?? 0),
    (count) => count,
  );
  const firstConstant = rowTotals.includes(n);
  if (firstConstant || columnTotals.includes(n)) {
    const who = firstConstant ? 'first' : 'second';
    return (
      `The ${who} examiner gave the same mark throughout, so kappa is 0 whatever the other did. ` +
      `They agreed on ${agreed} of ${n}; no interval can be given.`
    );
  }
  if (agreed === n || agreed === 0) {
    return (
      `The examiners agreed on ${agreed === n ? 'all' : 'none of'} ${n}, so the marks show no error ` +
      'to build an interval on; with more candidates kappa may well be otherwise.'
    );
  }
  return 'The marks show no error to build an interval on.';
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
