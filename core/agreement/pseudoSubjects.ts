import { PSEUDO_SUBJECTS } from './linearised.ts';
import type { Tally } from './tally.ts';

/** With more categories than this their pairs are too many to add, and too many to matter. */
const MOST_CATEGORIES = 12;
/** So many kinds of rows are added at most, or a coefficient found by differences would never end. */
const MOST_ROWS = 1500;

/**
 * The tally with two subjects more, spread over kinds of rows by the shares of the categories: one
 * on whom two raters agree, one whom they mark by chance. It keeps an error from collapsing where
 * a small sample shows no rare event; see `coefficientInterval`.
 *
 * They are spread over all pairs of raters who have subjects in common, so that it does not matter
 * in what order the raters stand; of very many pairs evenly spaced ones are taken.
 */
export function withPseudoSubjects(tally: Tally): Tally {
  const shares = pooledShares(tally);
  const rows: [number, number, number][] = [];
  const half = PSEUDO_SUBJECTS / 2;
  const byChance = shares.length <= MOST_CATEGORIES;
  for (const [k, p] of shares.entries()) {
    if (p === 0) continue;
    rows.push([k, k, half * (byChance ? p + p * p : p)]);
    if (!byChance) continue;
    for (const [l, q] of shares.entries()) if (q > 0 && l !== k) rows.push([k, l, half * p * q]);
  }
  const pairs = pairsOf(tally, Math.max(1, Math.floor(MOST_ROWS / rows.length)));
  const more = pairs.flatMap((pair) =>
    rows.map(([k, l, weight]) => ({ pair, marks: [k, l], weight: weight / pairs.length })),
  );
  const from = tally.category.length;
  return {
    ...tally,
    start: concat(
      Int32Array,
      tally.start,
      more.map((_, i) => from + 2 * (i + 1)),
    ),
    rater: concat(
      Int32Array,
      tally.rater,
      more.flatMap(({ pair }) => pair),
    ),
    category: concat(
      Int32Array,
      tally.category,
      more.flatMap(({ marks }) => marks),
    ),
    times: concat(
      Float64Array,
      tally.times,
      more.map(({ weight }) => weight),
    ),
  };
}

/**
 * The pairs of raters who have marked a subject in common; `most` of them evenly. One way round is
 * enough: of every row there is its mirror, of the same weight.
 */
function pairsOf({ start, rater, raters, times }: Tally, most: number): [number, number][] {
  const found = new Set<number>();
  for (const [p, t] of times.entries()) {
    if (t === 0) continue;
    const own = rater.subarray(start[p], start[p + 1]);
    for (const g of own) for (const h of own) if (g < h) found.add(g * raters + h);
    if (2 * found.size === raters * (raters - 1)) break;
  }
  const all = [...found].sort((a, b) => a - b);
  const taken = Math.min(most, all.length);
  return Array.from({ length: taken }, (_, i) => {
    const pair = all[Math.floor((i * all.length) / taken)] as number;
    return [Math.floor(pair / raters), pair % raters];
  });
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
