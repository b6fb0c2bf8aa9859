import chiSquareQuantile from '@stdlib/stats-base-dists-chisquare-quantile';
import { undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { variance } from '../numerics/summary.ts';

/**
 * Within-subject standard deviation of repeated measurements: the root of the mean of the
 * subjects' own variances, weighted by their degrees of freedom. Two measurements of one subject
 * differ by less than `2.77 s_w` (the repeatability, 1.96 sqrt 2) in 95 of 100 cases.
 *
 * `rows[subject]` holds that subject's measurements; those with fewer than two say nothing and
 * are left out. Standard error `s_w / sqrt(2 df)`; the
 * interval is the chi-square one, exact for normal errors.
 * Source: Bland & Altman 1996, Measurement error, BMJ 312:1654.
 * Worked value: rows (10, 12) and (20, 20): variances 2 and 0, s_w = 1.
 */
export function withinSubjectSd(rows: readonly (readonly (number | null)[])[]): Estimate {
  const method = 'within-subject SD, Bland & Altman 1996';
  const repeated = rows
    .map((row) => row.filter((x): x is number => x !== null))
    .filter((row) => row.length >= 2);
  if (repeated.length === 0) {
    return undefinedEstimate(method, 0, 'No subject was measured twice.');
  }
  let squares = 0;
  let df = 0;
  for (const row of repeated) {
    squares += (row.length - 1) * (variance(row) ?? 0);
    df += row.length - 1;
  }
  const estimate = Math.sqrt(squares / df);
  const standardError = estimate / Math.sqrt(2 * df);
  const limit = (probability: number) =>
    estimate === 0 ? null : estimate * Math.sqrt(df / chiSquareQuantile(probability, df));
  return {
    estimate,
    lower: limit(0.975),
    upper: limit(0.025),
    standardError,
    method,
    n: repeated.length,
    notes:
      estimate === 0 ? ['All repetitions are equal, so they give no interval for the error.'] : [],
  };
}
