import { undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { noErrorNote } from './chanceCorrected.ts';
import { INTERVAL_METHOD } from './linearised.ts';
import { numericalInterval } from './numericalPulls.ts';
import { countComparable } from './tally.ts';
import type { Prepared, Tally } from './tally.ts';

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
 * two marks hold no information on agreement and are left out. The pull of every kind of subject is
 * found by differences, and the interval is `coefficientInterval`'s.
 * Worked value: his 4 observers by 12 units give nominal .743, ordinal .815, interval .849,
 * ratio .797. Throws `RangeError` for words at the interval or ratio level and for negative
 * marks at the ratio level.
 */
export function krippendorffAlpha(tally: Tally, level: Level): Estimate {
  const method = `Krippendorff 2011, ${level}`;
  const n = countComparable(tally);
  if (n === 0) {
    return undefinedEstimate(method, 0, 'No subject was marked by two raters or more.');
  }
  const estimate = prepareKrippendorffAlpha(tally, level)(tally.times);
  if (estimate === null) {
    return undefinedEstimate(
      method,
      n,
      'Every mark is in one and the same category; alpha needs marks that vary.',
    );
  }
  const found = numericalInterval(tally, (own) => prepareKrippendorffAlpha(own, level), -1);
  return {
    estimate,
    lower: found?.lower ?? null,
    upper: found?.upper ?? null,
    standardError: found?.standardError ?? null,
    method: found ? `${method}; ${INTERVAL_METHOD}` : method,
    n,
    notes: found && found.lower === null ? [noErrorNote(estimate, n)] : [],
  };
}

export function prepareKrippendorffAlpha(tally: Tally, level: Level): Prepared {
  const needsNumbers = level === 'interval' || level === 'ratio';
  if (needsNumbers && tally.categories.some((c) => typeof c !== 'number')) {
    throw new RangeError(`Marks must be numbers at the ${level} level.`);
  }
  const negative = tally.categories.find((c) => typeof c === 'number' && c < 0);
  if (level === 'ratio' && negative !== undefined) {
    throw new RangeError(`The ratio level has a true zero, and ${negative} lies below it.`);
  }
  const size = tally.categories.length;
  const values = Float64Array.from(tally.categories, (c) => (needsNumbers ? Number(c) : 0));
  const { start, category } = tally;
  const pairs = new Float64Array(size * size);
  const totals = new Float64Array(size);
  const rank = new Float64Array(size);
  return (times) => {
    pairs.fill(0);
    totals.fill(0);
    for (let p = 0; p + 1 < start.length; p++) {
      const from = start[p] as number;
      const to = start[p + 1] as number;
      const t = times[p] as number;
      if (to - from < 2 || t === 0) continue;
      const each = t / (to - from - 1);
      for (let i = from; i < to; i++) {
        const c = category[i] as number;
        totals[c] = (totals[c] as number) + t;
        for (let j = i + 1; j < to; j++) {
          const k = category[j] as number;
          const at = c < k ? c * size + k : k * size + c;
          pairs[at] = (pairs[at] as number) + each;
        }
      }
    }
    let n = 0;
    for (let c = 0; c < size; c++) {
      // The middle rank of a category; two middle ranks differ by what the ordinal level asks for.
      rank[c] = n + (totals[c] as number) / 2;
      n += totals[c] as number;
    }
    let observed = 0;
    let expected = 0;
    for (let c = 0; c < size; c++) {
      if (totals[c] === 0) continue;
      for (let k = c + 1; k < size; k++) {
        const d = difference(level, c, k, values, rank);
        observed += 2 * (pairs[c * size + k] as number) * d;
        expected += 2 * (totals[c] as number) * (totals[k] as number) * d;
      }
    }
    return expected === 0 ? null : 1 - ((n - 1) * observed) / expected;
  };
}

function difference(
  level: Level,
  c: number,
  k: number,
  values: Float64Array,
  rank: Float64Array,
): number {
  switch (level) {
    case 'nominal':
      return 1;
    case 'ordinal':
      return ((rank[c] as number) - (rank[k] as number)) ** 2;
    case 'interval':
      return ((values[c] as number) - (values[k] as number)) ** 2;
    case 'ratio': {
      const sum = (values[c] as number) + (values[k] as number);
      return sum === 0 ? 0 : (((values[c] as number) - (values[k] as number)) / sum) ** 2;
    }
  }
}
