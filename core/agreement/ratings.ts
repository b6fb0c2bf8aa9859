/** Marks of several raters: `marks[subject][rater]`; `null` where a rater left the subject out. */
export interface Ratings<M extends string | number = string | number> {
  readonly raters: number;
  readonly marks: readonly (readonly (M | null)[])[];
}

/** The categories that occur, in order: numbers ascending, then words by the alphabet. */
export function categoriesOf(ratings: Ratings): (string | number)[] {
  const seen = new Set<string | number>();
  for (const row of ratings.marks) for (const mark of row) if (mark !== null) seen.add(mark);
  return [...seen].sort(inOrder);
}

export function inOrder(a: string | number, b: string | number): number {
  if (typeof a === 'number' && typeof b === 'number') return a - b;
  if (typeof a !== typeof b) return typeof a === 'number' ? -1 : 1;
  return String(a) < String(b) ? -1 : String(a) > String(b) ? 1 : 0;
}

/** How many marks are missing. */
export function countMissing(ratings: Ratings): number {
  return ratings.marks.reduce((sum, row) => sum + row.filter((mark) => mark === null).length, 0);
}
