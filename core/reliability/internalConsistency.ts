import fQuantile from '@stdlib/stats-base-dists-f-quantile';
import { variance } from '../numerics/summary.ts';
import { cronbachAlpha } from './cronbachAlpha.ts';

type Rows = readonly (readonly (number | null)[])[];

export interface InternalConsistency {
  readonly alpha: {
    readonly estimate: number | null;
    readonly lower: number | null;
    readonly upper: number | null;
    readonly notes: readonly string[];
  };
  /** Alpha of the other columns when this one is left out; `null` where two do not remain. */
  readonly alphaIfDeleted: readonly (number | null)[];
  /** Correlation of a column with the sum of the others; `null` where one of both does not vary. */
  readonly itemTotal: readonly (number | null)[];
  readonly guttmanLambda2: number | null;
  /** Odd against even columns, stepped up to full length. */
  readonly spearmanBrown: number | null;
  readonly n: number;
  readonly leftOut: number;
}

/**
 * How well several columns (items or stations) of one score hang together.
 *
 * - alpha: Cronbach 1951; with items scored 0 and 1 it is KR-20. Interval Feldt 1965:
 *   `1 - (1 - alpha) F` with (n - 1) and (n - 1)(k - 1) degrees of freedom.
 * - lambda-2: Guttman 1945, `1 - (sum var_j - sqrt(k / (k-1) * sum of squared covariances)) / var_total`.
 * - split-half: columns 1, 3, 5 .. against 2, 4, 6 .., stepped up by Spearman & Brown 1910.
 *
 * `rows[candidate][column]`; rows with a missing cell are left out and counted.
 * Worked value: the marks of Shrout & Fleiss 1979 give alpha .909, their ICC(3,4).
 */
export function internalConsistency(rows: Rows): InternalConsistency {
  const complete = rows.filter((row): row is number[] => row.every((x) => x !== null));
  const n = complete.length;
  const k = complete[0]?.length ?? rows[0]?.length ?? 0;
  const estimate = cronbachAlpha(complete);
  const columns = Array.from({ length: k }, (_, j) => complete.map((row) => row[j] as number));
  const totals = complete.map((row) => row.reduce((sum, x) => sum + x, 0));
  const without = (j: number) => complete.map((row) => row.filter((_, i) => i !== j));
  const notes: string[] = [];
  if (rows.length > n) notes.push(`${rows.length - n} rows with empty cells were left out.`);
  if (estimate === null) {
    notes.push(
      n < 2 || k < 2
        ? 'Alpha needs two complete rows and two columns at least.'
        : 'The totals do not vary, so alpha is undefined.',
    );
  }
  const bound = (p: number, a: number) => 1 - (1 - a) * fQuantile(p, n - 1, (n - 1) * (k - 1));
  return {
    alpha: {
      estimate,
      lower: estimate === null ? null : bound(0.975, estimate),
      upper: estimate === null ? null : bound(0.025, estimate),
      notes,
    },
    alphaIfDeleted: columns.map((_, j) => cronbachAlpha(without(j))),
    itemTotal: columns.map((column) =>
      correlation(
        column,
        totals.map((t, i) => t - (column[i] as number)),
      ),
    ),
    guttmanLambda2: lambda2(columns, totals),
    spearmanBrown: splitHalf(complete),
    n,
    leftOut: rows.length - n,
  };
}

/** The reliability of a score `times` as long (Spearman & Brown 1910). */
export function spearmanBrown(reliability: number, times: number): number {
  return (times * reliability) / (1 + (times - 1) * reliability);
}

/** Pearson's correlation; `null` where either side does not vary. */
export function correlation(x: readonly number[], y: readonly number[]): number | null {
  const spread = Math.sqrt((variance(x) ?? 0) * (variance(y) ?? 0));
  return spread === 0 ? null : covariance(x, y) / spread;
}

function covariance(x: readonly number[], y: readonly number[]): number {
  const n = x.length;
  const meanX = x.reduce((sum, v) => sum + v, 0) / n;
  const meanY = y.reduce((sum, v) => sum + v, 0) / n;
  return x.reduce((sum, v, i) => sum + (v - meanX) * ((y[i] as number) - meanY), 0) / (n - 1);
}

function lambda2(columns: readonly number[][], totals: readonly number[]): number | null {
  const k = columns.length;
  const total = variance(totals);
  if (k < 2 || total === null || total === 0) return null;
  let own = 0;
  let squares = 0;
  for (const [i, x] of columns.entries()) {
    own += variance(x) ?? 0;
    for (const [j, y] of columns.entries()) if (i !== j) squares += covariance(x, y) ** 2;
  }
  return 1 - (own - Math.sqrt((k / (k - 1)) * squares)) / total;
}

function splitHalf(rows: readonly number[][]): number | null {
  if ((rows[0]?.length ?? 0) < 2 || rows.length < 2) return null;
  const half = (parity: number) =>
    rows.map((row) => row.reduce((sum, x, j) => (j % 2 === parity ? sum + x : sum), 0));
  const r = correlation(half(0), half(1));
  return r === null || r <= -1 ? null : spearmanBrown(r, 2);
}
