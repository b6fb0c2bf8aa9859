import { undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { exactInterval } from '../numerics/proportion.ts';
import type { CrossTable } from './crossTable.ts';

/**
 * Proportion of subjects that two raters put in the same category, with the exact 95 % interval
 * of Clopper & Pearson (1934). Missing: listwise, as tabulated.
 *
 * Worked value: 85 of 100 agree gives 0.85, interval 0.765 to 0.914.
 */
export function percentAgreement(table: CrossTable): Estimate {
  const method = 'proportion of agreement, Clopper & Pearson 1934 interval';
  const { n } = table;
  if (n === 0) return undefinedEstimate(method, 0, 'No subject was marked by both examiners.');
  const agreed = table.counts.reduce((sum, row, i) => sum + (row[i] ?? 0), 0);
  const [lower, upper] = exactInterval(agreed, n);
  const p = agreed / n;
  return {
    estimate: p,
    lower,
    upper,
    standardError: Math.sqrt((p * (1 - p)) / n),
    method,
    n,
    notes: [],
  };
}
