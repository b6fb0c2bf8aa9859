import { undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { exactInterval } from '../numerics/proportion.ts';
import type { CrossTable } from './crossTable.ts';

export interface PrevalenceBias {
  /** 0 where all categories are equally common, 1 where only one is used. */
  readonly prevalenceIndex: number | null;
  /** 0 where both raters use every category equally often. */
  readonly biasIndex: number | null;
  readonly pabak: Estimate;
}

/**
 * Prevalence index, bias index and the prevalence- and bias-adjusted kappa of two raters.
 *
 * For a 2 x 2 table with cells a, b / c, d and observed agreement po:
 *   PI = |a - d| / n,  BI = |b - c| / n,  PABAK = 2 po - 1.
 * For k categories PABAK generalises to (k po - 1) / (k - 1), and so, in the same spirit and
 * equal to the above for k = 2, do the indices, with row and column totals r_i and c_i:
 *   PI = (k max_i (r_i + c_i) / 2n - 1) / (k - 1),  BI = sum_i |r_i - c_i| / 2n.
 * Large-sample error k / (k - 1) * sqrt(po (1 - po) / n); the interval is the exact one of po
 * (Clopper & Pearson 1934), carried over.
 *
 * Source: Byrt, Bishop & Carlin 1993. Missing: listwise, as tabulated.
 * Worked value: cells 80, 10 / 5, 5 give PI 0.75, BI 0.05, PABAK 0.70.
 */
export function prevalenceBias(table: CrossTable): PrevalenceBias {
  const method = 'Byrt, Bishop & Carlin 1993';
  const { n, counts } = table;
  const k = table.categories.length;
  if (n === 0 || k < 2) {
    const reason =
      n === 0
        ? 'No subject was marked by both examiners.'
        : 'Only one category is possible, so there is no chance agreement to adjust for.';
    return {
      prevalenceIndex: null,
      biasIndex: null,
      pabak: undefinedEstimate(method, n, reason),
    };
  }
  const agreed = counts.reduce((sum, row, i) => sum + (row[i] ?? 0), 0) / n;
  const adjusted = (po: number) => (k * po - 1) / (k - 1);
  const pabak = adjusted(agreed);
  const [lower, upper] = exactInterval(agreed * n, n);
  const standardError = (k / (k - 1)) * Math.sqrt((agreed * (1 - agreed)) / n);
  const rows = table.rowTotals;
  const columns = table.columnTotals;
  const commonest = Math.max(...rows.map((r, i) => r + (columns[i] ?? 0))) / (2 * n);
  return {
    prevalenceIndex: (k * commonest - 1) / (k - 1),
    biasIndex: rows.reduce((sum, r, i) => sum + Math.abs(r - (columns[i] ?? 0)), 0) / (2 * n),
    pabak: {
      estimate: pabak,
      lower: adjusted(lower),
      upper: adjusted(upper),
      standardError,
      method,
      n,
      notes: [],
    },
  };
}
