import { undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { countRatings } from './ratings.ts';
import type { Ratings } from './ratings.ts';

export const LEVELS = ['nominal', 'ordinal', 'interval', 'ratio'] as const;
export type Level = (typeof LEVELS)[number];

/**
 * Krippendorff's alpha: `1 - Do / De`, the disagreement seen over the disagreement that marks
 * drawn from one urn would show. Any number of raters, missing marks, any level of measurement.
 *
 * From the coincidences o_ck (each pair of marks within a subject counts 1 / (m_u - 1)), with
 * n_c = sum_k o_ck and n = sum_c n_c:
 *   alpha = 1 - (n - 1) * sum o_ck d_ck / sum n_c n_k d_ck
 *   d nominal 0 or 1; interval (c - k)^2; ratio ((c - k) / (c + k))^2;
 *   ordinal (sum of n_g from c to k, less half of both ends)^2.
 *
 * Source: Krippendorff 2011, Computing Krippendorff's Alpha-Reliability. Subjects with fewer than
 * two marks hold no information on agreement and are left out. Resample subjects for an interval.
 * Worked value: his 4 observers by 12 units give nominal .743, ordinal .815, interval .849,
 * ratio .797. Throws `RangeError` for words at the interval or ratio level.
 */
export function krippendorffAlpha(ratings: Ratings, level: Level): Estimate {
  const method = `Krippendorff 2011, ${level}`;
  const { categories, counts, marked } = countRatings({
    ...ratings,
    marks: ratings.marks.filter((row) => row.filter((m) => m !== null).length >= 2),
  });
  if (counts.length === 0) {
    return undefinedEstimate(method, 0, 'No subject was marked by two raters or more.');
  }
  if (
    (level === 'interval' || level === 'ratio') &&
    categories.some((c) => typeof c !== 'number')
  ) {
    throw new RangeError(`Marks must be numbers at the ${level} level.`);
  }
  const size = categories.length;
  const totals = categories.map((_, c) => counts.reduce((sum, row) => sum + (row[c] as number), 0));
  const n = totals.reduce((sum, x) => sum + x, 0);
  const difference = differences(categories, totals, level);
  let observed = 0;
  for (const [u, row] of counts.entries()) {
    let within = 0;
    for (let c = 0; c < size; c++) {
      if (row[c] === 0) continue;
      for (let k = c + 1; k < size; k++)
        within += 2 * (row[c] as number) * (row[k] as number) * difference(c, k);
    }
    observed += within / ((marked[u] as number) - 1);
  }
  let expected = 0;
  for (let c = 0; c < size; c++) {
    for (let k = c + 1; k < size; k++)
      expected += 2 * (totals[c] as number) * (totals[k] as number) * difference(c, k);
  }
  if (expected === 0) {
    return undefinedEstimate(
      method,
      counts.length,
      'Every mark is in one and the same category; alpha needs marks that vary.',
    );
  }
  return {
    estimate: 1 - ((n - 1) * observed) / expected,
    lower: null,
    upper: null,
    standardError: null,
    method,
    n: counts.length,
    notes: [],
  };
}

function differences(
  categories: readonly (string | number)[],
  totals: readonly number[],
  level: Level,
): (c: number, k: number) => number {
  const value = (c: number) => Number(categories[c]);
  const before: number[] = [0];
  for (const total of totals) before.push((before.at(-1) as number) + total);
  return (c, k) => {
    switch (level) {
      case 'nominal':
        return c === k ? 0 : 1;
      case 'ordinal': {
        const between = (before[k + 1] as number) - (before[c] as number);
        return (between - ((totals[c] as number) + (totals[k] as number)) / 2) ** 2;
      }
      case 'interval':
        return (value(c) - value(k)) ** 2;
      case 'ratio': {
        const sum = value(c) + value(k);
        return sum === 0 ? 0 : ((value(c) - value(k)) / sum) ** 2;
      }
    }
  };
}
