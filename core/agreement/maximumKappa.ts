import type { CrossTable } from './crossTable.ts';

/**
 * The largest kappa that two raters could have reached with the marginal totals they have:
 * `(p_max - pe) / (1 - pe)`, `p_max = sum_i min(p_i., p_.i)`. A kappa near it says that what
 * disagreement there is comes from the raters' different habits, not from single cases.
 *
 * Source: Cohen 1960. `null` where kappa is undefined.
 * Worked value: counts 20, 5 / 10, 15 (margins 25, 25 and 30, 20) give (.9 - .5) / .5 = .80.
 */
export function maximumKappa({ rowTotals, columnTotals, n }: CrossTable): number | null {
  if (n === 0) return null;
  let most = 0;
  let chance = 0;
  for (const [i, row] of rowTotals.entries()) {
    const column = columnTotals[i] ?? 0;
    most += Math.min(row, column) / n;
    chance += (row * column) / (n * n);
  }
  return chance >= 1 - 1e-12 ? null : (most - chance) / (1 - chance);
}
