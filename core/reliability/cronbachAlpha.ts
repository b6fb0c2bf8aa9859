import { variance } from '../numerics/summary.ts';

/**
 * Cronbach's alpha of k parts (items or stations): `k / (k - 1) * (1 - sum var_j / var_total)`.
 *
 * `rows[candidate][part]`; rows with a missing part are left out (listwise).
 * Returns `null` for fewer than two parts or candidates, or where the totals do not vary.
 * Source: Cronbach 1951, equation 2.
 * Worked value: rows (1,2), (2,3), (3,4) give 1.
 */
export function cronbachAlpha(rows: readonly (readonly (number | null)[])[]): number | null {
  const complete = rows.filter((row): row is number[] => row.every((x) => x !== null));
  const k = complete[0]?.length ?? 0;
  if (k < 2 || complete.length < 2) return null;
  const totals = complete.map((row) => row.reduce((sum, x) => sum + x, 0));
  const totalVariance = variance(totals);
  if (totalVariance === null || totalVariance === 0) return null;
  let parts = 0;
  for (let j = 0; j < k; j++) parts += variance(complete.map((row) => row[j] as number)) ?? 0;
  return (k / (k - 1)) * (1 - parts / totalVariance);
}
