import { undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { Z_95 } from '../numerics/normal.ts';
import type { CrossTable } from './crossTable.ts';

/**
 * Proportion of subjects that two raters put in the same category, with the 95 % score interval
 * of Wilson (1927). Missing: listwise, as tabulated.
 *
 * Worked value: 85 of 100 agree gives 0.85, interval 0.767 to 0.907.
 */
export function percentAgreement(table: CrossTable): Estimate {
  const method = 'proportion of agreement, Wilson 1927 interval';
  const { n } = table;
  if (n === 0) return undefinedEstimate(method, 0, 'No subject was marked by both examiners.');
  const agreed = table.counts.reduce((sum, row, i) => sum + (row[i] ?? 0), 0);
  const [lower, upper] = wilsonInterval(agreed, n);
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

/** 95 % score interval for a proportion of `successes` in `n` > 0 (Wilson 1927). */
export function wilsonInterval(successes: number, n: number): [number, number] {
  const p = successes / n;
  const z2 = Z_95 * Z_95;
  const centre = (p + z2 / (2 * n)) / (1 + z2 / n);
  const half = (Z_95 / (1 + z2 / n)) * Math.sqrt((p * (1 - p)) / n + z2 / (4 * n * n));
  return [Math.max(0, centre - half), Math.min(1, centre + half)];
}
