import chisquareCdf from '@stdlib/stats-base-dists-chisquare-cdf';

export interface Concordance {
  readonly w: number;
  /** Friedman's statistic m (n - 1) W, chi-square on n - 1 degrees for seven subjects or more. */
  readonly chiSquare: number;
  readonly df: number;
  readonly p: number;
  readonly notes: readonly string[];
}

/** The chi-square is said to hold from seven subjects on (Siegel & Castellan 1988, chapter 9.7). */
const FEW_SUBJECTS = 7;

/**
 * Kendall's coefficient of concordance W (1939) of m raters who rank n subjects, ties corrected:
 * `W = 12 S / (m^2 (n^3 - n) - m sum(t^3 - t))`, S the squared deviations of the rank sums.
 *
 * `rows[subject][rater]`, complete. Returns `null` for one rater or subject, or where every rater
 * gave all subjects the same mark. A note says where the chi-square is rough. Worked value: identical columns give 1.
 */
export function kendallW(rows: readonly (readonly number[])[]): Concordance | null {
  const n = rows.length;
  const m = rows[0]?.length ?? 0;
  if (n < 2 || m < 2) return null;
  const sums = rows.map(() => 0);
  let ties = 0;
  for (let j = 0; j < m; j++) {
    const column = rows.map((row) => row[j] as number);
    const { ranks, correction } = midRanks(column);
    ties += correction;
    for (const [i, rank] of ranks.entries()) sums[i] = (sums[i] as number) + rank;
  }
  const average = (m * (n + 1)) / 2;
  const squares = sums.reduce((sum, x) => sum + (x - average) ** 2, 0);
  const most = m * m * (n ** 3 - n) - m * ties;
  if (most === 0) return null;
  const w = (12 * squares) / most;
  const chiSquare = m * (n - 1) * w;
  const notes =
    n < FEW_SUBJECTS
      ? [
          `With fewer than ${FEW_SUBJECTS} subjects the chi-square is a rough guide only, and its p too small or too large; read a table of exact values.`,
        ]
      : [];
  return { w, chiSquare, df: n - 1, p: 1 - chisquareCdf(chiSquare, n - 1), notes };
}

/** Ranks with ties sharing their mean rank, and the sum of t^3 - t over the ties. */
function midRanks(values: readonly number[]): { ranks: number[]; correction: number } {
  const order = values
    .map((_, i) => i)
    .sort((a, b) => (values[a] as number) - (values[b] as number));
  const ranks = values.map(() => 0);
  let correction = 0;
  for (let from = 0; from < order.length;) {
    let to = from;
    while (to < order.length && values[order[to] as number] === values[order[from] as number]) to++;
    for (let k = from; k < to; k++) ranks[order[k] as number] = (from + 1 + to) / 2;
    correction += (to - from) ** 3 - (to - from);
    from = to;
  }
  return { ranks, correction };
}
