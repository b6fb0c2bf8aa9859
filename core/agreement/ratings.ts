/** Marks of several raters: `marks[subject][rater]`; `null` where a rater left the subject out. */
export interface Ratings<M extends string | number = string | number> {
  readonly raters: number;
  readonly marks: readonly (readonly (M | null)[])[];
}

/** How many raters put each subject in each category. */
export interface RatingCounts {
  /** In order: numbers ascending, words by the alphabet. */
  readonly categories: readonly (string | number)[];
  /** `counts[subject][category]`. */
  readonly counts: readonly (readonly number[])[];
  /** Raters who marked the subject. */
  readonly marked: readonly number[];
}

/** Counts the categories of every subject with at least one mark. */
export function countRatings(ratings: Ratings): RatingCounts {
  const categories = categoriesOf(ratings);
  const place = new Map(categories.map((category, k) => [category, k]));
  const counts: number[][] = [];
  const marked: number[] = [];
  for (const row of ratings.marks) {
    const line = categories.map(() => 0);
    let n = 0;
    for (const mark of row) {
      if (mark === null) continue;
      const k = place.get(mark) as number;
      line[k] = (line[k] ?? 0) + 1;
      n++;
    }
    if (n === 0) continue;
    counts.push(line);
    marked.push(n);
  }
  return { categories, counts, marked };
}

/** The categories that occur, in order. */
export function categoriesOf(ratings: Ratings): (string | number)[] {
  const seen = new Set<string | number>();
  for (const row of ratings.marks) for (const mark of row) if (mark !== null) seen.add(mark);
  return [...seen].sort((a, b) =>
    typeof a === 'number' && typeof b === 'number' ? a - b : String(a) < String(b) ? -1 : 1,
  );
}

/** How many marks are missing. */
export function countMissing(ratings: Ratings): number {
  return ratings.marks.reduce((sum, row) => sum + row.filter((mark) => mark === null).length, 0);
}

/** The pairs of marks of raters a and b. */
export function pairsOf(
  ratings: Ratings,
  a: number,
  b: number,
): (readonly [string | number | null, string | number | null])[] {
  return ratings.marks.map((row) => [row[a] ?? null, row[b] ?? null] as const);
}
