import { undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { Z_95 } from '../numerics/normal.ts';
import type { CrossTable } from './crossTable.ts';

export interface PrevalenceBias {
  /** |a - d| / n: 0 where both categories are equally common, near 1 where one hardly occurs. */
  readonly prevalenceIndex: number | null;
  /** |b - c| / n: 0 where both raters use the categories equally often. */
  readonly biasIndex: number | null;
  readonly pabak: Estimate;
}

/**
 * Prevalence index, bias index and the prevalence- and bias-adjusted kappa of two raters.
 *
 * For a 2 x 2 table with cells a, b / c, d and observed agreement po:
 *   PI = |a - d| / n,  BI = |b - c| / n,  PABAK = 2 po - 1.
 * For k categories PABAK generalises to (k po - 1) / (k - 1); the two indices stay undefined.
 * Large-sample error k / (k - 1) * sqrt(po (1 - po) / n).
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
  const pabak = (k * agreed - 1) / (k - 1);
  const standardError = (k / (k - 1)) * Math.sqrt((agreed * (1 - agreed)) / n);
  const cell = (i: number, j: number) => counts[i]?.[j] ?? 0;
  return {
    prevalenceIndex: k === 2 ? Math.abs(cell(0, 0) - cell(1, 1)) / n : null,
    biasIndex: k === 2 ? Math.abs(cell(0, 1) - cell(1, 0)) / n : null,
    pabak: {
      estimate: pabak,
      lower: Math.max(-1 / (k - 1), pabak - Z_95 * standardError),
      upper: Math.min(1, pabak + Z_95 * standardError),
      standardError,
      method,
      n,
      notes: [],
    },
  };
}
