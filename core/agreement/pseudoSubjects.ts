import { PSEUDO_SUBJECTS } from './linearised.ts';
import type { Tally } from './tally.ts';

/** With more categories than this their pairs are too many to add, and too many to matter. */
const MOST_CATEGORIES = 12;

/**
 * The tally with two subjects more, spread over kinds of rows by the shares of the categories: one
 * on whom two raters agree, one whom they mark by chance. It keeps an error from collapsing where
 * a small sample shows no rare event; see `coefficientInterval`.
 */
export function withPseudoSubjects(tally: Tally): Tally {
  const shares = pooledShares(tally);
  const rows: [number, number, number][] = [];
  const half = PSEUDO_SUBJECTS / 2;
  for (const [k, p] of shares.entries()) {
    if (p === 0) continue;
    rows.push([k, k, half * p]);
    if (shares.length > MOST_CATEGORIES) continue;
    for (const [l, q] of shares.entries()) if (q > 0) rows.push([k, l, half * p * q]);
  }
  const from = tally.category.length;
  return {
    ...tally,
    start: concat(
      Int32Array,
      tally.start,
      rows.map((_, i) => from + 2 * (i + 1)),
    ),
    rater: concat(
      Int32Array,
      tally.rater,
      rows.flatMap(() => [0, 1]),
    ),
    category: concat(
      Int32Array,
      tally.category,
      rows.flatMap(([k, l]) => [k, l]),
    ),
    times: concat(
      Float64Array,
      tally.times,
      rows.map(([, , weight]) => weight),
    ),
  };
}

/** The share of every category among all marks. */
export function pooledShares({ categories, start, category, times }: Tally): Float64Array {
  const shares = new Float64Array(categories.length);
  let all = 0;
  for (const [p, t] of times.entries()) {
    for (const k of category.subarray(start[p], start[p + 1])) {
      shares[k] = (shares[k] as number) + t;
      all += t;
    }
  }
  return all === 0 ? shares : shares.map((count) => count / all);
}

function concat<A extends Int32Array | Float64Array>(
  Kind: new (length: number) => A,
  first: A,
  more: readonly number[],
): A {
  const whole = new Kind(first.length + more.length);
  whole.set(first);
  whole.set(more, first.length);
  return whole;
}
