import chisquareCdf from '@stdlib/stats-base-dists-chisquare-cdf';
import type { CrossTable } from './crossTable.ts';

/**
 * McNemar's test (1947) that two raters use a two-category scale equally often, in its exact
 * binomial form for up to 25 discordant pairs, else the chi-square form without correction.
 *
 * `b` and `c` are the two discordant counts. Returns the two-sided p, or `null` without any
 * discordant pair. Worked value: b = 1, c = 9 gives 2 * (1 + 10) / 2^10 = 0.0215.
 */
export function mcNemar(b: number, c: number): number | null {
  const n = b + c;
  if (n === 0) return null;
  if (n > 25) return 1 - chisquareCdf((b - c) ** 2 / n, 1);
  let tail = 0;
  let choose = 1;
  for (let i = 0; i <= Math.min(b, c); i++) {
    tail += choose;
    choose = (choose * (n - i)) / (i + 1);
  }
  return Math.min(1, (2 * tail) / 2 ** n);
}

/** Pairs in which the first rater chose the lower category, and the other way round. */
export function discordance(table: CrossTable): { firstLower: number; secondLower: number } {
  let firstLower = 0;
  let secondLower = 0;
  for (const [i, row] of table.counts.entries()) {
    for (const [j, count] of row.entries()) {
      if (i < j) firstLower += count;
      if (i > j) secondLower += count;
    }
  }
  return { firstLower, secondLower };
}
