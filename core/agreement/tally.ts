import { categoriesOf } from './ratings.ts';
import type { Ratings } from './ratings.ts';

/**
 * Ratings counted: every distinct row of marks once, with how often it stands.
 *
 * All agreement coefficients are functions of these counts alone, so that a bootstrap resample is
 * nothing but other counts. The marks of row p are `rater[i]`, `category[i]` for i from `start[p]`
 * to below `start[p + 1]`; a missing mark is simply not there.
 */
export interface Tally {
  readonly raters: number;
  /** In order: numbers ascending, words by the alphabet. `category[i]` is a place in this list. */
  readonly categories: readonly (string | number)[];
  readonly start: Int32Array;
  readonly rater: Int32Array;
  readonly category: Int32Array;
  /** How many subjects show the row. */
  readonly times: Float64Array;
  /** The row of every subject. */
  readonly rowOf: Int32Array;
}

/**
 * A coefficient made ready for one tally: its value for any counts of the rows, `null` where it is
 * undefined. Preparing costs once, evaluating is cheap.
 */
export type Prepared = (times: ArrayLike<number>) => number | null;

/** Counts the distinct rows. `categories` fixes the order and may name some that do not occur. */
export function tally(ratings: Ratings, categories = categoriesOf(ratings)): Tally {
  const place = new Map(categories.map((category, k) => [category, k]));
  const start = new Int32Array(ratings.marks.length + 1);
  const rater: number[] = [];
  const category: number[] = [];
  for (const [i, row] of ratings.marks.entries()) {
    for (const [g, mark] of row.entries()) {
      if (mark === null) continue;
      const k = place.get(mark);
      if (k === undefined) throw new RangeError(`Mark ${mark} is not one of the categories.`);
      rater.push(g);
      category.push(k);
    }
    start[i + 1] = rater.length;
  }
  return tallyMarks(ratings.raters, categories, {
    start,
    rater: Int32Array.from(rater),
    category: Int32Array.from(category),
  });
}

/** The same from marks that stand subject by subject, for files too large to spread out. */
export function tallyMarks(
  raters: number,
  categories: readonly (string | number)[],
  marks: Pick<Tally, 'start' | 'rater' | 'category'>,
): Tally {
  const subjects = marks.start.length - 1;
  const rowOf = new Int32Array(subjects);
  const known = new Map<string, number>();
  const firsts: number[] = [];
  const times: number[] = [];
  for (let i = 0; i < subjects; i++) {
    let key = '';
    for (let m = marks.start[i] as number; m < (marks.start[i + 1] as number); m++) {
      key += `${marks.rater[m]}:${marks.category[m]};`;
    }
    let row = known.get(key);
    if (row === undefined) {
      row = firsts.length;
      known.set(key, row);
      firsts.push(i);
      times.push(0);
    }
    times[row] = (times[row] as number) + 1;
    rowOf[i] = row;
  }
  const start = new Int32Array(firsts.length + 1);
  const rater: number[] = [];
  const category: number[] = [];
  for (const [row, i] of firsts.entries()) {
    for (let m = marks.start[i] as number; m < (marks.start[i + 1] as number); m++) {
      rater.push(marks.rater[m] as number);
      category.push(marks.category[m] as number);
    }
    start[row + 1] = rater.length;
  }
  return {
    raters,
    categories,
    start,
    rater: Int32Array.from(rater),
    category: Int32Array.from(category),
    times: Float64Array.from(times),
    rowOf,
  };
}

/** How many marks each row holds. */
export function marksPerRow({ start }: Tally): Int32Array {
  return Int32Array.from({ length: start.length - 1 }, (_, p) => {
    return (start[p + 1] as number) - (start[p] as number);
  });
}

/** How many subjects two raters or more have marked. */
export function countComparable(tally: Tally): number {
  const marked = marksPerRow(tally);
  return tally.times.reduce((sum, t, p) => ((marked[p] as number) >= 2 ? sum + t : sum), 0);
}
