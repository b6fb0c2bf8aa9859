import { inOrder } from './ratings.ts';
import type { Tally } from './tally.ts';

/** A k x k table of two raters' categories: rows the first rater, columns the second. */
export interface CrossTable<C extends string | number = string | number> {
  readonly categories: readonly C[];
  /** `counts[i][j]`: subjects that the first rater put in category i and the second in j. */
  readonly counts: readonly (readonly number[])[];
  readonly rowTotals: readonly number[];
  readonly columnTotals: readonly number[];
  readonly n: number;
  /** Subjects left out because one of the two raters has no mark (listwise). */
  readonly missing: number;
}

/**
 * Tabulates pairs of marks. `null` is a missing mark; such a pair is left out and counted.
 *
 * `categories` fixes the order; without it the categories that occur are used, sorted.
 */
export function crossTable<C extends string | number>(
  pairs: Iterable<readonly [C | null, C | null]>,
  categories?: readonly C[],
): CrossTable<C> {
  const complete: [C, C][] = [];
  let missing = 0;
  for (const [a, b] of pairs) {
    if (a === null || b === null) missing++;
    else complete.push([a, b]);
  }
  const order = categories ?? [...new Set(complete.flat())].sort(inOrder);
  const index = new Map(order.map((category, i) => [category, i]));
  const counts = order.map(() => order.map(() => 0));
  for (const [a, b] of complete) {
    const i = index.get(a);
    const j = index.get(b);
    if (i === undefined || j === undefined) {
      throw new RangeError(`Mark ${String(i === undefined ? a : b)} is not one of the categories.`);
    }
    (counts[i] as number[])[j] = (counts[i]?.[j] ?? 0) + 1;
  }
  return fromCounts(order, counts, missing);
}

/** A table from ready counts, as papers print them. */
export function fromCounts<C extends string | number>(
  categories: readonly C[],
  counts: readonly (readonly number[])[],
  missing = 0,
): CrossTable<C> {
  const rowTotals = counts.map((row) => row.reduce((sum, x) => sum + x, 0));
  const columnTotals = categories.map((_, j) =>
    counts.reduce((sum, row) => sum + (row[j] ?? 0), 0),
  );
  const n = rowTotals.reduce((sum, x) => sum + x, 0);
  return { categories, counts, rowTotals, columnTotals, n, missing };
}

/** The table of two raters of a tally, over all its categories. */
export function tableOfPair(tally: Tally, first: number, second: number): CrossTable {
  const { categories, start, rater, category, times } = tally;
  const counts = categories.map(() => categories.map(() => 0));
  let missing = 0;
  for (const [row, t] of times.entries()) {
    let a = -1;
    let b = -1;
    for (let i = start[row] as number; i < (start[row + 1] as number); i++) {
      if (rater[i] === first) a = category[i] as number;
      if (rater[i] === second) b = category[i] as number;
    }
    if (a < 0 || b < 0) missing += t;
    else (counts[a] as number[])[b] = (counts[a]?.[b] ?? 0) + t;
  }
  return fromCounts(categories, counts, missing);
}
