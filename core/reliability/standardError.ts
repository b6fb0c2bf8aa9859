import { standardDeviation } from '../numerics/summary.ts';
import { cronbachAlpha } from './cronbachAlpha.ts';

/**
 * Standard error of measurement of the sum over stations, `SD_total * sqrt(1 - alpha)`, in the
 * unit of the sum. `rows[candidate][station]`, listwise.
 *
 * Source: Nunnally & Bernstein 1994, chapter 6. A negative alpha counts as 0, so that the error
 * is never larger than the spread of the totals. `null` where alpha is undefined.
 */
export function standardErrorOfMeasurement(
  rows: readonly (readonly (number | null)[])[],
): number | null {
  const alpha = cronbachAlpha(rows);
  if (alpha === null) return null;
  const totals = rows
    .filter((row) => row.every((x) => x !== null))
    .map((row) => row.reduce<number>((sum, x) => sum + (x ?? 0), 0));
  const spread = standardDeviation(totals);
  return spread === null ? null : spread * Math.sqrt(1 - Math.max(0, alpha));
}
